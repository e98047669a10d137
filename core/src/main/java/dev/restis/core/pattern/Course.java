package dev.restis.core.pattern;

import dev.restis.core.stitch.Seat;

/**
 * A stretch of a leg that runs along the piece in one direction.
 *
 * @param seat what the leg does on it
 * @param turn how it goes over into the next course
 */
public record Course(Seat seat, Turn turn) {

    /** How a course goes over into the next. */
    public sealed interface Turn {
        /** The leg ends. */
        record End() implements Turn {}

        /** Around the bar of a part. */
        record AtPart(String hardware) implements Turn {}

        /** Into an ear that is as wide as the piece's stopper asks for. */
        record Ear() implements Turn {}

        /** Back beside itself, around nothing. */
        record Back() implements Turn {}
    }

    public static final Turn END = new Turn.End();

    public boolean last() {
        return turn instanceof Turn.End;
    }
}
