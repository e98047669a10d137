package dev.restis.core.stitch;

import static dev.restis.core.stitch.Waypoint.at;

import dev.restis.core.stitch.Gauge.CoreLayout;
import dev.restis.core.stitch.PathElement.Across;
import dev.restis.core.stitch.PathElement.Along;
import dev.restis.core.stitch.PathElement.AroundCore;
import dev.restis.core.stitch.PathElement.AroundCoreAnd;
import dev.restis.core.stitch.PathElement.AroundOuterCore;
import dev.restis.core.stitch.PathElement.AroundPartner;
import dev.restis.core.stitch.PathElement.Bight;
import dev.restis.core.stitch.Stitch.Cores;
import dev.restis.core.stitch.Stitch.Layers;
import dev.restis.core.stitch.Stitch.StrandPath;
import java.util.List;

/** Stitches that knot strands around a core or each other. */
final class KnottedStitches {

    /** Pitch of one half knot in worked working diameters. */
    private static final double HALF_KNOT_PITCH = 1.08;

    private static final double SPIRAL_TURN_DEGREES = 30;

    /** The strand that starts on the low side, crosses in front of the core, and ends on the high side. */
    private static final StrandPath IN_FRONT = PathBuilder.in(Seat.WORKING)
            .does(
                    new AroundCore(0.5),
                    at(0.08, -1.6, -0.1),
                    at(0.2, -1.35, 0.3),
                    at(0.3, -0.95, 0.85),
                    at(0.5, 0, 1.0),
                    at(0.7, 0.95, 0.85))
            .does(new Bight(), at(0.85, 1.4, 0.1), at(0.95, 1.6, -0.4))
            .then(1);

    /** Its partner: from the high side over the first strand's end, behind the core, and up through its start. */
    private static final StrandPath BEHIND = PathBuilder.in(Seat.WORKING)
            .does(new Bight(), at(-0.05, 1.7, 0.25), at(0.35, 1.95, 0.55), at(0.7, 1.75, 0.2))
            .does(
                    new AroundCore(0.5),
                    at(0.72, 1.1, -0.8),
                    at(0.5, 0, -1.0),
                    at(0.35, -1.1, -0.8),
                    at(0.45, -1.6, 0),
                    at(0.7, -1.75, 0.3))
            .then(0);

    /** One half knot: one strand over, the other under; tied always to the same hand it spirals. */
    static final Stitch HALF_KNOT = new Stitch(
            "half-knot",
            List.of(IN_FRONT, BEHIND),
            Layers.working(HALF_KNOT_PITCH),
            Layers.of(1, 2),
            Layers.of(1, 2),
            SPIRAL_TURN_DEGREES,
            new Cores(1, 8, 1),
            CoreLayout.FLAT);

    /** Two half knots of opposite hands: the same strand stays in front, and the bar lies flat. */
    static final Stitch SQUARE_KNOT = new Stitch(
            "square-knot",
            List.of(twice(IN_FRONT, 0), twice(BEHIND, 1)),
            Layers.working(2 * HALF_KNOT_PITCH),
            Layers.of(1, 1.4),
            Layers.of(1, 3),
            0,
            new Cores(1, 8, 1),
            CoreLayout.FLAT);

    private static final StrandPath SNAKE_UPPER = PathBuilder.in(Seat.WORKING)
            .does(new Across(2), at(0.0, -0.35, 0.35), at(0.1, 0.2, 0.95))
            .does(
                    new AroundPartner(1),
                    at(0.2, 1.1, 0.9),
                    at(0.45, 1.75, 0.1),
                    at(0.75, 1.2, -0.85),
                    at(0.9, 0.2, -0.95),
                    at(0.97, -0.3, -0.35))
            .then(0);

    /** Two strands, each once around the other, without a core. */
    static final Stitch SNAKE_KNOT = new Stitch(
            "snake-knot",
            List.of(
                    SNAKE_UPPER,
                    PathBuilder.in(Seat.WORKING)
                            .follows(SNAKE_UPPER, w -> w.turned().shifted(-0.5))
                            .then(1)),
            Layers.working(1.3),
            Layers.working(2.6),
            Layers.working(3),
            0,
            Cores.NONE,
            CoreLayout.PACKED);

