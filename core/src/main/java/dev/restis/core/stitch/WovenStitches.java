package dev.restis.core.stitch;

import static dev.restis.core.stitch.Waypoint.at;

import dev.restis.core.stitch.Gauge.CoreLayout;
import dev.restis.core.stitch.PathElement.Across;
import dev.restis.core.stitch.PathElement.Along;
import dev.restis.core.stitch.PathElement.AroundCore;
import dev.restis.core.stitch.PathElement.AroundGroup;
import dev.restis.core.stitch.PathElement.AroundOuterCore;
import dev.restis.core.stitch.PathElement.AroundSide;
import dev.restis.core.stitch.PathElement.Bight;
import dev.restis.core.stitch.PathElement.Weave;
import dev.restis.core.stitch.Stitch.Cores;
import dev.restis.core.stitch.Stitch.Layers;
import dev.restis.core.stitch.Stitch.StrandPath;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Stitches that weave or braid, and strands that simply run along. */
final class WovenStitches {

    private static final int STEP_POINTS = 4;
    private static final double THREE_LAY = 1.28;
    private static final double ROUND_LAY = 1.42;
    private static final double FIVE_LAY = 1.52;

    /** Strands side by side, tied to nothing; a repeat is a millimetre, so that any length can be reached. */
    static final Stitch PLAIN = new Stitch(
            "plain",
            List.of(),
            new Layers(0, 0, 0, 1),
            Layers.of(1, 0),
            Layers.of(1, 0),
            0,
            new Cores(1, 8, 1),
            CoreLayout.FLAT);

    /** One strand in a figure of eight around two groups of runs. */
    static final Stitch FIGURE_EIGHT = new Stitch(
            "figure-eight",
            List.of(PathBuilder.in(Seat.WORKING)
                    .does(
                            new AroundGroup(2),
                            at(0.0, 1.6, 0.3),
                            at(0.1, 0.6, 1.05),
                            at(0.25, 0, 0),
                            at(0.35, -0.6, -1.05))
                    .does(
                            new AroundGroup(2),
                            at(0.48, -1.6, -0.2),
                            at(0.6, -0.6, 1.05),
                            at(0.75, 0, 0),
                            at(0.85, 0.6, -1.05),
                            at(0.96, 1.55, -0.4))
                    .then(0)),
            Layers.working(1.6),
            Layers.of(1, 2),
            Layers.of(1, 2),
            0,
            new Cores(2, 8, 2),
            CoreLayout.FLAT);

    private static final StrandPath LADDER_ROW = PathBuilder.in(Seat.WORKING)
            .does(
                    new Weave(1),
                    at(0.1, -1.6, 0.1),
                    at(0.33, -0.5, 1.0),
                    at(0.5, 0, 0.35),
                    at(0.67, 0.5, -1.0),
                    at(0.9, 1.5, -0.3))
            .does(new AroundOuterCore(0.5), at(1.0, 1.75, 0))
            .then(1);

    /** Two strands that pass each other in every row, over and under two warps. */
    static final Stitch LADDER = new Stitch(
            "ladder",
            List.of(
                    LADDER_ROW,
                    PathBuilder.in(Seat.WORKING)
                            .follows(LADDER_ROW, w -> at(w.along(), -w.across(), w.along() == 0.5 ? -0.35 : w.level()))
                            .then(0)),
            Layers.working(1.9),
            Layers.of(1, 2),
            Layers.of(1, 2.4),
            0,
            new Cores(2, 4, 2),
            CoreLayout.FLAT);

    /** A turn and a half around an edge strand: along, across and level, counted from where the wave turns. */
    private static final double[][] EDGE_HITCH = {
        {-0.1, 3.1, -1.2},
        {-0.08, 4.0, 0},
        {-0.03, 3.1, 1.2},
        {0, 2.3, 0},
        {0.03, 3.1, -1.2},
        {0.08, 4.0, 0},
        {0.1, 3.1, 1.2}
    };

    static final Stitch BRAID_THREE = new Stitch(
            "braid-three",
            waves(3, 1.0, THREE_LAY, 2),
            Layers.working(5.1 / 3),
            Layers.working(1.7),
            Layers.working(2.6),
            0,
            Cores.NONE,
            CoreLayout.FLAT);

    static final Stitch BRAID_ROUND = new Stitch(
            "braid-round",
            helices(),
            Layers.working(5.2 / 2),
            Layers.working(2.4),
            Layers.working(2.4),
            0,
            Cores.NONE,
            CoreLayout.PACKED);

