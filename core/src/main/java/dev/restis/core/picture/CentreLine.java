package dev.restis.core.picture;

import java.util.ArrayList;
import java.util.List;

/** A smooth line through points: a uniform Catmull-Rom spline, sampled evenly enough for drawing. */
final class CentreLine {

    private CentreLine() {}

    /** Points of the spline through {@code through}, {@code steps} to each span; the ends are included. */
    static List<Point> smooth(List<Point> through, int steps) {
        if (through.size() < 3) {
            return List.copyOf(through);
        }
        List<Point> line = new ArrayList<>();
        for (int i = 0; i + 1 < through.size(); i++) {
            Point p0 = through.get(Math.max(0, i - 1));
            Point p1 = through.get(i);
            Point p2 = through.get(i + 1);
            Point p3 = through.get(Math.min(through.size() - 1, i + 2));
            for (int s = 0; s < steps; s++) {
                double t = (double) s / steps;
                line.add(new Point(
                        spline(p0.x(), p1.x(), p2.x(), p3.x(), t),
                        spline(p0.y(), p1.y(), p2.y(), p3.y(), t),
                        spline(p0.z(), p1.z(), p2.z(), p3.z(), t)));
            }
        }
        line.add(through.get(through.size() - 1));
        return line;
    }

    private static double spline(double a, double b, double c, double d, double t) {
        return 0.5 * (2 * b + (c - a) * t + (2 * a - 5 * b + 4 * c - d) * t * t + (3 * b - a - 3 * c + d) * t * t * t);
    }
}
