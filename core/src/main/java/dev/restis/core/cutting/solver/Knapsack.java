package dev.restis.core.cutting.solver;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;

/**
 * The most valuable choice of strands for every exact used length up to a capacity, each type at most so often. One pass
 * serves every stock length. Types are split into powers of two, and a bit for each split and length traces the choice
 * back. Cost: capacity times the sum of the logarithms of the limits.
 */
final class Knapsack {

    private static final long UNREACHABLE = Long.MIN_VALUE;

    private final int[] lengths;
    private final int capacity;
    private final long[] best;
    private final List<Split> splits = new ArrayList<>();

    /** So many of a type at once, and for which used lengths they were taken. */
    private record Split(int type, int times, BitSet taken) {}

    Knapsack(int[] lengths, int capacity) {
        this.lengths = lengths;
        this.capacity = capacity;
        this.best = new long[capacity + 1];
    }

    /** @param values of one strand of each type; types without value are left out */
    void solve(long[] values, int[] limits) {
        Arrays.fill(best, UNREACHABLE);
        best[0] = 0;
        splits.clear();
        int reached = 0;
        for (int type = 0; type < lengths.length; type++) {
            int limit = values[type] > 0 ? Math.min(limits[type], capacity / lengths[type]) : 0;
            for (int times = 1; limit > 0; times *= 2) {
                int now = Math.min(times, limit);
                limit -= now;
                reached = take(type, now, values[type] * now, reached);
            }
        }
    }

    private int take(int type, int times, long value, int reached) {
        int length = lengths[type] * times;
        if (length > capacity) {
            return reached;
        }
        int top = Math.min(capacity, reached + length);
        BitSet taken = new BitSet(top + 1);
        for (int used = top; used >= length; used--) {
            long before = best[used - length];
            if (before != UNREACHABLE && before + value > best[used]) {
                best[used] = before + value;
                taken.set(used);
            }
        }
        splits.add(new Split(type, times, taken));
        return top;
    }

    boolean reaches(int used) {
        return best[used] != UNREACHABLE;
    }

    long best(int used) {
        return best[used];
    }

    /** The choice behind {@link #best(int)}. */
    int[] cuts(int used) {
        int[] cuts = new int[lengths.length];
        int left = used;
        for (int i = splits.size() - 1; i >= 0 && left > 0; i--) {
            Split split = splits.get(i);
            if (split.taken().get(left)) {
                cuts[split.type()] += split.times();
                left -= split.times() * lengths[split.type()];
            }
        }
        return cuts;
    }
}
