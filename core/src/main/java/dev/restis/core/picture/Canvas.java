package dev.restis.core.picture;

import dev.restis.core.picture.Picture.Kind;
import dev.restis.core.picture.Picture.Mark;
import dev.restis.core.picture.Picture.Place;
import dev.restis.core.picture.Picture.Points;
import dev.restis.core.picture.Picture.Span;
import dev.restis.core.picture.Picture.Stamp;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * Collects marks by depth. A strand is cut wherever it passes from one layer of depth to the next, and layers are
 * painted from the back, so that over and under come out right; a repeat that occurs often is kept once, with its places.
 */
final class Canvas {

    private static final double NOWHERE = 1e9;
    /** A line that strays less than this many millimetres looks the same. */
    private static final double UNSEEN = 0.025;

    private static final List<Place> ONCE = List.of(Place.ORIGIN);

    /**
     * Marks of one depth that go to the same places.
     *
     * @param number counted from the middle towards the eye, in layers as deep as they were when it was drawn
     * @param depth how far it stands off the middle, millimetres
     */
    private record Layer(int number, double depth, List<Mark> marks, List<Place> at) {}

    private final double usualLayer;
    private double layerDepth;
    private final List<Layer> layers = new ArrayList<>();
    /** The first of the layers that are still drawn on. */
    private int open;

    private List<Place> places = ONCE;
    /** The places that what is drawn reaches farthest from. */
    private List<Place> outermost = ONCE;

    private double minX = NOWHERE;
    private double minY = NOWHERE;
    private double maxX = -NOWHERE;
    private double maxY = -NOWHERE;

    /**
     * @param layerDepth how deep a layer is, millimetres
     */
    Canvas(double layerDepth) {
        this.usualLayer = layerDepth;
        this.layerDepth = layerDepth;
    }

    /** What {@code drawing} draws is painted at each of {@code at}. */
    void repeated(List<Place> at, Runnable drawing) {
        repeated(at, usualLayer, drawing);
    }

    /**
     * @param deep how deep a layer of it is, millimetres: thick cord needs no layers as thin as the thinnest of the piece
     */
    void repeated(List<Place> at, double deep, Runnable drawing) {
        if (at.isEmpty()) {
            return;
        }
        at(at, at.stream().allMatch(Place::level) ? ends(at) : at);
        layerDepth = deep;
        drawing.run();
        layerDepth = usualLayer;
        at(ONCE, ONCE);
    }

    private void at(List<Place> newPlaces, List<Place> newOutermost) {
        places = newPlaces;
        outermost = newOutermost;
        open = layers.size();
    }

    private static List<Place> ends(List<Place> at) {
        Place first = at.get(0);
        Place last = first;
        Place other = at.get(0);
        for (Place place : at) {
            first = place.along() < first.along() ? place : first;
            last = place.along() > last.along() ? place : last;
            other = place.mirrored() != at.get(0).mirrored() ? place : other;
        }
        return other.mirrored() == at.get(0).mirrored() ? List.of(first, last) : List.of(first, last, at.get(0), other);
    }

    /** A stretch of a strand within one layer. */
    private record Tube(int layer, Points points) {}

    /** A strand in the layers of one drawing, and what it covers. */
    record Strand(List<Tube> tubes, double left, double right, double top, double bottom) {}

    /** A strand along {@code line}: x, y, z of each sample. */
    void cord(int slot, double thickness, double[] line) {
        cord(slot, thickness, strand(line));
    }

    /** A strand that was laid into the layers of this drawing. */
    void cord(int slot, double thickness, Strand strand) {
        for (Tube tube : strand.tubes()) {
            add(tube.layer(), new Mark(Kind.CORD, slot, thickness, tube.points()));
        }
        double half = thickness / 2;
        reach(
                (strand.left() + strand.right()) / 2,
                (strand.top() + strand.bottom()) / 2,
                (strand.right() - strand.left()) / 2 + half,
                (strand.bottom() - strand.top()) / 2 + half);
    }

    /** Lays a strand into the layers of this drawing: x, y, z of each sample. */
    Strand strand(double[] line) {
        List<Tube> tubes = new ArrayList<>();
        int count = line.length / 3;
        int from = 0;
        int layer = layerOf(line[2]);
        for (int i = 1; i < count; i++) {
            int now = layerOf(line[3 * i + 2]);
            if (now != layer || i == count - 1) {
                // One sample over on either side, so that no gap shows between two stretches of one strand.
                tubes.add(new Tube(layer, tube(line, Math.max(0, from - 1), Math.min(count, i + 2))));
                from = i;
                layer = now;
            }
        }
        double left = line[0];
        double right = left;
        double top = line[1];
        double bottom = top;
        for (int i = 3; i < line.length; i += 3) {
            left = Math.min(left, line[i]);
            right = Math.max(right, line[i]);
            top = Math.min(top, line[i + 1]);
            bottom = Math.max(bottom, line[i + 1]);
        }
        return new Strand(tubes, left, right, top, bottom);
    }

