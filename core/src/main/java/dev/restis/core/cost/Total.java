package dev.restis.core.cost;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;

/**
 * What a customer pays for a whole order, to the cent.
 *
 * @param net without tax
 * @param tax rounded half up to the cent, once for the order
 * @param gross with tax; net and tax add up to it
 */
public record Total(BigDecimal net, BigDecimal tax, BigDecimal gross) {

    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    /** Adds lines up; their prices hold the tax or not, as the house says. */
    public static Total of(List<BigDecimal> lines, PriceRules rules) {
        return of(lines, rules.taxPercent(), rules.taxIncluded());
    }

    /** Adds lines up whose prices hold the tax or not. */
    public static Total of(List<BigDecimal> lines, BigDecimal taxPercent, boolean taxIncluded) {
        BigDecimal sum = lines.stream().reduce(BigDecimal.ZERO, BigDecimal::add).setScale(PriceRules.CENTS);
        if (taxIncluded) {
            BigDecimal tax =
                    sum.multiply(taxPercent).divide(HUNDRED.add(taxPercent), PriceRules.CENTS, RoundingMode.HALF_UP);
            return new Total(sum.subtract(tax), tax, sum);
        }
        BigDecimal tax = sum.multiply(taxPercent).divide(HUNDRED, PriceRules.CENTS, RoundingMode.HALF_UP);
        return new Total(sum, tax, sum.add(tax));
    }
}
