package dev.restis.core.stitch;

import dev.restis.core.measure.Length;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.IntStream;

/**
 * A stitch: the unit that repeats along the body, described once by the paths of its strands. Each stretch of a path
 * says what it does, which gives the cord it uses, and where it goes, which gives the picture. Derivations stand in
 * docs/take-up.md.
 *
 * @param code stable key
 * @param paths the strands' paths through one repeat; core strands without a path of their own run straight
 * @param pitch body length that one repeat adds
 * @param thickness how thick the body is
 * @param width how wide the body is
 * @param turnPerRepeat how far the body twists with each repeat, degrees
 * @param cores how many core strands it takes
 * @param coreLayout how they lie
 * @param mirrored whether each repeat is the mirror image of the one before, left for right, as rows are in which the same
 *     strand leads from either side
 * @param columns the strands that lie side by side across it, from one edge to the other, where others than cores do; empty
 *     for the cores alone
 * @param leader the path whose strand moves first in a repeat
 * @param order the moves of a repeat as hands make them, where that is not strand after strand from rest to rest with its end;
 *     empty elsewhere
 */
public record Stitch(
        String code,
        List<StrandPath> paths,
        Layers pitch,
        Layers thickness,
        Layers width,
        double turnPerRepeat,
        Cores cores,
        Gauge.CoreLayout coreLayout,
        boolean mirrored,
        List<Seat> columns,
        int leader,
        List<Move> order) {

    public Stitch {
        Objects.requireNonNull(code);
        Objects.requireNonNull(pitch);
        Objects.requireNonNull(thickness);
        Objects.requireNonNull(width);
        Objects.requireNonNull(cores);
        Objects.requireNonNull(coreLayout);
        paths = List.copyOf(paths);
        columns = List.copyOf(columns);
        order = List.copyOf(order);
        List<Integer> followed = paths.stream().map(StrandPath::next).sorted().toList();
        if (!followed.equals(IntStream.range(0, paths.size()).boxed().toList())) {
            throw new IllegalArgumentException(
                    "each path of " + code + " must be followed once but the paths lead to " + followed);
        }
        if (leader < 0 || leader > Math.max(0, paths.size() - 1)) {
            throw new IllegalArgumentException("the leader of " + code + " must be one of its paths but is " + leader);
        }
        for (Move move : order) {
            move.mustBeIn(paths, cores);
        }
    }

    /** Cores alone side by side, each repeat like the last. */
    public Stitch(
            String code,
            List<StrandPath> paths,
            Layers pitch,
            Layers thickness,
            Layers width,
            double turnPerRepeat,
            Cores cores,
            Gauge.CoreLayout coreLayout) {
        this(code, paths, pitch, thickness, width, turnPerRepeat, cores, coreLayout, false, List.of(), 0, List.of());
    }

    /** The same stitch by another code. */
    public Stitch named(String other) {
        return new Stitch(
                other,
                paths,
                pitch,
                thickness,
                width,
                turnPerRepeat,
                cores,
                coreLayout,
                mirrored,
                columns,
                leader,
                order);
    }

    /** How many core strands a stitch takes; the number must be a multiple of {@code step}. */
    public record Cores(int least, int most, int step) {
        public static final Cores NONE = new Cores(0, 0, 1);

        public boolean allows(int cores) {
            return cores >= least && cores <= most && cores % step == 0;
        }
    }

    /**
     * One strand's way through a repeat.
     *
     * @param seat what kind of strand takes it
     * @param stretches in order along the strand; their cord sums to what the strand uses
     * @param next index of the path that this strand follows in the next repeat
     */
    public record StrandPath(Seat seat, List<Stretch> stretches, int next) {
        public StrandPath {
            Objects.requireNonNull(seat);
            stretches = List.copyOf(stretches);
        }

        /** All points the strand passes over {@code cores} cores, in order. */
        public List<Waypoint> waypoints(int cores) {
            return stretches.stream().flatMap(s -> s.points(cores).stream()).toList();
        }

        double millimetres(Gauge gauge, double pitch) {
            double own = gauge.of(seat);
            double sum = 0;
            for (Stretch stretch : stretches) {
                sum += stretch.element().millimetres(gauge, own, pitch);
            }
            return sum;
        }
    }

    /**
     * A stretch of a path: what it does, and the points it passes while doing it.
     *
     * @param rests whether the strand lies at rest after it, until the next stretch moves it; along a stretch that runs straight
     *     and rests, others may be tied around it
     */
    public record Stretch(PathElement element, List<Waypoint> through, boolean rests) {
        public Stretch {
            Objects.requireNonNull(element);
            through = List.copyOf(through);
        }

        public Stretch(PathElement element, List<Waypoint> through) {
            this(element, through, false);
        }

        /** The points over so many cores: a weave of two points passes the first and the last core, and all between in turn. */
        List<Waypoint> points(int cores) {
            boolean weave = element instanceof PathElement.Weave && through.size() == 2 && cores > 1;
            return weave ? woven(through.get(0), through.get(1), cores) : through;
        }

        private static List<Waypoint> woven(Waypoint first, Waypoint last, int cores) {
            List<Waypoint> points = new ArrayList<>();
            double outer = (cores - 1.0) / cores;
            for (int c = 0; c < cores; c++) {
                double share = c / (cores - 1.0);
                points.add(new Waypoint(
                        first.along() + share * (last.along() - first.along()),
                        outer * (2 * share - 1) * Math.signum(last.across()),
                        first.level() * (c % 2 == 0 ? 1 : -1)));
            }
            return points;
        }
    }

    /** How a strand is moved: by its end, or as a loop that is drawn through while the end stays where it is. */
    public enum Hand {
        END,
        LOOP
    }

    /**
     * A move of hands.
     *
     * @param seat what kind of strand is moved
     * @param strand which of the paths of this kind, or which core from the low side where cores have no path
     * @param from first of the stretches that it makes; 0 for a core without a path
     * @param to last of them
     */
    public record Move(Seat seat, int strand, int from, int to, Hand hand) {
        public Move {
            Objects.requireNonNull(seat);
            Objects.requireNonNull(hand);
        }

        private void mustBeIn(List<StrandPath> paths, Cores cores) {
            List<StrandPath> own = paths.stream().filter(p -> p.seat() == seat).toList();
            boolean straight = own.isEmpty() && seat == Seat.CORE;
            int strands = straight ? cores.most() : own.size();
            boolean there = strand >= 0 && strand < strands;
            int stretches = there && !straight ? own.get(strand).stretches().size() : 1;
            if (!there || from < 0 || to < from || to >= stretches) {
                throw new IllegalArgumentException(
                        "there is no stretch " + from + " to " + to + " of " + seat + " " + strand);
            }
        }
    }

    /**
     * A size as layers of cord.
     *
     * @param perCore worked core diameters; across the body, for each core strand
     * @param perWorking worked working diameters
     * @param perSide worked diameters of strands beside the core
     * @param fixed a part that does not depend on cord, millimetres
     * @param overThick worked working diameters more over a thick core: none where a core strand is up to 1.5 of them, all
     *     from 2.5 on, in proportion between
     */
    public record Layers(double perCore, double perWorking, double perSide, double fixed, double overThick) {

        private static final double THICK_FROM = 1.5;

        public Layers(double perCore, double perWorking, double perSide, double fixed) {
            this(perCore, perWorking, perSide, fixed, 0);
        }

        public static Layers working(double factor) {
            return new Layers(0, factor, 0, 0);
        }

        public static Layers of(double perCore, double perWorking) {
            return new Layers(perCore, perWorking, 0, 0);
        }

        double millimetres(double core, Gauge gauge) {
            double thick = Math.max(0, Math.min(1, gauge.core() / gauge.working() - THICK_FROM));
            return perCore * core + (perWorking + thick * overThick) * gauge.working() + perSide * gauge.side() + fixed;
        }
    }

    /** Body length that one repeat adds. */
    public Length pitch(Gauge gauge) {
        return Length.ofMillimetres(pitch.millimetres(gauge.core(), gauge));
    }

    /**
     * Cord that a strand in {@code seat} uses in one repeat, on the way through all paths that it takes in turn; that of
     * the strands that use most. A core strand without a path uses the pitch.
     */
    public Length use(Gauge gauge, Seat seat) {
        double along = pitch.millimetres(gauge.core(), gauge);
        double most = 0;
        for (int first = 0; first < paths.size(); first++) {
            if (paths.get(first).seat() == seat) {
                double sum = 0;
                int count = 0;
                int at = first;
                do {
                    sum += paths.get(at).millimetres(gauge, along);
                    count++;
                    at = paths.get(at).next();
                } while (at != first);
                most = Math.max(most, sum / count);
            }
        }
        return Length.ofMillimetres(most > 0 ? most : along);
    }

    /**
     * Whether its cores reach aside and back. What is hitched to them holds them there by friction alone: pulled tight without it they
     * would run straight and close what they leave open, so such a body looks as it is laid.
     */
    public boolean staysOpen() {
        return paths.stream()
                .filter(path -> path.seat() == Seat.CORE)
                .flatMap(path -> path.stretches().stream())
                .anyMatch(s -> s.element() instanceof PathElement.Along along && along.lay() > 1);
    }

    /** Whether a strand in {@code seat} does more than run along. */
    public boolean ties(Seat seat) {
        return pathsOf(seat) > 0;
    }

    /** How many strands of {@code seat} have a path; 0 for cores that run straight. */
    public int pathsOf(Seat seat) {
        int count = 0;
        for (StrandPath path : paths) {
            count += path.seat() == seat ? 1 : 0;
        }
        return count;
    }

    public Length thickness(Gauge gauge) {
        return Length.ofMillimetres(thickness.millimetres(gauge.core(), gauge));
    }

    public Length width(Gauge gauge) {
        return Length.ofMillimetres(width.millimetres(gauge.core() * gauge.cores(), gauge));
    }
}
