package dev.restis.app.platform;

import java.math.BigDecimal;
import java.math.RoundingMode;

/** Lengths on paper, in both unit systems; never shorter than they are. */
public final class PaperLength {

    private static final BigDecimal UM_IN_MM = BigDecimal.valueOf(1_000);
    private static final BigDecimal UM_IN_INCH = BigDecimal.valueOf(25_400);
    private static final BigDecimal UM_IN_METRE = BigDecimal.valueOf(1_000_000);
    private static final BigDecimal UM_IN_FOOT = BigDecimal.valueOf(304_800);
    private static final long LONG_UM = 10_000_000;

    private PaperLength() {}

    public static String both(long micrometres) {
        return micrometres < LONG_UM
                ? figure(micrometres, UM_IN_MM, 1) + " mm (" + figure(micrometres, UM_IN_INCH, 2) + " in)"
                : figure(micrometres, UM_IN_METRE, 2) + " m (" + figure(micrometres, UM_IN_FOOT, 1) + " ft)";
    }

    private static String figure(long micrometres, BigDecimal unit, int decimals) {
        BigDecimal figure = BigDecimal.valueOf(micrometres).divide(unit, decimals, RoundingMode.UP);
        return (unit.equals(UM_IN_MM) ? figure.stripTrailingZeros() : figure).toPlainString();
    }
}
