package dev.restis.core.learning;

/**
 * The range in which a share lies that was seen in a sample, at 95 %: Wilson's score interval (E. B. Wilson, Probable inference, the
 * law of succession, and statistical inference, J. Am. Stat. Assoc. 22, 1927), which holds for small samples and for none seen.
 *
 * @param low 0 to 1
 * @param high 0 to 1
 */
public record Interval(double low, double high) {

    private static final double Z = 1.959963984540054;

    /**
     * @param seen how many
     * @param of so many; nothing is known of none
     */
    public static Interval ofShare(long seen, long of) {
        if (seen < 0 || seen > of) {
            throw new IllegalArgumentException("seen must be 0 to " + of + " but was " + seen);
        }
        if (of == 0) {
            return new Interval(0, 1);
        }
        double share = (double) seen / of;
        double square = Z * Z / of;
        double middle = (share + square / 2) / (1 + square);
        double half = Z / (1 + square) * StrictMath.sqrt(share * (1 - share) / of + square / of / 4);
        return new Interval(Math.max(0, middle - half), Math.min(1, middle + half));
    }
}
