package dev.restis.core.cutting.solver;

/**
 * What a leftover is worth: so much for each step of the grid, less what handling another remnant costs; nothing below the
 * length worth keeping.
 *
 * @param perStep worth of one step of the grid, in cost units; 0 or more
 * @param handling cost of keeping one more remnant, in cost units; 0 or more
 * @param keep least length worth keeping, in steps
 */
public record RestWorth(long perStep, long handling, int keep) {

    /** Leftovers are worth nothing, as where only whole stock lengths count. */
    public static final RestWorth NOTHING = new RestWorth(0, 0, Integer.MAX_VALUE);

    /** Never below 0: what is not worth its handling is thrown away. Rises with the length. */
    public long of(int rest) {
        return rest < keep ? 0 : Math.max(0, perStep * rest - handling);
    }
}
