package dev.restis.core.picture;

import dev.restis.core.stitch.Bundle;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Gauge.CoreLayout;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.Waypoint;
import java.util.ArrayList;
import java.util.List;

/**
 * Where the waypoints of a stitch lie in a gauge, millimetres.
 *
 * @param halfWidth from the middle to the edge of the cores or columns; 0.75 d for a stitch without either
 * @param layer how far a layer stands off the middle
 */
record Layout(Stitch stitch, Gauge gauge, double halfWidth, double layer) {

    private static final double CORELESS_HALF_WIDTH = 0.75;
    private static final double CORELESS_LAYER = 0.8;

    static Layout of(Stitch stitch, Gauge gauge) {
        if (!stitch.columns().isEmpty()) {
            double width = stitch.columns().stream().mapToDouble(gauge::of).sum();
            double layer =
                    stitch.cores().most() > 0 ? (gauge.core() + gauge.working()) / 2 : CORELESS_LAYER * gauge.working();
            return new Layout(stitch, gauge, width / 2, layer);
        }
        if (!straightCores(stitch)) {
            return new Layout(stitch, gauge, CORELESS_HALF_WIDTH * gauge.working(), CORELESS_LAYER * gauge.working());
        }
        boolean flat = stitch.coreLayout() == CoreLayout.FLAT;
        double cores = flat ? gauge.cores() : Bundle.packedDiameter(Math.max(1, gauge.cores()));
        double depth = gauge.core() * (flat ? 1 : cores);
        return new Layout(stitch, gauge, gauge.core() * cores / 2, (depth + gauge.working()) / 2);
    }

    static boolean straightCores(Stitch stitch) {
        return stitch.cores().most() > 0 && stitch.pathsOf(Seat.CORE) == 0;
    }

    /** A waypoint of a strand in {@code seat}, {@code along} counted in {@code pitch}. */
    Point point(Waypoint w, double pitch, Seat seat) {
        return new Point(w.along() * pitch, across(w, seat), w.level() * layer);
    }

    private double across(Waypoint w, Seat seat) {
        if (!stitch.columns().isEmpty()) {
            return inColumns(w.across(), seat);
        }
        double beyond = Math.abs(w.across()) - 1;
        return Math.signum(w.across())
                * (beyond <= 0 ? Math.abs(w.across()) * halfWidth : halfWidth + beyond * gauge.of(seat));
    }

    /** Columns are counted from the middle, and each is as wide as its strand; beyond them, strands of one's own. */
    private double inColumns(double across, Seat seat) {
        int columns = stitch.columns().size();
        double left = Math.min(columns, Math.abs(across) + columns / 2.0);
        double beyond = Math.abs(across) - columns / 2.0;
        double y = -halfWidth;
        for (int c = 0; c < columns; c++) {
            y += Math.max(0, Math.min(1, left - c)) * gauge.of(stitch.columns().get(c));
        }
        return Math.signum(across) * (y + Math.max(0, beyond) * gauge.of(seat));
    }

    /**
     * Samples of tightened lines, which were reckoned for hard cord. Soft cord flattens, so what lies outside the cores is
     * drawn in until the body is as wide as the stitch says; and lines of another gauge are stretched by the width of the
     * cores.
     */
    List<double[]> tight(CentreLines.Lines tight, double pitch) {
        Layout reckoned = of(stitch, tight.gauge());
        List<double[]> smooth = tight.smooth(stitch);
        double d = gauge.working();
        double farthest = 0;
        for (double[] line : smooth) {
            for (int i = 1; i < line.length; i += 3) {
                farthest = Math.max(farthest, Math.abs(line[i]) - reckoned.halfWidth);
            }
        }
        double room = (stitch.width(gauge).toMillimetres() - d) / 2 - halfWidth;
        double beyondBy = d * (farthest > 0 && room > 0 ? Math.min(1, room / (farthest * d)) : 1);
        double within = halfWidth / reckoned.halfWidth;
        double depth = layer / reckoned.layer;
        List<double[]> drawn = new ArrayList<>(smooth.size());
        for (double[] line : smooth) {
            double[] samples = new double[line.length];
            for (int i = 0; i < line.length; i += 3) {
                double across = line[i + 1];
                double beyond = Math.abs(across) - reckoned.halfWidth;
                samples[i] = line[i] * pitch;
                samples[i + 1] = beyond <= 0 ? across * within : Math.copySign(halfWidth + beyond * beyondBy, across);
                samples[i + 2] = line[i + 2] * depth;
            }
            drawn.add(samples);
        }
        return drawn;
    }

    /** How far from the middle each straight core runs. */
    List<Double> cores() {
        if (!stitch.columns().isEmpty()) {
            List<Double> across = new ArrayList<>();
            for (int c = 0; c < stitch.columns().size(); c++) {
                if (stitch.columns().get(c) == Seat.CORE) {
                    across.add(inColumns(c + 0.5 - stitch.columns().size() / 2.0, Seat.CORE));
                }
            }
            return across;
        }
        int n = gauge.cores();
        double d = gauge.core();
        boolean flat = stitch.coreLayout() == CoreLayout.FLAT;
        double spacing = flat || n == 1 ? d : (2 * halfWidth - d) / (n - 1);
        List<Double> across = new ArrayList<>();
        for (int c = 0; c < n; c++) {
            across.add((c - (n - 1) / 2.0) * spacing);
        }
        return across;
    }
}
