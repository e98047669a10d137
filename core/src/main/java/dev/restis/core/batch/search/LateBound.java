package dev.restis.core.batch.search;

import dev.restis.core.batch.DueOrder;
import dev.restis.core.batch.Parcel;
import dev.restis.core.batch.PlanMaker;
import dev.restis.core.batch.PlanWork;
import dev.restis.core.cutting.solver.Transport;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.TreeMap;

/**
 * Late days that any plan has at least, each order's by its weight: the transport bound of Gelders and Kleindorfer (1974). A second of an
 * order's work that is done on a day costs the order's weight times the days that it would be late with its last piece on that day, over
 * all of its seconds; the order's true lateness is that of its last second, and so no less. Days are as long as the quickest paces make
 * them, and setting up takes none of them, so that it is a floor and no forecast.
 */
public final class LateBound {

    /** Costs are whole numbers: so many of them are a late day. */
    private static final long DAY = 100_000_000;
    /** A maker's seconds of a piece are rounded; pieces take a minute at least, so that this wins a hundredth at most. */
    private static final double ROUNDED = 1.01;

    private LateBound() {}

    /** Nothing where the solver's native code is missing. */
    public static OptionalLong of(PlanWork work) {
        long fixed = 0;
        for (DueOrder order : work.orders()) {
            fixed += (long) order.weight() * order.late(-1);
        }
        if (work.parcels().isEmpty()) {
            return OptionalLong.of(fixed);
        }
        List<long[]> sources = sources(work);
        long all = sources.stream().mapToLong(s -> s[2]).sum();
        long last = sources.stream().mapToLong(s -> s[1]).max().orElse(0);
        long[] capacity = days(work, (int) last, all);
        Map<Integer, Long> whole = new TreeMap<>();
        sources.forEach(s -> whole.merge((int) s[0], s[2], Long::sum));
        long[] supply = new long[sources.size()];
        long[][] cost = new long[sources.size()][capacity.length];
        for (int s = 0; s < supply.length; s++) {
            int place = (int) sources.get(s)[0];
            DueOrder order = work.orders().get(place);
            supply[s] = sources.get(s)[2];
            for (int day = 0; day < capacity.length; day++) {
                // What is late already by what is fixed of it is counted once.
                long late = order.late(day) - order.late(-1);
                cost[s][day] = day < sources.get(s)[1]
                        ? -1
                        : Math.max(0, DAY * order.weight() * late / whole.getOrDefault(place, 1L));
            }
        }
        OptionalLong least = Transport.leastCost(supply, capacity, cost);
        return least.isEmpty() ? least : OptionalLong.of(fixed + (least.getAsLong() + DAY - 1) / DAY);
    }

    /** Order, release and seconds of what is to be done. */
    private static List<long[]> sources(PlanWork work) {
        Map<List<Integer>, Long> seconds = new TreeMap<>((a, b) -> {
            int byOrder = Integer.compare(a.get(0), b.get(0));
            return byOrder != 0 ? byOrder : Integer.compare(a.get(1), b.get(1));
        });
        for (Parcel parcel : work.parcels()) {
            seconds.merge(List.of(parcel.order(), parcel.release()), parcel.work(), Long::sum);
        }
        List<long[]> sources = new ArrayList<>();
        seconds.forEach((key, taken) -> sources.add(new long[] {key.get(0), key.get(1), taken}));
        return sources;
    }

    /** Usual seconds that all makers together can do at most on each day, until everything can be done. */
    private static long[] days(PlanWork work, int release, long all) {
        List<Long> days = new ArrayList<>();
        long after = 0;
        while (after < all) {
            int day = days.size();
            long seconds = 0;
            for (int m = 0; m < work.makers().size(); m++) {
                int maker = m;
                PlanMaker who = work.makers().get(m);
                long pinned = work.pins().stream()
                        .filter(p -> p.maker() == maker && p.day() == day)
                        .mapToLong(p -> p.seconds())
                        .sum();
                double pace = who.pace().values().stream()
                        .mapToDouble(Double::doubleValue)
                        .min()
                        .orElse(1);
                seconds += (long) Math.ceil(Math.max(0, who.on(day) - pinned) / pace * ROUNDED);
            }
            days.add(seconds);
            after += day >= release ? seconds : 0;
        }
        return days.stream().mapToLong(Long::longValue).toArray();
    }
}
