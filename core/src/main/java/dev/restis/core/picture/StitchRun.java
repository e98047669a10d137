package dev.restis.core.picture;

import dev.restis.core.picture.Picture.Place;
import dev.restis.core.stitch.Bundle;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Periods;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * Draws repeats of a stitch. The repeats after which colours and twist are as at the start make a cell, which is drawn
 * once for all its places.
 */
final class StitchRun {

    private static final int ROUGH_STEPS = 4;
    private static final double FULL_TURN = 360;

    private final Canvas canvas;
    private final Stitch stitch;
    private final Gauge gauge;
    /** The gauge that the knots are drawn in. */
    private final Gauge shape;

    private final Map<Seat, List<Integer>> slots;
    private final double pitch;
    private final Layout layout;
    private final int[] before;
    /** Each path through the first repeat, smooth and twisted. */
    private final List<double[]> first;
    /** Each path as it is drawn in every repeat of a stitch that does not turn. */
    private final List<Canvas.Strand> alike = new ArrayList<>();

    /**
     * @param slots the cord of each strand in each place of the stitch, in the order of its paths
     * @param pitch body length of one repeat, millimetres
     */
    StitchRun(
            Canvas canvas,
            CentreLines centreLines,
            Stitch stitch,
            Gauge gauge,
            Map<Seat, List<Integer>> slots,
            double pitch) {
        this.canvas = canvas;
        this.stitch = stitch;
        this.gauge = gauge;
        this.slots = slots;
        this.pitch = pitch;
        this.before = CentreLine.before(stitch);
        this.shape = shape(stitch, gauge);
        this.layout = Layout.of(stitch, shape);
        this.first = centreLines
                .of(stitch, shape)
                .filter(lines -> !stitch.staysOpen())
                .map(lines -> layout.tight(lines, pitch))
                .orElseGet(this::rough);
        twist();
    }

    /**
     * The gauge that a stitch is drawn in. Knots that wind around the body lie around its cores as around one round one: else they
     * would stand out where it is seen flat.
     */
    static Gauge shape(Stitch stitch, Gauge gauge) {
        return stitch.turnPerRepeat() == 0 || gauge.cores() < 2
                ? gauge
                : new Gauge(
                        gauge.working(),
                        Bundle.packedDiameter(gauge.cores()) * gauge.core(),
                        1,
                        gauge.layout(),
                        gauge.side());
    }

    private List<double[]> rough() {
        List<List<Point>> flat = stitch.paths().stream()
                .map(path -> path.waypoints(shape.cores()).stream()
                        .map(w -> layout.point(w, pitch, path.seat()))
                        .toList())
                .toList();
        return CentreLine.joined(stitch, flat, pitch, ROUGH_STEPS);
    }

    private void twist() {
        double twist = Math.toRadians(stitch.turnPerRepeat()) / pitch;
        if (twist != 0) {
            for (double[] line : first) {
                for (int i = 0; i < line.length; i += 3) {
                    turn(line, i, Math.cos(line[i] * twist), Math.sin(line[i] * twist));
                }
            }
        }
    }

    /** A stretch of the body: where it starts, and how many repeats it has. */
    record Stretch(double start, int repeats) {}

    /** Draws {@code repeats} repeats from {@code start} on; returns where they end. */
    double draw(double start, int repeats) {
        draw(List.of(new Stretch(start, repeats)));
        return start + repeats * pitch;
    }

    /** Draws stretches of one body, each beginning the stitch anew. */
    void draw(List<Stretch> stretches) {
        List<List<Place>> bodies = new ArrayList<>(stretches.size());
        for (Stretch stretch : stretches) {
            List<Place> body = new ArrayList<>(stretch.repeats());
            for (int r = 0; r < stretch.repeats(); r++) {
                body.add(new Place(stretch.start() + r * pitch, 0, 0, mirrored(r)));
            }
            bodies.add(body);
        }
        repeats(bodies);
        if (stitch.pathsOf(Seat.CORE) == 0) {
            stretches.forEach(s -> cores(s.start(), s.start() + s.repeats() * pitch));
        }
    }

    /** Draws repeats over one core along a bow, which stands {@code out} at its middle. */
    void bowed(double start, int repeats, double out) {
        List<Point> bow = new ArrayList<>(repeats + 1);
        for (int r = 0; r <= repeats; r++) {
            bow.add(new Point(start + r * pitch, out * Math.sin(Math.PI * r / repeats), 0));
        }
        List<Place> body = new ArrayList<>(repeats);
        for (int r = 0; r < repeats; r++) {
            Point from = bow.get(r);
            double rise = bow.get(r + 1).y() - from.y();
            body.add(new Place(from.x(), from.y(), Math.toDegrees(Math.atan2(rise, pitch)), mirrored(r)));
        }
        repeats(List.of(body));
        canvas.cord(slots.getOrDefault(Seat.CORE, List.of(0)).get(0), gauge.core(), CentreLine.smooth(bow, 2));
    }

