package dev.restis.core.cutting.solver;

import com.google.ortools.linearsolver.MPConstraint;
import com.google.ortools.linearsolver.MPObjective;
import com.google.ortools.linearsolver.MPSolver;
import com.google.ortools.linearsolver.MPVariable;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * The linear program that chooses among the cuttings known so far: every type at least as often as it is wanted, no more of
 * a stock length than there is. Long stock is bulk: strands are cut from it by the length alone, at its least cost a step.
 * A strand may be missing at a price that nobody would pay, so that there always is a solution.
 */
final class Master implements AutoCloseable {

    private final GridProblem problem;
    private final MPSolver solver;
    private final MPObjective objective;
    private final MPConstraint[] wanted;
    private final MPConstraint[] available;
    private final Map<Cutting, MPVariable> columns = new LinkedHashMap<>();
    private final MPVariable[] missing;
    private final Bulk bulk;

    Master(GridProblem problem, Bulk bulk) {
        this.problem = problem;
        this.bulk = bulk;
        this.solver = MPSolver.createSolver("GLOP");
        this.objective = solver.objective();
        this.objective.setMinimization();
        this.wanted = new MPConstraint[problem.types()];
        this.missing = new MPVariable[problem.types()];
        double never = never(problem);
        for (int i = 0; i < wanted.length; i++) {
            wanted[i] = solver.makeConstraint(problem.count(i), MPSolver.infinity());
            missing[i] = solver.makeNumVar(0, MPSolver.infinity(), "");
            wanted[i].setCoefficient(missing[i], 1);
            objective.setCoefficient(missing[i], never * problem.length(i));
        }
        this.available = new MPConstraint[problem.stock().size()];
        for (int k = 0; k < available.length; k++) {
            available[k] =
                    solver.makeConstraint(-MPSolver.infinity(), problem.stock(k).available());
        }
        bulk.enter(solver, wanted);
    }

    /** More a step than any cutting could cost. */
    private static double never(GridProblem problem) {
        double most = 0;
        for (int k = 0; k < problem.stock().size(); k++) {
            most = Math.max(most, (double) problem.cost(k, problem.stock(k).length()));
        }
        double shortest = Math.max(1, problem.length(problem.types() - 1));
        return 2 * Math.max(most, 1) / GridProblem.UNIT / shortest;
    }

    /** Whether it was not known yet. */
    boolean add(Cutting cutting) {
        if (columns.containsKey(cutting)) {
            return false;
        }
        MPVariable column = solver.makeNumVar(0, MPSolver.infinity(), "");
        objective.setCoefficient(column, (double) cutting.cost() / GridProblem.UNIT);
        for (int i = 0; i < wanted.length; i++) {
            if (cutting.cuts(i) > 0) {
                wanted[i].setCoefficient(column, cutting.cuts(i));
            }
        }
        available[cutting.kind()].setCoefficient(column, 1);
        columns.put(cutting, column);
        return true;
    }

    /** Sets what is still wanted and still there; cuttings that give more than is wanted are put aside. */
    void restrict(int[] stillWanted, int[] stillThere) {
        for (int i = 0; i < wanted.length; i++) {
            wanted[i].setBounds(stillWanted[i], MPSolver.infinity());
        }
        for (int k = 0; k < available.length; k++) {
            available[k].setUb(stillThere[k]);
        }
        columns.forEach((cutting, column) -> column.setUb(cutting.within(stillWanted) ? MPSolver.infinity() : 0));
    }

    /** Solves it; false when the solver cannot. */
    boolean solve() {
        return solver.solve() == MPSolver.ResultStatus.OPTIMAL;
    }

    /** What one more strand of each type would cost, rounded down to whole cost units. */
    long[] strandDuals() {
        long[] duals = new long[wanted.length];
        for (int i = 0; i < duals.length; i++) {
            duals[i] = (long) Math.floor(Math.max(0, wanted[i].dualValue()) * GridProblem.UNIT);
        }
        return duals;
    }

    /** What one more of each stock length would save. */
    double[] stockDuals() {
        double[] duals = new double[available.length];
        for (int k = 0; k < duals.length; k++) {
            duals[k] = Math.max(0, -available[k].dualValue()) * GridProblem.UNIT;
        }
        return duals;
    }

    boolean complete() {
        for (MPVariable m : missing) {
            if (m.solutionValue() > 1e-6) {
                return false;
            }
        }
        return true;
    }

    /** A cutting and how often the solution takes it. */
    record Taken(Cutting cutting, double times) {}

    List<Taken> taken() {
        List<Taken> taken = new ArrayList<>();
        columns.forEach((cutting, column) -> {
            double times = column.solutionValue();
            if (times > 1e-7) {
                taken.add(new Taken(cutting, times));
            }
        });
        return taken;
    }

    List<Cutting> columns() {
        return List.copyOf(columns.keySet());
    }

    @Override
    public void close() {
        solver.delete();
    }
}
