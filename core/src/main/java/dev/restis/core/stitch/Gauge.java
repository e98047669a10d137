package dev.restis.core.stitch;

/**
 * The worked diameters a stitch is tied in, millimetres.
 *
 * @param working the working cord's
 * @param core one core strand's
 * @param cores how many core strands, 0 to 10
 * @param layout how the cores lie
 * @param side the diameter of the strands that run beside the core: falls and edges
 */
public record Gauge(double working, double core, int cores, CoreLayout layout, double side) {

    /** Cores side by side, as in a flat bar, or packed round, as in a slider over overlapped ends. */
    public enum CoreLayout {
        FLAT,
        PACKED
    }

    public Gauge {
        if (!(working > 0) || !(core > 0) || !(side > 0)) {
            throw new IllegalArgumentException(
                    "diameters must be positive but were " + working + ", " + core + " and " + side);
        }
        if (cores < 0 || cores > Bundle.MOST) {
            throw new IllegalArgumentException("cores must be 0 to " + Bundle.MOST + " but was " + cores);
        }
    }

    /** Without strands beside the core. */
    public Gauge(double working, double core, int cores, CoreLayout layout) {
        this(working, core, cores, layout, working);
    }

    /** Worked diameter of a strand in {@code seat}. */
    public double of(Seat seat) {
        return switch (seat) {
            case CORE, SECOND_CORE -> core;
            case FALL, EDGE -> side;
            default -> working;
        };
    }

    /** Worked diameter of its thinnest strand. */
    public double thinnest() {
        return Math.min(working, Math.min(core, side));
    }

    /** Centre-line length of one full turn of a cord {@code own} thick around the core: h*d_c + pi*(d_c + d). */
    public double fullTurn(double own) {
        return turn(Math.max(1, cores), own);
    }

    /** Centre-line length of one full turn around {@code strands} of the core. */
    double turn(int strands, double own) {
        double h = layout == CoreLayout.FLAT ? Bundle.flatPerimeter(strands) : Bundle.packedPerimeter(strands);
        return h * core + Math.PI * (core + own);
    }

    /** Cord against core, to hold against swatches; 1 where the stitch has no core. */
    public double ratio() {
        return cores == 0 ? 1 : working / core;
    }
}
