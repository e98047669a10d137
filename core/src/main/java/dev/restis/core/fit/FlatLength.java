package dev.restis.core.fit;

import dev.restis.core.measure.Length;
import dev.restis.core.measure.Sum;
import dev.restis.core.measure.Sum.Term;
import java.util.List;

/**
 * The flat length that a closed band needs: F = C + e + pi*t.
 *
 * <p>Bent into a ring, a band of thickness t keeps its length along the neutral axis, taken at mid-thickness; its inner
 * side is then shorter by 2*pi*(t/2).
 */
public final class FlatLength {

    private FlatLength() {}

    public static Length curvature(Length thickness) {
        return thickness.times(Math.PI);
    }

    public static Sum of(Length wrist, Length ease, Length thickness) {
        return new Sum(List.of(
                Term.of("fit.wrist", wrist),
                Term.of("fit.ease", ease),
                Term.of("fit.curvature", curvature(thickness))));
    }
}
