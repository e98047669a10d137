package dev.restis.core.learning;

import java.util.List;

/**
 * Something that was measured of a piece.
 *
 * @param number tells observations apart; later ones have higher numbers
 * @param day when it was, as days since 1970-01-01
 * @param piece the piece that it is of; what is seen of one piece in a row shares that piece's tension
 * @param hands whose hand and what it tied, the narrowest first, by which a change of hand is told; at least one
 * @param use what was expected, by geometry
 * @param value what was measured, in the unit of the use; positive
 * @param kind what the measured value says
 * @param reading one standard deviation of the reading itself, in the unit of the use
 * @param confirmed whether somebody said that it is right, however strange it is
 * @param sample whether it was tied to be measured: with care, so that its noise is small and says nothing of other pieces
 */
public record Observation(
        long number,
        long day,
        long piece,
        List<String> hands,
        Use use,
        double value,
        Kind kind,
        double reading,
        boolean confirmed,
        boolean sample) {

    /** What a measured value says of the true one. */
    public enum Kind {
        EXACT,
        /** It took this much or more: a strand that ran short. */
        AT_LEAST,
        /** It took this much or less: a step that was interrupted. */
        AT_MOST
    }

    public Observation {
        hands = List.copyOf(hands);
        if (!(value > 0) || !(reading >= 0)) {
            throw new IllegalArgumentException(
                    "value must be positive and reading not negative but were " + value + " and " + reading);
        }
    }
}
