package dev.restis.core.tight;

import java.util.Arrays;

/**
 * The energy of a rope: its length, overlaps where it would pass through itself, bends sharper than cord can make, and
 * unequal segments. Segments along one strand nearer than a half turn are not held against each other.
 */
final class Tension {

    private static final double SKIN = 0.35;
    private static final double EQUAL = 2;
    private static final double BEND = 0.6;
    private static final double SHARPEST_RADIUS = 0.5;

    private final Rope rope;
    private final double stiffness;
    private final double segment;
    private final int periods;
    private final double[] cos;
    private final double[] sin;
    /** -1 for periods that are mirror images. */
    private final int[] side;

    /** Pairs that may touch: first segment, second segment, period of the second. */
    private int[] pairs = new int[0];

    private int pairCount;
    private double[] listedAt = new double[0];
    private double closest;
    private double overlap;

    Tension(Rope rope, double stiffness, double segment) {
        this.rope = rope;
        this.stiffness = stiffness;
        this.segment = segment;
        this.periods = reach(rope);
        cos = new double[2 * periods + 1];
        sin = new double[2 * periods + 1];
        side = new int[2 * periods + 1];
        for (int k = -periods; k <= periods; k++) {
            double angle = Math.toRadians(rope.cell.turn()) * k;
            cos[k + periods] = Math.cos(angle);
            sin[k + periods] = Math.sin(angle);
            side[k + periods] = Rope.side(k, rope.cell);
        }
    }

    private static int reach(Rope rope) {
        if (rope.cell.closed()) {
            return 0;
        }
        double min = Double.MAX_VALUE;
        double max = -Double.MAX_VALUE;
        for (int i = 0; i < rope.size(); i++) {
            min = Math.min(min, rope.nodes[3 * i]);
            max = Math.max(max, rope.nodes[3 * i]);
        }
        double thickest = rope.cell.strands().stream()
                .mapToDouble(Cell.Strand::diameter)
                .max()
                .orElse(1);
        return (int) Math.ceil((max - min + 2 * thickest) / rope.cell.advance()) + 1;
    }

    /** Least distance of two segments over the distance at which they touch, at the last evaluation. */
    double closest() {
        return closest;
    }

    /** Mean overlap of touching segments, relative to their diameter. */
    double overlap() {
        return overlap;
    }

    /** Energy at {@code x}; its gradient goes into {@code gradient}. */
    double at(double[] x, double[] gradient) {
        Arrays.fill(gradient, 0);
        if (listed(x)) {
            list(x);
        }
        double energy = lengths(x, gradient) + bends(x, gradient) + contacts(x, gradient);
        for (int s = 0; s + 1 < rope.first.length; s++) {
            if (fixed(s)) {
                Arrays.fill(gradient, 3 * rope.first[s], 3 * rope.first[s + 1], 0);
            }
        }
        return energy;
    }

    private boolean fixed(int strand) {
        return rope.cell.strands().get(strand).weight() == Cell.Strand.FIXED;
    }

    private boolean listed(double[] x) {
        if (listedAt.length == 0) {
            return true;
        }
        double limit = Math.pow(SKIN / 2, 2);
        for (int i = 0; i < x.length; i += 3) {
            double dx = x[i] - listedAt[i];
            double dy = x[i + 1] - listedAt[i + 1];
            double dz = x[i + 2] - listedAt[i + 2];
            if (dx * dx + dy * dy + dz * dz > limit) {
                return true;
            }
        }
        return false;
    }

    private void list(double[] x) {
        listedAt = x.clone();
        pairCount = 0;
        int n = rope.size();
        double[] arc = arcs(x);
        double[] b = new double[3];
        for (int k = 0; k <= periods; k++) {
            for (int j = 0; j < n; j++) {
                shifted(x, j, k, b);
                for (int i = 0; i < n; i++) {
                    if (k == 0 && j <= i) {
                        continue;
                    }
                    double reach = (rope.diameter(i) + rope.diameter(j)) / 2 + SKIN + 1.2 * segment;
                    double dx = b[0] - x[3 * i];
                    double dy = b[1] - x[3 * i + 1];
                    double dz = b[2] - x[3 * i + 2];
                    if (dx * dx + dy * dy + dz * dz < reach * reach && !neighbours(i, j, k, arc)) {
                        add(i, j, k);
                    }
                }
            }
        }
    }

    private void add(int i, int j, int k) {
        if (3 * pairCount + 3 > pairs.length) {
            pairs = Arrays.copyOf(pairs, Math.max(3000, pairs.length * 2));
        }
        pairs[3 * pairCount] = i;
        pairs[3 * pairCount + 1] = j;
        pairs[3 * pairCount + 2] = k;
        pairCount++;
    }

