package dev.restis.core.stock;

/**
 * How often stock shall last until the next delivery. The factor is the quantile of the normal distribution at that
 * probability.
 */
public enum ServiceLevel {
    NINE_IN_TEN(1.2816),
    NINETEEN_IN_TWENTY(1.6449),
    FORTY_NINE_IN_FIFTY(2.0537),
    NINETY_NINE_IN_A_HUNDRED(2.3263);

    private final double spreads;

    ServiceLevel(double spreads) {
        this.spreads = spreads;
    }

    /** How many standard deviations above the mean that is. */
    public double spreads() {
        return spreads;
    }
}
