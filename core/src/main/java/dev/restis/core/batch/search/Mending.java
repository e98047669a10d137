package dev.restis.core.batch.search;

import dev.restis.core.batch.PlanWork;
import dev.restis.core.batch.PlanWork.Seen;
import dev.restis.core.batch.Planner.Watch;
import dev.restis.core.batch.WorkPlan;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;

/**
 * Mends a plan after something happened: what waits for its cord, what its maker does not tie any more and what is new goes to its best
 * places, and one short cycle follows in which what people have seen is moved only for what it is worth.
 *
 * @param work with the days to which the old plan is pushed by what happened, which are free to be moved to
 */
public record Mending(PlanWork work, WorkPlan plan) {

    /** The walk needs none; a trial is one look. */
    private static final long SEED = 1;

    /**
     * Mends it.
     *
     * @param lines the old plan's parcels by maker; what is new stands nowhere
     */
    public static Mending of(PlanWork work, List<List<Integer>> lines, Watch watch) {
        PlanWork pushed = pushed(work, lines);
        Model model = new Model(pushed);
        Sequences now = new Sequences(model);
        List<List<Integer>> repaired = repaired(model, now, lines);
        return new Mending(pushed, new Cycles(model, now, repaired, watch).run(Cycles.Budget.mending(model.parcels)));
    }

    /** Only puts somewhere what stands nowhere. */
    public static WorkPlan placed(PlanWork work, List<List<Integer>> lines) {
        Model model = new Model(work);
        Sequences now = new Sequences(model);
        now.set(lines);
        boolean[] out = new boolean[model.parcels];
        for (int p = 0; p < model.parcels; p++) {
            out[p] = now.makerOf[p] < 0;
        }
        putAnew(model, now, out);
        return now.plan();
    }

    /** Without the cycle. */
    public static Mending repaired(PlanWork work, List<List<Integer>> lines) {
        PlanWork pushed = pushed(work, lines);
        Model model = new Model(pushed);
        Sequences now = new Sequences(model);
        now.set(repaired(model, now, lines));
        return new Mending(pushed, now.plan());
    }

    /** Where the old sequences come to stand when they are only pushed along. */
    private static PlanWork pushed(PlanWork work, List<List<Integer>> lines) {
        if (work.before().isEmpty()) {
            return work;
        }
        Model model = new Model(work);
        Sequences now = new Sequences(model);
        now.set(tied(model, lines));
        List<Seen> before = new ArrayList<>();
        for (int p = 0; p < model.parcels; p++) {
            Seen seen = work.before().get(p);
            before.add(seen.maker() < 0 || now.makerOf[p] < 0 ? seen : new Seen(seen.maker(), seen.day(), now.made[p]));
        }
        return work.seen(before);
    }

    private static List<List<Integer>> tied(Model model, List<List<Integer>> lines) {
        List<List<Integer>> tied = new ArrayList<>();
        for (int m = 0; m < model.makers; m++) {
            int maker = m;
            tied.add(lines.get(m).stream().filter(p -> model.ties(maker, p)).toList());
        }
        return tied;
    }

    private static List<List<Integer>> repaired(Model model, Sequences now, List<List<Integer>> lines) {
        now.set(tied(model, lines));
        boolean[] out = new boolean[model.parcels];
        Place at = new Place(model);
        for (int m = 0; m < model.makers; m++) {
            at.start(m);
            for (int i = 0; i < now.length[m]; i++) {
                int parcel = now.line[m][i];
                // Whoever waits for cord lets everybody behind wait.
                if (at.day < model.release[parcel]) {
                    out[parcel] = true;
                } else {
                    at.tie(parcel);
                }
            }
        }
        for (int p = 0; p < model.parcels; p++) {
            out[p] |= now.makerOf[p] < 0;
        }
        putAnew(model, now, out);
        List<List<Integer>> repaired = new ArrayList<>();
        for (int[] line : now.lines()) {
            repaired.add(Arrays.stream(line).boxed().toList());
        }
        return repaired;
    }

    private static void putAnew(Model model, Sequences now, boolean[] out) {
        int[] anew = IntStream.range(0, model.parcels).filter(p -> out[p]).toArray();
        if (anew.length > 0) {
            new Recreate(now, new SplittableRandom(SEED)).putAnew(anew, anew.length);
        }
    }
}
