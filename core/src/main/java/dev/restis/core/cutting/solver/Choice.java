package dev.restis.core.cutting.solver;

import com.google.ortools.linearsolver.MPConstraint;
import com.google.ortools.linearsolver.MPSolver;
import com.google.ortools.linearsolver.MPSolverParameters;
import com.google.ortools.linearsolver.MPVariable;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** The cheapest whole choice among given cuttings that serves every strand. */
final class Choice {

    private static final String LIMITS = "limits/totalnodes = %d%nrandomization/randomseedshift = 1%n";

    private Choice() {}

    /**
     * @param below only a choice that costs less is wanted, in cost units
     * @param nodes how far to search; the same for the same machine and any other
     */
    static Optional<List<Cutting>> cheapest(GridProblem problem, List<Cutting> among, long below, int nodes) {
        MPSolver solver = MPSolver.createSolver("SCIP");
        try {
            solver.setSolverSpecificParametersAsString(String.format(Locale.ROOT, LIMITS, nodes));
            MPConstraint[] wanted = new MPConstraint[problem.types()];
            for (int i = 0; i < wanted.length; i++) {
                wanted[i] = solver.makeConstraint(problem.count(i), MPSolver.infinity());
            }
            MPConstraint[] there = new MPConstraint[problem.stock().size()];
            for (int k = 0; k < there.length; k++) {
                there[k] = solver.makeConstraint(0, problem.stock(k).available());
            }
            MPConstraint cheaper = solver.makeConstraint(-MPSolver.infinity(), (double) (below - 1) / GridProblem.UNIT);
            List<MPVariable> times = new ArrayList<>();
            for (Cutting cutting : among) {
                MPVariable x =
                        solver.makeIntVar(0, problem.stock(cutting.kind()).available(), "");
                for (int i = 0; i < wanted.length; i++) {
                    if (cutting.cuts(i) > 0) {
                        wanted[i].setCoefficient(x, cutting.cuts(i));
                    }
                }
                there[cutting.kind()].setCoefficient(x, 1);
                double cost = (double) cutting.cost() / GridProblem.UNIT;
                cheaper.setCoefficient(x, cost);
                solver.objective().setCoefficient(x, cost);
                times.add(x);
            }
            solver.objective().setMinimization();
            MPSolver.ResultStatus status = solver.solve(new MPSolverParameters());
            if (status != MPSolver.ResultStatus.OPTIMAL && status != MPSolver.ResultStatus.FEASIBLE) {
                return Optional.empty();
            }
            return Optional.of(whole(problem, among, times));
        } finally {
            solver.delete();
        }
    }

    private static List<Cutting> whole(GridProblem problem, List<Cutting> among, List<MPVariable> times) {
        int[] wanted = problem.counts();
        List<Cutting> chosen = new ArrayList<>();
        for (int c = 0; c < among.size(); c++) {
            for (long n = Math.round(times.get(c).solutionValue()); n > 0; n--) {
                Cutting trimmed = among.get(c).trimmed(problem, wanted);
                if (trimmed.used() > 0) {
                    trimmed.takeFrom(wanted);
                    chosen.add(trimmed);
                }
            }
        }
        return chosen;
    }
}
