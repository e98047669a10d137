package dev.restis.core.cutting.solver;

import java.util.Arrays;

/**
 * A way to cut one stock length.
 *
 * <p>Not a record, for it holds an array and is told apart by it.
 */
public final class Cutting {

    private final int kind;
    private final int[] cuts;
    private final int used;
    private final long cost;

    /** @param cuts how many of each type */
    Cutting(GridProblem problem, int kind, int[] cuts) {
        this.kind = kind;
        this.cuts = cuts.clone();
        int sum = 0;
        for (int i = 0; i < cuts.length; i++) {
            sum += cuts[i] * problem.length(i);
        }
        this.used = sum;
        this.cost = problem.cost(kind, sum);
    }

    public int kind() {
        return kind;
    }

    public int cuts(int type) {
        return cuts[type];
    }

    public int used() {
        return used;
    }

    public long cost() {
        return cost;
    }

    /** Whether it cuts no more than is still wanted of any type. */
    boolean within(int[] wanted) {
        for (int i = 0; i < cuts.length; i++) {
            if (cuts[i] > wanted[i]) {
                return false;
            }
        }
        return true;
    }

    /** The same without what is not wanted; what is longer then is worth no less. */
    Cutting trimmed(GridProblem problem, int[] wanted) {
        if (within(wanted)) {
            return this;
        }
        int[] fewer = cuts.clone();
        for (int i = 0; i < fewer.length; i++) {
            fewer[i] = Math.min(fewer[i], wanted[i]);
        }
        return new Cutting(problem, kind, fewer);
    }

    void takeFrom(int[] wanted) {
        for (int i = 0; i < cuts.length; i++) {
            wanted[i] -= cuts[i];
        }
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Cutting c && c.kind == kind && Arrays.equals(c.cuts, cuts);
    }

    @Override
    public int hashCode() {
        return 31 * kind + Arrays.hashCode(cuts);
    }
}
