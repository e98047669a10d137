package dev.restis.core.stitch;

import static dev.restis.core.stitch.Waypoint.at;

import dev.restis.core.stitch.Gauge.CoreLayout;
import dev.restis.core.stitch.PathElement.Across;
import dev.restis.core.stitch.PathElement.AcrossSide;
import dev.restis.core.stitch.PathElement.Along;
import dev.restis.core.stitch.PathElement.AroundGroup;
import dev.restis.core.stitch.PathElement.AroundOuterCore;
import dev.restis.core.stitch.PathElement.AroundSide;
import dev.restis.core.stitch.PathElement.AroundWorking;
import dev.restis.core.stitch.PathElement.Bight;
import dev.restis.core.stitch.PathElement.Weave;
import dev.restis.core.stitch.Stitch.Cores;
import dev.restis.core.stitch.Stitch.Hand;
import dev.restis.core.stitch.Stitch.Layers;
import dev.restis.core.stitch.Stitch.Move;
import dev.restis.core.stitch.Stitch.StrandPath;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;

/** Stitches that weave or braid, and strands that simply run along. */
final class WovenStitches {

    private static final int STEP_POINTS = 4;
    /** Strands that the crossing weave's pair holds, and falls of both sides. */
    private static final int CROSSING_STRANDS = 4;

    private static final int FALLS = 6;
    /** Strands along the edges of the edged braid, whose paths come first. */
    private static final int EDGES = 2;

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

    /**
     * The strand that leads: over and under the warps, up through the bend in which its partner stands at the far edge, over it,
     * and on to lead the next row from there.
     */
    private static final StrandPath LEADER = PathBuilder.in(Seat.WORKING)
            .does(new Along(0, 1), at(0.05, -1.9, 0.2))
            .does(new Weave(1, 1), at(0.2, -0.5, 1.0), at(0.4, 0.5, -1.0))
            .does(new AroundOuterCore(0.5), at(0.47, 1.25, -0.1), at(0.54, 2.0, 0.9), at(0.66, 2.8, 0.2))
            .rests()
            .then(0);

    /** Its partner follows through the same row from the far edge, under where the leader went over. */
    private static final StrandPath FOLLOWER = PathBuilder.in(Seat.WORKING)
            .does(new Along(0, 1), at(0.1, 1.9, -0.3), at(0.5, 2.0, 0), at(0.63, 1.7, 0.5))
            .rests()
            .does(new Weave(1, 1), at(0.72, 0.5, 1.0), at(0.88, -0.5, -1.0))
            .does(new AroundOuterCore(0.5), at(0.98, -1.5, -0.6))
            .rests()
            .then(1);

