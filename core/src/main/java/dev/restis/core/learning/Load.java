package dev.restis.core.learning;

/**
 * How much of one thing that differs from hand to hand, or from cord to cord, acts on a length: its log factor times {@code value}
 * is added to the log of what geometry says.
 *
 * @param feature which thing, the same for all that it acts on
 * @param spread one standard deviation of its log factor before anything is seen
 * @param walk one standard deviation by which its log factor may change from one piece to the next
 * @param value how strongly it acts; 1 for what is there or not
 */
public record Load(String feature, double spread, double walk, double value) {

    public Load {
        if (!(spread > 0) || !(walk >= 0) || !Double.isFinite(value)) {
            throw new IllegalArgumentException("spread must be positive, walk not negative and value finite but were "
                    + spread + ", " + walk + " and " + value);
        }
    }
}
