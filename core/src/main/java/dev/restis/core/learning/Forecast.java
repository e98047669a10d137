package dev.restis.core.learning;

/**
 * What uses of one piece will be: each {@code fixed + middle * exp(x)}, x normal about 0.
 *
 * @param shared covariances of the x, on the diagonal those of two uses that are alike
 * @param variance of each x
 */
public record Forecast(double[] fixed, double[] middle, double[][] shared, double[] variance) {

    /** One standard deviation of the log of a use's free part; 0 where nothing is free. */
    public double spread(int use) {
        return StrictMath.sqrt(variance[use]);
    }

    /** What the use stays below, at so many spreads. */
    public double at(int use, double z) {
        return fixed[use] + middle[use] * StrictMath.exp(z * spread(use));
    }

    /** Between two uses that are not the same one, both of them with something free. */
    double correlation(int one, int other) {
        return shared[one][other] / StrictMath.sqrt(variance[one] * variance[other]);
    }

    /** How many spreads a measured value lies off what is expected; beyond all bounds when not even what is fixed was used. */
    public double surprise(int use, double value) {
        double free = value - fixed[use];
        if (free <= 0) {
            return Double.NEGATIVE_INFINITY;
        }
        double off = StrictMath.log(free / middle[use]);
        return variance[use] > 0 ? off / spread(use) : off == 0 ? 0 : Math.signum(off) * Double.POSITIVE_INFINITY;
    }

    /** The chance that a use stays below a value. */
    public double below(int use, double value) {
        double free = value - fixed[use];
        if (!(variance[use] > 0)) {
            return free >= middle[use] ? 1 : 0;
        }
        return free <= 0 ? 0 : Normal.below(StrictMath.log(free / middle[use]) / spread(use));
    }
}
