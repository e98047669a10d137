package dev.restis.core.stitch;

/** After how many repeats things that come round at different times come round together. */
public final class Periods {

    private Periods() {}

    /** The least common multiple of two periods, each 1 or more. */
    public static int together(int one, int other) {
        int x = one;
        int y = other;
        while (y != 0) {
            int rest = x % y;
            x = y;
            y = rest;
        }
        return one / x * other;
    }
}
