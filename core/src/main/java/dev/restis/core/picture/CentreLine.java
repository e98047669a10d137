package dev.restis.core.picture;

import dev.restis.core.stitch.Stitch;
import java.util.ArrayList;
import java.util.List;

/** A smooth line through points: a uniform Catmull-Rom spline, sampled evenly enough for drawing. */
final class CentreLine {

    /** Weights for as many samples to a span as pictures ask for. */
    private static final double[][][] WEIGHTS = {{}, weights(1), weights(2), weights(3), weights(4), weights(5)};

    private CentreLine() {}

    /** Samples of the spline through all of {@code through}, as x, y, z each; the ends are included. */
    static double[] smooth(List<Point> through, int steps) {
        return smooth(through, 0, through.size() - 1, steps);
    }

    /**
     * Samples of the spline between the points {@code from} and {@code to}; those beyond only steer its ends.
     *
     * @param steps samples to each span, 1 to 5
     */
    static double[] smooth(List<Point> through, int from, int to, int steps) {
        double[] line = new double[3 * ((to - from) * steps + 1)];
        double[][] weights = WEIGHTS[steps];
        int next = 0;
        for (int i = from; i < to; i++) {
            Point p0 = through.get(Math.max(0, i - 1));
            Point p1 = through.get(i);
            Point p2 = through.get(i + 1);
            Point p3 = through.get(Math.min(through.size() - 1, i + 2));
            for (double[] w : weights) {
                line[next++] = w[0] * p0.x() + w[1] * p1.x() + w[2] * p2.x() + w[3] * p3.x();
                line[next++] = w[0] * p0.y() + w[1] * p1.y() + w[2] * p2.y() + w[3] * p3.y();
                line[next++] = w[0] * p0.z() + w[1] * p1.z() + w[2] * p2.z() + w[3] * p3.z();
            }
        }
        Point last = through.get(to);
        line[next++] = last.x();
        line[next++] = last.y();
        line[next] = last.z();
        return line;
    }

    /**
     * Samples along each path of a stitch, bent as it goes over from the path before and into the next.
     *
     * @param paths points of each path through one repeat
     * @param pitch how far the next repeat is along
     */
    static List<double[]> joined(Stitch stitch, List<List<Point>> paths, double pitch, int steps) {
        int[] before = before(stitch);
        List<double[]> joined = new ArrayList<>(paths.size());
        for (int path = 0; path < paths.size(); path++) {
            List<Point> own = paths.get(path);
            List<Point> line = new ArrayList<>(own.size() + 3);
            List<Point> last = paths.get(before[path]);
            line.add(side(stitch, last.get(last.size() - 1)).moved(-pitch, 0));
            line.addAll(own);
            List<Point> next = paths.get(stitch.paths().get(path).next());
            line.add(side(stitch, next.get(0)).moved(pitch, 0));
            line.add(side(stitch, next.get(Math.min(1, next.size() - 1))).moved(pitch, 0));
            joined.add(smooth(line, 1, line.size() - 2, steps));
        }
        return joined;
    }

    /** Where a point of the next repeat lies, but for the advance. */
    private static Point side(Stitch stitch, Point p) {
        return stitch.mirrored() ? new Point(p.x(), -p.y(), p.z()) : p;
    }

    /** For each path, the one that leads to it. */
    static int[] before(Stitch stitch) {
        int[] before = new int[stitch.paths().size()];
        for (int p = 0; p < before.length; p++) {
            before[stitch.paths().get(p).next()] = p;
        }
        return before;
    }

    /** How much each of four neighbouring points counts, at each sample of the span between the middle two. */
    private static double[][] weights(int steps) {
        double[][] weights = new double[steps][];
        for (int s = 0; s < steps; s++) {
            double t = (double) s / steps;
            double t2 = t * t;
            double t3 = t2 * t;
            weights[s] = new double[] {
                0.5 * (2 * t2 - t - t3), 0.5 * (2 - 5 * t2 + 3 * t3), 0.5 * (t + 4 * t2 - 3 * t3), 0.5 * (t3 - t2)
            };
        }
        return weights;
    }
}
