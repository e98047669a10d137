package dev.restis.core.cord;

import java.util.regex.Pattern;

/**
 * A colour in CIELAB under daylight (D65), where distances go with what the eye tells apart.
 *
 * @param lightness L*, 0 black to 100 white
 * @param a from green (negative) to red
 * @param b from blue (negative) to yellow
 */
public record Colour(double lightness, double a, double b) {

    private static final Pattern HEX = Pattern.compile("#[0-9A-Fa-f]{6}");
    /** White point D65 for the 2° observer, as sRGB (IEC 61966-2-1) has it. */
    private static final double WHITE_X = 0.95047;

    private static final double WHITE_Z = 1.08883;
    private static final double EPSILON = 216.0 / 24_389;
    private static final double KAPPA = 24_389.0 / 27;

    /** Whether the text is {@code #} and six digits 0 to F, and nothing besides. */
    public static boolean isHex(String text) {
        return HEX.matcher(text).matches();
    }

    /**
     * Reads sRGB.
     *
     * @param hex {@code #RRGGBB}, in either case
     * @throws IllegalArgumentException when it is written otherwise
     */
    public static Colour ofHex(String hex) {
        if (!isHex(hex)) {
            throw new IllegalArgumentException("hex must be # and six digits 0 to F but was " + hex);
        }
        double red = linear(Integer.parseInt(hex.substring(1, 3), 16));
        double green = linear(Integer.parseInt(hex.substring(3, 5), 16));
        double blue = linear(Integer.parseInt(hex.substring(5, 7), 16));
        double x = 0.4124564 * red + 0.3575761 * green + 0.1804375 * blue;
        double y = 0.2126729 * red + 0.7151522 * green + 0.0721750 * blue;
        double z = 0.0193339 * red + 0.1191920 * green + 0.9503041 * blue;
        double fx = root(x / WHITE_X);
        double fy = root(y);
        double fz = root(z / WHITE_Z);
        return new Colour(116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz));
    }

    private static double linear(int channel) {
        double c = channel / 255.0;
        return c <= 0.04045 ? c / 12.92 : Math.pow((c + 0.055) / 1.055, 2.4);
    }

    private static double root(double t) {
        return t > EPSILON ? Math.cbrt(t) : (KAPPA * t + 16) / 116;
    }
}
