package dev.restis.core.picture;

import java.util.List;

/**
 * A piece drawn to scale, as stamps in painting order: what is painted later lies nearer to the eye.
 *
 * @param left where it starts in the coordinates of its marks, millimetres
 * @param top likewise
 * @param width millimetres
 * @param height millimetres
 * @param stamps in painting order
 * @param from where the measured length starts along the width, millimetres
 * @param to where it ends
 * @param shortened whether long parts were left out, so that the picture cannot be measured from end to end
 * @param sections where each of the pattern's sections lies along the width; none where only its bodies are drawn
 */
public record Picture(
        double left,
        double top,
        double width,
        double height,
        List<Stamp> stamps,
        double from,
        double to,
        boolean shortened,
        List<Span> sections) {

    public Picture {
        stamps = List.copyOf(stamps);
        sections = List.copyOf(sections);
    }

    /** A stretch along the width, millimetres. */
    public record Span(double from, double to) {}

    /**
     * Marks painted together, once at each place.
     *
     * @param marks in painting order
     * @param at where each copy goes
     */
    public record Stamp(List<Mark> marks, List<Place> at) {
        public Stamp {
            marks = List.copyOf(marks);
            at = List.copyOf(at);
        }
    }

    /**
     * Where a copy goes: mirrored, turned about its origin, then moved.
     *
     * @param along moved to the right, millimetres
     * @param across moved down, millimetres
     * @param turn clockwise as seen, degrees
     * @param mirrored whether up and down change places
     */
    public record Place(double along, double across, double turn, boolean mirrored) {

        static final Place ORIGIN = along(0);

        static Place along(double along) {
            return new Place(along, 0, 0, false);
        }

        /** How far down a point of the copy lies that is {@code y} down in its own coordinates, where it is {@link #level}. */
        double down(double y) {
            return mirrored ? -y : y;
        }

        /** Whether the copy is not turned, and neither up nor down. */
        boolean level() {
            return across == 0 && turn == 0;
        }
    }

    /** What a mark shows. */
    public enum Kind {
        /** A stretch of cord along the points. */
        CORD,
        /** A bead: centre, half length, half height, half the hole. */
        BEAD,
        /** A ring or round bar: centre and mid radius. */
        RING,
        /** A solid part: left, top, width, height, corner radius. */
        PLATE,
        /** An opening in a part: left, top, width, height, corner radius. */
        GAP,
        /** A cut through the picture where a long part is left out: place and half height. */
        BREAK
    }

    /**
     * One mark.
     *
     * @param kind what it shows
     * @param slot which of the pattern's cords; for hardware its place in the pattern's list
     * @param thickness of the cord or the ring's wire, millimetres
     * @param points as the kind says; for cord x, y, x, y ... in millimetres
     */
    public record Mark(Kind kind, int slot, double thickness, Points points) {}

    /** Numbers of a mark that nobody changes. */
    public static final class Points {
        private final double[] values;

        Points(double... values) {
            this.values = values;
        }

        public int size() {
            return values.length;
        }

        public double get(int index) {
            return values[index];
        }
    }
}