    private static final StrandPath SNAKE_OVER = PathBuilder.in(Seat.WORKING)
            .does(
                    new AroundCoreAnd(1),
                    at(0.0, -1.2, 0.45),
                    at(0.12, -0.4, 1.15),
                    at(0.3, 0.7, 1.15),
                    at(0.5, 1.7, 0.3),
                    at(0.68, 1.6, -0.6),
                    at(0.82, 0.3, -1.15),
                    at(0.95, -1.0, -0.7))
            .then(0);

    /** The snake knot with cores inside: each strand around the cores and its partner. */
    static final Stitch SNAKE_OVER_CORE = new Stitch(
            "snake-over-core",
            List.of(
                    SNAKE_OVER,
                    PathBuilder.in(Seat.WORKING)
                            .follows(SNAKE_OVER, w -> w.turned().shifted(-0.5))
                            .then(1)),
            Layers.working(1.5),
            Layers.of(1, 2.4),
            Layers.of(1, 2.6),
            0,
            new Cores(1, 4, 1),
            CoreLayout.PACKED);

    private static final StrandPath INTERLOCK = PathBuilder.in(Seat.WORKING)
            .does(
                    new AroundCore(1),
                    at(0.0, -1.7, 0.2),
                    at(0.12, -0.9, 1.0),
                    at(0.25, 0.9, 1.0),
                    at(0.36, 1.7, 0),
                    at(0.45, 0.8, -1.0),
                    at(0.55, -0.9, -1.0))
            .does(new Bight(), at(0.64, -1.8, -0.4), at(0.7, -2.2, 0.3))
            .does(new Across(1), at(0.78, -2.1, 0.8))
            .does(new Bight(), at(0.88, -1.9, 0.9), at(0.96, -1.75, 0.5))
            .then(0);

    /** Two colours, each a turn around the cores and hooked through the other's at both edges. */
    static final Stitch INTERLOCKED = new Stitch(
            "interlocked",
            List.of(
                    INTERLOCK,
                    PathBuilder.in(Seat.WORKING)
                            .follows(INTERLOCK, w -> w.mirrored().shifted(0.5))
                            .then(1)),
            Layers.working(2.3),
            Layers.of(1, 2),
            Layers.of(1, 3.4),
            0,
            new Cores(1, 4, 1),
            CoreLayout.FLAT);

    /** A half hitch of one strand around its core, as on the legs of a buttonhole. */
    static final Stitch HALF_HITCH = new Stitch(
            "half-hitch",
            List.of(PathBuilder.in(Seat.WORKING)
                    .does(
                            new AroundCore(1),
                            at(0.0, -1.5, 0.3),
                            at(0.15, -0.8, 1.05),
                            at(0.4, 0.8, 1.05),
                            at(0.55, 1.5, 0),
                            at(0.65, 0.6, -1.0),
                            at(0.75, -0.8, -1.0))
                    .does(new Across(1), at(0.85, -1.8, -0.2), at(0.92, -1.9, 0.5))
                    .then(0)),
            Layers.working(1.15),
            Layers.of(1, 2),
            Layers.of(1, 2.5),
            0,
            new Cores(1, 8, 1),
            CoreLayout.PACKED);

    /** A lark's-head hitch: a half hitch and its mirror image. */
    static final Stitch LARKS_HEAD = new Stitch(
            "larks-head",
            List.of(PathBuilder.in(Seat.WORKING)
                    .does(
                            new AroundCore(1),
                            at(0.0, -1.6, 0),
                            at(0.1, -0.8, 1.0),
                            at(0.2, 0.8, 1.0),
                            at(0.27, 1.5, 0),
                            at(0.33, 0.6, -1.0),
                            at(0.38, -0.8, -1.0))
                    .does(new Across(2), at(0.42, -1.8, -0.4), at(0.5, -2.1, 0.6), at(0.58, -1.8, -0.4))
                    .does(
                            new AroundCore(1),
                            at(0.62, -0.8, -1.0),
                            at(0.67, 0.6, -1.0),
                            at(0.73, 1.5, 0),
                            at(0.8, 0.8, 1.0),
                            at(0.9, -0.8, 1.0))
                    .then(0)),
            Layers.working(2.3),
            Layers.of(1, 2),
            Layers.of(1, 2.5),
            0,
            new Cores(1, 8, 1),
            CoreLayout.PACKED);

