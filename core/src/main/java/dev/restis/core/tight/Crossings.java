package dev.restis.core.tight;

import dev.restis.core.stitch.Periods;
import java.util.ArrayList;
import java.util.List;

/**
 * How the strands of a cell pass each other: for any two of them the sum of their signed crossings, looked at from one side, in
 * as many periods as all strands need to be in their places again. It does not change while strands move without passing
 * through each other (Reidemeister), so two lays of one knot agree in it.
 */
final class Crossings {

    /** Looked at a little aslant, so that straight strands do not lie exactly behind one another. */
    private static final double ASLANT = 0.1371;

    private static final double FULL_TURN = 360;

    private Crossings() {}

    /** The sums, for each strand against each. */
    static int[][] signed(Cell cell) {
        int periods = periods(cell);
        int strands = cell.strands().size();
        List<List<double[]>> lines = new ArrayList<>();
        for (int s = 0; s < strands; s++) {
            lines.add(line(cell, s, periods));
        }
        int[][] sums = new int[strands][strands];
        for (int a = 0; a < strands; a++) {
            for (int b = a + 1; b < strands; b++) {
                sums[a][b] = between(lines.get(a), lines.get(b), periods * cell.advance());
                sums[b][a] = sums[a][b];
            }
        }
        return sums;
    }

    /** After so many, every strand is where it began, and so are the turn and the side. */
    private static int periods(Cell cell) {
        if (cell.closed()) {
            return 1;
        }
        int periods = cell.mirrored() ? 2 : 1;
        for (int s = 0; s < cell.strands().size(); s++) {
            int ring = 1;
            for (int at = cell.strands().get(s).next();
                    at != s;
                    at = cell.strands().get(at).next()) {
                ring++;
            }
            periods = Periods.together(periods, ring);
        }
        return cell.turn() == 0
                ? periods
                : Periods.together(periods, (int) Math.round(FULL_TURN / Math.abs(cell.turn())));
    }

    /** A strand through all periods, up to where it begins anew. */
    private static List<double[]> line(Cell cell, int strand, int periods) {
        List<double[]> line = new ArrayList<>();
        int at = strand;
        for (int p = 0; p < periods; p++) {
            for (double[] point : cell.strands().get(at).points()) {
                line.add(aslant(Rope.screwed(point, p, cell)));
            }
            at = cell.strands().get(at).next();
        }
        double[] first = line.get(0);
        line.add(new double[] {first[0] + periods * cell.advance(), first[1], first[2]});
        return line;
    }

    private static double[] aslant(double[] p) {
        double cos = Math.cos(ASLANT);
        double sin = Math.sin(ASLANT);
        return new double[] {p[0], p[1] * cos - p[2] * sin, p[1] * sin + p[2] * cos};
    }

    /** Of one strand with the other and all of its copies, {@code length} apart. */
    private static int between(List<double[]> a, List<double[]> b, double length) {
        int copies = length == 0 ? 0 : 1 + (int) Math.ceil((extent(a) + extent(b)) / length);
        int sum = 0;
        for (int i = 0; i + 1 < a.size(); i++) {
            for (int j = 0; j + 1 < b.size(); j++) {
                for (int copy = -copies; copy <= copies; copy++) {
                    sum += sign(a.get(i), a.get(i + 1), b.get(j), b.get(j + 1), copy * length);
                }
            }
        }
        return sum;
    }

    private static double extent(List<double[]> line) {
        double least = Double.MAX_VALUE;
        double most = -Double.MAX_VALUE;
        for (double[] p : line) {
            least = Math.min(least, p[0]);
            most = Math.max(most, p[0]);
        }
        return most - least;
    }

    /** 1 where the one in front must be turned to the left to lie along the other, -1 to the right, 0 where they do not cross. */
    private static int sign(double[] a0, double[] a1, double[] b0, double[] b1, double by) {
        double bx = b0[0] + by;
        double ux = a1[0] - a0[0];
        double uy = a1[1] - a0[1];
        double vx = b1[0] - b0[0];
        double vy = b1[1] - b0[1];
        double cross = ux * vy - uy * vx;
        if (cross == 0
                || Math.min(a0[0], a1[0]) > Math.max(bx, bx + vx)
                || Math.max(a0[0], a1[0]) < Math.min(bx, bx + vx)) {
            return 0;
        }
        double wx = bx - a0[0];
        double wy = b0[1] - a0[1];
        double s = (wx * vy - wy * vx) / cross;
        double t = (wx * uy - wy * ux) / cross;
        if (s < 0 || s >= 1 || t < 0 || t >= 1) {
            return 0;
        }
        double above = a0[2] + s * (a1[2] - a0[2]) - b0[2] - t * (b1[2] - b0[2]);
        return (above > 0) == (cross > 0) ? 1 : -1;
    }
}
