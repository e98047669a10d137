package dev.restis.core.stitch;

import dev.restis.core.measure.Length;

/** Cord that single knots use beyond the length they add; d is the worked diameter in millimetres. */
public final class Knots {

    /** An overhand in one strand; the ideal tight rope needs 10.1 d (published), hand-set cord about 12 d. */
    public static final double OVERHAND = 12;

    /** Height of an overhand along the bundle, in bundle diameters. */
    public static final double OVERHAND_HEIGHT = 2.2;

    private Knots() {}

    /** What each strand of an overhand tied in {@code strands} strands at once uses: 12 bundle diameters. */
    public static Length overhand(int strands, double d) {
        return Length.ofMillimetres(OVERHAND * Bundle.packedDiameter(strands) * d);
    }

    /** How long an overhand in a bundle stands: 2.2 bundle diameters, a hand measure of set knots. */
    public static Length overhandHeight(int strands, double d) {
        return Length.ofMillimetres(OVERHAND_HEIGHT * Bundle.packedDiameter(strands) * d);
    }

    /** A lark's head on a bar of thickness {@code bar}, for one of its two legs: (pi*(bar + d) + 4d)/2. */
    public static Length larksHeadLeg(double bar, double d) {
        return Length.ofMillimetres((Math.PI * (bar + d) + 4 * d) / 2);
    }

    /** How far a lark's head stands off the bar: the two strands that lie under its bight. */
    public static Length larksHeadHeight(double d) {
        return Length.ofMillimetres(2 * d);
    }

    /** Cord that must be in the hand to tie an end at all: max(45 mm, 14 d), 70 mm for stiff cord. */
    public static Length handTail(boolean stiff, double d) {
        return Length.ofMillimetres(stiff ? 70 : 45).max(Length.ofMillimetres(14 * d));
    }
}
