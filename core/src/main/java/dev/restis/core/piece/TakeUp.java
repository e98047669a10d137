package dev.restis.core.piece;

import dev.restis.core.cord.Material;
import dev.restis.core.measure.Length;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import java.util.Optional;

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

    /** Relative spread (one standard deviation) of take-up reckoned from geometry alone. */
    public static final double GEOMETRY_SPREAD = 0.12;

    public static final TakeUp FROM_GEOMETRY = new TakeUp(Source.GEOMETRY, GEOMETRY_SPREAD, 1, 1);

    public TakeUp {
        if (!(spread >= 0 && spread < 1) || !(pitchRatio > 0) || !(useRatio > 0)) {
            throw new IllegalArgumentException("spread must be 0 to 1 and ratios positive but were " + spread + ", "
                    + pitchRatio + " and " + useRatio);
        }
    }

    /** Finds what was measured for a stitch. */
    public interface Book {
        Book EMPTY = (stitch, gauge, material) -> Optional.empty();

        /**
         * @param material the tying cord's
         */
        Optional<TakeUp> find(Stitch stitch, Gauge gauge, Material material);
    }

    Length pitch(Stitch stitch, Gauge gauge) {
        Length pitch = stitch.pitch(gauge);
        return source == Source.GEOMETRY ? pitch : pitch.times(pitchRatio);
    }

    Length use(Stitch stitch, Gauge gauge, Seat place) {
        Length use = stitch.use(gauge, place);
        if (source == Source.GEOMETRY) {
            return use;
        }
        return stitch.ties(place) ? use.times(useRatio) : pitch(stitch, gauge);
    }
}
