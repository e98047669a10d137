package dev.restis.core.stitch;

import dev.restis.core.measure.Length;

/**
 * Cord that single knots use beyond the length they add; d is the worked diameter in millimetres. An ideal tight rope
 * needs 10.1 d for an open overhand (published); hand-set cord takes about 12 d, and no knot here less than the floor.
 */
public final class Knots {

    private static final double OVERHAND = 12;
    private static final double OVERHAND_HEIGHT = 2.2;
    private static final double CONNECTING = 12;
    private static final double CONNECTING_HEIGHT = 3;
    private static final double BUTTON = 26;
    private static final double BUTTON_DIAMETER = 3.6;
    private static final double HALF_HITCH_HEIGHT = 1.15;
    private static final double SIMPLE_STOP = 12;
    private static final double SIMPLE_STOP_DIAMETER = 3;
    private static final double REEF = 8;
    private static final double REEF_HEIGHT = 3;

    private Knots() {}

    /** What each strand of an overhand tied in {@code strands} strands at once uses: 12 bundle diameters. */
    public static Length overhand(int strands, double d) {
        return Length.ofMillimetres(OVERHAND * Bundle.packedDiameter(strands) * d);
    }

    /** How long an overhand in a bundle stands: 2.2 bundle diameters, a hand measure of set knots. */
    public static Length overhandHeight(int strands, double d) {
        return Length.ofMillimetres(OVERHAND_HEIGHT * Bundle.packedDiameter(strands) * d);
    }

    /** How thick an overhand in a bundle is: its height, since it sets round. */
    public static Length overhandDiameter(int strands, double d) {
        return overhandHeight(strands, d);
    }

    /**
     * A barrel with {@code wraps} wraps around two strands, its own or its own and another: w*(2d + 2*pi*d) + (w + 1)*d. One wrap
     * is the overhand.
     */
    public static Length barrel(int wraps, double d) {
        return wraps == 1 ? overhand(1, d) : wrapped(wraps, 2, d);
    }

    /** Turns around {@code strands} strands side by side, and the way back under them. */
    private static Length wrapped(int wraps, int strands, double d) {
        double turn = (Bundle.packedPerimeter(strands) + 2 * Math.PI) * d;
        return Length.ofMillimetres(wraps * turn + (wraps + 1) * d);
    }

    /** A barrel's length: (w + 1)*d. */
    public static Length barrelHeight(int wraps, double d) {
        return Length.ofMillimetres((wraps + 1) * d);
    }

    /** A sliding knot of {@code wraps} wraps around the passing cord and two strands of itself: w*(3d + 2*pi*d) + (w + 1)*d. */
    public static Length sliding(int wraps, double d) {
        return wrapped(wraps, 3, d);
    }

    /** A half hitch around one strand: 2*pi*d + d. */
    public static Length halfHitch(double d) {
        return Length.ofMillimetres(2 * Math.PI * d + d);
    }

    /** How long a half hitch stands: as in the stitch. */
    public static Length halfHitchHeight(double d) {
        return Length.ofMillimetres(HALF_HITCH_HEIGHT * d);
    }

    /** The simple two-strand stop, for each strand: half around both middles and through a loop. */
    public static Length simpleStop(double d) {
        return Length.ofMillimetres(SIMPLE_STOP * d);
    }

    /** How thick the simple stop is: 3 d. */
    public static Length simpleStopDiameter(double d) {
        return Length.ofMillimetres(SIMPLE_STOP_DIAMETER * d);
    }

    /** A two-strand connecting knot, for each strand. */
    public static Length connecting(double d) {
        return Length.ofMillimetres(CONNECTING * d);
    }

    /** How long a connecting knot stands: three strands of each other's turns. */
    public static Length connectingHeight(double d) {
        return Length.ofMillimetres(CONNECTING_HEIGHT * d);
    }

    /** A two-strand button, for each strand. */
    public static Length button(double d) {
        return Length.ofMillimetres(BUTTON * d);
    }

    /** A two-strand button's diameter: 3.6 d. */
    public static Length buttonDiameter(double d) {
        return Length.ofMillimetres(BUTTON_DIAMETER * d);
    }

    /** A reef knot, for each end. */
    public static Length reef(double d) {
        return Length.ofMillimetres(REEF * d);
    }

    public static Length reefHeight(double d) {
        return Length.ofMillimetres(REEF_HEIGHT * d);
    }

    /** One snake knot, for each strand, and its height; both as in the stitch. */
    public static Length snake(double d) {
        return Length.ofMillimetres(2 * d + 2 * Math.PI * d);
    }

    /** A lark's head on a bar of thickness {@code bar}, for one of its two legs: (pi*(bar + d) + 4d)/2. */
    public static Length larksHeadLeg(double bar, double d) {
        return Length.ofMillimetres((Math.PI * (bar + d) + 4 * d) / 2);
    }

    /** How far a lark's head stands off the bar: the two strands that lie under its bight. */
    public static Length larksHeadHeight(double d) {
        return Length.ofMillimetres(2 * d);
    }

    /** A plain fold over a bar, for one of its two legs: a quarter of a turn, (pi/4)*(bar + d). */
    public static Length foldLeg(double bar, double d) {
        return Length.ofMillimetres(Math.PI / 4 * (bar + d));
    }

    /** {@code turns} turns around a bundle of {@code strands}, and twice the wrap's length for the loop it is drawn through. */
    public static Length wrap(int turns, int strands, double wrapped, double d) {
        double turn = Bundle.packedPerimeter(strands) * wrapped + Math.PI * (wrapped + d);
        return Length.ofMillimetres(turns * turn + 2 * turns * d);
    }

    /** Cord that must be in the hand to tie an end at all: max(45 mm, 14 d), 70 mm for stiff cord. */
    public static Length handTail(boolean stiff, double d) {
        return Length.ofMillimetres(stiff ? 70 : 45).max(Length.ofMillimetres(14 * d));
    }
}
