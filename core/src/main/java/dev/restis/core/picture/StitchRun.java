package dev.restis.core.picture;

import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.Stitch.StrandPath;
import dev.restis.core.stitch.Waypoint;
import java.util.ArrayList;
import java.util.List;

/** Follows the strands of a stitch along the body, repeat by repeat. */
final class StitchRun {

    private static final int STEPS = 4;

    private final Canvas canvas;
    private final Stitch stitch;
    private final List<Integer> slots;
    private final List<Integer> coreSlots;
    private final double core;
    private final double working;
    private final double halfWidth;
    private final double pitch;
    private final List<List<Point>> strands = new ArrayList<>();
    private final int[] path;
    private double x;
    private double start;
    private double turn;

    /**
     * @param slots colour of each working strand, in the order of the stitch's paths
     * @param coreSlots colour of each core strand; may be empty where others draw the core
     * @param core width of one core strand, millimetres; of the whole core where {@code coreSlots} is empty
     */
    StitchRun(Canvas canvas, Stitch stitch, List<Integer> slots, List<Integer> coreSlots, double core, double working) {
        this.canvas = canvas;
        this.stitch = stitch;
        this.slots = slots;
        this.coreSlots = coreSlots;
        this.core = core;
        this.working = working;
        this.halfWidth = stitch.needsCore() ? core * Math.max(1, coreSlots.size()) / 2 : 0.75 * working;
        this.pitch = stitch.pitchFactor() * working;
        this.path = new int[stitch.paths().size()];
        for (int s = 0; s < path.length; s++) {
            strands.add(new ArrayList<>());
            path[s] = s;
        }
    }

    void startAt(double position) {
        x = position;
        start = position;
    }

    double end() {
        return x;
    }

    void repeats(int count) {
        for (int r = 0; r < count; r++) {
            for (int s = 0; s < path.length; s++) {
                StrandPath way = stitch.paths().get(path[s]);
                for (Waypoint w : way.waypoints()) {
                    strands.get(s).add(point(w));
                }
                path[s] = way.next();
            }
            x += pitch;
            turn += stitch.turnPerRepeat();
        }
    }

    /** A bead on the core, strands passing outside it, or with every strand through it. */
    void bead(double length, double diameter, boolean allThrough) {
        canvas.bead(new Point(x + length / 2, 0, allThrough ? working : 0.2 * core), length / 2, diameter / 2);
        for (int s = 0; s < path.length; s++) {
            List<Point> line = strands.get(s);
            double side = line.isEmpty()
                    ? (s % 2 == 0 ? -1 : 1)
                    : Math.signum(line.get(line.size() - 1).y());
            double out = allThrough ? side * 0.4 * working : side * (diameter / 2 + 0.4 * working);
            line.add(new Point(x + 0.3 * length, out, 0));
            line.add(new Point(x + 0.7 * length, out, 0));
        }
        x += length;
    }

    void finish() {
        for (int s = 0; s < path.length; s++) {
            canvas.cord(slots.get(s % slots.size()), working, CentreLine.smooth(strands.get(s), STEPS));
        }
        for (int c = 0; c < coreSlots.size(); c++) {
            canvas.cord(coreSlots.get(c), core, coreLine((c - (coreSlots.size() - 1) / 2.0) * core));
        }
    }

    private List<Point> coreLine(double across) {
        List<Point> line = new ArrayList<>();
        double from = start - 0.6 * working;
        double to = x + 0.6 * working;
        for (double at = from; at < to; at += pitch / 2) {
            line.add(new Point(at, across, 0).turned(stitch.turnPerRepeat() * (at - start) / pitch));
        }
        line.add(new Point(to, across, 0).turned(stitch.turnPerRepeat() * (to - start) / pitch));
        return line;
    }

    private Point point(Waypoint w) {
        double beyond = Math.abs(w.across()) - 1;
        double across = Math.signum(w.across())
                * (beyond <= 0 ? Math.abs(w.across()) * halfWidth : halfWidth + beyond * working);
        double layer = stitch.needsCore() ? (coreDepth() + working) / 2 : 0.8 * working;
        Point flat = new Point(x + w.along() * pitch, across, w.level() * layer);
        return stitch.turnPerRepeat() == 0 ? flat : flat.turned(turn + w.along() * stitch.turnPerRepeat());
    }

    private double coreDepth() {
        return coreSlots.isEmpty() ? working : core;
    }
}
