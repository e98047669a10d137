package dev.restis.core.batch.search;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;

class SetUpBoundTest {

    /** All ways to reach everybody from the root are tried. */
    private static double least(double[][] cost) {
        int n = cost.length;
        double least = Double.POSITIVE_INFINITY;
        int[] parent = new int[n];
        long ways = Math.round(Math.pow(n, n - 1.0));
        for (long way = 0; way < ways; way++) {
            long rest = way;
            double sum = 0;
            for (int b = 1; b < n; b++) {
                parent[b] = (int) (rest % n);
                rest /= n;
                sum += parent[b] == b ? Double.POSITIVE_INFINITY : cost[parent[b]][b];
            }
            if (sum < least && rooted(parent)) {
                least = sum;
            }
        }
        return least;
    }

    private static boolean rooted(int[] parent) {
        for (int from = 1; from < parent.length; from++) {
            int at = from;
            for (int steps = 0; steps < parent.length && at != 0; steps++) {
                at = parent[at];
            }
            if (at != 0) {
                return false;
            }
        }
        return true;
    }

    @Test
    void theLeastArborescenceIsFound() {
        Random random = new Random(5);
        for (int round = 0; round < 60; round++) {
            int n = 3 + round % 4;
            double[][] cost = new double[n][n];
            for (int a = 0; a < n; a++) {
                for (int b = 0; b < n; b++) {
                    cost[a][b] = a == b || b == 0 ? Double.POSITIVE_INFINITY : random.nextInt(40);
                }
            }
            int[] parent = SetUpBound.arborescence(cost);
            assertThat(rooted(parent)).isTrue();
            double sum = 0;
            for (int b = 1; b < n; b++) {
                sum += cost[parent[b]][b];
            }
            assertThat(sum).isCloseTo(least(cost), within(1e-9));
        }
    }
}
