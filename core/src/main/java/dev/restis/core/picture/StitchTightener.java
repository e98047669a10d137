package dev.restis.core.picture;

import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Gauge.CoreLayout;
import dev.restis.core.stitch.PathElement;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.Stitch.StrandPath;
import dev.restis.core.stitch.Waypoint;
import dev.restis.core.tight.Cell;
import dev.restis.core.tight.Cell.Strand;
import dev.restis.core.tight.Tightened;
import dev.restis.core.tight.Tightener;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.DoubleConsumer;
import java.util.function.Function;

/** Pulls a stitch's rough path tight, and judges whether it is the knot that it claims to be. */
public final class StitchTightener {

    /** How it came out. */
    public sealed interface Outcome {

        <T> T fold(Function<Knot, T> knot, Function<NoKnot, T> noKnot);

        /**
         * It is the knot.
         *
         * @param rows its lines as {@link TightLines} keeps them, one for each path
         * @param ofFormula for each seat that ties, how much hard cord it uses over what the stitch's formula says for soft cord
         */
        record Knot(List<String> rows, Map<Seat, Double> ofFormula) implements Outcome {
            public Knot {
                rows = List.copyOf(rows);
                ofFormula = Map.copyOf(ofFormula);
            }

            @Override
            public <T> T fold(Function<Knot, T> knot, Function<NoKnot, T> noKnot) {
                return knot.apply(this);
            }
        }

        /**
         * It is not.
         *
         * @param reason {@code slips} where a strand that should tie runs straight, {@code simpler} where it pulls out to a path
         *     of less cord, {@code crosses} where cords were pressed through each other
         */
        record NoKnot(String reason) implements Outcome {
            @Override
            public <T> T fold(Function<Knot, T> knot, Function<NoKnot, T> noKnot) {
                return noKnot.apply(this);
            }
        }
    }

    /** A strand that others are tied to is pulled this much harder than what is tied around it. */
    private static final double TAUT = 10;
    /** Points of a kept line lie about this far apart, in diameters. */
    private static final double KEPT_SPACING = 0.3;

    private static final double[] WIDER = {1, 1.3, 1.6, 2};
    private static final double NEXT_TO_SHORTEST = 1.03;
    /** Hard cord uses more than the formulas for soft cord; what uses less than this share of them is another path. */
    private static final double LEAST_OF_FORMULA = 0.8;

    private StitchTightener() {}

    /**
     * Pulls a stitch tight and writes its lines down. Takes a second or some, up to fifteen for six strands.
     *
     * @param gauge with a working cord of 1
     * @param progress told the share that is done, 0 to 1
     */
    public static Outcome outcome(Stitch stitch, Gauge gauge, DoubleConsumer progress) {
        return tighten(stitch, gauge, progress)
                .fold(
                        held -> isTheStitch(stitch, gauge, held)
                                ? new Outcome.Knot(written(stitch, gauge, held), ofFormula(stitch, gauge, held))
                                : new Outcome.NoKnot("simpler"),
                        slipped -> new Outcome.NoKnot("slips"),
                        crossed -> new Outcome.NoKnot("crosses"));
    }