    /** Arc position of each node along its own strand, and at the end the strands' lengths. */
    private double[] arcs(double[] x) {
        int n = rope.size();
        int strands = rope.first.length - 1;
        double[] arc = new double[n + strands];
        double[] end = new double[3];
        for (int s = 0; s < strands; s++) {
            double at = 0;
            for (int i = rope.first[s]; i < rope.first[s + 1]; i++) {
                arc[i] = at;
                shifted(x, rope.to[i], rope.period[i], end);
                at += Math.sqrt(Math.pow(end[0] - x[3 * i], 2)
                        + Math.pow(end[1] - x[3 * i + 1], 2)
                        + Math.pow(end[2] - x[3 * i + 2], 2));
            }
            arc[n + s] = at;
        }
        return arc;
    }

    /** Whether two segments lie on one strand within a half turn of each other. */
    private boolean neighbours(int i, int j, int k, double[] arc) {
        int a = rope.strand[i];
        int b = rope.strand[j];
        int n = rope.size();
        double within = Math.PI / 2 * rope.diameter(i) + 1.01 * segment;
        if (rope.cell.closed()) {
            double apart = Math.abs(arc[i] - arc[j]);
            return a == b && Math.min(apart, arc[n + a] - apart) < within;
        }
        if (rope.run[a] != rope.run[b] || Math.floorMod(rope.place[b] - rope.place[a] - k, rope.runLength[a]) != 0) {
            return false;
        }
        if (k == 0) {
            return a == b && Math.abs(arc[i] - arc[j]) < within;
        }
        double apart = arc[n + a] - arc[i] + arc[j];
        int at = rope.cell.strands().get(a).next();
        for (int p = 1; p < k; p++) {
            apart += arc[n + at];
            at = rope.cell.strands().get(at).next();
        }
        return apart < within;
    }

    private void shifted(double[] x, int node, int k, double[] into) {
        double y = x[3 * node + 1] * side[k + periods];
        double z = x[3 * node + 2];
        double c = cos[k + periods];
        double s = sin[k + periods];
        into[0] = x[3 * node] + k * rope.cell.advance();
        into[1] = y * c - z * s;
        into[2] = y * s + z * c;
    }

    /** Adds a force on the copy of {@code node} that lies {@code k} periods on. */
    private void push(double[] gradient, int node, int k, double fx, double fy, double fz) {
        double c = cos[k + periods];
        double s = sin[k + periods];
        gradient[3 * node] += fx;
        gradient[3 * node + 1] += side[k + periods] * (fy * c + fz * s);
        gradient[3 * node + 2] += -fy * s + fz * c;
    }

    private double lengths(double[] x, double[] gradient) {
        double energy = 0;
        double[] b = new double[3];
        for (int s = 0; s + 1 < rope.first.length; s++) {
            if (fixed(s)) {
                continue;
            }
            double weight = rope.cell.strands().get(s).weight();
            int count = rope.first[s + 1] - rope.first[s];
            double[] length = new double[count];
            double sum = 0;
            for (int m = 0; m < count; m++) {
                int i = rope.first[s] + m;
                shifted(x, rope.to[i], rope.period[i], b);
                length[m] = Math.sqrt(Math.pow(b[0] - x[3 * i], 2)
                        + Math.pow(b[1] - x[3 * i + 1], 2)
                        + Math.pow(b[2] - x[3 * i + 2], 2));
                sum += length[m];
            }
            double mean = sum / count;
            energy += weight * sum;
            for (int m = 0; m < count; m++) {
                int i = rope.first[s] + m;
                double off = length[m] - mean;
                energy += EQUAL / 2 * off * off / mean;
                double force = (weight + EQUAL * off / mean) / Math.max(1e-9, length[m]);
                shifted(x, rope.to[i], rope.period[i], b);
                double fx = force * (b[0] - x[3 * i]);
                double fy = force * (b[1] - x[3 * i + 1]);
                double fz = force * (b[2] - x[3 * i + 2]);
                push(gradient, rope.to[i], rope.period[i], fx, fy, fz);
                push(gradient, i, 0, -fx, -fy, -fz);
            }
        }
        return energy;
    }

