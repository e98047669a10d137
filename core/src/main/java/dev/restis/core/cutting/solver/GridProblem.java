package dev.restis.core.cutting.solver;

import java.util.Arrays;
import java.util.List;

/**
 * Strands of one article to be cut from stock, all lengths in steps of one grid, all costs in units of {@link #UNIT}.
 * Strands of one length are one type; every type is asked for at least once.
 */
public final class GridProblem {

    /** Cost units in one unit of money: fine enough that rounding never shows, coarse enough for exact sums in a long. */
    public static final long UNIT = 1L << 30;

    private final int[] lengths;
    private final int[] counts;
    private final List<StockLength> stock;
    private final RestWorth worth;
    private final int divisor;

    /**
     * @param lengths of the types, descending
     * @param counts of each type
     */
    public GridProblem(int[] lengths, int[] counts, List<StockLength> stock, RestWorth worth) {
        this.lengths = lengths.clone();
        this.counts = counts.clone();
        this.stock = List.copyOf(stock);
        this.worth = worth;
        this.divisor = Arrays.stream(lengths).reduce(0, GridProblem::divisor);
    }

    private static int divisor(int a, int b) {
        return b == 0 ? a : divisor(b, a % b);
    }

    /** The most of a stock length that strands can take: they all are multiples of their common divisor. */
    int usable(int kind) {
        int length = stock.get(kind).length();
        return divisor == 0 ? length : length - length % divisor;
    }

    int types() {
        return lengths.length;
    }

    int length(int type) {
        return lengths[type];
    }

    int count(int type) {
        return counts[type];
    }

    int[] lengths() {
        return lengths.clone();
    }

    int[] counts() {
        return counts.clone();
    }

    public List<StockLength> stock() {
        return stock;
    }

    public StockLength stock(int kind) {
        return stock.get(kind);
    }

    public RestWorth worth() {
        return worth;
    }

    public long demand() {
        long sum = 0;
        for (int i = 0; i < lengths.length; i++) {
            sum += (long) lengths[i] * counts[i];
        }
        return sum;
    }

    int strands() {
        int sum = 0;
        for (int count : counts) {
            sum += count;
        }
        return sum;
    }

    /** What it costs to take {@code used} steps off one stock length: what it was worth before, less what its rest is worth. */
    public long cost(int kind, int used) {
        StockLength bar = stock.get(kind);
        return bar.extra() + worth.of(bar.length()) - worth.of(bar.length() - used);
    }
}
