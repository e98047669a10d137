package dev.restis.core.morning;

import dev.restis.core.batch.OpenMinutes;
import java.time.Duration;
import java.time.LocalDate;
import java.util.Comparator;

/**
 * When work must begin at the latest so that it is through by the end of a day, when the whole house works on nothing else.
 *
 * @param day the day on which it must begin
 * @param into how much of that day may be over by then; seconds
 */
public record LatestStart(LocalDate day, long into) implements Comparable<LatestStart> {

    private static final Comparator<LatestStart> ORDER =
            Comparator.comparing(LatestStart::day).thenComparing(LatestStart::into);
    /** Work that does not fit into so many days before is as late as work can be. */
    private static final int MOST_DAYS = 400;

    /**
     * Goes back from the day by the open minutes of the house. Days on which it is shut hold nothing: what must leave on one is
     * through on the last open day before. Cost: one step a day and maker.
     *
     * @param leaves the day by whose end it must be through
     * @param work of makers' time; not negative
     */
    public static LatestStart of(OpenMinutes open, LocalDate leaves, Duration work) {
        long left = work.toSeconds();
        LocalDate day = leaves;
        for (int back = 0; back < MOST_DAYS; back++) {
            long seconds = 60L * open.on(day);
            if (seconds > 0 && left <= seconds) {
                return new LatestStart(day, seconds - left);
            }
            left -= seconds;
            day = day.minusDays(1);
        }
        return new LatestStart(open.perWeek() == 0 ? leaves : day, 0);
    }

    /** Whether that day is over. */
    public boolean passed(LocalDate today) {
        return day.isBefore(today);
    }

    @Override
    public int compareTo(LatestStart other) {
        return ORDER.compare(this, other);
    }
}
