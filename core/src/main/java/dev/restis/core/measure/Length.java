package dev.restis.core.measure;

import java.math.BigDecimal;
import java.math.RoundingMode;

/**
 * An exact length in whole micrometres. Both unit systems are exact at this grain: 1/64 in is 396.875 um, so inches are
 * rounded once, when they are read.
 *
 * @param micrometres the length; may be negative for a difference
 */
public record Length(long micrometres) implements Comparable<Length> {

    public static final Length ZERO = new Length(0);

    public static Length ofMillimetres(long millimetres) {
        return new Length(Math.multiplyExact(millimetres, 1000L));
    }

    /** Below this, doubles hold a thousandth of a micrometre and more. */
    private static final double EXACT = 1e12;

    private static final double NEAR_HALF = 1e-3;

    /** Rounds half up, away from zero, to a whole micrometre; {@code millimetres} must be finite. */
    public static Length ofMillimetres(double millimetres) {
        if (!Double.isFinite(millimetres)) {
            throw new IllegalArgumentException("millimetres must be finite but was " + millimetres);
        }
        double micrometres = Math.abs(millimetres) * 1000;
        double whole = Math.floor(micrometres);
        // Binary fractions may miss a half that is meant by a hair; decimals decide there, and are ten times slower.
        if (micrometres < EXACT && Math.abs(micrometres - whole - 0.5) > NEAR_HALF) {
            long rounded = (long) (micrometres - whole > 0.5 ? whole + 1 : whole);
            return new Length(millimetres < 0 ? -rounded : rounded);
        }
        return new Length(BigDecimal.valueOf(millimetres)
                .movePointRight(3)
                .setScale(0, RoundingMode.HALF_UP)
                .longValueExact());
    }

    public Length plus(Length other) {
        return new Length(Math.addExact(micrometres, other.micrometres));
    }

    public Length minus(Length other) {
        return new Length(Math.subtractExact(micrometres, other.micrometres));
    }

    public Length times(long factor) {
        return new Length(Math.multiplyExact(micrometres, factor));
    }

    /** Rounds half up to a whole micrometre. */
    public Length times(double factor) {
        return ofMillimetres(toMillimetres() * factor);
    }

    /** The smallest multiple of {@code step} that is not below this length; {@code step} must be positive. */
    public Length roundUpTo(Length step) {
        if (step.micrometres <= 0) {
            throw new IllegalArgumentException("step must be positive but was " + step.micrometres + " um");
        }
        return new Length(Math.multiplyExact(-Math.floorDiv(-micrometres, step.micrometres), step.micrometres));
    }

    public Length max(Length other) {
        return micrometres >= other.micrometres ? this : other;
    }

    public boolean isPositive() {
        return micrometres > 0;
    }

    public boolean isNegative() {
        return micrometres < 0;
    }

    public boolean isLessThan(Length other) {
        return micrometres < other.micrometres;
    }

    public double toMillimetres() {
        return micrometres / 1000.0;
    }

    @Override
    public int compareTo(Length other) {
        return Long.compare(micrometres, other.micrometres);
    }

    @Override
    public String toString() {
        return BigDecimal.valueOf(micrometres, 3).stripTrailingZeros().toPlainString() + " mm";
    }
}
