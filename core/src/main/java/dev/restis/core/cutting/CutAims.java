package dev.restis.core.cutting;

import java.util.Map;

/**
 * What a cut plan is to save, put as money, so that one sum decides. A leftover worth keeping counts for a share of what
 * the same length costs new, less what keeping one more of them costs; a shorter one counts for nothing. Opening a sealed
 * put-up therefore costs the rest of its worth.
 *
 * @param leftoverShare what a leftover counts for against new cord; 0 to 1. The less it is, the less is opened
 * @param handling money for each leftover that is kept; 0 or more. The more it is, the fewer and longer they are
 * @param ageing money for each year by which a holding is younger than the oldest of its article; 0 or more
 * @param prices money for a metre of each article; {@value #UNPRICED} where it is missing
 */
public record CutAims(double leftoverShare, double handling, double ageing, Map<Long, Double> prices) {

    private static final double UNPRICED = 0.2;

    /** Cord of no known price, a leftover at four fifths of it. */
    public static final CutAims USUAL = new CutAims(0.8, 0.01, 0.02, Map.of());

    public CutAims {
        prices = Map.copyOf(prices);
        if (!(leftoverShare >= 0 && leftoverShare <= 1)) {
            throw new IllegalArgumentException("leftoverShare must be 0 to 1 but was " + leftoverShare);
        }
        if (!(handling >= 0) || !(ageing >= 0)) {
            throw new IllegalArgumentException(
                    "handling and ageing must be 0 or more but were " + handling + " and " + ageing);
        }
    }

    /** The same aims with these prices. */
    public CutAims at(Map<Long, Double> pricePerMetre) {
        return new CutAims(leftoverShare, handling, ageing, pricePerMetre);
    }

    /** Money for a metre of an article. */
    double price(long article) {
        return prices.getOrDefault(article, UNPRICED);
    }
}
