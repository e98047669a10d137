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

    private static final double SPIRAL_TURN_DEGREES = -30;
    /** Where the waypoints of a stitch without straight cores are counted from, in diameters. */
    private static final double FREE_HALF_WIDTH = 0.75;

    private static final double FREE_LAYER = 0.8;

    /**
     * The strand that starts on the low side, crosses in front of the core inside its partner's bend, and leaves on the
     * high side behind it.
     */
    private static final StrandPath IN_FRONT = PathBuilder.in(Seat.WORKING)
            .does(
                    new AroundCore(0.5),
                    at(0.02, -1.75, 0.05),
                    at(0.28, -1.8, 0.1),
                    at(0.45, -1.5, 0.35),
                    at(0.5, -0.9, 0.95),
                    at(0.42, 0, 1.1),
                    at(0.32, 0.8, 1.0))
            .does(new Bight(), at(0.28, 1.25, 0.3), at(0.38, 1.3, -0.7), at(0.58, 1.35, -1.0), at(0.85, 1.65, -0.4))
            .then(1);

    /** Its partner does the same on the other side: the half knot is the same when it is turned half round its axis. */
    private static final StrandPath BEHIND =
            PathBuilder.in(Seat.WORKING).follows(IN_FRONT, Waypoint::turned).then(0);

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

    /** One winding of a coil whose axis lies beside its partner's, so that the two coils run through each other. */
    private static final StrandPath SNAKE_UPPER = PathBuilder.in(Seat.WORKING)
            .does(new Across(2), coiled(0), coiled(1), coiled(2))
            .does(new AroundPartner(1), coiled(3), coiled(4), coiled(5), coiled(6), coiled(7))
            .then(0);

    /** Two strands, each once around the other, without a core. */
    static final Stitch SNAKE_KNOT = new Stitch(
            "snake-knot",
            List.of(
                    SNAKE_UPPER,
                    PathBuilder.in(Seat.WORKING)
                            .follows(SNAKE_UPPER, Waypoint::turned)
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

    /** In front of the core, around behind it, out between core and strand, and over the strand. */
    private static final StrandPath HITCH = PathBuilder.in(Seat.WORKING)
            .does(
                    new AroundCore(1),
                    at(0.02, -1.9, 0.3),
                    at(0.3, -1.7, 0.2),
                    at(0.46, -0.9, 0.95),
                    at(0.42, 0.9, 1.0),
                    at(0.32, 1.5, 0),
                    at(0.2, 0.9, -1.0),
                    at(0.14, -0.9, -1.0))
            .does(new Across(1), at(0.12, -1.3, -0.2), at(0.2, -1.35, 0.9), at(0.42, -1.5, 1.4), at(0.7, -1.85, 0.8))
            .then(0);

    /** A half hitch of one strand around its core, as on the legs of a buttonhole. */
    static final Stitch HALF_HITCH = new Stitch(
            "half-hitch",
            List.of(HITCH),
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
                    .follows(HITCH, w -> w.within(0, 0.5))
                    .follows(HITCH, w -> at(0.5 + w.along() / 2, w.across(), -w.level()))
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
                    straight(-1.5, 0),
                    straight(1.5, 1),
                    knotThenStraight(IN_FRONT, -1, -2.75, 2),
                    knotThenStraight(BEHIND, -1, 0.5, 3),
                    straightThenKnot(-0.5, IN_FRONT, 1, 4),
                    straightThenKnot(2.75, BEHIND, 1, 5)),
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

    /** A point of a stitch without straight cores, {@code y} across and {@code z} towards the eye in diameters. */
    private static Waypoint free(double along, double y, double z) {
        double across = Math.abs(y) <= FREE_HALF_WIDTH
                ? y / FREE_HALF_WIDTH
                : Math.signum(y) * (1 + Math.abs(y) - FREE_HALF_WIDTH);
        return at(along, across, z / FREE_LAYER);
    }

    private static Waypoint coiled(int eighth) {
        double angle = Math.PI / 4 * eighth;
        return free(eighth / 8.0, -0.55 + 1.05 * Math.cos(angle), 1.05 * Math.sin(angle));
    }

    private static StrandPath straight(double y, int next) {
        return PathBuilder.in(Seat.CORE)
                .does(new Along(1, 1), free(0, y, 0), free(0.35, y, 0), free(0.7, y, 0))
                .then(next);
    }

    /** A square knot around {@code middle}, then straight on. */
    private static StrandPath knotThenStraight(StrandPath half, double middle, double y, int next) {
        return PathBuilder.in(Seat.WORKING)
                .follows(twice(half, next), w -> knotted(w, middle, 0))
                .does(new Along(0.5, 1), free(0.6, y, 0), free(0.9, y, 0))
                .then(next);
    }

    private static StrandPath straightThenKnot(double y, StrandPath half, double middle, int next) {
        return PathBuilder.in(Seat.WORKING)
                .does(new Along(0.5, 1), free(0.1, y, 0), free(0.4, y, 0))
                .follows(twice(half, next), w -> knotted(w, middle, 0.5))
                .then(next);
    }

    /** A point of a knot around two strands, where half their width and half their depth are one diameter each. */
    private static Waypoint knotted(Waypoint w, double middle, double from) {
        return free(from + w.along() / 2, middle + w.across(), w.level());
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
