package dev.restis.core.piece;

import dev.restis.core.fit.EyeFit;
import dev.restis.core.fit.SlidingFit;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.Sum;
import dev.restis.core.pattern.Section;
import java.util.List;
import java.util.Optional;

/**
 * How a piece comes out in size.
 *
 * @param target the length aimed at, with its parts; for a band the flat length F
 * @param room what the target leaves for what stretches, with its parts
 * @param thickness of the piece where it lies on the wrist
 * @param width of its widest body
 * @param bodies in the order of the pattern's sections
 * @param around how many beads go all around; 0 for a piece that is not strung so
 * @param reached total length reached, to hold against the target
 * @param band how a sliding band opens and closes; empty for pieces that do not slide
 * @param inner inner circumference of a band that does not slide
 * @param eye what the stopper asks of the eye or the buttonhole, and what it gets
 */
public record PieceFit(
        Sum target,
        Sum room,
        Length thickness,
        Length width,
        List<WorkedBody> bodies,
        int around,
        Length reached,
        Optional<Band> band,
        Optional<Length> inner,
        Optional<EyeFit> eye) {

    public PieceFit {
        bodies = List.copyOf(bodies);
    }

    /**
     * How a sliding band opens and closes.
     *
     * @param kind how the closure is built
     * @param part length of what slides
     * @param tail free tail each side, from body to stop
     * @param tailSum the sum behind the tail, as often as it counts
     * @param closed inner circumference fully closed
     * @param open inner circumference fully open
     * @param hand hand girth it must pass
     * @param handAssumed whether that girth is from the size table
     */
    public record Band(
            SlidingFit.Kind kind,
            Length part,
            Length tail,
            Sum tailSum,
            Length closed,
            Length open,
            Length hand,
            boolean handAssumed) {}

    /** The first body that stretches to size; empty for a piece that is only strung. */
    public Optional<WorkedBody> body() {
        return bodies.stream()
                .filter(b -> b.section().extent() instanceof Section.Extent.Rest)
                .findFirst();
    }

    public int repeats() {
        return body().map(WorkedBody::repeats).orElse(0);
    }

    /** Length of all bodies that lie along the piece. */
    public Length bodyLength() {
        return bodies.stream()
                .filter(b -> b.section().within())
                .map(WorkedBody::length)
                .reduce(Length.ZERO, Length::plus);
    }

    /** What whole repeats leave over or add: target minus reached. */
    public Length error() {
        return target.total().minus(reached);
    }
}
