package dev.restis.core.stock;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;

/**
 * What a holding has and what that cost: the sum of its ledger. Quantities are micrometres for cord and pieces for
 * hardware; values are in the workshop's currency, exact to a hundredth of a cent.
 *
 * @param quantity not negative
 * @param value not negative; zero when the quantity is zero
 */
public record Balance(long quantity, BigDecimal value) {

    /** Decimal places of a value: hundredths of a cent. */
    public static final int SCALE = 4;

    /** Of an empty holding. */
    public static final Balance NOTHING = new Balance(0, BigDecimal.ZERO);

    public Balance {
        if (quantity < 0 || value.signum() < 0) {
            throw new IllegalArgumentException(
                    "quantity and value must not be negative but were " + quantity + " and " + value);
        }
        value = value.setScale(SCALE, RoundingMode.UNNECESSARY);
    }

    /**
     * What {@code taken} of this balance costs: its share, rounded half even to a hundredth of a cent; all that is left
     * when everything is taken, so that values never drift from quantities.
     */
    public BigDecimal costOf(long taken) {
        if (taken < 0 || taken > quantity) {
            throw new IllegalArgumentException("taken must be 0 to " + quantity + " but was " + taken);
        }
        if (taken == quantity) {
            return value;
        }
        return value.multiply(BigDecimal.valueOf(taken), MathContext.UNLIMITED)
                .divide(BigDecimal.valueOf(quantity), SCALE, RoundingMode.HALF_EVEN);
    }

    public Balance without(long taken) {
        return new Balance(quantity - taken, value.subtract(costOf(taken)));
    }
}
