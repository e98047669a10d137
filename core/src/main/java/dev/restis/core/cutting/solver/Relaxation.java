package dev.restis.core.cutting.solver;

import java.util.List;

/**
 * Column generation: the linear program is solved, its prices ask for cuttings that would better it, and so on until there
 * are none. The bound is made from whole prices in whole numbers, so that it holds whatever the linear solver rounds.
 */
final class Relaxation implements AutoCloseable {

    private static final int MOST_ROUNDS = 3000;

    private final Master master;
    private final Pricing pricing;
    private final Bulk bulk;
    private Begun begun;
    private long bound;
    private long[] duals = {};
    private double[] stockDuals = {};

    Relaxation(GridProblem problem, Bulk bulk, List<Cutting> known) {
        this.bulk = bulk;
        this.begun = Begun.any(problem, bulk.kinds());
        this.master = new Master(problem, bulk);
        this.pricing = new Pricing(problem, bulk);
        known.forEach(master::add);
    }

    /**
     * Solves it for what is still wanted and there.
     *
     * @return false when what is there is not enough
     */
    boolean solve(int[] wanted, int[] there) {
        master.restrict(wanted, there);
        bound = Long.MIN_VALUE;
        for (int round = 0; round < MOST_ROUNDS; round++) {
            if (!master.solve()) {
                return false;
            }
            // All prices are read before a column is added: after that they are no longer those of the solution.
            duals = master.strandDuals();
            stockDuals = master.stockDuals();
            Pricing.Answer answer = pricing.answer(duals, stockDuals, wanted, there, begun);
            bound = Math.max(bound, answer.bound());
            boolean more = false;
            for (Cutting cutting : answer.better()) {
                more |= master.add(cutting);
            }
            // Where the solver's rounding alone makes known cuttings look better, there is no more to gain.
            if (!more) {
                break;
            }
        }
        return master.complete();
    }

    /** From now on so many of the long stock are begun, at least and at most. */
    void fix(Begun bounds) {
        begun = bounds;
        bulk.fix(bounds);
    }

    double[] begun() {
        return bulk.begun();
    }

    /** What one more step of long stock would cost, in cost units. */
    double bulkPrice() {
        return bulk.price();
    }

    long[] duals() {
        return duals.clone();
    }

    double[] stockDuals() {
        return stockDuals.clone();
    }

    /** No plan costs less, in cost units. */
    long bound() {
        return bound;
    }

    List<Master.Taken> taken() {
        return master.taken();
    }

    List<Cutting> columns() {
        return master.columns();
    }

    @Override
    public void close() {
        master.close();
    }
}
