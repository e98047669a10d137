package dev.restis.core.picture;

import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.Stitch.StrandPath;
import dev.restis.core.tight.Cell;
import dev.restis.core.tight.Cell.Strand;
import dev.restis.core.tight.Tightened;
import dev.restis.core.tight.Tightener;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * The centre lines of the library's stitches, pulled tight. They are reckoned by a command and shipped, in worked diameters
 * of the working cord, for equal gauges and each number of cores up to four; other gauges are drawn from the same lines,
 * stretched across by the width of their cores.
 */
public final class TightLines {

    /** The most cores that lines are kept for; more are drawn from the rough path. */
    public static final int MOST_CORES = 4;

    private static final String RESOURCE = "centre-lines.txt";
    /** A core is pulled this much harder than what is tied around it. */
    private static final double TAUT = 10;
    /** Points of a kept line lie about this far apart, in diameters. */
    private static final double KEPT_SPACING = 0.3;

    private static final double[] WIDER = {1, 1.3, 1.6, 2};
    private static final double NEXT_TO_SHORTEST = 1.03;
    /** Hard cord uses more than the formulas for soft cord; what uses less than this share of them is another path. */
    private static final double LEAST_OF_FORMULA = 0.8;

    private static final Map<String, List<List<double[]>>> KEPT = read();

    private TightLines() {}

    /**
     * A line of each path through one repeat: share of the pitch, then across and towards the eye in diameters; empty where
     * the rough path must do.
     */
    static Optional<List<List<double[]>>> of(Stitch stitch, int cores) {
        return Optional.ofNullable(KEPT.get(key(stitch, cores)));
    }

    private static String key(Stitch stitch, int cores) {
        return stitch.code() + "/" + cores;
    }

    /** The cell of a stitch in a gauge: its paths, then its straight cores. */
    public static Cell cell(Stitch stitch, Gauge gauge) {
        Layout layout = Layout.of(stitch, gauge);
        double pitch = stitch.pitch(gauge).toMillimetres();
        List<Strand> strands = new ArrayList<>();
        for (StrandPath path : stitch.paths()) {
            List<double[]> points = new ArrayList<>();
            path.waypoints().forEach(w -> {
                Point p = layout.point(w, pitch, path.seat());
                Point turned = p.turned(w.along() * stitch.turnPerRepeat());
                points.add(new double[] {turned.x(), turned.y(), turned.z()});
            });
            while (points.size() < 3) {
                double[] a = points.get(0);
                double[] b = points.size() > 1 ? points.get(1) : new double[] {a[0] + pitch / 2, a[1], a[2]};
                points.add(1, new double[] {(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2});
            }
            boolean anchor = path.seat() == Seat.CORE || path.seat() == Seat.EDGE;
            strands.add(new Strand(points, gauge.of(path.seat()), anchor ? TAUT : 1, path.next()));
        }
        if (Layout.straightCores(stitch)) {
            for (double across : layout.cores()) {
                List<double[]> points = new ArrayList<>();
                for (int i = 0; i < 3; i++) {
                    Point p = new Point(pitch * i / 3, across, 0).turned(stitch.turnPerRepeat() * i / 3);
                    points.add(new double[] {p.x(), p.y(), p.z()});
                }
                strands.add(new Strand(points, gauge.core(), TAUT, strands.size()));
            }
        }
        return new Cell(strands, pitch, stitch.turnPerRepeat());
    }

    /**
     * Pulls a stitch tight in equal gauges of diameter 1. Hard round cord needs more room than soft cord that flattens, so the
     * stitch is tightened at wider pitches too, and the narrowest is taken at which its cord is next to shortest; the lines
     * are drawn at the stitch's own pitch again.
     */
    public static Tightened tighten(Stitch stitch, int cores) {
        Cell cell = cell(stitch, new Gauge(1, 1, cores, stitch.coreLayout()));
        List<Tightened> all = new ArrayList<>();
        double shortest = Double.MAX_VALUE;
        for (double wider : WIDER) {
            Tightened tightened = Tightener.tighten(widened(cell, wider));
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
        return new Cell(strands, cell.advance() * by, cell.turn());
    }

    /**
     * Whether what holds uses the cord of the stitch: a path that pulls out to a simpler one, such as a twist, is not the knot
     * that it claims to be.
     */
    public static boolean isTheStitch(Stitch stitch, int cores, Tightened.Held held) {
        Gauge gauge = new Gauge(1, 1, cores, stitch.coreLayout());
        for (Seat seat : Seat.values()) {
            double used = 0;
            int strands = 0;
            for (int p = 0; p < stitch.paths().size(); p++) {
                if (stitch.paths().get(p).seat() == seat) {
                    used += held.lengths().get(p);
                    strands++;
                }
            }
            if (strands > 0
                    && used / strands
                            < LEAST_OF_FORMULA * stitch.use(gauge, seat).toMillimetres()) {
                return false;
            }
        }
        return true;
    }

    /**
     * The lines of a stitch as they are kept in the file, one for each of its paths: shares of the pitch along, diameters
     * across and towards the eye, with the stitch's own twist taken out.
     */
    public static List<String> written(Stitch stitch, int cores, Tightened.Held held) {
        List<String> rows = new ArrayList<>();
        for (int p = 0; p < stitch.paths().size(); p++) {
            StringBuilder row = new StringBuilder(key(stitch, cores));
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

    private static Map<String, List<List<double[]>>> read() {
        Map<String, List<List<double[]>>> lines = new HashMap<>();
        try (InputStream in = TightLines.class.getResourceAsStream(RESOURCE)) {
            if (in == null) {
                return lines;
            }
            BufferedReader reader = new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8));
            reader.lines().filter(row -> !row.isBlank() && !row.startsWith("#")).forEach(row -> {
                String[] parts = row.split(" ", -1);
                List<double[]> line = new ArrayList<>();
                for (int i = 1; i < parts.length; i++) {
                    String[] at = parts[i].split(",", -1);
                    line.add(new double[] {
                        Double.parseDouble(at[0]), Double.parseDouble(at[1]), Double.parseDouble(at[2])
                    });
                }
                lines.computeIfAbsent(parts[0], k -> new ArrayList<>()).add(line);
            });
            return lines;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
