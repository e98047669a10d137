package dev.restis.core.make;

import java.util.OptionalLong;

/**
 * What somebody did with a step of a card, as it is kept for good.
 *
 * @param number tells acts apart; later ones have higher numbers
 * @param step place of the step in its card's list; for {@link Kind#TAKE_BACK} that of the act it takes back
 * @param takesBack the act that this one takes back
 */
public record BenchAct(long number, Kind kind, int step, OptionalLong takesBack) {

    /** What was done. */
    public enum Kind {
        /** The step is done, or the gate passed. */
        DONE,
        /** The gate is not passed: something is to be mended first. */
        NOT_YET,
        /** Went on although the gate was not passed, for a reason. */
        ALL_THE_SAME,
        /** Goes on from an earlier step again: unpicked, or found wanting at the end. */
        BACK_TO,
        /** Takes back the newest act that stands. */
        TAKE_BACK
    }

    public BenchAct {
        if (takesBack.isPresent() != (kind == Kind.TAKE_BACK)) {
            throw new IllegalArgumentException("taking back names an act, and nothing else does, but it was " + kind);
        }
    }
}
