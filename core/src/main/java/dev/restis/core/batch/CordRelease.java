package dev.restis.core.batch;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;

/**
 * From which day on what orders need is there. Scarce cord goes to whoever stands first in the list; what has come is used before what is
 * on its way.
 */
public final class CordRelease {

    /**
     * What is on its way.
     *
     * @param day counted from the first of the plan; what should have come is expected on the first
     */
    public record Arrival(long article, int day, long quantity) {}

    /** Of one article: what lies here, and then what comes, by day. */
    private static final class Shelf {
        private final List<Arrival> arrivals = new ArrayList<>();
        private int next;
        private long left;

        /** @return the day on which so much is there; nothing when it never is, and then it is left for others */
        OptionalInt take(long quantity) {
            int at = next;
            long there = left;
            while (there < quantity && at < arrivals.size()) {
                there += arrivals.get(at++).quantity();
            }
            if (there < quantity) {
                return OptionalInt.empty();
            }
            next = at;
            left = there - quantity;
            return OptionalInt.of(at == 0 ? 0 : arrivals.get(at - 1).day());
        }
    }

    private CordRelease() {}

    /**
     * The day of each; nothing for one whose need is neither here nor on its way, which then takes nothing of that article.
     *
     * @param needs of each, by article, in the order in which they are served
     * @param here what lies here and is promised to nobody else, by article
     */
    public static List<OptionalInt> days(List<Map<Long, Long>> needs, Map<Long, Long> here, List<Arrival> arrivals) {
        Map<Long, Shelf> shelves = new HashMap<>();
        here.forEach((article, quantity) -> shelf(shelves, article).left = Math.max(0, quantity));
        arrivals.stream()
                .sorted(Comparator.comparingInt(Arrival::day))
                .forEach(a -> shelf(shelves, a.article()).arrivals.add(a));
        List<OptionalInt> days = new ArrayList<>();
        for (Map<Long, Long> need : needs) {
            OptionalInt day = OptionalInt.of(0);
            for (Map.Entry<Long, Long> one : need.entrySet()) {
                OptionalInt there = one.getValue() <= 0
                        ? OptionalInt.of(0)
                        : shelf(shelves, one.getKey()).take(one.getValue());
                day = day.isEmpty() || there.isEmpty()
                        ? OptionalInt.empty()
                        : OptionalInt.of(Math.max(day.getAsInt(), there.getAsInt()));
            }
            days.add(day);
        }
        return days;
    }

    private static Shelf shelf(Map<Long, Shelf> shelves, long article) {
        return shelves.computeIfAbsent(article, a -> new Shelf());
    }
}
