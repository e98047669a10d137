package dev.restis.core.picture;

import dev.restis.core.picture.Picture.Kind;
import dev.restis.core.picture.Picture.Mark;
import dev.restis.core.picture.Picture.Points;
import dev.restis.core.picture.Picture.Stamp;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * Collects marks by depth. A strand is cut wherever it passes from one layer of depth to the next, and layers are
 * painted from the back, so that over and under come out right; a repeat that occurs often is kept once, with its places.
 */
final class Canvas {

    private static final double NOWHERE = 1e9;

    /** Marks of one layer. */
    private record Layer(List<Mark> marks, List<Double> at) {}

    private final double layerDepth;
    private final Map<Integer, List<Layer>> layers = new TreeMap<>();
    private Map<Integer, List<Mark>> open = new TreeMap<>();
    private List<Double> places = List.of(0.0);
    private double firstPlace;
    private double lastPlace;
    private boolean unrolled;
    private double bendFrom;
    private double bendTo = 1;
    private double bendOut;
    private double shift;
    private double minX = NOWHERE;
    private double minY = NOWHERE;
    private double maxX = -NOWHERE;
    private double maxY = -NOWHERE;

    /**
     * @param layerDepth how deep a layer is, millimetres
     */
    Canvas(double layerDepth) {
        this.layerDepth = layerDepth;
    }

    /** What {@code drawing} draws is painted at each of {@code at}, moved along by so much. */
    void repeated(List<Double> at, Runnable drawing) {
        if (unrolled) {
            at.forEach(place -> {
                shift = place;
                drawing.run();
            });
            shift = 0;
            return;
        }
        close();
        at(List.copyOf(at));
        drawing.run();
        close();
        at(List.of(0.0));
    }

    private void at(List<Double> newPlaces) {
        places = newPlaces;
        firstPlace = newPlaces.stream().mapToDouble(p -> p).min().orElse(0);
        lastPlace = newPlaces.stream().mapToDouble(p -> p).max().orElse(0);
    }

    /** What {@code drawing} draws between {@code from} and {@code to} is bowed sideways, {@code out} at the middle. */
    void bent(double from, double to, double out, Runnable drawing) {
        bendFrom = from;
        bendTo = to;
        bendOut = out;
        unrolled = true;
        drawing.run();
        unrolled = false;
        bendOut = 0;
    }

    /** Whether what is drawn now is bowed. */
    boolean bending() {
        return unrolled;
    }

    private double bend(double x) {
        double t = Math.max(0, Math.min(1, (x - bendFrom) / (bendTo - bendFrom)));
        return bendOut * Math.sin(Math.PI * t);
    }

    private void close() {
        open.forEach((depth, marks) ->
                layers.computeIfAbsent(depth, d -> new ArrayList<>()).add(new Layer(marks, places)));
        open = new TreeMap<>();
    }

    /** A strand along {@code samples}: x, y, z of each. */
    void cord(int slot, double thickness, double[] samples) {
        double[] line = unrolled ? bowed(samples) : samples;
        int count = line.length / 3;
        int from = 0;
        int layer = layerOf(line[2]);
        for (int i = 1; i < count; i++) {
            int now = layerOf(line[3 * i + 2]);
            if (now != layer || i == count - 1) {
                // One sample over on either side, so that no gap shows between two stretches of one strand.
                tube(slot, thickness, line, Math.max(0, from - 1), Math.min(count, i + 2), layer);
                from = i;
                layer = now;
            }
        }
        reach(line, thickness / 2);
    }

    private void reach(double[] line, double half) {
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
        reach((left + right) / 2, (top + bottom) / 2, (right - left) / 2 + half, (bottom - top) / 2 + half);
    }

    private double[] bowed(double[] samples) {
        double[] line = samples.clone();
        for (int i = 0; i < line.length; i += 3) {
            line[i] += shift;
            line[i + 1] += bend(line[i]);
        }
        return line;
    }

    /** A straight stretch at one depth. */
    void straight(int slot, double thickness, double fromX, double fromY, double toX, double toY, double depth) {
        cord(slot, thickness, new double[] {fromX, fromY, depth, toX, toY, depth});
    }

    private int layerOf(double depth) {
        return (int) Math.round(depth / layerDepth);
    }

    private void tube(int slot, double thickness, double[] line, int from, int to, int layer) {
        double[] points = new double[2 * (to - from)];
        for (int i = from; i < to; i++) {
            points[2 * (i - from)] = line[3 * i];
            points[2 * (i - from) + 1] = line[3 * i + 1];
        }
        add(layer, new Mark(Kind.CORD, slot, thickness, new Points(points)));
    }

    private void add(int layer, Mark mark) {
        open.computeIfAbsent(layer, l -> new ArrayList<>()).add(mark);
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
        minX = Math.min(minX, x + firstPlace - halfLength);
        maxX = Math.max(maxX, x + lastPlace + halfLength);
        minY = Math.min(minY, y - halfHeight);
        maxY = Math.max(maxY, y + halfHeight);
    }

    Picture picture(double from, double to, boolean shortened) {
        close();
        double margin = 0.5;
        List<Stamp> stamps = new ArrayList<>();
        layers.values().forEach(depth -> depth.forEach(layer -> stamps.add(new Stamp(layer.marks(), layer.at()))));
        return new Picture(
                minX - margin,
                minY - margin,
                maxX - minX + 2 * margin,
                maxY - minY + 2 * margin,
                stamps,
                from - minX + margin,
                to - minX + margin,
                shortened);
    }
}
