package dev.restis.core.cutting.solver;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.IntVar;
import com.google.ortools.sat.LinearExpr;
import com.google.ortools.sat.LinearExprBuilder;
import com.google.ortools.sat.Literal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class GridSolverTest {

    private static final GridSolver.Effort HARD = new GridSolver.Effort(8, 200);

    private static GridPlan solve(GridProblem problem) {
        return GridSolver.solve(problem, HARD, () -> true).orElseThrow();
    }

    /** Knows nothing of how the plan was made. */
    private static void check(GridProblem problem, GridPlan plan) {
        int[] left = problem.counts();
        int[] there = problem.stock().stream().mapToInt(StockLength::available).toArray();
        long cost = 0;
        for (Cutting cutting : plan.cuttings()) {
            int used = 0;
            for (int i = 0; i < left.length; i++) {
                left[i] -= cutting.cuts(i);
                used += cutting.cuts(i) * problem.length(i);
            }
            there[cutting.kind()]--;
            assertThat(used).isBetween(1, problem.stock(cutting.kind()).length());
            cost += problem.cost(cutting.kind(), used);
        }
        assertThat(left).containsOnly(0);
        assertThat(Arrays.stream(there).min().orElse(0)).isNotNegative();
        assertThat(plan.cost()).isEqualTo(cost);
        assertThat(plan.bound()).isLessThanOrEqualTo(cost);
        assertThat(cost).isLessThanOrEqualTo(plan.plain());
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3})
    void reachesTheBoundOnUniformSizes(int seed) {
        for (int n : List.of(60, 120, 250)) {
            GridProblem problem = Instances.uniform(n, new Random(seed));
            GridPlan plan = solve(problem);
            check(problem, plan);
            assertThat(plan.cost()).isEqualTo(plan.bound());
        }
    }

    /**
     * Ten spools of 10,004 hold ten strands of 1,000 each and never the last 4 steps: a bound that counts on them would call the best
     * plan bettered by 4 in 10,000.
     */
    @Test
    void theBoundKnowsWhatNoStrandCanTake() {
        List<Integer> strands = new ArrayList<>();
        for (int i = 0; i < 100; i++) {
            strands.add(1_000);
        }
        GridProblem problem =
                Instances.of(strands, List.of(new StockLength(10_004, 10, 50_000)), new RestWorth(1_000, 5_000, 300));
        assertThat(problem.usable(0)).isEqualTo(10_000);
        GridPlan plan = solve(problem);
        check(problem, plan);
        assertThat(plan.bound()).isEqualTo(plan.cost());
    }

    /** Every third strand fills a bin with two others and nothing is wasted, if the plan finds them. */
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4})
    void findsTheTriplets(int seed) {
        GridProblem problem = Instances.triplets(60, new Random(seed));
        GridPlan plan = solve(problem);
        check(problem, plan);
        assertThat(plan.cost()).isEqualTo(20 * GridProblem.UNIT);
        assertThat(plan.bound()).isEqualTo(20 * GridProblem.UNIT);
    }

    @Test
    void agreesWithAnotherSolverOnTinyProblems() {
        Random random = new Random(8);
        int exact = 0;
        for (int run = 0; run < 30; run++) {
            GridProblem problem = Instances.tiny(3 + random.nextInt(5), random);
            GridPlan plan = solve(problem);
            check(problem, plan);
            long best = leastCost(problem);
            assertThat(plan.bound()).isLessThanOrEqualTo(best);
            assertThat(plan.cost()).isGreaterThanOrEqualTo(best);
            exact += plan.cost() == best ? 1 : 0;
        }
        assertThat(exact).isGreaterThanOrEqualTo(28);
    }

    @Test
    void theSameProblemGivesTheSamePlan() {
        GridProblem problem = Instances.tiny(16, new Random(3));
        GridPlan once = solve(problem);
        GridPlan again = solve(problem);
        assertThat(again).isEqualTo(once);
    }

    @Test
    void longSpoolsAreUsedUpToTheLastStepWhereStrandsAllowIt() {
        List<Integer> strands = new ArrayList<>();
        Random random = new Random(12);
        for (int i = 0; i < 400; i++) {
            strands.add(300 + random.nextInt(3000));
        }
        RestWorth worth = new RestWorth(120_000, 10_000_000, 300);
        List<StockLength> stock = List.of(
                new StockLength(1_234, 1, 0),
                new StockLength(7_001, 2, 0),
                new StockLength(43_217, 1, 0),
                new StockLength(100_000, 9, 2_500_000_000L));
        GridProblem problem = Instances.of(strands, stock, worth);
        GridPlan plan = solve(problem);
        check(problem, plan);
        assertThat(plan.gap()).isLessThan(0.0005);
        long sealed = plan.cuttings().stream().filter(c -> c.kind() == 3).count();
        long without = problem.demand() - 1_234 - 2 * 7_001 - 43_217;
        assertThat(sealed).isEqualTo((without + 99_999) / 100_000);
    }

    @Test
    void whatIsNotEnoughHasNoPlan() {
        GridProblem problem =
                Instances.of(List.of(50, 50, 50), List.of(new StockLength(100, 1, 0)), new RestWorth(1_000, 0, 10));
        assertThat(GridSolver.solve(problem, HARD, () -> true)).isEqualTo(Optional.empty());
    }

    /** Strands into bins one by one, the cost of a bin by its used length from a table. */
    private static long leastCost(GridProblem problem) {
        CpModel model = new CpModel();
        List<int[]> bins = new ArrayList<>();
        for (int k = 0; k < problem.stock().size(); k++) {
            for (int n = 0; n < Math.min(problem.stock(k).available(), problem.strands()); n++) {
                bins.add(new int[] {k});
            }
        }
        List<LinearExprBuilder> used =
                bins.stream().map(b -> LinearExpr.newBuilder()).toList();
        for (int type = 0; type < problem.types(); type++) {
            for (int n = 0; n < problem.count(type); n++) {
                List<Literal> where = new ArrayList<>();
                for (LinearExprBuilder bin : used) {
                    Literal here = model.newBoolVar("");
                    bin.addTerm(here, problem.length(type));
                    where.add(here);
                }
                model.addExactlyOne(where);
            }
        }
        LinearExprBuilder sum = LinearExpr.newBuilder();
        for (int b = 0; b < used.size(); b++) {
            int kind = bins.get(b)[0];
            long[] costs = new long[problem.stock(kind).length() + 1];
            for (int u = 1; u < costs.length; u++) {
                costs[u] = problem.cost(kind, u);
            }
            IntVar length = model.newIntVar(0, costs.length - 1, "");
            model.addEquality(length, used.get(b));
            IntVar cost = model.newIntVar(0, 1L << 40, "");
            model.addElement(length, costs, cost);
            sum.add(cost);
        }
        model.minimize(sum);
        CpSolver solver = new CpSolver();
        solver.getParameters().setNumWorkers(1);
        assertThat(solver.solve(model)).isEqualTo(CpSolverStatus.OPTIMAL);
        return Math.round(solver.objectiveValue());
    }
}
