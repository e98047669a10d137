package dev.restis.core.learning;

import java.util.ArrayList;
import java.util.List;

/**
 * How long the strands of a piece must be cut so that the chance that <em>any</em> of them runs short is what was allowed.
 *
 * <p>The allowed chance is shared among the strands by what each costs to be long; were they independent, each would have its share.
 * They are not: one hand ties them all. With one common factor behind them, {@code x_i = l_i t + sqrt(1 - l_i^2) e_i}, the chance that
 * none is short is the mean over t of the product of {@code F((z_i - l_i t) / sqrt(1 - l_i^2))}; all shares are raised alike until
 * that chance is what is allowed. A strand's load l_i is the root of its mean correlation with the others.
 */
public final class Shortage {

    /** A common factor beyond so many spreads is of no account. */
    private static final double REACH = 5;

    private static final int POINTS = 40;
    private static final int HALVINGS = 18;
    private static final double MOST_LOAD = 0.995;
    private static final double LEAST_CHANCE = 1e-7;

    private Shortage() {}

    /**
     * The spreads above its middle at which each use is cut.
     *
     * @param forecast of the uses that are not alike
     * @param counts how many strands there are of each
     * @param costs what one strand of each costs more when it is one spread longer, at least relative to one another
     * @param allowed the chance that any strand of the piece runs short, 0 to 1
     * @return for each use; 0 where nothing depends on the hand
     */
    public static double[] spreads(Forecast forecast, int[] counts, double[] costs, double allowed) {
        int n = counts.length;
        List<Integer> free = new ArrayList<>();
        double cost = 0;
        for (int i = 0; i < n; i++) {
            if (forecast.spread(i) > 0) {
                free.add(i);
                cost += counts[i] * costs[i];
            }
        }
        double[] z = new double[n];
        if (free.isEmpty()) {
            return z;
        }
        int strands = free.stream().mapToInt(i -> counts[i]).sum();
        double[] shares = new double[n];
        for (int i : free) {
            // Without a price all strands are alike.
            shares[i] = cost > 0 ? costs[i] / cost : 1.0 / strands;
        }
        double[] loads = loads(forecast, counts, free, strands);
        double low = 0;
        double high = StrictMath.log(strands);
        if (strands > 1) {
            for (int step = 0; step < HALVINGS; step++) {
                double middle = (low + high) / 2;
                fill(z, shares, allowed * StrictMath.exp(middle), free);
                if (anyShort(z, counts, loads, free) > allowed) {
                    high = middle;
                } else {
                    low = middle;
                }
            }
        }
        fill(z, shares, allowed * StrictMath.exp(low), free);
        return z;
    }

    private static void fill(double[] z, double[] shares, double allowed, List<Integer> free) {
        for (int i : free) {
            z[i] = Normal.quantile(1 - Math.min(0.5, Math.max(LEAST_CHANCE, shares[i] * allowed)));
        }
    }

    private static double[] loads(Forecast forecast, int[] counts, List<Integer> free, int strands) {
        double[] loads = new double[counts.length];
        for (int i : free) {
            double sum = 0;
            for (int j : free) {
                int others = i == j ? counts[i] - 1 : counts[j];
                if (others > 0) {
                    sum += others * forecast.correlation(i, j);
                }
            }
            double mean = strands > 1 ? sum / (strands - 1) : 0;
            loads[i] = Math.min(MOST_LOAD, StrictMath.sqrt(Math.max(0, mean)));
        }
        return loads;
    }

    /** The chance that any strand is short, by the trapezoid rule over the common factor. */
    static double anyShort(double[] z, int[] counts, double[] loads, List<Integer> free) {
        double step = 2 * REACH / POINTS;
        double none = 0;
        double weights = 0;
        for (int point = 0; point <= POINTS; point++) {
            double t = -REACH + point * step;
            double weight = StrictMath.exp(-t * t / 2);
            double product = weight;
            for (int i : free) {
                double own = StrictMath.sqrt(1 - loads[i] * loads[i]);
                product *= StrictMath.pow(Normal.below((z[i] - loads[i] * t) / own), counts[i]);
            }
            none += product;
            weights += weight;
        }
        return 1 - none / weights;
    }
}
