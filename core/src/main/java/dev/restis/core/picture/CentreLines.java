package dev.restis.core.picture;

import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Stitch;
import java.util.List;
import java.util.Optional;

/** Where pictures get the centre lines of stitches from, pulled tight. */
public interface CentreLines {

    /**
     * Lines of a stitch.
     *
     * @param gauge what they were reckoned in, with a working cord of 1
     * @param ofPath a line for each path through one repeat: share of the pitch, then across and towards the eye in worked
     *     diameters of the working cord
     */
    record Lines(Gauge gauge, List<List<double[]>> ofPath) {
        public Lines {
            ofPath = List.copyOf(ofPath);
        }
    }

    /** The lines that come nearest to {@code gauge}; empty where the rough path must do. */
    Optional<Lines> of(Stitch stitch, Gauge gauge);
}
