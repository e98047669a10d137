package dev.restis.core.piece;

import dev.restis.core.measure.Length;

/**
 * Where a strand is marked before anything is tied.
 *
 * @param at distance from the end that its kind names
 */
public record Mark(Kind kind, Length at) {

    /** What is marked, and from which end. */
    public enum Kind {
        /** The fold, in the middle: from either end. */
        MIDDLE,
        /** The fold, off the middle: from the end that becomes the short leg. */
        SHORT_LEG,
        /** The first knot beside beads that sit in the middle: from either end. */
        FIRST_KNOT
    }
}
