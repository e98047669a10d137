package dev.restis.core.cost;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.time.Duration;

/**
 * The price of one piece of a line, part by part. The parts add up to {@code each}, to a hundredth of a cent.
 *
 * <pre>
 * material + labour + margin  = what the workshop wants to have
 * (that + fee per piece) / (1 - fee share)  = what the customer must pay for it, rounded up to the step
 * less the break for the quantity, rounded up again
 * </pre>
 *
 * @param material what the cord and parts of a piece should cost
 * @param labour making time at the house's rate
 * @param margin on both
 * @param fees that the place of sale keeps of {@code each}
 * @param rounding what rounding up has added
 * @param off what the quantity takes off, not positive
 * @param each what one piece is sold for
 */
public record Price(
        BigDecimal material,
        BigDecimal labour,
        BigDecimal margin,
        BigDecimal fees,
        BigDecimal rounding,
        BigDecimal off,
        BigDecimal each) {

    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);
    private static final BigDecimal SECONDS_PER_HOUR = BigDecimal.valueOf(3600);
    /** Decimal places of a part: hundredths of a cent. */
    private static final int SCALE = 4;

    /**
     * Makes the price of a piece.
     *
     * @param material what a piece's material should cost, not negative
     * @param making a maker's time for one piece
     * @param quantity pieces of the line, 1 or more
     */
    public static Price of(BigDecimal material, Duration making, int quantity, PriceRules rules) {
        if (material.signum() < 0 || quantity < 1) {
            throw new IllegalArgumentException(
                    "material must not be negative and quantity 1 or more but were " + material + " and " + quantity);
        }
        BigDecimal labour = rules.labourPerHour()
                .multiply(BigDecimal.valueOf(making.toSeconds()))
                .divide(SECONDS_PER_HOUR, SCALE, RoundingMode.HALF_EVEN);
        BigDecimal margin = percent(rules.marginPercent(), material.add(labour));
        BigDecimal wanted = material.add(labour).add(margin);
        BigDecimal share = rules.feePercent().divide(HUNDRED, MathContext.DECIMAL64);
        BigDecimal full = rules.roundUp(
                wanted.add(rules.feePerPiece()).divide(BigDecimal.ONE.subtract(share), MathContext.DECIMAL64));
        BigDecimal each = rules.roundUp(full.subtract(percent(rules.percentOff(quantity), full)));
        BigDecimal fees = percent(rules.feePercent(), each).add(rules.feePerPiece());
        // Rounding is what makes the full price whole; the break comes off it, and lowers the fees with it.
        BigDecimal fullFees = percent(rules.feePercent(), full).add(rules.feePerPiece());
        BigDecimal rounding = full.subtract(wanted).subtract(fullFees);
        BigDecimal off = each.subtract(full).add(fullFees).subtract(fees);
        return new Price(material, labour, margin, fees, rounding, off, each);
    }

    static BigDecimal percent(BigDecimal percent, BigDecimal of) {
        return of.multiply(percent).divide(HUNDRED, SCALE, RoundingMode.HALF_EVEN);
    }

    public BigDecimal line(int quantity) {
        return each.multiply(BigDecimal.valueOf(quantity));
    }
}
