package dev.restis.core.cutting.solver;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

class BulkFillTest {

    private static final RestWorth WORTH = new RestWorth(1_000, 5_000, 300);

    private static GridProblem problem(List<Integer> strands, StockLength... stock) {
        return Instances.of(strands, List.of(stock), WORTH);
    }

    private static int[] there(GridProblem problem) {
        return problem.stock().stream().mapToInt(StockLength::available).toArray();
    }

    /** 700 + 300 of 1000 is used up, though 600 + 300 would be longer strands first; the rest goes to the long spool. */
    @Test
    void usesTheShortSpoolUpToTheLastStep() {
        GridProblem problem =
                problem(List.of(700, 600, 300, 250, 250), new StockLength(1_000, 1, 0), new StockLength(9_000, 1, 0));
        List<Cutting> filled = new BulkFill(problem, problem.counts(), 1_000)
                .on(List.of(0, 1), there(problem))
                .orElseThrow();
        assertThat(filled).extracting(Cutting::used).containsExactly(1_000, 1_100);
    }

    /** What is sealed is begun last, and not at all where the open one has room. */
    @Test
    void beginsWhatIsSealedOnlyWhenItMust() {
        GridProblem problem =
                problem(List.of(700, 600), new StockLength(1_500, 1, 90_000), new StockLength(9_000, 1, 0));
        List<Cutting> filled = new BulkFill(problem, problem.counts(), 1_000)
                .on(List.of(0, 1), there(problem))
                .orElseThrow();
        assertThat(filled).extracting(Cutting::kind).containsExactly(1);
    }

    @Test
    void saysSoWhenItDoesNotFit() {
        GridProblem problem = problem(List.of(700, 700), new StockLength(1_000, 1, 0));
        assertThat(new BulkFill(problem, problem.counts(), 1_000).on(List.of(0), there(problem)))
                .isEqualTo(Optional.empty());
    }

    /** 950 of 1000 leaves 50 for the bin; with 700 and 300 from what is still to be cut, nothing is lost. */
    @Test
    void cutsAnewWhatLeavesScrap() {
        GridProblem problem =
                problem(List.of(950, 700, 300), new StockLength(1_000, 1, 0), new StockLength(9_000, 1, 0));
        BulkFill fill = new BulkFill(problem, new int[] {0, 1, 1}, 1_000);
        List<Cutting> anew = fill.anew(List.of(new Cutting(problem, 0, new int[] {1, 0, 0})));
        assertThat(anew).extracting(Cutting::used).containsExactly(1_000);
        assertThat(fill.wanted()).containsExactly(1, 0, 0);
    }

    /** Of three hundred lengths only 305 and 330 make 635; where few strands meet, all lengths are tried. */
    @Test
    void findsTheTwoStrandsThatUseUpAShortRemnant() {
        List<Integer> strands = new ArrayList<>(List.of(305, 330));
        for (int i = 0; i < 300; i++) {
            strands.add(640 + 5 * i);
        }
        GridProblem problem = problem(strands, new StockLength(636, 1, 0), new StockLength(1_000_000, 1, 0));
        List<Cutting> filled = new BulkFill(problem, problem.counts(), 1_000)
                .on(List.of(0, 1), there(problem))
                .orElseThrow();
        assertThat(filled.get(0).kind()).isZero();
        assertThat(filled.get(0).used()).isGreaterThanOrEqualTo(635);
    }

    @Test
    void losesAndInventsNoStrand() {
        Random random = new Random(31);
        for (int run = 0; run < 60; run++) {
            List<Integer> strands =
                    random.ints(20 + random.nextInt(300), 200, 3_000).boxed().toList();
            GridProblem problem = problem(
                    strands,
                    new StockLength(500 + random.nextInt(4_000), 3, 0),
                    new StockLength(20_000, 4, 0),
                    new StockLength(100_000, 12, 900_000));
            List<Cutting> filled = new BulkFill(problem, problem.counts(), 1_000)
                    .on(List.of(0, 1, 2), there(problem))
                    .orElseThrow();
            int[] left = problem.counts();
            int[] there = there(problem);
            for (Cutting cutting : filled) {
                cutting.takeFrom(left);
                there[cutting.kind()]--;
                assertThat(cutting.used())
                        .isBetween(1, problem.stock(cutting.kind()).length());
            }
            assertThat(left).containsOnly(0);
            assertThat(Arrays.stream(there).min().orElse(0)).isNotNegative();
        }
    }
}
