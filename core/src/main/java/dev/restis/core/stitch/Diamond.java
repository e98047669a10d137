package dev.restis.core.stitch;

import dev.restis.core.stitch.PathElement.Along;
import dev.restis.core.stitch.PathElement.AroundOuterCore;
import dev.restis.core.stitch.Stitch.StrandPath;
import java.util.List;

/**
 * The paths of the hitched diamond, in diameters. The arms of the anchors are so long that two double half hitches sit side by
 * side between the crossing and the tip.
 */
final class Diamond {

    static final double PITCH = 8.3;
    static final double WIDTH = 8.5;

    /** An arm is 1.35 times as long as it reaches along; what it reaches across follows. */
    private static final double LAY = 1.35;

    private static final double ARM = LAY * PITCH / 2;
    private static final double ALONG = 1 / LAY;
    private static final double ACROSS = Math.sqrt(1 - ALONG * ALONG);
    /** A double half hitch takes this much of its anchor. */
    private static final double HITCH = 2.1;
    /** Where on an arm the outer strand of its side is hitched. */
    private static final double OUTER = 1.88 * HITCH;

    /** Where the strands of a side run between two diamonds: clear of the hitches on the anchors, which they would else catch. */
    private static final double FLANK = 3.8;
    /** So far along the inner strand of a side runs straight, from the middle of what is hitched to it there. */
    private static final double STRAIGHT = 1.1;

    /** Where the strands inside run in the middle of a diamond. */
    private static final double MIDDLE = 0.3;

    /** How far from its middle a strand runs that is wound around another, and how far where it crosses over itself. */
    private static final double WOUND = 1.03;

    private static final double OVER = 2.06;
    /** How far apart along the anchor the turns of a hitch lie from its middle. */
    private static final double ASIDE = 0.62;

    private static final int QUARTER = 90;
    private static final int STEP = 30;

    /**
     * Two turns around an anchor while passing from one side of it to the other: along the anchor, off it towards where it comes
     * from, and towards the eye. The way from the first turn to the second lies over both ends.
     */
    private static final double[][] THROUGH = turns(10);

    /** Two turns around a strand beside it, and back to its own side. */
    private static final double[][] RETURNING = turns(8);

    private Diamond() {}

    /** The path of the inner strand that is hitched first after a crossing. */
    static final int FIRST_HITCHED = 2;

    static List<StrandPath> paths() {
        return List.of(outgoing(), incoming(), inner(1, 2), outer(1, 3), tyingInner(4), outer(-1, 5));
    }

    /** It came through the crossing under the other's hitch; at the next it ties its own around the other and changes sides. */
    private static StrandPath outgoing() {
        return PathBuilder.in(Seat.CORE)
                .does(
                        new Along(0.5, LAY),
                        at(0, 0, 0),
                        arm(0.5, 1, 1),
                        arm(1.2, 1, 1),
                        arm(HITCH, 1, 1),
                        arm(3.2, 1, 1))
                .rests()
                .does(new Along(0.5, LAY), arm(4.4, 1, 1), arm(ARM, 1, 1), arm(4.4, -1, 1), arm(3.2, -1, 1))
                .rests()
                .does(new Along(0, 1), arm(HITCH, -1, 1), arm(1.4, -1, 1))
                .does(new AroundOuterCore(1), hitch(THROUGH, PITCH, 0, ALONG, ACROSS, -ACROSS, ALONG))
                .rests()
                .then(1);
    }

    /** It tied the hitch before; at the next crossing the other is tied around it. */
    private static StrandPath incoming() {
        return PathBuilder.in(Seat.CORE)
                .does(new Along(0.5, LAY), arm(1.5, 1, -1), arm(HITCH, 1, -1), arm(3.2, 1, -1), arm(4.4, 1, -1))
                .rests()
                .does(new Along(0.5, LAY), arm(ARM, 1, -1), arm(4.4, -1, -1), arm(3.2, -1, -1), arm(HITCH, -1, -1))
                .rests()
                .does(new AroundOuterCore(1), arm(1.2, -1, -1), arm(0.5, -1, -1))
                .rests()
                .then(0);
    }

