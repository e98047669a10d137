package dev.restis.core.batch;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.LocalDate;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;

/**
 * How many minutes the whole workshop is at the bench on each day of the week.
 *
 * @param byDay 0 to 6000 minutes each (ten makers of ten hours); a day that is missing has none
 */
public record OpenMinutes(Map<DayOfWeek, Integer> byDay) {

    public static final int MOST = 6000;
    /** Nothing is promised further ahead than this. */
    private static final int HORIZON_DAYS = 3660;

    public OpenMinutes {
        EnumMap<DayOfWeek, Integer> copy = new EnumMap<>(DayOfWeek.class);
        copy.putAll(byDay);
        copy.forEach((day, minutes) -> {
            if (minutes < 0 || minutes > MOST) {
                throw new IllegalArgumentException(
                        "minutes on " + day + " must be 0 to " + MOST + " but were " + minutes);
            }
        });
        byDay = Map.copyOf(copy);
    }

    /**
     * The day on which work is through that starts on the morning after {@code today}; the rest of today is not counted
     * on. No work at all is through today. Cost: one step a day.
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
            left -= 60L * byDay.getOrDefault(day.getDayOfWeek(), 0);
        }
        return Optional.of(day);
    }

    /** What a week holds. */
    public int perWeek() {
        return byDay.values().stream().mapToInt(Integer::intValue).sum();
    }
}