    static final Stitch BRAID_FIVE = new Stitch(
            "braid-five",
            waves(5, 2.0, FIVE_LAY, 4),
            Layers.working(6.5 / 5),
            Layers.working(1.9),
            Layers.working(4.4),
            0,
            Cores.NONE,
            CoreLayout.FLAT);

    /** A flat braid of five between two straight strands, hitched to them wherever a strand turns. */
    static final Stitch BRAID_EDGED = new Stitch(
            "braid-edged",
            edged(),
            Layers.working(9.5 / 5),
            new Layers(0, 1.9, 0, 0),
            new Layers(0, 5, 2, 0),
            0,
            Cores.NONE,
            CoreLayout.FLAT);

    private static final StrandPath CROSSED = PathBuilder.in(Seat.CORE)
            .does(
                    new Along(1, 1.22),
                    at(0.0, -0.6, 0),
                    at(0.25, 0, 0.35),
                    at(0.5, 0.6, 0),
                    at(0.75, 0, -0.35),
                    at(0.99, -0.6, 0))
            .then(0);

    private static final StrandPath LOOPED = PathBuilder.in(Seat.WORKING)
            .does(
                    new AroundCore(1),
                    at(0.05, -1.6, -0.3),
                    at(0.15, -1.3, 0.8),
                    at(0.35, 0.3, 1.2),
                    at(0.55, 1.5, 0.5),
                    at(0.62, 1.5, -0.6),
                    at(0.6, 0.2, -1.2))
            .does(new Across(2), at(0.7, -1.4, -1.0), at(0.9, -1.8, -0.5))
            .then(2);

    /** Two cores that cross in every repeat, and a strand looped around them from either side. */
    static final Stitch CROSSING_WEAVE = new Stitch(
            "crossing-weave",
            List.of(
                    CROSSED,
                    PathBuilder.in(Seat.CORE)
                            .follows(CROSSED, w -> at(w.along(), -w.across(), -w.level()))
                            .then(1),
                    LOOPED,
                    PathBuilder.in(Seat.WORKING)
                            .follows(LOOPED, w -> w.mirrored().shifted(0.5))
                            .then(3)),
            Layers.working(2.4),
            Layers.of(1, 2.2),
            Layers.of(1, 3),
            0,
            new Cores(2, 2, 1),
            CoreLayout.FLAT);

    /** From behind through the partner's last loop, woven across, around, woven back, and out through that loop again. */
    private static final StrandPath SLIPPED = PathBuilder.in(Seat.WORKING)
            .does(
                    new Weave(1),
                    at(-0.75, -2.0, -1.0),
                    at(-0.55, -2.0, -1.0),
                    at(-0.53, -1.7, 0.5),
                    at(-0.3, -1.3, 0.8),
                    at(-0.06, -0.5, 1.0),
                    at(-0.06, 0.5, -1.0))
            .does(new Bight(), at(-0.2, 1.5, -0.6))
            .does(new Across(1), at(0.05, 2.4, 0.2), at(0.2, 1.5, -0.6))
            .does(new Weave(1), at(0.06, 0.5, -1.0), at(0.06, -0.5, 1.0), at(-0.26, -1.3, 0.8), at(-0.46, -1.7, 0.5))
            .does(new Bight(), at(-0.44, -2.0, -1.0))
            .does(new Along(1, 1), at(-0.1, -2.0, -1.1))
            .then(0);

    /** Loops drawn through the one before, from alternate sides, woven through two cores. */
    static final Stitch SLIP_LOOP = new Stitch(
            "slip-loop",
            List.of(
                    SLIPPED,
                    PathBuilder.in(Seat.WORKING)
                            .follows(SLIPPED, w -> w.mirrored().shifted(0.5))
                            .then(1)),
            Layers.working(2.6),
            Layers.of(1, 2),
            Layers.of(1, 3),
            0,
            new Cores(2, 2, 1),
            CoreLayout.FLAT);

    /** A ladder with three strands a side that take turns to loop around the outer core, one in each row. */
    static final Stitch WRAPPED_FALLS = new Stitch(
            "wrapped-falls",
            falls(),
            new Layers(0, 1, 0.9, 0),
            new Layers(1, 1, 1.2, 0),
            new Layers(1, 2, 4, 0),
            0,
            new Cores(2, 2, 1),
            CoreLayout.FLAT);

    private WovenStitches() {}

