package dev.restis.core.stock;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * How an article goes down from day to day when nothing more is bought: what is owed on its days, and usual use beside it.
 *
 * @param levels what is left at the end of each day, the first being today; below 0 from when it runs short
 */
public record RunningOut(List<Level> levels) {

    private static final double DAYS_IN_WEEK = 7;

    /** What is left at the end of a day. */
    public record Level(LocalDate day, long quantity) {}

    public RunningOut {
        levels = List.copyOf(levels);
    }

    /**
     * @param owed what is promised, by the day it must be there; what is overdue counts for today
     * @param arriving what was bought, by the day it should arrive; what is late counts for tomorrow
     * @param days how far to look, at least 1
     */
    public static RunningOut of(
            long onHand,
            Map<LocalDate, Long> owed,
            Map<LocalDate, Long> arriving,
            Usage usage,
            LocalDate today,
            int days) {
        TreeMap<LocalDate, Long> changes = new TreeMap<>();
        owed.forEach((day, quantity) -> changes.merge(day.isBefore(today) ? today : day, -quantity, Long::sum));
        LocalDate tomorrow = today.plusDays(1);
        arriving.forEach(
                (day, quantity) -> changes.merge(day.isBefore(tomorrow) ? tomorrow : day, quantity, Long::sum));
        List<Level> levels = new ArrayList<>();
        long certain = onHand;
        for (int i = 0; i < days; i++) {
            LocalDate day = today.plusDays(i);
            certain += changes.getOrDefault(day, 0L);
            levels.add(new Level(day, certain - Math.round(usage.mean() * i / DAYS_IN_WEEK)));
        }
        return new RunningOut(levels);
    }

    /** The first day at whose end there is not enough; empty when it lasts as far as was looked. */
    public Optional<LocalDate> runsOut() {
        return levels.stream().filter(l -> l.quantity() < 0).map(Level::day).findFirst();
    }
}
