package dev.restis.core.picture;

import java.util.List;

/** A smooth line through points: a uniform Catmull-Rom spline, sampled evenly enough for drawing. */
final class CentreLine {

    private CentreLine() {}

    /** Samples of the spline through all of {@code through}, as x, y, z each; the ends are included. */
    static double[] smooth(List<Point> through, int steps) {
        return smooth(through, 0, through.size() - 1, steps);
    }

    /**
     * Samples of the spline between the points {@code from} and {@code to}; those beyond only steer its ends.
     *
     * @param steps samples to each span
     */
    static double[] smooth(List<Point> through, int from, int to, int steps) {
        double[] line = new double[3 * ((to - from) * steps + 1)];
        int next = 0;
        for (int i = from; i < to; i++) {
            Point p0 = through.get(Math.max(0, i - 1));
            Point p1 = through.get(i);
            Point p2 = through.get(i + 1);
            Point p3 = through.get(Math.min(through.size() - 1, i + 2));
            for (int s = 0; s < steps; s++) {
                double t = (double) s / steps;
                line[next++] = spline(p0.x(), p1.x(), p2.x(), p3.x(), t);
                line[next++] = spline(p0.y(), p1.y(), p2.y(), p3.y(), t);
                line[next++] = spline(p0.z(), p1.z(), p2.z(), p3.z(), t);
            }
        }
        Point last = through.get(to);
        line[next++] = last.x();
        line[next++] = last.y();
        line[next] = last.z();
        return line;
    }

    private static double spline(double a, double b, double c, double d, double t) {
        return 0.5 * (2 * b + (c - a) * t + (2 * a - 5 * b + 4 * c - d) * t * t + (3 * b - a - 3 * c + d) * t * t * t);
    }
}
