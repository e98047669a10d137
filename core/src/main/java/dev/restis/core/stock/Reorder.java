package dev.restis.core.stock;

/**
 * How much to buy of an article, by periodic review with an order-up-to level.
 *
 * <p>What is bought now must last until what is bought at the next review arrives: lead time plus review time, H weeks. With
 * weeks that are independent and alike, the use of H weeks has mean H m and standard deviation s sqrt(H); the level that
 * suffices at the chosen probability is H m + z s sqrt(H). What is promised to orders already comes on top, for it is not
 * use to come but use that is owed. (Silver, Pyke and Thomas, Inventory and Production Management in Supply Chains, ch. 7.)
 *
 * @param expected what H weeks use on average
 * @param reserve what is held against weeks that use more
 * @param needed what must be bought; 0 when there is enough
 */
public record Reorder(long expected, long reserve, long needed) {

    private static final double DAYS_IN_WEEK = 7;

    /**
     * @param leadDays from the purchase to its delivery
     * @param reviewDays from this look at the shelves to the next
     * @param free on hand and not promised; below 0 when more is promised than is there
     * @param onOrder bought and not delivered yet
     */
    public static Reorder of(Usage usage, int leadDays, int reviewDays, ServiceLevel level, long free, long onOrder) {
        if (leadDays < 0 || reviewDays < 0 || onOrder < 0) {
            throw new IllegalArgumentException("leadDays, reviewDays and onOrder must not be negative but were "
                    + leadDays + ", " + reviewDays + " and " + onOrder);
        }
        double weeks = (leadDays + reviewDays) / DAYS_IN_WEEK;
        long expected = (long) Math.ceil(usage.mean() * weeks);
        long reserve = (long) Math.ceil(level.spreads() * usage.spread() * Math.sqrt(weeks));
        return new Reorder(expected, reserve, Math.max(0, expected + reserve - free - onOrder));
    }
}
