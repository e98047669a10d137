package dev.restis.core.tight;

import java.util.List;
import java.util.stream.IntStream;

/**
 * What repeats: strands that each run through one period and go on as another one (or themselves) in the next, a screw
 * away. With advance 0 every strand is closed in itself.
 *
 * @param strands at least one
 * @param advance how far a period goes along the x axis, at least 0, in the unit of the points
 * @param turn by how much it turns about the x axis, degrees
 * @param mirrored whether each period is the mirror image of the one before in y
 */
public record Cell(List<Strand> strands, double advance, double turn, boolean mirrored) {

    public Cell(List<Strand> strands, double advance, double turn) {
        this(strands, advance, turn, false);
    }

    /**
     * One strand.
     *
     * @param points a rough polyline, each point x, y, z; at least three
     * @param diameter of the cord
     * @param weight how hard it is pulled; 1 for one that ties, more for one that stays straight, {@link #FIXED} for one
     *     that does not move at all
     * @param next the strand that it goes on as
     */
    public record Strand(List<double[]> points, double diameter, double weight, int next) {

        public static final double FIXED = Double.POSITIVE_INFINITY;

        public Strand {
            points = points.stream().map(double[]::clone).toList();
            if (points.size() < 3 || !(diameter > 0) || !(weight > 0)) {
                throw new IllegalArgumentException("a strand needs three points, a diameter and a weight but has "
                        + points.size() + ", " + diameter + " and " + weight);
            }
        }
    }

    public Cell {
        strands = List.copyOf(strands);
        List<Integer> followed = strands.stream().map(Strand::next).sorted().toList();
        if (strands.isEmpty()
                || !followed.equals(IntStream.range(0, strands.size()).boxed().toList())) {
            throw new IllegalArgumentException("each strand must be followed once but the strands lead to " + followed);
        }
        if (!(advance >= 0)) {
            throw new IllegalArgumentException("advance must be 0 or more but was " + advance);
        }
    }

    boolean closed() {
        return advance == 0;
    }
}
