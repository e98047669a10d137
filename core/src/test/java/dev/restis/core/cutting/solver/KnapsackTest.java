package dev.restis.core.cutting.solver;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.Test;

class KnapsackTest {

    @Test
    void findsTheMostForEveryUsedLengthAsTryingAllDoes() {
        Random random = new Random(4);
        for (int run = 0; run < 200; run++) {
            int types = 1 + random.nextInt(4);
            int[] lengths = random.ints(types, 3, 12).toArray();
            int[] limits = random.ints(types, 0, 6).toArray();
            long[] values = random.longs(types, 1, 50).toArray();
            int capacity = 5 + random.nextInt(40);
            long[] best = new long[capacity + 1];
            Arrays.fill(best, -1);
            tryAll(lengths, limits, values, 0, 0, 0, best);
            Knapsack knapsack = new Knapsack(lengths, capacity);
            knapsack.solve(values, limits);
            for (int used = 0; used <= capacity; used++) {
                if (best[used] > 0) {
                    assertThat(knapsack.best(used)).isEqualTo(best[used]);
                    assertThat(total(knapsack.cuts(used), lengths)).isEqualTo(used);
                    assertThat(priced(knapsack.cuts(used), values)).isEqualTo(best[used]);
                }
            }
        }
    }

    private static void tryAll(
            int[] lengths, int[] limits, long[] values, int type, int used, long value, long[] best) {
        if (type == lengths.length) {
            best[used] = Math.max(best[used], value);
            return;
        }
        for (int n = 0; n <= limits[type] && used + n * lengths[type] < best.length; n++) {
            tryAll(lengths, limits, values, type + 1, used + n * lengths[type], value + n * values[type], best);
        }
    }

    private static int total(int[] cuts, int[] lengths) {
        int sum = 0;
        for (int i = 0; i < cuts.length; i++) {
            sum += cuts[i] * lengths[i];
        }
        return sum;
    }

    private static long priced(int[] cuts, long[] values) {
        long sum = 0;
        for (int i = 0; i < cuts.length; i++) {
            sum += cuts[i] * values[i];
        }
        return sum;
    }
}