    /** One-sided: bends are free up to a radius of half the diameter. */
    private double bends(double[] x, double[] gradient) {
        double energy = 0;
        double[] b = new double[3];
        double[] c = new double[3];
        for (int i = 0; i < rope.size(); i++) {
            int mid = rope.to[i];
            int midPeriod = rope.period[i];
            int end = rope.to[mid];
            int endPeriod = midPeriod + rope.period[mid];
            shifted(x, mid, midPeriod, b);
            if (endPeriod > periods && periods > 0) {
                continue;
            }
            shifted(x, end, endPeriod, c);
            double ux = x[3 * i] - 2 * b[0] + c[0];
            double uy = x[3 * i + 1] - 2 * b[1] + c[1];
            double uz = x[3 * i + 2] - 2 * b[2] + c[2];
            double norm = Math.sqrt(ux * ux + uy * uy + uz * uz);
            double limit = segment * segment / (SHARPEST_RADIUS * rope.diameter(i));
            double over = norm - limit;
            if (over <= 0) {
                continue;
            }
            double k = BEND * stiffness / segment;
            energy += k / 2 * over * over;
            double force = k * over / norm;
            push(gradient, i, 0, force * ux, force * uy, force * uz);
            push(gradient, mid, midPeriod, -2 * force * ux, -2 * force * uy, -2 * force * uz);
            push(gradient, end, endPeriod, force * ux, force * uy, force * uz);
        }
        return energy;
    }

    private double contacts(double[] x, double[] gradient) {
        double energy = 0;
        double touching = 0;
        double overlaps = 0;
        closest = Double.MAX_VALUE;
        double[] q = new double[3];
        double[] r = new double[3];
        double[] p1 = new double[3];
        for (int c = 0; c < pairCount; c++) {
            int i = pairs[3 * c];
            int j = pairs[3 * c + 1];
            int k = pairs[3 * c + 2];
            if (k + rope.period[j] > periods) {
                continue;
            }
            shifted(x, rope.to[i], rope.period[i], p1);
            shifted(x, j, k, q);
            shifted(x, rope.to[j], k + rope.period[j], r);
            double reach = (rope.diameter(i) + rope.diameter(j)) / 2;
            // Closest points of the segments x_i..p1 and q..r.
            double d1x = p1[0] - x[3 * i];
            double d1y = p1[1] - x[3 * i + 1];
            double d1z = p1[2] - x[3 * i + 2];
            double d2x = r[0] - q[0];
            double d2y = r[1] - q[1];
            double d2z = r[2] - q[2];
            double rx = x[3 * i] - q[0];
            double ry = x[3 * i + 1] - q[1];
            double rz = x[3 * i + 2] - q[2];
            double a = d1x * d1x + d1y * d1y + d1z * d1z;
            double e = d2x * d2x + d2y * d2y + d2z * d2z;
            double f = d2x * rx + d2y * ry + d2z * rz;
            double g = d1x * rx + d1y * ry + d1z * rz;
            double b = d1x * d2x + d1y * d2y + d1z * d2z;
            double denominator = a * e - b * b;
            double s = denominator > 1e-12 ? clamp((b * f - g * e) / denominator) : 0.5;
            double t = (b * s + f) / e;
            if (t < 0) {
                t = 0;
                s = clamp(-g / a);
            } else if (t > 1) {
                t = 1;
                s = clamp((b - g) / a);
            }
            double nx = rx + s * d1x - t * d2x;
            double ny = ry + s * d1y - t * d2y;
            double nz = rz + s * d1z - t * d2z;
            double distance = Math.sqrt(nx * nx + ny * ny + nz * nz);
            closest = Math.min(closest, distance / reach);
            if (distance >= reach) {
                continue;
            }
            double deep = reach - distance;
            touching++;
            overlaps += deep / reach;
            double k2 = stiffness * segment * segment;
            energy += k2 / 2 * deep * deep;
            double force = -k2 * deep / Math.max(1e-9, distance);
            push(gradient, i, 0, force * (1 - s) * nx, force * (1 - s) * ny, force * (1 - s) * nz);
            push(gradient, rope.to[i], rope.period[i], force * s * nx, force * s * ny, force * s * nz);
            push(gradient, j, k, -force * (1 - t) * nx, -force * (1 - t) * ny, -force * (1 - t) * nz);
            push(gradient, rope.to[j], k + rope.period[j], -force * t * nx, -force * t * ny, -force * t * nz);
        }
        overlap = touching == 0 ? 0 : overlaps / touching;
        contactCount = (int) touching;
        return energy;
    }

    private int contactCount;

    /** How many pairs of segments touched at the last evaluation. */
    int contactCount() {
        return contactCount;
    }

    private static double clamp(double t) {
        return t < 0 ? 0 : t > 1 ? 1 : t;
    }
}
