package dev.restis.core.batch.search;

import dev.restis.core.batch.Chances;
import dev.restis.core.batch.DueOrder;
import dev.restis.core.batch.Parcel;
import dev.restis.core.batch.PlanWork;
import dev.restis.core.batch.PlanWork.Seen;
import dev.restis.core.batch.Spread;
import dev.restis.core.batch.WorkPlan;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * When an order that nobody has taken yet can be ready: its parcels go one by one to the place where they are made first, where no
 * other order gets later than it is.
 *
 * @param work with the order and its parcels, each the last in its list
 * @param plan with them in it
 * @param day on which it is ready, with the days that it lies or travels
 */
public record Quote(PlanWork work, WorkPlan plan, int day) {

    /**
     * Looks for it.
     *
     * @param parcels of the new order; at least one
     * @param delay days that it lies or travels
     */
    public static Quote of(PlanWork work, WorkPlan plan, List<Parcel> parcels, int delay) {
        int order = work.orders().size();
        List<DueOrder> orders = new ArrayList<>(work.orders());
        orders.add(new DueOrder(-1, DueOrder.NEVER, 1, delay));
        List<Parcel> all = new ArrayList<>(work.parcels());
        parcels.forEach(p -> all.add(new Parcel(p.id(), order, p.bench(), p.pieces(), p.seconds(), p.release())));
        List<Seen> before = new ArrayList<>(work.before());
        if (!before.isEmpty()) {
            parcels.forEach(p -> before.add(Seen.NOWHERE));
        }
        PlanWork with =
                new PlanWork(work.makers(), orders, all, work.pins(), work.setUps(), work.wholePieces(), before);
        Model model = new Model(with);
        Sequences now = new Sequences(model);
        now.set(plan.sequences());
        List<Integer> trial = IntStream.range(work.parcels().size(), all.size())
                .boxed()
                .sorted(Comparator.comparingLong(p -> -model.standard[p]))
                .toList();
        trial.forEach(parcel -> put(model, now, parcel, order));
        // Once more those that came last, since the others have found their places.
        int last = trial.stream().mapToInt(p -> now.made[p]).max().orElse(0);
        boolean[] out = new boolean[model.parcels];
        trial.stream().filter(p -> now.made[p] == last).forEach(p -> out[p] = true);
        int[][] lines = now.lines();
        now.takeOut(out);
        trial.stream().filter(p -> out[p]).forEach(parcel -> put(model, now, parcel, order));
        if (trial.stream().mapToInt(p -> now.made[p]).max().orElse(0) > last) {
            now.set(lines);
        }
        int day = trial.stream().mapToInt(p -> now.made[p]).max().orElse(0) + delay;
        return new Quote(with, now.plan(), day);
    }

    private static void put(Model model, Sequences now, int parcel, int order) {
        int[] one = {parcel};
        int bestMaker = -1;
        int bestAt = 0;
        int bestDay = Integer.MAX_VALUE;
        long bestCost = Long.MAX_VALUE;
        for (int m = 0; m < model.makers; m++) {
            // The later in a line, the later it is made: the day of the first place where it fits is the maker's.
            int firstDay = Integer.MAX_VALUE;
            for (int at = 0; model.ties(m, parcel) && at <= now.length[m]; at++) {
                if (at > 0 && now.made[now.line[m][at - 1]] > Math.min(bestDay, firstDay)) {
                    break;
                }
                now.begin();
                now.nobodyLaterBut(order);
                now.with(m, at, one, 1);
                long cost = now.tryOut();
                if (cost == Long.MAX_VALUE) {
                    continue;
                }
                int day = now.triedDay(parcel);
                firstDay = Math.min(firstDay, day);
                if (day < bestDay || day == bestDay && cost < bestCost) {
                    bestMaker = m;
                    bestAt = at;
                    bestDay = day;
                    bestCost = cost;
                }
            }
        }
        now.begin();
        now.with(bestMaker, bestAt, one, 1);
        now.tryOut();
        now.keep();
    }

    /** How likely it is ready on which day. */
    public Chances chances(Spread spread, int runs, long seed) {
        return Playing.play(
                work, plan, spread, runs, seed, Optional.of(work.orders().size() - 1));
    }
}
