package dev.restis.core.cutting.solver;

import java.util.ArrayList;
import java.util.List;

/**
 * All cuttings that a plan within so much of the bound may hold: those whose price falls short of their cost by no more.
 * Stops at a number, of cuttings and of tries; then some are missing.
 */
final class Enumeration {

    private static final int MOST_STEPS = 200_000;

    private final GridProblem problem;
    private final long[] duals;
    private final int[] wanted;
    private final int most;
    private final List<Cutting> found = new ArrayList<>();
    private final double[] dearest;
    private int steps;

    Enumeration(GridProblem problem, long[] duals, int[] wanted, int most) {
        this.problem = problem;
        this.duals = duals.clone();
        this.wanted = wanted.clone();
        this.most = most;
        this.dearest = new double[duals.length + 1];
        for (int i = duals.length - 1; i >= 0; i--) {
            dearest[i] = Math.max(dearest[i + 1], wanted[i] > 0 ? (double) duals[i] / problem.length(i) : 0);
        }
    }

    /** @param gap how much the price may fall short of the cost, in cost units */
    List<Cutting> of(int kind, double stockDual, long gap) {
        found.clear();
        if (problem.stock(kind).available() > 0) {
            descend(kind, 0, 0, 0, new int[duals.length], gap - stockDual);
        }
        return List.copyOf(found);
    }

    private void descend(int kind, int type, int used, long price, int[] cuts, double gap) {
        if (found.size() >= most || ++steps > MOST_STEPS) {
            return;
        }
        int free = problem.stock(kind).length() - used;
        if (problem.cost(kind, used) - price - dearest[type] * free > gap) {
            return;
        }
        if (type == duals.length) {
            if (used > 0) {
                found.add(new Cutting(problem, kind, cuts));
            }
            return;
        }
        int limit = Math.min(wanted[type], free / problem.length(type));
        for (int n = limit; n >= 0; n--) {
            cuts[type] = n;
            descend(kind, type + 1, used + n * problem.length(type), price + n * duals[type], cuts, gap);
        }
        cuts[type] = 0;
    }
}
