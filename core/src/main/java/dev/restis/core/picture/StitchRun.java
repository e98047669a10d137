package dev.restis.core.picture;

import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.Stitch.StrandPath;
import dev.restis.core.stitch.Waypoint;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * Draws repeats of a stitch. The repeats after which colours and twist are as at the start make a cell, which is drawn
 * once for all its places.
 */
final class StitchRun {

    private static final int STEPS = 4;
    private static final double FULL_TURN = 360;

    private final Canvas canvas;
    private final Stitch stitch;
    private final Gauge gauge;
    private final Map<Seat, List<Integer>> slots;
    private final double pitch;
    private final double halfWidth;
    private final double layer;

    /**
     * @param slots the cord of each strand in each place of the stitch, in the order of its paths
     * @param pitch body length of one repeat, millimetres
     */
    StitchRun(Canvas canvas, Stitch stitch, Gauge gauge, Map<Seat, List<Integer>> slots, double pitch) {
        this.canvas = canvas;
        this.stitch = stitch;
        this.gauge = gauge;
        this.slots = slots;
        this.pitch = pitch;
        boolean straightCores = stitch.cores().most() > 0 && stitch.pathsOf(Seat.CORE) == 0;
        double cores = stitch.coreLayout() == Gauge.CoreLayout.FLAT
                ? gauge.cores()
                : dev.restis.core.stitch.Bundle.packedDiameter(Math.max(1, gauge.cores()));
        this.halfWidth = straightCores ? gauge.core() * cores / 2 : 0.75 * gauge.working();
        double coreDepth = stitch.coreLayout() == Gauge.CoreLayout.FLAT ? gauge.core() : gauge.core() * cores;
        this.layer = straightCores ? (coreDepth + gauge.working()) / 2 : 0.8 * gauge.working();
    }

    /** Draws {@code repeats} repeats from {@code start} on; returns where they end. */
    double draw(double start, int repeats) {
        int period = Math.min(period(), repeats);
        for (int phase = 0; phase < period; phase++) {
            List<Double> at = new ArrayList<>();
            for (int r = phase; r < repeats; r += period) {
                at.add(start + r * pitch);
            }
            int now = phase;
            canvas.repeated(at, () -> repeat(now));
        }
        if (stitch.pathsOf(Seat.CORE) == 0) {
            cores(start, start + repeats * pitch);
        }
        return start + repeats * pitch;
    }

    /** Repeats until every strand is back on its own path and the twist is whole. */
    private int period() {
        int period = 1;
        for (int p = 0; p < stitch.paths().size(); p++) {
            int length = 1;
            for (int at = stitch.paths().get(p).next();
                    at != p && length <= stitch.paths().size();
                    length++) {
                at = stitch.paths().get(at).next();
            }
            period = lcm(period, length);
        }
        if (stitch.turnPerRepeat() != 0) {
            period = lcm(period, (int) Math.round(FULL_TURN / Math.abs(stitch.turnPerRepeat())));
        }
        return period;
    }

    private static int lcm(int a, int b) {
        int x = a;
        int y = b;
        while (y != 0) {
            int rest = x % y;
            x = y;
            y = rest;
        }
        return a / x * b;
    }

    /** One repeat at the origin, twisted and coloured as repeat number {@code phase}. */
    private void repeat(int phase) {
        for (int p = 0; p < stitch.paths().size(); p++) {
            StrandPath path = stitch.paths().get(p);
            int before = before(p);
            List<Point> line = new ArrayList<>();
            List<Waypoint> last = stitch.paths().get(before).waypoints();
            line.add(point(last.get(last.size() - 1), phase, -1, path.seat()));
            path.waypoints().forEach(w -> line.add(point(w, phase, 0, path.seat())));
            List<Waypoint> next = stitch.paths().get(path.next()).waypoints();
            line.add(point(next.get(0), phase, 1, path.seat()));
            line.add(point(next.get(Math.min(1, next.size() - 1)), phase, 1, path.seat()));
            canvas.cord(
                    slotOn(p, phase, path.seat()),
                    gauge.of(path.seat()),
                    CentreLine.smooth(line, 1, line.size() - 2, STEPS));
        }
    }

    private int before(int path) {
        for (int p = 0; p < stitch.paths().size(); p++) {
            if (stitch.paths().get(p).next() == path) {
                return p;
            }
        }
        throw new IllegalStateException("Impossible state: no path of " + stitch.code() + " leads to its path " + path);
    }

    /** The cord of the strand that follows path {@code path} in repeat {@code phase}. */
    private int slotOn(int path, int phase, Seat seat) {
        int at = path;
        for (int r = 0; r < phase; r++) {
            at = before(at);
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
        int n = Math.min(cords.size(), gauge.cores());
        double d = gauge.core();
        boolean flat = stitch.coreLayout() == Gauge.CoreLayout.FLAT;
        double spacing = flat || n == 1 ? d : (2 * halfWidth - d) / (n - 1);
        for (int c = 0; c < n; c++) {
            double y = (c - (n - 1) / 2.0) * spacing;
            if (stitch.turnPerRepeat() == 0) {
                canvas.straight(cords.get(c), d, from - d / 4, y, to + d / 4, y, 0);
            } else {
                canvas.cord(cords.get(c), d, twisted(from, to, y));
            }
        }
    }

    private double[] twisted(double from, double to, double y) {
        List<Point> line = new ArrayList<>();
        for (double x = from; x < to; x += pitch) {
            line.add(new Point(x, y, 0).turned(stitch.turnPerRepeat() * (x - from) / pitch));
        }
        line.add(new Point(to, y, 0).turned(stitch.turnPerRepeat() * (to - from) / pitch));
        return CentreLine.smooth(line, 1);
    }

    private Point point(Waypoint w, int phase, int repeatsOn, Seat seat) {
        double beyond = Math.abs(w.across()) - 1;
        double across = Math.signum(w.across())
                * (beyond <= 0 ? Math.abs(w.across()) * halfWidth : halfWidth + beyond * gauge.of(seat));
        Point flat = new Point((w.along() + repeatsOn) * pitch, across, w.level() * layer);
        return stitch.turnPerRepeat() == 0
                ? flat
                : flat.turned((phase + repeatsOn + w.along()) * stitch.turnPerRepeat());
    }
}