    /** A flat braid in steps: after each, every strand stands where the next one stood. */
    private static List<StrandPath> waves(int strands, double reach, double lay, int cycles) {
        List<StrandPath> paths = new ArrayList<>();
        for (int s = 0; s < strands; s++) {
            paths.add(PathBuilder.in(Seat.WORKING)
                    .does(new Along(1, lay), step(s, strands, reach, cycles))
                    .then((s + 1) % strands));
        }
        return paths;
    }

    /** Step {@code s} of the wave on which a strand swings from edge to edge and back, over and under on its way. */
    private static Waypoint[] step(int s, int strands, double reach, int cycles) {
        Waypoint[] points = new Waypoint[STEP_POINTS];
        for (int i = 0; i < STEP_POINTS; i++) {
            double along = (double) i / STEP_POINTS;
            double t = (s + along) / strands;
            points[i] = at(along, reach * Math.sin(2 * Math.PI * t), 0.75 * Math.sin(2 * Math.PI * cycles * t));
        }
        return points;
    }

    /** Two strands wind to the right and two to the left, each over one and under one; a repeat is half a winding. */
    private static List<StrandPath> helices() {
        List<StrandPath> paths = new ArrayList<>();
        for (int s = 0; s < 4; s++) {
            double hand = s < 2 ? 1 : -1;
            Waypoint[] points = new Waypoint[2 * STEP_POINTS];
            for (int i = 0; i < points.length; i++) {
                double along = (double) i / points.length;
                double angle = Math.PI * (along + s % 2);
                double radius = 0.85 + 0.25 * hand * Math.cos(2 * Math.PI * along);
                points[i] = at(along, radius * Math.sin(angle), hand * radius * Math.cos(angle));
            }
            paths.add(PathBuilder.in(Seat.WORKING)
                    .does(new Along(1, ROUND_LAY), points)
                    .then(s < 2 ? 1 - s : 5 - s));
        }
        return paths;
    }

    private static List<StrandPath> edged() {
        List<StrandPath> paths = new ArrayList<>();
        for (double side : new double[] {-1, 1}) {
            paths.add(PathBuilder.in(Seat.EDGE)
                    .does(new Along(1, 1), at(0, side * 3.1, 0), at(0.5, side * 3.1, 0))
                    .then(side < 0 ? 0 : 1));
        }
        for (int s = 0; s < 5; s++) {
            Waypoint[] points = step(s, 5, 2.4, 4);
            PathBuilder path = PathBuilder.in(Seat.WORKING).does(new Along(1, FIVE_LAY), hitched(points));
            // A winding of five steps comes to each edge once.
            if (Arrays.stream(points).anyMatch(WovenStitches::turns)) {
                path.does(new AroundSide(1)).does(new Across(1));
            }
            paths.add(path.then(2 + (s + 1) % 5));
        }
        return paths;
    }

    /** Where the wave turns it comes from behind, goes once around the edge strand, and leaves in front. */
    private static Waypoint[] hitched(Waypoint[] points) {
        List<Waypoint> all = new ArrayList<>();
        for (Waypoint w : points) {
            if (turns(w)) {
                double side = Math.signum(w.across());
                for (double[] p : EDGE_HITCH) {
                    all.add(at(w.along() + p[0], side * p[1], p[2]));
                }
            } else {
                all.add(w);
            }
        }
        return all.toArray(Waypoint[]::new);
    }

    private static boolean turns(Waypoint w) {
        return Math.abs(w.across()) > 2.35;
    }

    /** The pair of the ladder, and three falls a side that take turns: one loops in each row, two run along. */
    private static List<StrandPath> falls() {
        List<StrandPath> paths = new ArrayList<>(LADDER.paths());
        for (double side : new double[] {-1, 1}) {
            int first = paths.size();
            paths.add(PathBuilder.in(Seat.FALL)
                    .does(new Along(1, 1), at(0.05, side * 2.6, -0.2))
                    .does(
                            new AroundOuterCore(1),
                            at(0.25, side * 1.9, 1.0),
                            at(0.5, side * 0.35, 1.35),
                            at(0.72, side * 0.15, 0.2),
                            at(0.75, side * 0.7, -1.2))
                    .does(new Across(2), at(0.85, side * 2.0, -1.2))
                    .then(first + 1));
            for (int row = 1; row < 3; row++) {
                double out = side * (row == 1 ? 3.3 : 2.9);
                paths.add(PathBuilder.in(Seat.FALL)
                        .does(new Along(1, 1), at(0.15, out, -0.9), at(0.6, out, -0.6))
                        .then(first + (row + 1) % 3));
            }
        }
        return paths;
    }
}
