package dev.restis.core.stitch;

import dev.restis.core.measure.Length;
import java.util.List;
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
 */
public record Stitch(
        String code,
        List<StrandPath> paths,
        Layers pitch,
        Layers thickness,
        Layers width,
        double turnPerRepeat,
        Cores cores,
        Gauge.CoreLayout coreLayout) {

    public Stitch {
        paths = List.copyOf(paths);
        List<Integer> followed = paths.stream().map(StrandPath::next).sorted().toList();
        if (!followed.equals(IntStream.range(0, paths.size()).boxed().toList())) {
            throw new IllegalArgumentException(
                    "each path of " + code + " must be followed once but the paths lead to " + followed);
        }
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
            stretches = List.copyOf(stretches);
        }

        /** All points the strand passes, in order. */
        public List<Waypoint> waypoints() {
            return stretches.stream().flatMap(s -> s.through().stream()).toList();
        }

        double millimetres(Gauge gauge, double pitch) {
            double own = gauge.of(seat);
            return stretches.stream()
                    .mapToDouble(s -> s.element().millimetres(gauge, own, pitch))
                    .sum();
        }
    }

    /** A stretch of a path: what it does, and the points it passes while doing it. */
    public record Stretch(PathElement element, List<Waypoint> through) {
        public Stretch {
            through = List.copyOf(through);
        }
    }

    /**
     * A size as layers of cord.
     *
     * @param perCore worked core diameters; across the body, for each core strand
     * @param perWorking worked working diameters
     * @param perSide worked diameters of strands beside the core
     * @param fixed a part that does not depend on cord, millimetres
     */
    public record Layers(double perCore, double perWorking, double perSide, double fixed) {
        public static Layers working(double factor) {
            return new Layers(0, factor, 0, 0);
        }

        public static Layers of(double perCore, double perWorking) {
            return new Layers(perCore, perWorking, 0, 0);
        }

        double millimetres(double core, Gauge gauge) {
            return perCore * core + perWorking * gauge.working() + perSide * gauge.side() + fixed;
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

    /** Whether a strand in {@code seat} does more than run along. */
    public boolean ties(Seat seat) {
        return paths.stream().anyMatch(p -> p.seat() == seat);
    }

    /** How many strands of {@code seat} have a path; 0 for cores that run straight. */
    public int pathsOf(Seat seat) {
        return (int) paths.stream().filter(p -> p.seat() == seat).count();
    }

    public Length thickness(Gauge gauge) {
        return Length.ofMillimetres(thickness.millimetres(gauge.core(), gauge));
    }

    public Length width(Gauge gauge) {
        return Length.ofMillimetres(width.millimetres(gauge.core() * gauge.cores(), gauge));
    }
}