    /** The cell of a stitch in a gauge: its paths, then its straight cores. */
    public static Cell cell(Stitch stitch, Gauge gauge) {
        Layout layout = Layout.of(stitch, gauge);
        double pitch = stitch.pitch(gauge).toMillimetres();
        List<Strand> strands = new ArrayList<>();
        for (StrandPath path : stitch.paths()) {
            List<double[]> points = new ArrayList<>();
            path.waypoints(gauge.cores()).forEach(w -> {
                Point p = layout.point(w, pitch, path.seat());
                Point turned = p.turned(w.along() * stitch.turnPerRepeat());
                points.add(new double[] {turned.x(), turned.y(), turned.z()});
            });
            while (points.size() < 3) {
                double[] a = points.get(0);
                double[] b = points.size() > 1 ? points.get(1) : new double[] {a[0] + pitch / 2, a[1], a[2]};
                points.add(1, new double[] {(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2});
            }
            strands.add(new Strand(points, gauge.of(path.seat()), weight(stitch, path), path.next()));
        }
        if (Layout.straightCores(stitch)) {
            boolean packed = stitch.coreLayout() == CoreLayout.PACKED && gauge.cores() > 2;
            boolean giveWay = packed || stitch.paths().stream().anyMatch(p -> weaves(p, gauge.cores()));
            List<Double> cores = layout.cores();
            int first = strands.size();
            for (int core = 0; core < cores.size(); core++) {
                double across = cores.get(core);
                int next = first + (stitch.mirrored() ? cores.size() - 1 - core : core);
                List<double[]> points = new ArrayList<>();
                for (int i = 0; i < 3; i++) {
                    Point p = new Point(pitch * i / 3, across, 0).turned(stitch.turnPerRepeat() * i / 3);
                    points.add(new double[] {p.x(), p.y(), p.z()});
                }
                strands.add(new Strand(points, gauge.core(), giveWay ? TAUT : Strand.FIXED, next));
            }
        }
        return new Cell(strands, pitch, stitch.turnPerRepeat(), stitch.mirrored());
    }

    /** An anchor keeps the shape in which others are hitched to it. */
    private static double weight(Stitch stitch, StrandPath path) {
        boolean anchor = path.seat() == Seat.CORE
                && stitch.paths().stream()
                        .flatMap(p -> p.stretches().stream())
                        .anyMatch(s -> s.element() instanceof PathElement.AroundOuterCore);
        boolean carries = path.seat() == Seat.CORE || path.seat() == Seat.EDGE;
        return anchor ? Strand.FIXED : carries ? TAUT : 1;
    }

    /** Whether a strand passes between the cores, which must give way to it. */
    private static boolean weaves(StrandPath path, int cores) {
        List<Waypoint> way = path.waypoints(cores);
        for (int i = 0; i < way.size(); i++) {
            Waypoint here = way.get(i);
            Waypoint next = way.get(Math.min(i + 1, way.size() - 1));
            boolean inside = Math.abs(here.across()) < 1;
            if (inside
                    && (Math.abs(here.level()) < 0.9
                            || (Math.abs(next.across()) < 1 && here.level() * next.level() < 0))) {
                return true;
            }
        }
        return false;
    }

    /**
     * Pulls a stitch tight. Hard round cord needs more room than soft cord that flattens, so the stitch is tightened at wider
     * pitches too, and the narrowest is taken at which its cord is next to shortest; the lines are drawn at the stitch's own
     * pitch again.
     */
    static Tightened tighten(Stitch stitch, Gauge gauge, DoubleConsumer progress) {
        Cell cell = cell(stitch, gauge);
        List<Tightened> all = new ArrayList<>();
        double shortest = Double.MAX_VALUE;
        for (double wider : WIDER) {
            int done = all.size();
            Tightened tightened =
                    Tightener.tighten(widened(cell, wider), share -> progress.accept((done + share) / WIDER.length));
            all.add(tightened);
            shortest = Math.min(shortest, tying(cell, tightened));
        }
        for (Tightened tightened : all) {
            if (tying(cell, tightened) <= NEXT_TO_SHORTEST * shortest) {
                return tightened;
            }
        }
        return all.get(0);
    }

    /** Cord of the strands that tie; more than any where the path does not hold. */
    private static double tying(Cell cell, Tightened tightened) {
        return tightened.fold(
                held -> {
                    double sum = 0;
                    for (int s = 0; s < cell.strands().size(); s++) {
                        sum += cell.strands().get(s).weight() <= 1
                                ? held.lengths().get(s)
                                : 0;
                    }
                    return sum;
                },
                slipped -> Double.POSITIVE_INFINITY,
                crossed -> Double.POSITIVE_INFINITY);
    }

    private static Cell widened(Cell cell, double by) {
        List<Strand> strands = cell.strands().stream()
                .map(s -> new Strand(
                        s.points().stream()
                                .map(p -> new double[] {p[0] * by, p[1], p[2]})
                                .toList(),
                        s.diameter(),
                        s.weight(),
                        s.next()))
                .toList();
        return new Cell(strands, cell.advance() * by, cell.turn(), cell.mirrored());
    }

    /**
     * Whether what holds uses the cord of the stitch: a path that pulls out to a simpler one, such as a twist, is not the knot
     * that it claims to be.
     */
    static boolean isTheStitch(Stitch stitch, Gauge gauge, Tightened.Held held) {
        return ofFormula(stitch, gauge, held).values().stream().allMatch(share -> share >= LEAST_OF_FORMULA);
    }

    /**
     * For each seat that ties, the tightened length of its strands over the stitch's formula. Where hard cord did not fit at the
     * stitch's own pitch, what the wider one adds along the piece is left out.
     */
    static Map<Seat, Double> ofFormula(Stitch stitch, Gauge gauge, Tightened.Held held) {
        Map<Seat, Double> shares = new EnumMap<>(Seat.class);
        double added = held.advance() - stitch.pitch(gauge).toMillimetres();
        for (Seat seat : Seat.values()) {
            double used = 0;
            int strands = 0;
            for (int p = 0; p < stitch.paths().size(); p++) {
                if (stitch.paths().get(p).seat() == seat) {
                    used += held.lengths().get(p);
                    strands++;
                }
            }
            if (strands > 0) {
                shares.put(
                        seat, (used / strands - added) / stitch.use(gauge, seat).toMillimetres());
            }
        }
        return shares;
    }

    /**
     * The lines of a stitch as they are kept in the file, one for each of its paths: shares of the pitch along, diameters
     * across and towards the eye, with the stitch's own twist taken out.
     */
    static List<String> written(Stitch stitch, Gauge gauge, Tightened.Held held) {
        List<String> rows = new ArrayList<>();
        for (int p = 0; p < stitch.paths().size(); p++) {
            StringBuilder row = new StringBuilder(TightLines.key(stitch, gauge));
            List<double[]> line = held.lines().get(p);
            double spacing = held.lengths().get(p) / line.size();
            int step = Math.max(1, (int) Math.round(KEPT_SPACING / spacing));
            for (int i = 0; i < line.size(); i += step) {
                double along = line.get(i)[0] / held.advance();
                Point at = new Point(0, line.get(i)[1], line.get(i)[2]).turned(-along * stitch.turnPerRepeat());
                row.append(String.format(Locale.ROOT, " %.3f,%.2f,%.2f", along, at.y(), at.z()));
            }
            rows.add(row.toString());
        }
        return rows;
    }
}
