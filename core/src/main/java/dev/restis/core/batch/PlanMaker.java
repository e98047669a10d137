package dev.restis.core.batch;

import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Somebody who ties.
 *
 * @param id of whoever asks
 * @param seconds at the bench on each day of the plan, its first day first; later days count as eight hours each
 * @param pace seconds taken over usual ones, by family; whoever has none ties every family at the usual pace, and whoever has some ties
 *     these alone
 * @param bench what lies on the bench on the first morning; nothing on an empty one
 */
public record PlanMaker(long id, List<Integer> seconds, Map<String, Double> pace, Optional<Bench> bench) {

    private static final int FURTHER_DAY = 8 * 3600;

    public PlanMaker {
        seconds = List.copyOf(seconds);
        pace = Map.copyOf(pace);
        if (seconds.stream().anyMatch(s -> s < 0)) {
            throw new IllegalArgumentException("seconds of a day must not be negative but were " + seconds);
        }
    }

    /** Seconds at the bench on a day. */
    public int on(int day) {
        return day < seconds.size() ? seconds.get(day) : FURTHER_DAY;
    }

    /** Seconds that one piece takes; empty when this maker does not tie it. */
    public Optional<Integer> seconds(Parcel parcel) {
        Double factor =
                pace.isEmpty() ? Double.valueOf(1) : pace.get(parcel.bench().family());
        return factor == null
                ? Optional.empty()
                : Optional.of((int) Math.max(1, Math.round(parcel.seconds() * factor)));
    }
}
