package dev.restis.core.cord;

import dev.restis.core.measure.Length;
import java.util.List;
import java.util.Optional;

/**
 * A cord material with the factors that the rules use; starting values from common workshop practice.
 *
 * @param code stable key
 * @param tensionFactor worked diameter over nominal diameter, 0.5 to 1.1: how much the cord thins when a knot is set
 * @param holeCompression how far a bundle gives way in a hole, 0.5 to 1.0
 * @param stiff whether ends need a longer grip to be tied
 * @param heatSealable whether ends may be sealed with heat; only synthetics
 * @param frays whether ends fray while beads are threaded, so that they are trimmed again
 * @param frayAllowance cord lost at each end to sealing or fraying
 */
public record Material(
        String code,
        double tensionFactor,
        double holeCompression,
        boolean stiff,
        boolean heatSealable,
        boolean frays,
        Length frayAllowance) {

    private static final List<Material> STANDARD = List.of(
            new Material("polyester", 0.95, 0.90, false, true, false, Length.ofMillimetres(3)),
            new Material("nylon", 0.92, 0.85, false, true, false, Length.ofMillimetres(3)),
            new Material("waxed-polyester", 0.97, 0.95, false, true, false, Length.ofMillimetres(3)),
            new Material("cotton", 0.92, 0.90, false, false, true, Length.ofMillimetres(15)),
            new Material("hemp", 0.95, 0.95, false, false, true, Length.ofMillimetres(15)),
            new Material("leather", 1.00, 1.00, true, false, false, Length.ofMillimetres(3)),
            new Material("elastic", 0.95, 0.80, false, false, false, Length.ofMillimetres(10)));

    public Material {
        if (tensionFactor < 0.5 || tensionFactor > 1.1) {
            throw new IllegalArgumentException("tensionFactor must be 0.5 to 1.1 but was " + tensionFactor);
        }
        if (holeCompression < 0.5 || holeCompression > 1.0) {
            throw new IllegalArgumentException("holeCompression must be 0.5 to 1.0 but was " + holeCompression);
        }
    }

    /** Whether it is waxed, so that no glue holds on it. */
    public boolean waxed() {
        return code.startsWith("waxed");
    }

    /** The materials Restis ships with, in the order they are offered. */
    public static List<Material> standard() {
        return STANDARD;
    }

    public static Optional<Material> byCode(String code) {
        return STANDARD.stream().filter(m -> m.code().equals(code)).findFirst();
    }
}
