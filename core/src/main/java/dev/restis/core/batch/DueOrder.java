package dev.restis.core.batch;

/**
 * An order that is ready with its last piece.
 *
 * @param id of whoever asks
 * @param due the last day on which it is in time, counted from the first of the plan; negative when it is late already
 * @param weight 1, or more where being late is worse
 * @param delay days that it lies or travels after its last piece is made
 * @param fixed the day on which the last is made of what no plan moves, pins and what is begun; below 0 when there is none
 */
public record DueOrder(long id, int due, int weight, int delay, int fixed) {

    /** Due for an order that nobody waits for. */
    public static final int NEVER = 1_000_000;

    public DueOrder {
        if (weight < 1 || delay < 0) {
            throw new IllegalArgumentException(
                    "weight must be at least 1 and delay not negative but were " + weight + " and " + delay);
        }
    }

    /** Of which every piece is for the plan to place. */
    public DueOrder(long id, int due, int weight, int delay) {
        this(id, due, weight, delay, -1);
    }

    /** The day on which its last piece is made when that day is the last of those that a plan places; below 0 when there is none. */
    public int made(int placed) {
        return Math.max(placed, fixed);
    }

    /** Days that it is late when the last piece that a plan places is made on that day; nothing is late of which nothing is made. */
    public int late(int placed) {
        int made = made(placed);
        return made < 0 ? 0 : Math.max(0, made + delay - due);
    }
}
