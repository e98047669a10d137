package dev.restis.core.batch.search;

import dev.restis.core.batch.Aims;
import dev.restis.core.batch.PlanWork;
import dev.restis.core.batch.WorkPlan;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Why a block of parcels stands where it stands.
 *
 * @param setUp seconds of setting up that it costs there
 * @param fromNothing seconds that it would cost on an empty bench
 * @param daysInHand until the first of its orders is late; below 0 when one is
 * @param elsewhere what the best of all other places would make of the plan; nothing when there is no other
 */
public record Reason(long setUp, long fromNothing, int daysInHand, Optional<Elsewhere> elsewhere) {

    /**
     * Another place.
     *
     * @param maker place in the list of makers
     * @param at place in that maker's line, without the block
     * @param aims what the plan would be worth
     */
    public record Elsewhere(int maker, int at, Aims aims) {}

    /**
     * Tries all other places.
     *
     * @param maker whose line it stands in
     * @param from its first parcel's place there
     * @param count how many parcels
     */
    public static Reason of(PlanWork work, WorkPlan plan, int maker, int from, int count) {
        Model model = new Model(work);
        Sequences now = new Sequences(model);
        now.set(plan.sequences());
        List<WorkPlan.Placed> block = plan.makers().get(maker).subList(from, from + count);
        int[] parcels = block.stream().mapToInt(WorkPlan.Placed::parcel).toArray();
        int slack = Integer.MAX_VALUE;
        long nothing = 0;
        int lies = Model.NOTHING;
        for (int parcel : parcels) {
            slack = Math.min(slack, now.slack(parcel));
            nothing += model.setUp[lies][model.bench[parcel]];
            lies = model.bench[parcel];
        }
        return new Reason(
                block.stream().mapToLong(WorkPlan.Placed::setUp).sum(),
                nothing,
                slack,
                best(model, now, maker, from, parcels));
    }

    private static Optional<Elsewhere> best(Model model, Sequences now, int maker, int from, int[] parcels) {
        Elsewhere best = null;
        for (int m = 0; m < model.makers; m++) {
            int places = now.length[m] - (m == maker ? parcels.length : 0);
            for (int at = 0; ties(model, m, parcels) && at <= places; at++) {
                if (m == maker && at == from) {
                    continue;
                }
                now.begin();
                now.without(maker, from, parcels.length);
                now.with(m, at, parcels, parcels.length);
                Aims aims = now.triedAims(now.tryOut());
                if (best == null || aims.compareTo(best.aims()) < 0) {
                    best = new Elsewhere(m, at, aims);
                }
            }
        }
        return Optional.ofNullable(best);
    }

    private static boolean ties(Model model, int maker, int[] parcels) {
        for (int parcel : parcels) {
            if (!model.ties(maker, parcel)) {
                return false;
            }
        }
        return true;
    }

    /** The sequences with the block moved there. */
    public static List<List<Integer>> moved(WorkPlan plan, int maker, int from, int count, Elsewhere to) {
        List<List<Integer>> lines = new ArrayList<>();
        plan.sequences().forEach(line -> lines.add(new ArrayList<>(line)));
        List<Integer> block = lines.get(maker).subList(from, from + count);
        List<Integer> taken = List.copyOf(block);
        block.clear();
        lines.get(to.maker()).addAll(to.at(), taken);
        return lines;
    }
}
