package dev.restis.core.stock;

import dev.restis.core.measure.Length;
import java.math.BigInteger;

/**
 * Cord by its weight: a spool on a scale tells its length when its empty weight and the cord's linear density are known.
 * Weights are in milligrams, densities in micrograms a metre (1 tex is 1000 of them; 2 mm cord has 2 to 3 million).
 */
public final class Weighing {

    /** The thinnest thread and the heaviest cord that are sold by length, micrograms a metre. */
    public static final long LIGHTEST = 10_000;

    public static final long HEAVIEST = 200_000_000;
    /** No spool is heavier, milligrams. */
    public static final long MOST_MG = 50_000_000;

    /** Micrograms in a milligram by micrometres in a metre. */
    private static final long SCALE = 1_000_000_000L;

    private Weighing() {}

    /**
     * The length that is on a spool: (gross - tare) / density, to the nearest micrometre.
     *
     * @throws IllegalArgumentException when it weighs less than empty, or a figure is out of range
     */
    public static Length length(long grossMg, long tareMg, long density) {
        weights(grossMg, tareMg);
        if (density < LIGHTEST || density > HEAVIEST) {
            throw new IllegalArgumentException(
                    "density must be " + LIGHTEST + " to " + HEAVIEST + " µg/m but was " + density);
        }
        return new Length(quotient(grossMg - tareMg, density));
    }

    /**
     * The linear density of a cord of which so much weighs so much.
     *
     * @param known at least a metre: of less, the scale tells too little
     */
    public static long density(long grossMg, long tareMg, Length known) {
        weights(grossMg, tareMg);
        if (known.isLessThan(Length.ofMillimetres(1000))) {
            throw new IllegalArgumentException("known must be at least 1 m but was " + known);
        }
        return quotient(grossMg - tareMg, known.micrometres());
    }

    private static void weights(long grossMg, long tareMg) {
        if (tareMg < 0 || grossMg < tareMg || grossMg > MOST_MG) {
            throw new IllegalArgumentException("weights must be 0 to " + MOST_MG
                    + " mg, gross not below tare, but were " + grossMg + " and " + tareMg);
        }
    }

    /** Length and density stand on the same two sides: each is the net weight over the other. */
    private static long quotient(long netMg, long by) {
        BigInteger scaled = BigInteger.valueOf(netMg).multiply(BigInteger.valueOf(SCALE));
        return scaled.shiftLeft(1)
                .add(BigInteger.valueOf(by))
                .divide(BigInteger.valueOf(by).shiftLeft(1))
                .longValueExact();
    }
}
