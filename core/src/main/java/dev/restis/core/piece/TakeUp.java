package dev.restis.core.piece;

import dev.restis.core.measure.Length;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Stitch;

/**
 * How much body and cord one repeat makes, and how sure that is.
 *
 * @param source where it is from
 * @param spread one standard deviation of cord used, relative
 * @param pitchRatio measured pitch over the pitch from geometry
 * @param useRatio measured cord use of tying strands over that from geometry
 */
public record TakeUp(Source source, double spread, double pitchRatio, double useRatio) {

    /** Where a take-up figure comes from. */
    public enum Source {
        GEOMETRY,
        SWATCH,
        LEARNED
    }

    public TakeUp {
        if (!(spread >= 0 && spread < 1) || !(pitchRatio > 0) || !(useRatio > 0)) {
            throw new IllegalArgumentException("spread must be 0 to 1 and ratios positive but were " + spread + ", "
                    + pitchRatio + " and " + useRatio);
        }
    }

    Length pitch(Stitch stitch, Gauge gauge) {
        Length pitch = stitch.pitch(gauge);
        return pitchRatio == 1 ? pitch : pitch.times(pitchRatio);
    }
}
