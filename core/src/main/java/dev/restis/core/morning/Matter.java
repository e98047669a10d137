package dev.restis.core.morning;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Something to do with pieces of one order.
 *
 * @param order its number, the least first of two that are alike in all else
 * @param doing what is done next
 * @param start when it must begin at the latest; nothing where any day will do
 * @param waits until when nothing can be done; nothing where it can be done now
 * @param forOthers whether it waits for other pieces of the same order, which are not so far
 * @param what whatever is shown of it
 */
public record Matter<T>(
        long order, Doing doing, Optional<LatestStart> start, Optional<Instant> waits, boolean forOthers, T what) {

    private static final LatestStart ANY_DAY = new LatestStart(LocalDate.MAX, 0);

    private boolean now() {
        return waits.isEmpty() && !forOthers;
    }

    /**
     * In the order in which a house goes about them: what can be done now before what waits; of what can be done, what must begin
     * first, then what is nearest to its customer; of what waits, what can go on first, and last what waits for other pieces.
     */
    public static <T> List<Matter<T>> inOrder(Collection<Matter<T>> all) {
        Comparator<Matter<T>> now = Comparator.comparing(m -> !m.now());
        Comparator<Matter<T>> others = Comparator.comparing(Matter::forOthers);
        return all.stream()
                .sorted(now.thenComparing(others)
                        .thenComparing(m -> m.waits().orElse(Instant.MIN))
                        .thenComparing(m -> m.start().isEmpty())
                        .thenComparing(m -> m.start().orElse(ANY_DAY))
                        .thenComparing(Matter::doing)
                        .thenComparing(Matter::order))
                .toList();
    }
}
