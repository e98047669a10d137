package dev.restis.core.cord;

import dev.restis.core.measure.Length;

/**
 * A cord as the rules see it.
 *
 * @param material its material
 * @param diameter nominal diameter, 0.3 mm to 12 mm
 * @param pricePerMetre what a metre costs in the workshop's currency, 0 when unknown; only used to weigh risks
 */
public record Cord(Material material, Length diameter, double pricePerMetre) {

    public static final Length THINNEST = new Length(300);
    public static final Length THICKEST = new Length(12_000);

    public Cord {
        if (diameter.isLessThan(THINNEST) || THICKEST.isLessThan(diameter)) {
            throw new IllegalArgumentException("diameter must be 0.3 mm to 12 mm but was " + diameter);
        }
    }

    /** The diameter under the tension of a set knot, in millimetres. */
    public double workedMillimetres() {
        return diameter.toMillimetres() * material.tensionFactor();
    }
}
