package dev.restis.core.learning;

/**
 * What became of an observation.
 *
 * @param number the observation's
 * @param what whether it was learned from
 * @param expected what was expected before it was seen: the median
 * @param spread one standard deviation of its log as expected, with noise and reading
 * @param surprise how many of those it lay off
 */
public record Outcome(long number, What what, double expected, double spread, double surprise) {

    /** Whether an observation was learned from. */
    public enum What {
        LEARNED,
        /** Too strange to be believed until somebody confirms it. */
        DOUBTED,
        /** Strange, but the third in a row on the same side: a change of hand. */
        CHANGE
    }
}
