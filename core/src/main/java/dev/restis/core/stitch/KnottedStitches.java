package dev.restis.core.stitch;

import static dev.restis.core.stitch.Waypoint.at;

import dev.restis.core.stitch.Gauge.CoreLayout;
import dev.restis.core.stitch.PathElement.Across;
import dev.restis.core.stitch.PathElement.Along;
import dev.restis.core.stitch.PathElement.AroundCore;
import dev.restis.core.stitch.PathElement.AroundCoreAnd;
import dev.restis.core.stitch.PathElement.AroundPartner;
import dev.restis.core.stitch.PathElement.Bight;
import dev.restis.core.stitch.PathElement.Weave;
import dev.restis.core.stitch.Stitch.Cores;
import dev.restis.core.stitch.Stitch.Layers;
import dev.restis.core.stitch.Stitch.StrandPath;
import java.util.List;

/** Stitches that knot strands around a core or each other. */
final class KnottedStitches {

    /** Pitch of one half knot in worked working diameters, and over a thick core, where it leaves two layers at the edges. */
    private static final double HALF_KNOT_PITCH = 1.08;

    private static final double HALF_KNOT_OVER_THICK = 2;

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
            .rests()
            .then(1);

    /** Its partner does the same on the other side: the half knot is the same when it is turned half round its axis. */
    private static final StrandPath BEHIND =
            PathBuilder.in(Seat.WORKING).follows(IN_FRONT, Waypoint::turned).then(0);

    /** One half knot: one strand over, the other under; tied always to the same hand it spirals. */
    static final Stitch HALF_KNOT = new Stitch(
            "half-knot",
            List.of(IN_FRONT, BEHIND),
            halfKnots(1),
            Layers.of(1, 2),
            Layers.of(1, 2),
            SPIRAL_TURN_DEGREES,
            new Cores(1, 8, 1),
            CoreLayout.FLAT);

    /** Two half knots of opposite hands: the same strand stays in front, and the bar lies flat. */
    static final Stitch SQUARE_KNOT = new Stitch(
            "square-knot",
            List.of(twice(IN_FRONT, 0), twice(BEHIND, 1)),
            halfKnots(2),
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
            .rests()
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
            .rests()
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

    /** The colour that leads: over one core, down between them, under the other, and under its partner, outside which it waits. */
    private static final StrandPath FIRST_COLOUR = PathBuilder.in(Seat.WORKING)
            .does(new Bight(), at(-0.1, -2.3, 0), at(0.08, -1.6, 0.6))
            .does(new Weave(1), at(0.2, -0.5, 1.0), at(0.34, 0.5, -1.0))
            .does(new Across(1.5), at(0.42, 1.5, -0.9))
            .does(new Bight(), at(0.55, 2.5, -0.3))
            .rests()
            .then(0);

    /** Its partner: back over one core and under the other, and out through the loop in which the first colour began. */
    private static final StrandPath SECOND_COLOUR = PathBuilder.in(Seat.WORKING)
            .does(new Bight(), at(0.1, 2.1, 0.2), at(0.5, 1.9, 0.5))
            .does(new Weave(1), at(0.52, 0.5, 1.0), at(0.2, -0.5, -1.0))
            .does(new Across(1.5), at(0.02, -1.35, -0.4), at(-0.06, -1.7, 0.2), at(-0.02, -2.4, 0.95))
            .does(new Bight(), at(0.2, -3.1, 0.3), at(0.6, -2.7, 0.2))
            .rests()
            .then(1);

    /** Two colours over two cores, each in every row through the other; the same one leads from either side. */
    static final Stitch INTERLOCKED = new Stitch(
            "interlocked",
            List.of(FIRST_COLOUR, SECOND_COLOUR),
            Layers.working(1.9),
            Layers.of(1, 2),
            Layers.of(1, 3.4),
            0,
            new Cores(2, 2, 1),
            CoreLayout.FLAT,
            true,
            List.of(),
            0,
            List.of());

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
            .rests()
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
            halfKnots(4),
            Layers.of(1, 1.4),
            Layers.of(1, 4),
            0,
            new Cores(2, 2, 1),
            CoreLayout.FLAT,
            false,
            List.of(),
            2,
            List.of());

    /**
     * Two anchors that run out from the middle and back and are hitched to each other where they cross; two strands a side,
     * hitched to them on their way in and out of the diamond. The inner two are hitched together in its middle, and those of a
     * side between two diamonds.
     */
    static final Stitch HITCHED_DIAMOND = new Stitch(
            "hitched-diamond",
            Diamond.paths(),
            Layers.working(Diamond.PITCH),
            Layers.of(1, 2),
            Layers.working(Diamond.WIDTH),
            0,
            new Cores(2, 2, 1),
            CoreLayout.FLAT,
            false,
            List.of(),
            Diamond.FIRST_HITCHED,
            List.of());

    private KnottedStitches() {}

    private static Layers halfKnots(int count) {
        return new Layers(0, count * HALF_KNOT_PITCH, 0, 0, count * (HALF_KNOT_OVER_THICK - HALF_KNOT_PITCH));
    }

    private static StrandPath twice(StrandPath half, int next) {
        return PathBuilder.in(Seat.WORKING)
                .follows(half, w -> w.within(0, 0.5))
                .follows(half, w -> w.mirrored().within(0.5, 0.5))
                .then(next);
    }

    /** A point of a stitch without straight cores, {@code y} across and {@code z} towards the eye in diameters. */
    static Waypoint free(double along, double y, double z) {
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
                .rests()
                .then(next);
    }

    /** A square knot around {@code middle}, then straight on. */
    private static StrandPath knotThenStraight(StrandPath half, double middle, double y, int next) {
        return PathBuilder.in(Seat.WORKING)
                .follows(twice(half, next), w -> knotted(w, middle, 0))
                .does(new Along(0.5, 1), free(0.6, y, 0), free(0.9, y, 0))
                .rests()
                .then(next);
    }

    private static StrandPath straightThenKnot(double y, StrandPath half, double middle, int next) {
        return PathBuilder.in(Seat.WORKING)
                .does(new Along(0.5, 1), free(0.1, y, 0), free(0.4, y, 0))
                .rests()
                .follows(twice(half, next), w -> knotted(w, middle, 0.5))
                .then(next);
    }

    /** A point of a knot around two strands, where half their width and half their depth are one diameter each. */
    private static Waypoint knotted(Waypoint w, double middle, double from) {
        return free(from + w.along() / 2, middle + w.across(), w.level());
    }
}
