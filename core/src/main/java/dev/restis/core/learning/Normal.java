package dev.restis.core.learning;

/**
 * The standard normal distribution: its quantile by Wichura's algorithm AS 241 (PPND7, Applied Statistics 37, 1988), good to about
 * 1 part in 10^7, and its distribution function by Abramowitz and Stegun 26.2.17, good to 7.5e-8. The same to the last bit on every
 * machine.
 */
public final class Normal {

    private static final double FAR = 4;

    private Normal() {}

    /** The z with P(Z <= z) = p, for p strictly between 0 and 1. */
    public static double quantile(double p) {
        if (!(p > 0 && p < 1)) {
            throw new IllegalArgumentException("p must lie strictly between 0 and 1 but was " + p);
        }
        double q = p - 0.5;
        if (Math.abs(q) <= 0.425) {
            double r = 0.180625 - q * q;
            return q
                    * (((59.109374720 * r + 159.29113202) * r + 50.434271938) * r + 3.3871327179)
                    / (((67.187563600 * r + 78.757757664) * r + 17.895169469) * r + 1.0);
        }
        double r = StrictMath.sqrt(-StrictMath.log(q < 0 ? p : 1 - p));
        double z = r <= 5
                ? (((0.17023821103 * (r - 1.6) + 1.3067284816) * (r - 1.6) + 2.7568153900) * (r - 1.6) + 1.4234372777)
                        / ((0.12021132975 * (r - 1.6) + 0.73700164250) * (r - 1.6) + 1.0)
                : (((0.017337203997 * (r - 5) + 0.42868294337) * (r - 5) + 3.0812263860) * (r - 5) + 6.6579051150)
                        / ((0.012258202635 * (r - 5) + 0.24197894225) * (r - 5) + 1.0);
        return q < 0 ? -z : z;
    }

    /** P(Z <= z). */
    public static double below(double z) {
        double t = 1 / (1 + 0.2316419 * Math.abs(z));
        double tail = StrictMath.exp(-z * z / 2)
                / StrictMath.sqrt(2 * Math.PI)
                * t
                * (0.319381530 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
        return z > 0 ? 1 - tail : tail;
    }

    /**
     * The mean of what lies above z: the density over the chance of lying above. Far out by its asymptotic series, since the chance
     * is smaller there than its error.
     */
    public static double hazard(double z) {
        if (z > FAR) {
            return z + 1 / z - 2 / (z * z * z);
        }
        return StrictMath.exp(-z * z / 2) / StrictMath.sqrt(2 * Math.PI) / (1 - below(z));
    }
}