    /** Around it the outer strand of its side is tied, and in the diamond's middle the other inner one. */
    private static StrandPath inner(int side, int next) {
        return PathBuilder.in(Seat.WORKING)
                .does(new Along(0.2, 1), at(0, side * FLANK, 0), at(STRAIGHT, side * FLANK, 0))
                .rests()
                .does(new AroundOuterCore(2), into(HITCH, side))
                .does(new Along(0.2, 1), at(3.3, side * 0.5, 0), at(PITCH / 2, side * MIDDLE, 0))
                .rests()
                .does(new AroundOuterCore(2), outOf(HITCH, side))
                .does(new Along(0.2, 1), at(PITCH - STRAIGHT, side * FLANK, 0))
                .rests()
                .then(next);
    }

    /** The inner strand of the other side, which ties the middle. */
    private static StrandPath tyingInner(int next) {
        return PathBuilder.in(Seat.WORKING)
                .does(new Along(0.2, 1), at(0, -FLANK, 0), at(STRAIGHT, -FLANK, 0))
                .rests()
                .does(new AroundOuterCore(2), into(HITCH, -1))
                .rests()
                .does(new AroundOuterCore(2), hitch(RETURNING, PITCH / 2, MIDDLE, 1, 0, 0, -1))
                .does(new Along(0.2, 1))
                .rests()
                .does(new AroundOuterCore(2), outOf(HITCH, -1))
                .does(new Along(0.2, 1), at(PITCH - STRAIGHT, -FLANK, 0))
                .rests()
                .then(next);
    }

    private static StrandPath outer(int side, int next) {
        return PathBuilder.in(Seat.WORKING)
                .does(new AroundOuterCore(2), hitch(RETURNING, 0, side * FLANK, 1, 0, 0, side))
                .does(new Along(0.3, 1))
                .rests()
                .does(new AroundOuterCore(2), into(OUTER, side))
                .does(new Along(0.3, 1), at(PITCH / 2, side * 1.6, 0))
                .rests()
                .does(new AroundOuterCore(2), outOf(OUTER, side))
                .rests()
                .then(next);
    }

    /** So many quarter turns: half a turn to one side, half back behind, over itself to the other side, and so on. */
    private static double[][] turns(int quarters) {
        int count = quarters * QUARTER / STEP + 1;
        double[][] points = new double[count][];
        for (int i = 0; i < count; i++) {
            int degrees = i * STEP;
            int half = Math.min(degrees / (2 * QUARTER), quarters / 2 - 1);
            double share = degrees / (2.0 * QUARTER) - half;
            double along = switch (half) {
                case 0 -> -ASIDE * share;
                case 1 -> -ASIDE;
                case 2 -> ASIDE * (2 * share - 1);
                case 3 -> ASIDE;
                default -> ASIDE * (1 - share);
            };
            boolean over = degrees > 4 * QUARTER && degrees < 6 * QUARTER;
            double radius = over ? WOUND + (OVER - WOUND) * Math.sin(Math.PI * share) : WOUND;
            double angle = Math.toRadians(degrees);
            points[i] = new double[] {along, radius * Math.cos(angle), radius * Math.sin(angle)};
        }
        return points;
    }

    /** Hitched to an arm so far from the crossing, from outside the diamond to inside. */
    private static Waypoint[] into(double far, int side) {
        return hitch(THROUGH, far * ALONG, side * far * ACROSS, ALONG, side * ACROSS, -ACROSS, side * ALONG);
    }

    private static Waypoint[] outOf(double far, int side) {
        return hitch(THROUGH, PITCH - far * ALONG, side * far * ACROSS, ALONG, -side * ACROSS, -ACROSS, -side * ALONG);
    }

    /** The turns around a strand that passes a place in direction {@code (ux, uy)}, coming from where {@code (vx, vy)} points. */
    private static Waypoint[] hitch(double[][] turns, double x, double y, double ux, double uy, double vx, double vy) {
        Waypoint[] points = new Waypoint[turns.length];
        for (int i = 0; i < turns.length; i++) {
            double[] t = turns[i];
            points[i] = at(x + t[0] * ux + t[1] * vx, y + t[0] * uy + t[1] * vy, t[2]);
        }
        return points;
    }

    /** A point of an anchor so far from the crossing, on its way out (1) or back (-1), on either side. */
    private static Waypoint arm(double far, int way, int side) {
        double x = far * ALONG;
        return at(way > 0 ? x : PITCH - x, side * far * ACROSS, 0);
    }

    private static Waypoint at(double x, double y, double z) {
        return KnottedStitches.free(x / PITCH, y, z);
    }
}
