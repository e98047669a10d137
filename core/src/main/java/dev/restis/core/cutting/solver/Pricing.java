package dev.restis.core.cutting.solver;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/** Finds the cuttings that a set of prices for strands would pay for most, and from them a bound that no plan can beat. */
final class Pricing {

    /** Of one stock length so many are taken at once: their used lengths differ, which makes the next prices steadier. */
    private static final int AT_ONCE = 6;

    /** What the linear solver may be off by, in cost units. */
    private static final double ROUNDING = 1e-7 * GridProblem.UNIT;

    private final GridProblem problem;
    private final Bulk bulk;
    private final Knapsack knapsack;

    private record Gain(int used, long gain) {}

    Pricing(GridProblem problem, Bulk bulk) {
        this.problem = problem;
        this.bulk = bulk;
        int capacity = IntStream.range(0, problem.stock().size())
                .filter(k -> !bulk.has(k) && problem.stock(k).available() > 0)
                .map(k -> problem.stock(k).length())
                .max()
                .orElse(0);
        this.knapsack = new Knapsack(problem.lengths(), capacity);
    }

    /** What prices say: a bound on the cost of all plans, in cost units, and cuttings that would better the plan. */
    record Answer(long bound, List<Cutting> better) {}

    /**
     * @param duals price of each type in whole cost units, 0 or more; whatever they are, the bound holds
     * @param stockDuals what each stock length is worth to the plan, in cost units
     */
    Answer answer(long[] duals, double[] stockDuals, int[] wanted, int[] there, Begun begun) {
        knapsack.solve(duals, wanted);
        long bound = 0;
        for (int i = 0; i < duals.length; i++) {
            bound += duals[i] * wanted[i];
        }
        List<Cutting> better = new ArrayList<>();
        for (int k = 0; k < there.length; k++) {
            if (there[k] == 0) {
                continue;
            }
            if (bulk.has(k)) {
                bound -= begun.most(
                        mostOfBulk(k, duals),
                        problem.stock(k).extra(),
                        bulk.kinds().indexOf(k));
                continue;
            }
            List<Gain> gains = gains(k);
            long most = gains.isEmpty() ? 0 : gains.get(0).gain();
            bound -= Math.max(0, most) * there[k];
            double beyond = stockDuals[k] + ROUNDING;
            int kind = k;
            gains.stream()
                    .filter(g -> g.gain() > beyond)
                    .forEach(g -> better.add(new Cutting(problem, kind, knapsack.cuts(g.used()))));
        }
        return new Answer(bound, better);
    }

    /** The used lengths that gain most, the most first; none that loses. */
    private List<Gain> gains(int kind) {
        List<Gain> most = new ArrayList<>();
        for (int used = 1; used <= problem.stock(kind).length(); used++) {
            long gain = knapsack.reaches(used) ? knapsack.best(used) - problem.cost(kind, used) : 0;
            if (gain > 0
                    && (most.size() < AT_ONCE || gain > most.get(AT_ONCE - 1).gain())) {
                int at = most.size();
                while (at > 0 && most.get(at - 1).gain() < gain) {
                    at--;
                }
                most.add(at, new Gain(used, gain));
                if (most.size() > AT_ONCE) {
                    most.remove(AT_ONCE);
                }
            }
        }
        return most;
    }

    /**
     * No choice of strands of so much length is priced higher than that length of the dearest type; the cost of bulk has
     * its corners where the rest begins to be worth keeping and where as little is left as strands can leave.
     */
    private long mostOfBulk(int kind, long[] duals) {
        int most = problem.usable(kind);
        int corner = Math.max(
                0, Math.min(most, problem.stock(kind).length() - problem.worth().keep()));
        return Math.max(
                priced(most, duals) - problem.cost(kind, most), priced(corner, duals) - problem.cost(kind, corner));
    }

    private long priced(long length, long[] duals) {
        long most = 0;
        for (int i = 0; i < duals.length; i++) {
            most = Math.max(most, Math.floorDiv(duals[i] * length - 1, problem.length(i)) + 1);
        }
        return most;
    }
}
