package dev.restis.core.picture;

import dev.restis.core.picture.Picture.Kind;
import dev.restis.core.picture.Picture.Mark;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Collects marks with their depth and puts them in painting order. */
final class Canvas {

    private static final double HUNDREDTHS = 100;

    private record Deep(Mark mark, double depth) {}

    private final List<Deep> marks = new ArrayList<>();
    private double minX = Double.MAX_VALUE;
    private double minY = Double.MAX_VALUE;
    private double maxX = -Double.MAX_VALUE;
    private double maxY = -Double.MAX_VALUE;

    /** Cuts a centre line into short tubes, each painted at its own depth, so that over and under come out right. */
    void cord(int slot, double thickness, List<Point> line) {
        double piece = 0.8 * thickness;
        int from = 0;
        double length = 0;
        for (int i = 1; i < line.size(); i++) {
            length += line.get(i).distance(line.get(i - 1));
            if (length >= piece || i == line.size() - 1) {
                // One sample over on either side, so that no gap shows between two tubes of one strand.
                tube(slot, thickness, line.subList(Math.max(0, from - 1), Math.min(line.size(), i + 2)));
                from = i;
                length = 0;
            }
        }
    }

    void bead(Point centre, double halfLength, double halfHeight) {
        reach(centre.x(), centre.y(), halfHeight);
        marks.add(new Deep(
                new Mark(Kind.BEAD, -1, 0, List.of(centre.x(), centre.y(), halfLength, halfHeight)), centre.z()));
    }

    void ring(Point centre, double radius, double wire) {
        reach(centre.x() - radius, centre.y() - radius, wire / 2);
        reach(centre.x() + radius, centre.y() + radius, wire / 2);
        marks.add(new Deep(new Mark(Kind.RING, -1, wire, List.of(centre.x(), centre.y(), radius, radius)), centre.z()));
    }

    private void tube(int slot, double thickness, List<Point> line) {
        List<Double> points = new ArrayList<>();
        double depth = 0;
        for (Point p : line) {
            points.add(p.x());
            points.add(p.y());
            depth += p.z() / line.size();
            reach(p.x(), p.y(), thickness / 2);
        }
        marks.add(new Deep(new Mark(Kind.CORD, slot, thickness, points), depth));
    }

    private void reach(double x, double y, double radius) {
        minX = Math.min(minX, x - radius);
        maxX = Math.max(maxX, x + radius);
        minY = Math.min(minY, y - radius);
        maxY = Math.max(maxY, y + radius);
    }

    Picture picture(double bodyFrom, double bodyTo) {
        double margin = 0.5;
        List<Mark> painted = marks.stream()
                .sorted(Comparator.comparingDouble(Deep::depth))
                .map(d -> moved(d.mark(), margin - minX, margin - minY))
                .toList();
        return new Picture(
                rounded(maxX - minX + 2 * margin),
                rounded(maxY - minY + 2 * margin),
                painted,
                rounded(bodyFrom - minX + margin),
                rounded(bodyTo - minX + margin));
    }

    private static Mark moved(Mark mark, double dx, double dy) {
        List<Double> points = new ArrayList<>();
        boolean cord = mark.kind() == Kind.CORD;
        for (int i = 0; i < mark.points().size(); i++) {
            double shift = cord || i < 2 ? (i % 2 == 0 ? dx : dy) : 0;
            points.add(rounded(mark.points().get(i) + shift));
        }
        return new Mark(mark.kind(), mark.slot(), rounded(mark.thickness()), points);
    }

    private static double rounded(double millimetres) {
        return Math.round(millimetres * HUNDREDTHS) / HUNDREDTHS;
    }
}
