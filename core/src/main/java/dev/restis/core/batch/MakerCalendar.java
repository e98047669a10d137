package dev.restis.core.batch;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.Map;

/**
 * When one maker is at the bench.
 *
 * @param week minutes on each day of the week; a day that is missing has none
 * @param days minutes on single days that are not as their week: none for a day off, some for part of one, or more
 */
public record MakerCalendar(Map<DayOfWeek, Integer> week, Map<LocalDate, Integer> days) {

    /** Ten people of ten hours: one name may stand for a whole bench. */
    public static final int MOST = 6000;

    public MakerCalendar {
        week.forEach(MakerCalendar::check);
        days.forEach(MakerCalendar::check);
        week = Map.copyOf(week);
        days = Map.copyOf(days);
    }

    private static void check(Object day, int minutes) {
        if (minutes < 0 || minutes > MOST) {
            throw new IllegalArgumentException("minutes on " + day + " must be 0 to " + MOST + " but were " + minutes);
        }
    }

    /** Minutes on that day. */
    public int on(LocalDate day) {
        return days.getOrDefault(day, week.getOrDefault(day.getDayOfWeek(), 0));
    }

    /** What a week holds in which no day is otherwise. */
    public int perWeek() {
        return week.values().stream().mapToInt(Integer::intValue).sum();
    }
}
