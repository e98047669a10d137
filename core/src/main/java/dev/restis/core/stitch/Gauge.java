package dev.restis.core.stitch;

/**
 * The worked diameters a stitch is tied in, millimetres.
 *
 * @param working the working cord's
 * @param core one core strand's
 * @param cores how many core strands, 1 to 10
 * @param layout how the cores lie
 */
public record Gauge(double working, double core, int cores, CoreLayout layout) {

    /** Cores side by side, as in a flat bar, or packed round, as in a slider over overlapped ends. */
    public enum CoreLayout {
        FLAT,
        PACKED
    }

    public Gauge {
        if (!(working > 0) || !(core > 0)) {
            throw new IllegalArgumentException("diameters must be positive but were " + working + " and " + core);
        }
    }

    /** Centre-line length of one full turn of the working cord around the core: h*d_c + pi*(d_c + d). */
    public double fullTurn() {
        double h = layout == CoreLayout.FLAT ? Bundle.flatPerimeter(cores) : Bundle.packedPerimeter(cores);
        return h * core + Math.PI * (core + working);
    }
}
