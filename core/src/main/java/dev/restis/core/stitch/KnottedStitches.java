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
import java.util.ArrayList;
import java.util.List;

/** Stitches that knot strands around a core or each other. */
final class KnottedStitches {

    /** Pitch of one half knot in worked working diameters. */
    private static final double HALF_KNOT_PITCH = 1.08;

    private static final double SPIRAL_TURN_DEGREES = -30;
    /** Where the waypoints of a stitch without straight cores are counted from, in diameters. */
    private static final double FREE_HALF_WIDTH = 0.75;

    private static final double FREE_LAYER = 0.8;
    /** A diamond's anchors: how long it is, where they leave the middle and how far out they run, in diameters. */
    private static final double DIAMOND = 7;

    private static final double ANCHOR_FROM = 0.1;
    private static final double ANCHOR_INNER = 0.35;
    private static final double ANCHOR_OUTER = 3.3;
    /** A double half hitch takes this much of its anchor. */
    private static final double HITCH_LENGTH = 2.0;

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

    /**
     * From its place beside its partner in front around both, low behind its partner's bend, and up inside it. Tied again
     * and again, each strand's bend holds the other's end.
     */
    private static final StrandPath SNAKE_UPPER = PathBuilder.in(Seat.WORKING)
            .does(new Across(2), wound(0, 180, 0.5), wound(0.31, 135, 0.8), wound(0.35, 90, 1.1))
            .does(
                    new AroundPartner(1),
                    wound(0.15, 45, 1.5),
                    wound(-0.15, 0, 1.7),
                    wound(-0.38, -45, 1.3),
                    wound(-0.31, -90, 0.7),
                    wound(-0.08, -135, 0.45))
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
                    onCore(0, 180, 0.5),
                    onCore(0.3, 135, 0.8),
                    onCore(0.35, 90, 1.0),
                    onCore(0.15, 45, 1.6),
                    onCore(-0.15, 0, 2.0),
                    onCore(-0.38, -45, 1.4),
                    onCore(-0.31, -90, 0.6),
                    onCore(-0.08, -135, 0.5))
            .then(0);

    /** The snake knot with cores inside: each strand around the cores and its partner. */
    static final Stitch SNAKE_OVER_CORE = new Stitch(
            "snake-over-core",
            List.of(
                    SNAKE_OVER,
                    PathBuilder.in(Seat.WORKING)
                            .follows(SNAKE_OVER, Waypoint::turned)
                            .then(1)),
            Layers.working(1.5),
            Layers.of(1, 2.4),
            Layers.of(1, 2.6),
            0,
            new Cores(1, 4, 1),
            CoreLayout.PACKED);

    /** In front around the core and its partner's run along the other edge, and back behind both. */
    private static final StrandPath INTERLOCK = PathBuilder.in(Seat.WORKING)
            .does(new AroundCore(1), at(0.0, -1.7, 0.2), at(0.12, -0.9, 1.0), at(0.25, 0.9, 1.0))
            .does(
                    new Across(2),
                    at(0.32, 2.2, 0.9),
                    at(0.38, 2.8, 0),
                    at(0.44, 2.2, -0.9),
                    at(0.5, 0.9, -1.0),
                    at(0.6, -0.9, -1.0),
                    at(0.68, -1.7, -0.4),
                    at(0.85, -1.7, 0))
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

    /** Double half hitches on two anchors that run out from the middle and back, and cross there; four strands hitched. */
    static final Stitch HITCHED_DIAMOND = new Stitch(
            "hitched-diamond",
            List.of(
                    anchor(1),
                    anchor(-1),
                    hitched(0, 1.5, 0.5, 2),
                    hitched(1, 2.6, 1.5, 3),
                    PathBuilder.in(Seat.WORKING)
                            .follows(hitched(0, 1.5, 0.5, 2), Waypoint::mirrored)
                            .then(4),
                    PathBuilder.in(Seat.WORKING)
                            .follows(hitched(1, 2.6, 1.5, 3), Waypoint::mirrored)
                            .then(5)),
            Layers.working(DIAMOND),
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

    /** A point of a stitch without straight cores, {@code radius} diameters off the axis. */
    private static Waypoint wound(double along, double degrees, double radius) {
        double angle = Math.toRadians(degrees);
        return free(along, radius * Math.cos(angle), radius * Math.sin(angle));
    }

    /** A point {@code out} diameters off the surface of a core of one strand; a thicker core pushes it out. */
    private static Waypoint onCore(double along, double degrees, double out) {
        double angle = Math.toRadians(degrees);
        double y = (0.5 + out) * Math.cos(angle);
        double across = Math.abs(y) <= 0.5 ? y / 0.5 : Math.signum(y) * (0.5 + Math.abs(y));
        return at(along, across, (0.5 + out) * Math.sin(angle));
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

    /** The two anchors change sides wherever they cross, the one that goes to the right always in front. */
    private static StrandPath anchor(int side) {
        return PathBuilder.in(Seat.CORE)
                .does(
                        new Along(1, 1.35),
                        free(0, 0, side * 0.55),
                        free(0.06, side * 0.6, side * 0.2),
                        free(0.25, side * (ANCHOR_INNER + ANCHOR_OUTER) / 2, 0),
                        free(0.46, side * (ANCHOR_OUTER - 0.2), 0),
                        free(0.5, side * ANCHOR_OUTER, 0),
                        free(0.54, side * (ANCHOR_OUTER - 0.2), 0),
                        free(0.75, side * (ANCHOR_INNER + ANCHOR_OUTER) / 2, 0),
                        free(0.94, side * 0.6, -side * 0.2))
                .then(side > 0 ? 1 : 0);
    }

    /** Hitched on the anchor's way out and on its way back; it stands at {@code outer}, and between at {@code inner}. */
    private static StrandPath hitched(int place, double outer, double inner, int next) {
        return PathBuilder.in(Seat.WORKING)
                .does(new Along(0.28, 1), free(0, outer, -0.5))
                .does(new AroundOuterCore(2), hitch(place, 1))
                .does(new Along(0.2, 1), free(0.5, inner, 0))
                .does(new AroundOuterCore(2), hitch(place, -1))
                .does(new Along(0.28, 1), free(0.98, outer, -0.5))
                .then(next);
    }

    /**
     * Two turns around the anchor while passing from one side of it to the other, first behind it; {@code way} is 1 where
     * the anchor runs out from the middle, and -1 where it comes back.
     */
    private static Waypoint[] hitch(int place, int way) {
        double length = Math.hypot(DIAMOND / 2 - ANCHOR_FROM, ANCHOR_OUTER - ANCHOR_INNER);
        double alongX = (DIAMOND / 2 - ANCHOR_FROM) / length;
        double alongY = (ANCHOR_OUTER - ANCHOR_INNER) / length;
        double centre = length * (1 + 2 * place) / 4;
        List<Waypoint> points = new ArrayList<>();
        for (int quarter = 0; quarter <= 10; quarter++) {
            double at = centre + way * (quarter - 5) * HITCH_LENGTH / 10;
            double angle = Math.PI / 2 * quarter;
            double off = way * Math.cos(angle);
            double x = ANCHOR_FROM + at * alongX - off * alongY;
            double y = ANCHOR_INNER + at * alongY + off * alongX;
            points.add(free((way > 0 ? x : DIAMOND - x) / DIAMOND, y, -Math.sin(angle)));
        }
        return points.toArray(Waypoint[]::new);
    }
}
