package dev.restis.core.picture;

import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Stitch;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Where pictures get the centre lines of stitches from, pulled tight. */
public interface CentreLines {

    /** Lines of one stitch. */
    final class Lines {

        /** Lines of so many points need none between them to look round. */
        private static final int FINE = 20;

        private final Gauge gauge;
        private final List<List<double[]>> ofPath;
        private volatile @Nullable List<double[]> smooth;

        /**
         * @param gauge what they were reckoned in, with a working cord of 1
         * @param ofPath a line for each path through one repeat: share of the pitch, then across and towards the eye in
         *     worked diameters of the working cord
         */
        public Lines(Gauge gauge, List<List<double[]>> ofPath) {
            this.gauge = gauge;
            this.ofPath = List.copyOf(ofPath);
        }

        Gauge gauge() {
            return gauge;
        }

        List<List<double[]>> ofPath() {
            return ofPath;
        }

        /**
         * The same lines sampled finely, as x, y, z each, going over into those of the neighbouring repeats; reckoned once,
         * for every picture is drawn from them.
         */
        List<double[]> smooth(Stitch stitch) {
            List<double[]> kept = smooth;
            if (kept == null) {
                List<List<Point>> points = new ArrayList<>();
                for (List<double[]> line : ofPath) {
                    points.add(
                            line.stream().map(p -> new Point(p[0], p[1], p[2])).toList());
                }
                boolean fine = points.stream().allMatch(line -> line.size() >= FINE);
                kept = CentreLine.joined(stitch, points, 1, fine ? 1 : 2);
                smooth = kept;
            }
            return kept;
        }
    }

    /** The lines that come nearest to {@code gauge}; empty where the rough path must do. */
    Optional<Lines> of(Stitch stitch, Gauge gauge);
}
