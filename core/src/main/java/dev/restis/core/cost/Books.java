package dev.restis.core.cost;

import java.math.BigDecimal;

/**
 * The totals that must always balance: receipts = stock on hand + cost of pieces + binned, sold, sent back and
 * set right outside batches, to the last hundredth of a cent.
 *
 * @param receipts value of everything ever received
 * @param onHand value of all balances
 * @param pieces actual cost of all pieces, their shares of cutting waste included
 * @param adjusted value binned, sold, sent back or set right outside any batch, as a loss
 */
public record Books(BigDecimal receipts, BigDecimal onHand, BigDecimal pieces, BigDecimal adjusted) {

    /** What is missing or over; zero when the books balance. */
    public BigDecimal difference() {
        return receipts.subtract(onHand).subtract(pieces).subtract(adjusted);
    }

    public boolean balance() {
        return difference().signum() == 0;
    }
}
