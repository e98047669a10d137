package dev.restis.core.batch;

import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

/** How long the whole workshop is at the bench: the calendars of its makers together, until a plan knows whose day it is. */
public record OpenMinutes(List<MakerCalendar> makers) {

    /** Nothing is promised further ahead than this. */
    private static final int HORIZON_DAYS = 3660;

    public OpenMinutes {
        makers = List.copyOf(makers);
    }

    /**
     * The day on which work is through that starts on the morning after {@code today}; the rest of today is not counted
     * on. No work at all is through today. Cost: one step a day and maker.
     *
     * @return empty when the workshop is never open, or not open enough within ten years
     */
    public Optional<LocalDate> through(LocalDate today, Duration work) {
        long left = work.toSeconds();
        LocalDate day = today;
        for (int ahead = 0; left > 0; ahead++) {
            if (ahead == HORIZON_DAYS) {
                return Optional.empty();
            }
            day = day.plusDays(1);
            left -= 60L * on(day);
        }
        return Optional.of(day);
    }

    /** Minutes of all makers on that day. */
    public int on(LocalDate day) {
        int minutes = 0;
        for (MakerCalendar maker : makers) {
            minutes += maker.on(day);
        }
        return minutes;
    }

    /** What a week holds in which no day is otherwise. */
    public int perWeek() {
        return makers.stream().mapToInt(MakerCalendar::perWeek).sum();
    }
}
