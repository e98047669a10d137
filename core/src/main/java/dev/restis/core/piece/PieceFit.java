package dev.restis.core.piece;

import dev.restis.core.measure.Length;
import dev.restis.core.measure.Sum;
import java.util.List;
import java.util.Optional;

/**
 * How a piece comes out in size.
 *
 * @param target the length aimed at, with its parts; for a band the flat length F
 * @param body what the target leaves for the body, with its parts
 * @param thickness of the body
 * @param width of the body
 * @param pitch body length of one repeat
 * @param groups repeats between the beads, from one end to the other; one group without beads
 * @param bodyLength length of the body reached
 * @param reached total length reached, to hold against the target
 * @param band how a sliding band opens and closes; empty for pieces that do not close
 */
public record PieceFit(
        Sum target,
        Sum body,
        Length thickness,
        Length width,
        Length pitch,
        List<Integer> groups,
        Length bodyLength,
        Length reached,
        Optional<Band> band) {

    public PieceFit {
        groups = List.copyOf(groups);
    }

    /**
     * How a sliding band opens and closes.
     *
     * @param slider length of the slider
     * @param tail free tail each side, from body to end stop
     * @param tailTwice the sum behind twice the tail
     * @param closed inner circumference fully closed
     * @param open inner circumference fully open
     * @param hand hand girth it must pass
     * @param handAssumed whether that girth is from the size table
     */
    public record Band(
            Length slider, Length tail, Sum tailTwice, Length closed, Length open, Length hand, boolean handAssumed) {}

    public int repeats() {
        return groups.stream().mapToInt(Integer::intValue).sum();
    }

    /** What whole repeats leave over or add: target minus reached. */
    public Length error() {
        return target.total().minus(reached);
    }
}
