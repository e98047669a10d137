package dev.restis.core.stitch;

import dev.restis.core.measure.Fault;
import dev.restis.core.stitch.Stitch.StrandPath;
import java.util.ArrayList;
import java.util.List;

/** What a stitch that somebody composes must keep to, so that it can be reckoned and drawn. */
public final class StitchRules {

    public static final int MOST_PATHS = 8;
    public static final int MOST_POINTS = 100;
    private static final double FARTHEST = 8;
    private static final double LEAST_BODY = 0.1;
    private static final double MOST_BODY = 100;

    private StitchRules() {}

    /** Everything that speaks against it; empty when nothing does. */
    public static List<Fault> check(Stitch stitch) {
        List<Fault> faults = new ArrayList<>();
        if (!stitch.code().matches(OwnStitch.PREFIX + "[a-z0-9][a-z0-9-]{0,39}")) {
            faults.add(Fault.of("code", "pattern.code", stitch.code().replaceFirst(OwnStitch.PREFIX, "")));
        }
        if (stitch.paths().isEmpty() || stitch.paths().size() > MOST_PATHS) {
            faults.add(Fault.of(
                    "paths", "pattern.count", 1, MOST_PATHS, stitch.paths().size()));
        }
        cores(stitch, faults);
        if (!(Math.abs(stitch.turnPerRepeat()) <= 180)) {
            faults.add(Fault.of("turnPerRepeat", "pattern.count", -180, 180, stitch.turnPerRepeat()));
        }
        if (stitch.mirrored() && stitch.turnPerRepeat() != 0) {
            faults.add(Fault.of("mirrored", "stitch.mirrored"));
        }
        if (!stitch.columns().isEmpty()
                && count(stitch, Seat.CORE) != stitch.cores().least()) {
            faults.add(Fault.of(
                    "columns",
                    "stitch.columns",
                    count(stitch, Seat.CORE),
                    stitch.cores().least()));
        }
        layers("pitch", stitch.pitch(), faults);
        layers("thickness", stitch.thickness(), faults);
        layers("width", stitch.width(), faults);
        if (faults.isEmpty()) {
            Gauge gauge = new Gauge(1, 1, stitch.cores().least(), stitch.coreLayout());
            body("pitch", stitch.pitch(gauge).toMillimetres(), faults);
            body("thickness", stitch.thickness(gauge).toMillimetres(), faults);
            body("width", stitch.width(gauge).toMillimetres(), faults);
            for (int p = 0; p < stitch.paths().size(); p++) {
                path("paths[" + p + "]", stitch.paths().get(p), stitch, gauge, faults);
            }
        }
        return faults;
    }

    private static int count(Stitch stitch, Seat seat) {
        return (int) stitch.columns().stream().filter(seat::equals).count();
    }

    private static void cores(Stitch stitch, List<Fault> faults) {
        Stitch.Cores cores = stitch.cores();
        if (cores.step() < 1
                || cores.least() < 0
                || cores.most() > OwnStitch.MOST_CORES
                || cores.most() < cores.least()) {
            faults.add(Fault.of("cores", "stitch.cores", cores.least(), cores.most(), OwnStitch.MOST_CORES));
        }
        if (stitch.pathsOf(Seat.CORE) > 0 && cores.least() != stitch.pathsOf(Seat.CORE)) {
            faults.add(Fault.of("cores", "stitch.corePaths", stitch.pathsOf(Seat.CORE), cores.least()));
        }
    }

    private static void layers(String field, Stitch.Layers layers, List<Fault> faults) {
        for (double share : new double[] {
            layers.perCore(), layers.perWorking(), layers.perSide(), layers.fixed(), layers.overThick()
        }) {
            if (!(Math.abs(share) <= MOST_BODY)) {
                faults.add(Fault.of(field, "stitch.body", LEAST_BODY, MOST_BODY, share));
                return;
            }
        }
    }

    private static void body(String field, double diameters, List<Fault> faults) {
        if (!(diameters >= LEAST_BODY && diameters <= MOST_BODY)) {
            faults.add(Fault.of(field, "stitch.body", LEAST_BODY, MOST_BODY, diameters));
        }
    }

    private static void path(String field, StrandPath path, Stitch stitch, Gauge gauge, List<Fault> faults) {
        List<Waypoint> points = path.waypoints(gauge.cores());
        if (points.isEmpty() || points.size() > MOST_POINTS) {
            faults.add(Fault.of(field, "stitch.points", MOST_POINTS, points.size()));
        }
        boolean near = points.stream()
                .allMatch(w -> Math.abs(w.along()) <= 3
                        && Math.abs(w.across()) <= FARTHEST
                        && Math.abs(w.level()) <= FARTHEST);
        if (!near) {
            faults.add(Fault.of(field, "stitch.far", FARTHEST));
        }
        double pitch = stitch.pitch(gauge).toMillimetres();
        for (Stitch.Stretch stretch : path.stretches()) {
            double each = stretch.element().millimetres(gauge, 1, pitch);
            if (!(each >= 0 && each <= MOST_BODY)) {
                faults.add(Fault.of(field, "stitch.use", each, pitch, MOST_BODY));
                return;
            }
        }
        double used = stitch.use(gauge, path.seat()).toMillimetres();
        if (!(used >= 0.99 * pitch && used <= MOST_BODY)) {
            faults.add(Fault.of(field, "stitch.use", used, pitch, MOST_BODY));
        }
    }
}