    /** Two strands that pass each other in every row, over and under the warps; the same one leads from either side. */
    static final Stitch LADDER = new Stitch(
            "ladder",
            List.of(LEADER, FOLLOWER),
            Layers.working(1.9),
            Layers.of(1, 2),
            Layers.of(1, 2.4),
            0,
            new Cores(2, 4, 2),
            CoreLayout.FLAT,
            true,
            List.of(),
            0,
            List.of());

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
            CoreLayout.FLAT,
            false,
            List.of(),
            EDGES,
            List.of());

    /** Across the whole band in front of the other strand of its pair, which goes the other way. */
    private static final StrandPath THERE = PathBuilder.in(Seat.WORKING)
            .does(new Bight(), at(0.0, -2.9, 0))
            .does(new AcrossSide(CROSSING_STRANDS), at(0.3, -1.8, 0.6), at(0.45, 0, 0.6), at(0.6, 1.8, 0.6))
            .does(new Bight(), at(0.8, 2.8, 0.3))
            .rests()
            .then(1);

    private static final StrandPath BACK = PathBuilder.in(Seat.WORKING)
            .does(new Bight(), at(0.0, 2.9, 0))
            .does(new AcrossSide(CROSSING_STRANDS), at(0.3, 1.8, -0.6), at(0.45, 0, -0.6), at(0.6, -1.8, -0.6))
            .does(new Bight(), at(0.8, -2.8, -0.3))
            .rests()
            .then(0);

    /** A pair that crosses the whole band in every row, and four strands that each loop once around both of it. */
    static final Stitch CROSSING_WEAVE = new Stitch(
            "crossing-weave",
            crossing(),
            new Layers(0, 0, 2.4, 0),
            new Layers(0, 2, 1, 0),
            new Layers(0, 3, CROSSING_STRANDS, 0),
            0,
            Cores.NONE,
            CoreLayout.FLAT,
            false,
            Collections.nCopies(CROSSING_STRANDS, Seat.FALL),
            0,
            pairThenFalls());

    /**
     * A collar around what will be its loop's two legs; the loop out through the cores and back on their other side, through the
     * collar; and down the edge.
     */
    private static final StrandPath SLIPPED = PathBuilder.in(Seat.WORKING)
            .does(
                    new AroundWorking(1, 2),
                    at(-0.42, -1.7, 0.6),
                    at(-0.2, -1.7, 1.4),
                    at(0.15, -1.7, 1.4),
                    at(0.38, -1.8, 0.3),
                    at(0.25, -1.9, -1.2),
                    at(-0.2, -2.0, -1.3),
                    at(-0.45, -2.5, -0.6))
            .does(new Bight(), at(-0.4, -3.1, 0.0), at(-0.22, -2.6, 0.1))
            .does(new Weave(1), at(-0.18, -0.5, 1.0), at(-0.18, 0.5, -1.0))
            .does(new Bight(), at(-0.17, 1.1, -0.5), at(0.0, 1.4, 0), at(0.17, 1.1, 0.5))
            .does(new Weave(1), at(0.18, 0.5, 1.0), at(0.18, -0.5, -1.0))
            .does(new Bight(), at(0.2, -1.5, 0), at(0.2, -2.4, 0))
            .does(new Along(1, 1), at(0.3, -3.0, 0.1), at(0.45, -2.8, 0.2))
            .rests()
            .then(0);

    /** From either side in turn a loop drawn through its own collar; one core passes up through it and one down. */
    static final Stitch SLIP_LOOP = new Stitch(
            "slip-loop",
            List.of(
                    SLIPPED,
                    PathBuilder.in(Seat.WORKING)
                            .follows(SLIPPED, w -> w.mirrored().shifted(0.5))
                            .then(1)),
            Layers.working(2.6),
            Layers.of(1, 2.4),
            Layers.of(1, 5),
            0,
            new Cores(2, 2, 1),
            CoreLayout.FLAT,
            false,
            List.of(),
            0,
            loopsAndCores());

    /** A ladder across whose rows three falls a side run down, each once around both weavers in every row. */
    static final Stitch WRAPPED_FALLS = new Stitch(
            "wrapped-falls",
            falls(),
            new Layers(0, 1.2, 1, 0),
            new Layers(1, 1, 2.5, 0),
            new Layers(1, 2, FALLS, 0),
            0,
            new Cores(2, 2, 1),
            CoreLayout.FLAT,
            true,
            List.of(Seat.FALL, Seat.CORE, Seat.FALL, Seat.FALL, Seat.FALL, Seat.FALL, Seat.CORE, Seat.FALL),
            0,
            List.of());

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
                // Past an edge those of the one hand pass within those of the other, all the way from the front to the
                // back.
                double aside = 0.85 - 0.25 * hand * Math.pow(Math.sin(Math.PI * along), 2);
                points[i] = at(along, aside * Math.sin(angle), hand * radius * Math.cos(angle));
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
            PathBuilder path = PathBuilder.in(Seat.WORKING);
            // It rests in the middle, which it comes to in the midst of the third step and after the last.
            if (s == 2) {
                path.does(new Along(0.5, FIVE_LAY), Arrays.copyOf(points, STEP_POINTS / 2))
                        .rests()
                        .does(new Along(0.5, FIVE_LAY), Arrays.copyOfRange(points, STEP_POINTS / 2, STEP_POINTS));
            } else {
                path.does(new Along(1, FIVE_LAY), hitched(points));
            }
            // A winding of five steps comes to each edge once.
            if (Arrays.stream(points).anyMatch(WovenStitches::turns)) {
                path.does(new AroundSide(1)).does(new Across(1));
            }
            if (s == 4) {
                path.rests();
            }
            paths.add(path.then(EDGES + (s + 1) % 5));
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

    /** The pair crosses first, then each strand goes around it, from the outside inwards. */
    private static List<Move> pairThenFalls() {
        List<Move> order = new ArrayList<>();
        for (int strand = 0; strand < 2; strand++) {
            order.add(new Move(Seat.WORKING, strand, 0, 2, Hand.END));
        }
        for (int strand = 0; strand < CROSSING_STRANDS; strand++) {
            order.add(new Move(Seat.FALL, strand, 0, 1, Hand.END));
        }
        return order;
    }

    /** From either side in turn: the collar, a loop drawn up through it, both cores through the loop, and the loop drawn in. */
    private static List<Move> loopsAndCores() {
        List<Move> order = new ArrayList<>();
        for (int side = 0; side < 2; side++) {
            order.add(new Move(Seat.WORKING, side, 0, 0, Hand.END));
            order.add(new Move(Seat.WORKING, side, 1, 5, Hand.LOOP));
            order.add(new Move(Seat.CORE, 1 - side, 0, 0, Hand.END));
            order.add(new Move(Seat.CORE, side, 0, 0, Hand.END));
            order.add(new Move(Seat.WORKING, side, 6, 6, Hand.END));
        }
        return order;
    }

    private static List<StrandPath> crossing() {
        List<StrandPath> paths = new ArrayList<>(List.of(THERE, BACK));
        // In pairs from the outside inwards, so that the two legs of a cord lie on either side.
        for (int strand = 0; strand < CROSSING_STRANDS; strand++) {
            double out = (CROSSING_STRANDS - 1) / 2.0 - strand / 2;
            paths.add(wrapping(strand % 2 == 0 ? -out : out, 0.45, paths.size()));
        }
        return paths;
    }

    /** The ladder's pair across all columns, and the falls, whose sides change wherever a row is the last one's mirror image. */
    private static List<StrandPath> falls() {
        List<StrandPath> paths = new ArrayList<>();
        paths.add(PathBuilder.in(Seat.WORKING)
                .does(new AcrossSide(FALLS), at(0.08, -4.8, 0.2), at(0.2, -3.5, 0.2))
                .does(new Weave(1, 1), at(0.25, -2.5, 1.0), at(0.35, 0, 0), at(0.45, 2.5, -1.0))
                .does(new AroundOuterCore(0.5), at(0.48, 4.2, -0.5), at(0.56, 4.9, 0.8), at(0.7, 5.6, 0.2))
                .rests()
                .then(0));
        paths.add(PathBuilder.in(Seat.WORKING)
                .does(new AcrossSide(FALLS), at(0.1, 4.8, -0.2), at(0.52, 4.9, 0), at(0.62, 4.4, 0.1))
                .does(new Weave(1, 1), at(0.64, 2.5, 1.0), at(0.66, 0, 0), at(0.68, -2.5, -1.0))
                .does(new AroundOuterCore(0.5), at(0.75, -3.5, -0.2), at(0.92, -4.6, -0.2))
                .rests()
                .then(1));
        for (int fall = 0; fall < FALLS; fall++) {
            int across = fall == 0 || fall == FALLS - 1 ? (fall == 0 ? 0 : FALLS + 1) : fall + 1;
            paths.add(wrapping(across + 0.5 - (FALLS + 2) / 2.0, 0.48, 2 + FALLS - 1 - fall));
        }
        return paths;
    }

    /** Down in front of both strands of a row, up behind them, and down in front of itself, from the edge inwards. */
    private static StrandPath wrapping(double column, double row, int next) {
        double inwards = column < 0 ? 0.25 : -0.25;
        return PathBuilder.in(Seat.FALL)
                .does(
                        new AroundWorking(1, 2),
                        at(row - 0.45, column - inwards, 1.0),
                        at(row - 0.1, column - inwards, 1.4),
                        at(row + 0.2, column - inwards, 1.3),
                        at(row + 0.42, column, 0),
                        at(row + 0.2, column, -1.4),
                        at(row - 0.2, column, -1.4),
                        at(row - 0.44, column + inwards, 0.0),
                        at(row - 0.3, column + inwards, 1.6))
                .does(new Along(1, 1), at(row, column + inwards / 2, 2.3), at(row + 0.35, column - inwards / 2, 2.0))
                .rests()
                .then(next);
    }
}
