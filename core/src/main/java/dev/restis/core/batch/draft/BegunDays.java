package dev.restis.core.batch.draft;

import dev.restis.core.batch.Pin;
import dev.restis.core.batch.PlanMaker;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** On which days what is begun goes on: before anything else of its maker, as far as their days reach. */
final class BegunDays {

    /** Nothing that is begun takes longer than that. */
    private static final int MOST_DAYS = 400;

    /**
     * A begun piece on its days.
     *
     * @param from the day on which it goes on
     * @param seconds on each day from then on
     */
    record Going(Begun begun, int from, List<Integer> seconds) {}

    private final List<Going> going = new ArrayList<>();
    private final List<Pin> pins = new ArrayList<>();
    private final Map<Integer, Integer> made = new HashMap<>();
    private final Map<Integer, Map<Integer, Long>> taken = new HashMap<>();

    BegunDays(Inputs inputs) {
        int[] day = new int[inputs.makers().size()];
        long[] left = new long[day.length];
        for (int m = 0; m < day.length; m++) {
            left[m] = inputs.makers().get(m).on(0);
        }
        for (Begun begun : inputs.begun()) {
            int m = begun.maker();
            PlanMaker maker = inputs.makers().get(m);
            long todo = begun.seconds();
            int from = day[m];
            List<Integer> seconds = new ArrayList<>();
            while (todo > 0 && day[m] < MOST_DAYS) {
                long now = Math.min(todo, left[m]);
                todo -= now;
                left[m] -= now;
                seconds.add((int) now);
                if (now > 0) {
                    pins.add(new Pin(m, day[m], begun.bench(), (int) now));
                    taken.computeIfAbsent(m, k -> new HashMap<>()).merge(day[m], now, Long::sum);
                }
                if (todo > 0) {
                    day[m]++;
                    left[m] = maker.on(day[m]);
                }
            }
            made.merge(begun.order(), day[m], Math::max);
            going.add(new Going(begun, from, List.copyOf(seconds)));
        }
    }

    List<Going> going() {
        return going;
    }

    List<Pin> pins() {
        return pins;
    }

    /** The day on which the last begun piece of an order is made. */
    Map<Integer, Integer> made() {
        return made;
    }

    /** Seconds of a maker's day that it takes. */
    long on(int maker, int day) {
        return taken.getOrDefault(maker, Map.of()).getOrDefault(day, 0L);
    }
}
