package dev.restis.core.cutting.solver;

import com.google.ortools.linearsolver.MPConstraint;
import com.google.ortools.linearsolver.MPSolver;
import com.google.ortools.linearsolver.MPVariable;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Long stock in the linear program: strands are cut from it by their length alone. */
final class Bulk {

    private final GridProblem problem;
    private final List<Integer> kinds;
    private final List<MPVariable> begun = new ArrayList<>();
    private @Nullable MPConstraint enough;

    /** @param kinds which stock is bulk */
    Bulk(GridProblem problem, List<Integer> kinds) {
        this.problem = problem;
        this.kinds = List.copyOf(kinds);
    }

    List<Integer> kinds() {
        return kinds;
    }

    boolean has(int kind) {
        return kinds.contains(kind);
    }

    /** The least that a step of one can cost, besides beginning it: that of one used up, or used until the rest is only just kept. */
    double rate(int kind) {
        int corner = Math.min(
                problem.usable(kind),
                problem.stock(kind).length() - problem.worth().keep());
        return Math.min(rate(kind, problem.usable(kind)), corner > 0 ? rate(kind, corner) : Double.POSITIVE_INFINITY);
    }

    private double rate(int kind, int used) {
        return (double) (problem.cost(kind, used) - problem.stock(kind).extra()) / Math.max(1, used);
    }

    void enter(MPSolver solver, MPConstraint[] wanted) {
        if (kinds.isEmpty()) {
            return;
        }
        enough = solver.makeConstraint(-MPSolver.infinity(), 0);
        for (int i = 0; i < wanted.length; i++) {
            // Without an upper bound: at one, the price of a strand could be anything.
            MPVariable z = solver.makeNumVar(0, MPSolver.infinity(), "");
            wanted[i].setCoefficient(z, 1);
            enough.setCoefficient(z, problem.length(i));
        }
        for (int kind : kinds) {
            StockLength bar = problem.stock(kind);
            MPVariable u = solver.makeNumVar(0, (double) problem.usable(kind) * bar.available(), "");
            enough.setCoefficient(u, -1);
            solver.objective().setCoefficient(u, rate(kind) / GridProblem.UNIT);
            MPVariable o = solver.makeNumVar(0, bar.available(), "");
            MPConstraint within = solver.makeConstraint(-MPSolver.infinity(), 0);
            within.setCoefficient(u, 1);
            within.setCoefficient(o, -problem.usable(kind));
            solver.objective().setCoefficient(o, (double) bar.extra() / GridProblem.UNIT);
            begun.add(o);
        }
    }

    /** What one more step would cost, in cost units; 0 where there is no long stock. */
    double price() {
        return enough == null ? 0 : -enough.dualValue() * GridProblem.UNIT;
    }

    /** How many of each long stock the solution begins, in the order of {@link #kinds()}. */
    double[] begun() {
        return begun.stream().mapToDouble(MPVariable::solutionValue).toArray();
    }

    /** Lets so many of each be begun, at least and at most. */
    void fix(Begun bounds) {
        for (int i = 0; i < begun.size(); i++) {
            begun.get(i).setBounds(bounds.least(i), bounds.most(i));
        }
    }
}
