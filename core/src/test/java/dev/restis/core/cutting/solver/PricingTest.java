package dev.restis.core.cutting.solver;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** The bound is what everything else stands on: it must hold for any prices, sensible or not. */
class PricingTest {

    private static long bound(GridProblem problem, Bulk bulk, long[] prices) {
        int[] there = problem.stock().stream().mapToInt(StockLength::available).toArray();
        return new Pricing(problem, bulk)
                .answer(prices, new double[there.length], problem.counts(), there, Begun.any(problem, bulk.kinds()))
                .bound();
    }

    @Test
    void noPlanCostsLessWhateverThePricesAre() {
        Random random = new Random(5);
        for (int run = 0; run < 40; run++) {
            GridProblem problem = Instances.tiny(3 + random.nextInt(12), random);
            long least = GridSolver.solve(problem, new GridSolver.Effort(2, 0), () -> true)
                    .orElseThrow()
                    .cost();
            Bulk none = new Bulk(problem, List.of());
            Bulk all = new Bulk(
                    problem, IntStream.range(0, problem.stock().size()).boxed().toList());
            for (int i = 0; i < 20; i++) {
                long[] prices = random.longs(problem.types(), 0, 200_000_000).toArray();
                assertThat(bound(problem, none, prices)).isLessThanOrEqualTo(least);
                assertThat(bound(problem, all, prices)).isLessThanOrEqualTo(least);
            }
        }
    }

    /** Two strands of 40 at 6 units each would pay 12 for a bar of 100 that costs 10: two units better, and bound 12 - 2. */
    @Test
    void findsWhatThePricesPayForMost() {
        GridProblem problem = Instances.of(List.of(40, 40), List.of(new StockLength(100, 1, 10)), RestWorth.NOTHING);
        Pricing.Answer answer = new Pricing(problem, new Bulk(problem, List.of()))
                .answer(
                        new long[] {6},
                        new double[] {-200},
                        new int[] {2},
                        new int[] {1},
                        Begun.any(problem, List.of()));
        assertThat(answer.bound()).isEqualTo(10);
        assertThat(answer.better()).isNotEmpty();
        assertThat(answer.better().get(0).cuts(0)).isEqualTo(2);
    }
}
