package dev.restis.core.make;

import dev.restis.core.learning.Normal;
import dev.restis.core.measure.Length;
import dev.restis.core.piece.Check.Verdict;

/**
 * What a leg of a strand has used when a step is done, and what it must still give.
 *
 * @param strand its place in the card's list
 * @param leg which of its legs, from 0
 * @param total cord of the leg, from where it starts to its tip, with its share of the margin
 * @param used what it should have used by then
 * @param tied how much of that depends on the hand
 * @param need what it must still give, with what its finish needs
 * @param spread one standard deviation of the need, relative to what of it depends on the hand
 * @param tiedNeed how much of the need depends on the hand
 * @param between how far what one piece takes lies from the next by the same hand, relative: it cannot be foreseen
 */
public record CordLeft(
        int strand,
        int leg,
        Length total,
        Length used,
        Length tied,
        Length need,
        double spread,
        Length tiedNeed,
        double between) {

    /** Nobody stops for less. */
    private static final double GOOD = 0.97;
    /** Below it, rather before the second half than after it. */
    private static final double TIGHT = 0.8;
    /** Before anything is learned, and on cards of then. */
    private static final double FROM_PIECE_TO_PIECE = 0.05;

    public CordLeft {
        between = between > 0 ? between : FROM_PIECE_TO_PIECE;
    }

    /** What should be left, from the work to the tip. */
    public Length expected() {
        return total.minus(used);
    }

    /**
     * The chance that what is left suffices. What was used so far tells the hand, beside what was known of it: the factor on all that
     * it ties is taken as normal about 1 with the spread of the take-up, and its use so far as one observation of it.
     *
     * @param left cord from the work to the tip, measured
     * @return 0 to 1
     */
    public double suffices(Length left) {
        double tiedSoFar = tied.toMillimetres();
        double prior = spread * spread;
        double noise = between * between;
        double mean = 1;
        double variance = prior;
        if (tiedSoFar > 0 && prior > 0) {
            double seen = (total.minus(left).minus(used).toMillimetres() + tiedSoFar) / tiedSoFar;
            double weight = prior / (prior + noise);
            mean = 1 + weight * (seen - 1);
            variance = prior * (1 - weight);
        }
        double toTie = tiedNeed.toMillimetres();
        double expected = need.toMillimetres() - toTie + toTie * mean;
        double sd = toTie * Math.sqrt(variance + noise);
        double over = left.toMillimetres() - expected;
        return sd > 0 ? Normal.below(over / sd) : over >= 0 ? 1 : 0;
    }

    /** What a chance of sufficing asks for. */
    public static Verdict verdict(double chance) {
        return chance >= GOOD ? Verdict.GOOD : chance >= TIGHT ? Verdict.TIGHT : Verdict.NO;
    }
}