    /** A knot of the left four strands, then one of the right four; the middle two take turns. */
    static final Stitch ALTERNATING_SQUARE = new Stitch(
            "alternating-square",
            List.of(
                    halfOf(IN_FRONT, 0, 0, -0.95, 1),
                    halfOf(BEHIND, 1, 0, -0.95, 1),
                    halfOf(IN_FRONT, 2, 0.5, 0.95, -1),
                    halfOf(BEHIND, 3, 0.5, 0.95, -1)),
            Layers.working(4 * HALF_KNOT_PITCH),
            Layers.of(1, 1.4),
            Layers.of(1, 4),
            0,
            new Cores(2, 2, 1),
            CoreLayout.FLAT);

    /** Rows of double half hitches that run out from the middle and back: two anchors, four strands hitched to them. */
    static final Stitch HITCHED_DIAMOND = new Stitch(
            "hitched-diamond",
            List.of(
                    anchor(1),
                    PathBuilder.in(Seat.CORE)
                            .follows(anchor(1), Waypoint::mirrored)
                            .then(1),
                    hitched(0.22, 0.78, 1.75, 0.67, 2),
                    hitched(0.42, 0.58, 2.75, 1.75, 3),
                    PathBuilder.in(Seat.WORKING)
                            .follows(hitched(0.22, 0.78, 1.75, 0.67, 2), Waypoint::mirrored)
                            .then(4),
                    PathBuilder.in(Seat.WORKING)
                            .follows(hitched(0.42, 0.58, 2.75, 1.75, 3), Waypoint::mirrored)
                            .then(5)),
            Layers.working(7),
            Layers.of(1, 2),
            Layers.working(6),
            0,
            new Cores(2, 2, 1),
            CoreLayout.FLAT);

    private KnottedStitches() {}

    private static StrandPath twice(StrandPath half, int next) {
        return PathBuilder.in(Seat.WORKING)
                .follows(half, w -> w.within(0, 0.5))
                .follows(half, w -> w.mirrored().within(0.5, 0.5))
                .then(next);
    }

    /** A whole square knot in one half of the repeat, {@code aside} of the middle, and straight on through the other half. */
    private static StrandPath halfOf(StrandPath half, int next, double from, double aside, double side) {
        StrandPath knot = twice(half, next);
        PathBuilder path = PathBuilder.in(Seat.WORKING);
        double edge = side * (half == IN_FRONT ? -1.6 : 1.6) + aside;
        Waypoint rest = at(from == 0 ? 0.75 : 0.25, edge, 0);
        if (from > 0) {
            path.does(new Along(0.5, 1), rest);
        }
        path.follows(knot, w -> at(from + w.along() / 2, side * w.across() * 0.7 + aside, w.level()));
        if (from == 0) {
            path.does(new Along(0.5, 1), rest);
        }
        return path.then(next);
    }

    private static StrandPath anchor(double side) {
        return PathBuilder.in(Seat.CORE)
                .does(
                        new Along(1, 1.35),
                        at(0.02, side * 0.5, 0.3),
                        at(0.25, side * 1.6, 0),
                        at(0.5, side * 3.1, 0),
                        at(0.75, side * 1.6, 0),
                        at(0.98, side * 0.5, -0.3))
                .then(side > 0 ? 0 : 1);
    }

    /** Hitched at {@code first} and {@code second}; it stands at {@code outer} before and after, at {@code inner} between. */
    private static StrandPath hitched(double first, double second, double outer, double inner, int next) {
        return PathBuilder.in(Seat.WORKING)
                .does(new Along(0.28, 1), at(0.0, outer, 0), at(first - 0.12, outer, -0.3))
                .does(new AroundOuterCore(2), hitch(first, outer, inner))
                .does(new Along(0.2, 1), at(0.5, inner, 0))
                .does(new AroundOuterCore(2), hitch(second, inner, outer))
                .does(new Along(0.28, 1), at(0.99, outer, 0))
                .then(next);
    }

    /** Twice around the anchor, from behind to the front and through its own loop. */
    private static Waypoint[] hitch(double at, double from, double to) {
        double middle = (from + to) / 2;
        return new Waypoint[] {
            at(at - 0.06, middle + 0.35, 1.0),
            at(at - 0.02, middle - 0.45, 0.9),
            at(at + 0.03, middle - 0.4, -0.8),
            at(at - 0.02, middle + 0.5, -0.8),
            at(at + 0.01, middle + 0.65, 1.0),
            at(at + 0.06, middle - 0.2, 1.0),
            at(at + 0.09, to, -0.5)
        };
    }
}