    /** A straight stretch at one depth. */
    void straight(int slot, double thickness, double fromX, double fromY, double toX, double toY, double depth) {
        cord(slot, thickness, new double[] {fromX, fromY, depth, toX, toY, depth});
    }

    private int layerOf(double depth) {
        return (int) Math.rint(depth / layerDepth);
    }

    private static Points tube(double[] line, int from, int to) {
        double[] points = new double[2 * (to - from)];
        points[0] = line[3 * from];
        points[1] = line[3 * from + 1];
        int length = needed(line, from, to - 1, points, 2);
        return new Points(Arrays.copyOf(points, length));
    }

    /**
     * Writes the points after {@code from} up to {@code to} that the line cannot do without, by the rule of Douglas and
     * Peucker: browsers take their time over every point of a stroke.
     */
    private static int needed(double[] line, int from, int to, double[] points, int length) {
        double startX = line[3 * from];
        double startY = line[3 * from + 1];
        double x = line[3 * to] - startX;
        double y = line[3 * to + 1] - startY;
        double chord = x * x + y * y;
        // Squares throughout: a root for every sample was half the time of a picture.
        double farthest = UNSEEN * UNSEEN;
        int at = -1;
        for (int i = from + 1; i < to; i++) {
            double dx = line[3 * i] - startX;
            double dy = line[3 * i + 1] - startY;
            double along = x * dx + y * dy;
            double distance;
            if (along > 0 && along < chord) {
                double cross = x * dy - y * dx;
                distance = cross * cross / chord;
            } else {
                double ex = dx - x;
                double ey = dy - y;
                distance = Math.min(dx * dx + dy * dy, ex * ex + ey * ey);
            }
            if (distance > farthest) {
                farthest = distance;
                at = i;
            }
        }
        if (at >= 0) {
            return needed(line, at, to, points, needed(line, from, at, points, length));
        }
        points[length] = line[3 * to];
        points[length + 1] = line[3 * to + 1];
        return length + 2;
    }

    private void add(int layer, Mark mark) {
        marksOf(layer).add(mark);
    }

    /** Few layers are open at a time, and a strand seldom leaves the one it is in by more than one. */
    private List<Mark> marksOf(int number) {
        for (int i = layers.size() - 1; i >= open; i--) {
            if (layers.get(i).number() == number) {
                return layers.get(i).marks();
            }
        }
        Layer layer = new Layer(number, number * layerDepth, new ArrayList<>(), places);
        layers.add(layer);
        return layer.marks();
    }

    void bead(int slot, double x, double y, double depth, double halfLength, double halfHeight, double halfHole) {
        reach(x, y, halfLength, halfHeight);
        add(layerOf(depth), new Mark(Kind.BEAD, slot, 0, new Points(x, y, halfLength, halfHeight, halfHole)));
    }

    void ring(int slot, double x, double y, double depth, double radius, double wire) {
        reach(x, y, radius + wire / 2, radius + wire / 2);
        add(layerOf(depth), new Mark(Kind.RING, slot, wire, new Points(x, y, radius)));
    }

    /** A part, or an opening in one, given by its middle. */
    void plate(Kind kind, int slot, double x, double y, double depth, double length, double height, double corner) {
        reach(x, y, length / 2, height / 2);
        add(
                layerOf(depth),
                new Mark(kind, slot, 0, new Points(x - length / 2, y - height / 2, length, height, corner)));
    }

    void cut(double x, double halfHeight) {
        add(Integer.MAX_VALUE / 2, new Mark(Kind.BREAK, 0, 0, new Points(x, 0, halfHeight)));
    }

    private void reach(double x, double y, double halfLength, double halfHeight) {
        for (Place at : outermost) {
            double down = at.down(y);
            if (at.level()) {
                reached(x + at.along(), down, halfLength, halfHeight);
            } else {
                double turn = Math.toRadians(at.turn());
                double cos = Math.cos(turn);
                double sin = Math.sin(turn);
                double half = Math.hypot(halfLength, halfHeight);
                reached(at.along() + x * cos - down * sin, at.across() + x * sin + down * cos, half, half);
            }
        }
    }

    private void reached(double x, double y, double halfLength, double halfHeight) {
        minX = Math.min(minX, x - halfLength);
        maxX = Math.max(maxX, x + halfLength);
        minY = Math.min(minY, y - halfHeight);
        maxY = Math.max(maxY, y + halfHeight);
    }

    Picture picture(double from, double to, boolean shortened, List<Span> sections) {
        double margin = 0.5;
        layers.sort(Comparator.comparingDouble(Layer::depth));
        List<Stamp> stamps = new ArrayList<>(layers.size());
        for (Layer layer : layers) {
            stamps.add(new Stamp(layer.marks(), layer.at()));
        }
        return new Picture(
                minX - margin,
                minY - margin,
                maxX - minX + 2 * margin,
                maxY - minY + 2 * margin,
                stamps,
                from - minX + margin,
                to - minX + margin,
                shortened,
                sections.stream()
                        .map(s -> new Span(s.from() - minX + margin, s.to() - minX + margin))
                        .toList());
    }
}
