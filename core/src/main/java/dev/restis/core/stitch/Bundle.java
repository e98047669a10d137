package dev.restis.core.stitch;

/**
 * How parallel strands of one diameter lie together, as factors of that diameter.
 *
 * <p>The perimeter factor is that of the polygon through the outer centres; the diameter factor is the smallest circle
 * that holds n equal circles (published packings).
 */
public final class Bundle {

    /** Most strands that the tables cover. */
    public static final int MOST = 10;

    private static final double[] PACKED_PERIMETER = {0, 2, 3, 4, 5, 6, 6, 7, 8, 8};
    private static final double[] PACKED_DIAMETER = {1, 2, 2.155, 2.414, 2.701, 3, 3, 3.305, 3.613, 3.813};

    private Bundle() {}

    /** Perimeter factor of n strands side by side: 2(n-1). */
    public static double flatPerimeter(int n) {
        check(n);
        return 2.0 * (n - 1);
    }

    /** Perimeter factor of n strands packed round. */
    public static double packedPerimeter(int n) {
        check(n);
        return PACKED_PERIMETER[n - 1];
    }

    /** Diameter factor of n strands packed round. */
    public static double packedDiameter(int n) {
        check(n);
        return PACKED_DIAMETER[n - 1];
    }

    private static void check(int n) {
        if (n < 1 || n > MOST) {
            throw new IllegalArgumentException("n must be 1 to " + MOST + " strands but was " + n);
        }
    }
}
