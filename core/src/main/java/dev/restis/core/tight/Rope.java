package dev.restis.core.tight;

import dev.restis.core.tight.Cell.Strand;
import java.util.ArrayList;
import java.util.List;

/** The strands of a cell cut into segments of about one length, and how they hang together across periods. */
final class Rope {

    final Cell cell;
    /** Nodes as x, y, z each, strand after strand. */
    final double[] nodes;
    /** First node of each strand; one more entry for the end. */
    final int[] first;
    /** Node that each node's segment leads to. */
    final int[] to;
    /** 1 where that node lies in the next period, else 0. */
    final int[] period;
    /** Strand of each node. */
    final int[] strand;
    /** Which knotted-together run of strands a strand belongs to, and its place in it. */
    final int[] run;

    final int[] place;
    final int[] runLength;

    private Rope(Cell cell, List<double[]> points, int[] first) {
        this.cell = cell;
        this.first = first;
        int n = points.size();
        nodes = new double[3 * n];
        to = new int[n];
        period = new int[n];
        strand = new int[n];
        for (int i = 0; i < n; i++) {
            System.arraycopy(points.get(i), 0, nodes, 3 * i, 3);
        }
        int strands = cell.strands().size();
        for (int s = 0; s < strands; s++) {
            for (int i = first[s]; i < first[s + 1]; i++) {
                strand[i] = s;
                boolean last = i + 1 == first[s + 1];
                to[i] = last ? first[cell.strands().get(s).next()] : i + 1;
                period[i] = last && !cell.closed() ? 1 : 0;
            }
        }
        run = new int[strands];
        place = new int[strands];
        runLength = new int[strands];
        runs();
    }

    private void runs() {
        boolean[] seen = new boolean[run.length];
        for (int s = 0; s < run.length; s++) {
            if (seen[s]) {
                continue;
            }
            List<Integer> members = new ArrayList<>();
            for (int at = s; !seen[at]; at = cell.strands().get(at).next()) {
                seen[at] = true;
                members.add(at);
            }
            for (int m = 0; m < members.size(); m++) {
                run[members.get(m)] = s;
                place[members.get(m)] = m;
                runLength[members.get(m)] = members.size();
            }
        }
    }

    /** The cell's strands as they are given, in segments of about {@code length}. */
    static Rope of(Cell cell, double length) {
        List<List<double[]>> lines = cell.strands().stream().map(Strand::points).toList();
        return resampled(cell, lines, length);
    }

    /** The same strands in segments of another length. */
    Rope inSegmentsOf(double length) {
        return resampled(cell, lines(), length);
    }

    /** Points of each strand. */
    List<List<double[]>> lines() {
        List<List<double[]>> lines = new ArrayList<>();
        for (int s = 0; s + 1 < first.length; s++) {
            List<double[]> line = new ArrayList<>();
            for (int i = first[s]; i < first[s + 1]; i++) {
                line.add(new double[] {nodes[3 * i], nodes[3 * i + 1], nodes[3 * i + 2]});
            }
            lines.add(line);
        }
        return lines;
    }

    private static Rope resampled(Cell cell, List<List<double[]>> lines, double length) {
        List<double[]> points = new ArrayList<>();
        int[] first = new int[lines.size() + 1];
        for (int s = 0; s < lines.size(); s++) {
            first[s] = points.size();
            List<double[]> line = new ArrayList<>(lines.get(s));
            double[] end = lines.get(cell.strands().get(s).next()).get(0);
            line.add(screwed(end, cell.closed() ? 0 : 1, cell));
            double total = 0;
            for (int i = 1; i < line.size(); i++) {
                total += distance(line.get(i - 1), line.get(i));
            }
            int count = Math.max(3, (int) Math.round(total / length));
            double step = total / count;
            double walked = 0;
            int at = 0;
            for (int i = 0; i < count; i++) {
                double wanted = i * step;
                while (at + 2 < line.size() && walked + distance(line.get(at), line.get(at + 1)) < wanted) {
                    walked += distance(line.get(at), line.get(at + 1));
                    at++;
                }
                double span = Math.max(1e-12, distance(line.get(at), line.get(at + 1)));
                points.add(between(line.get(at), line.get(at + 1), Math.min(1, (wanted - walked) / span)));
            }
        }
        first[lines.size()] = points.size();
        return new Rope(cell, points, first);
    }

    private static double[] between(double[] a, double[] b, double t) {
        return new double[] {a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1]), a[2] + t * (b[2] - a[2])};
    }

    static double distance(double[] a, double[] b) {
        return Math.sqrt(Math.pow(a[0] - b[0], 2) + Math.pow(a[1] - b[1], 2) + Math.pow(a[2] - b[2], 2));
    }

    /** The point {@code periods} periods on. */
    static double[] screwed(double[] p, int periods, Cell cell) {
        double angle = Math.toRadians(cell.turn()) * periods;
        double cos = Math.cos(angle);
        double sin = Math.sin(angle);
        double y = p[1] * side(periods, cell);
        return new double[] {p[0] + periods * cell.advance(), y * cos - p[2] * sin, y * sin + p[2] * cos};
    }

    /** -1 where a cell so many periods on is a mirror image, else 1. */
    static int side(int periods, Cell cell) {
        return cell.mirrored() && periods % 2 != 0 ? -1 : 1;
    }

    int size() {
        return to.length;
    }

    double diameter(int node) {
        return cell.strands().get(strand[node]).diameter();
    }
}
