package dev.restis.core.stitch;

import java.util.Optional;

/** Stitches that hands and board are set to alike: who goes from one family to another must find into it again. */
public enum Family {
    /** Square and half knots over cores. */
    SQUARE,
    /** Strands knotted around each other in turns. */
    SNAKE,
    /** Strands led over and under others that are stretched. */
    WEAVE,
    /** Strands laid over each other in turns, or drawn through as loops. */
    BRAID,
    /** Hitches and wraps around strands that are held. */
    HITCH,
    /** Strands only run along, through what is threaded on them. */
    THREADING;

    /** The family of a stitch that Restis ships with; nothing for others, whose owner says it. */
    public static Optional<Family> of(String stitch) {
        return Optional.ofNullable(
                switch (stitch) {
                    case "half-knot", "square-knot", "alternating-square" -> SQUARE;
                    case "snake-knot", "snake-over-core", "interlocked" -> SNAKE;
                    case "figure-eight", "ladder", "crossing-weave" -> WEAVE;
                    case "braid-three", "braid-round", "braid-five", "braid-edged", "slip-loop" -> BRAID;
                    case "half-hitch", "larks-head", "hitched-diamond", "wrapped-falls" -> HITCH;
                    case "plain" -> THREADING;
                    default -> null;
                });
    }
}
