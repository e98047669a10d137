package dev.restis.core.stock;

import java.util.List;

/**
 * What an article was used up by in a usual week.
 *
 * @param mean micrometres or pieces a week
 * @param spread standard deviation of a week (of the sample, n - 1)
 * @param weeks how many weeks that is known from
 */
public record Usage(double mean, double spread, int weeks) {

    /** From fewer weeks no habit can be told; only what is promised is reckoned with then. */
    public static final int FEWEST_WEEKS = 4;

    public static final Usage UNKNOWN = new Usage(0, 0, 0);

    /**
     * @param weekly what each of the last whole weeks used up, in any order; weeks without use are 0
     */
    public static Usage of(List<Long> weekly) {
        if (weekly.size() < FEWEST_WEEKS) {
            return UNKNOWN;
        }
        double mean = weekly.stream().mapToLong(w -> w).average().orElse(0);
        double squares =
                weekly.stream().mapToDouble(w -> (w - mean) * (w - mean)).sum();
        return new Usage(mean, Math.sqrt(squares / (weekly.size() - 1)), weekly.size());
    }
}
