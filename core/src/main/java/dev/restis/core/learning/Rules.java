package dev.restis.core.learning;

/**
 * By what a learner goes; all spreads are of logs.
 *
 * @param pieceSpread how far one piece's tension lies from the next, shared by all that is measured of it
 * @param noise spread from one measurement to the next before anything is seen
 * @param doubtsAfter so many observations are learned from before any is doubted
 */
public record Rules(double pieceSpread, double noise, int doubtsAfter) {

    /** Cord used by strands. */
    public static final Rules CORD = new Rules(0.02, 0.05, 0);
    /** How long bodies come out. */
    public static final Rules PITCH = new Rules(0.01, 0.03, 0);
    /** Time at the bench; its starting values are guesses, so that nothing is doubted before ten pieces. */
    public static final Rules TIME = new Rules(0.02, 0.2, 10);

    /** From one sample that was tied to be measured to the next. */
    static final double SAMPLE_NOISE = 0.02;

    /** Pieces that the noise of before is worth. */
    static final double NOISE_PIECES = 6;
    /** Pieces after which older ones count less for the noise. */
    static final double NOISE_MEMORY = 200;
    /** Nobody ties so evenly, and nobody so unevenly. */
    static final double LEAST_NOISE = 0.005;

    /** Stranger than so many spreads, it is doubted. */
    static final double DOUBT = 4;
    /** So many in a row on the same side are a change. */
    static final int CHANGE_AFTER = 3;

    /** By how much older surprises count less with each new one. */
    static final double FADING = 0.8;
    /** A discounted sum of surprises beyond so many of its own spreads is a drift. */
    static final double DRIFT = 3.5;
}
