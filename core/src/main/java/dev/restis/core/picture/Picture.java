package dev.restis.core.picture;

import java.util.List;

/**
 * A piece drawn to scale, as marks in painting order: what is painted later lies nearer to the eye.
 *
 * @param width millimetres
 * @param height millimetres
 * @param marks in painting order
 * @param bodyFrom where the body starts along the width, millimetres
 * @param bodyTo where the body ends
 */
public record Picture(double width, double height, List<Mark> marks, double bodyFrom, double bodyTo) {

    public Picture {
        marks = List.copyOf(marks);
    }

    /** What a mark shows. */
    public enum Kind {
        /** A stretch of cord along {@code points}. */
        CORD,
        /** A bead: centre in {@code points}, then its half length and half height. */
        BEAD,
        /** A ring: centre in {@code points}, then its mid radius twice. */
        RING
    }

    /**
     * One mark.
     *
     * @param slot which of the pattern's colours; -1 for hardware
     * @param thickness of the cord or the ring's wire, millimetres
     * @param points x, y, x, y ... in millimetres, from the top left
     */
    public record Mark(Kind kind, int slot, double thickness, List<Double> points) {
        public Mark {
            points = List.copyOf(points);
        }
    }
}
