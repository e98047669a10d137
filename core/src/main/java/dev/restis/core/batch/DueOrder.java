package dev.restis.core.batch;

/**
 * An order that is ready with its last piece.
 *
 * @param id of whoever asks
 * @param due the last day on which it is in time, counted from the first of the plan; negative when it is late already
 * @param weight 1, or more where being late is worse
 * @param delay days that it lies or travels after its last piece is made
 */
public record DueOrder(long id, int due, int weight, int delay) {

    /** Due for an order that nobody waits for. */
    public static final int NEVER = 1_000_000;

    public DueOrder {
        if (weight < 1 || delay < 0) {
            throw new IllegalArgumentException(
                    "weight must be at least 1 and delay not negative but were " + weight + " and " + delay);
        }
    }

    /** Days that it is late when its last piece is made on that day. */
    public int late(int made) {
        return Math.max(0, made + delay - due);
    }
}