    private boolean mirrored(int repeat) {
        return stitch.mirrored() && repeat % 2 == 1;
    }

    /** Draws a repeat at each place of each body. */
    private void repeats(List<List<Place>> bodies) {
        int longest = bodies.stream().mapToInt(List::size).max().orElse(0);
        int period = Math.min(period(), longest);
        for (int phase = 0; phase < period; phase++) {
            List<Place> at = new ArrayList<>();
            for (List<Place> body : bodies) {
                for (int r = phase; r < body.size(); r += period) {
                    at.add(body.get(r));
                }
            }
            int now = phase;
            canvas.repeated(at, Sheet.LAYER * gauge.thinnest(), () -> repeat(now));
        }
    }

    /** Repeats until every path is taken by the same cord again and the twist is whole. */
    private int period() {
        int rings = 1;
        for (int p = 0; p < stitch.paths().size(); p++) {
            rings = Periods.together(rings, ring(p));
        }
        int period = rings;
        for (int shorter = rings - 1; shorter > 0; shorter--) {
            if (rings % shorter == 0 && sameCordsAfter(shorter)) {
                period = shorter;
            }
        }
        if (stitch.turnPerRepeat() != 0) {
            period = Periods.together(period, (int) Math.round(FULL_TURN / Math.abs(stitch.turnPerRepeat())));
        }
        return period;
    }

    /** How many paths a strand takes in turn that starts on this one. */
    private int ring(int path) {
        int length = 1;
        for (int at = stitch.paths().get(path).next();
                at != path && length <= stitch.paths().size();
                length++) {
            at = stitch.paths().get(at).next();
        }
        return length;
    }

    private boolean sameCordsAfter(int repeats) {
        for (int p = 0; p < stitch.paths().size(); p++) {
            Seat seat = stitch.paths().get(p).seat();
            if (slotOn(p, repeats, seat) != slotOn(p, 0, seat)) {
                return false;
            }
        }
        return true;
    }

    /** One repeat at the origin, twisted and coloured as repeat number {@code phase}. */
    private void repeat(int phase) {
        for (int p = 0; p < stitch.paths().size(); p++) {
            Seat seat = stitch.paths().get(p).seat();
            canvas.cord(slotOn(p, phase, seat), gauge.of(seat), strand(p, phase));
        }
    }

    /** A path in the repeat of that number: the first one's, turned on by the twist of those between. */
    private Canvas.Strand strand(int path, int phase) {
        if (stitch.turnPerRepeat() != 0) {
            return canvas.strand(turned(first.get(path), Math.toRadians(phase * stitch.turnPerRepeat())));
        }
        if (alike.size() == path) {
            alike.add(canvas.strand(first.get(path)));
        }
        return alike.get(path);
    }

    private static double[] turned(double[] line, double angle) {
        double[] turned = line.clone();
        double cos = Math.cos(angle);
        double sin = Math.sin(angle);
        for (int i = 0; i < turned.length; i += 3) {
            turn(turned, i, cos, sin);
        }
        return turned;
    }

    /** Turns a sample about the body's length. */
    private static void turn(double[] line, int at, double cos, double sin) {
        double y = line[at + 1];
        double z = line[at + 2];
        line[at + 1] = y * cos - z * sin;
        line[at + 2] = y * sin + z * cos;
    }

    /** The cord of the strand that follows path {@code path} in repeat {@code phase}. */
    private int slotOn(int path, int phase, Seat seat) {
        int at = path;
        for (int r = phase % ring(path); r > 0; r--) {
            at = before[at];
        }
        int place = 0;
        for (int p = 0; p < at; p++) {
            if (stitch.paths().get(p).seat() == seat) {
                place++;
            }
        }
        List<Integer> cords = slots.getOrDefault(seat, List.of(0));
        return cords.isEmpty() ? 0 : cords.get(place % cords.size());
    }

    private void cores(double from, double to) {
        List<Integer> cords = slots.getOrDefault(Seat.CORE, List.of());
        double d = gauge.core();
        List<Double> lanes = shape == gauge ? layout.cores() : packed();
        for (int c = 0; c < Math.min(cords.size(), gauge.cores()); c++) {
            double y = lanes.get(c);
            canvas.straight(cords.get(c), d, from - d / 4, y, to + d / 4, y, 0);
        }
    }

    /** Cores side by side within the round that the knots lie around. */
    private List<Double> packed() {
        int n = gauge.cores();
        double spacing = (shape.core() - gauge.core()) / (n - 1);
        List<Double> lanes = new ArrayList<>();
        for (int c = 0; c < n; c++) {
            lanes.add((c - (n - 1) / 2.0) * spacing);
        }
        return lanes;
    }
}
