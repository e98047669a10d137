package dev.restis.core.cutting;

import dev.restis.core.cutting.OpenSpool.Stretch;
import dev.restis.core.cutting.solver.GridPlan;
import dev.restis.core.cutting.solver.GridSolver;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;

/**
 * How the strands of one article are laid on the holdings of one lot; nothing is moved before {@link #lay} is called.
 *
 * @param spools holdings of the lot
 * @param strands what is cut from it and may be laid anew
 * @param cost in cost units
 * @param bound what no way to lay them here costs less than; 0 where it is not known
 * @param plan empty as long as they lie as they lay at first
 */
record LotLay(
        List<OpenSpool> spools,
        CutAims aims,
        long oldestDays,
        List<Demand> strands,
        long cost,
        long bound,
        Optional<GridPlan> plan) {

    /** As it lies now. */
    static LotLay of(List<OpenSpool> spools, CutAims aims, long oldestDays) {
        List<Demand> strands =
                stretches(spools).stream().flatMap(s -> s.loose().stream()).toList();
        long cost = strands.isEmpty() ? 0 : new LotGrid(spools, strands, aims, oldestDays).cost();
        return new LotLay(spools, aims, oldestDays, strands, cost, 0, Optional.empty());
    }

    private static List<Stretch> stretches(List<OpenSpool> spools) {
        return spools.stream().flatMap(s -> s.stretches().stream()).toList();
    }

    private LotGrid grid() {
        return new LotGrid(spools, strands, aims, oldestDays);
    }

    /** The same laid at less cost, where that goes. */
    LotLay solved(GridSolver.Effort effort, BooleanSupplier on) {
        return strands.isEmpty()
                ? this
                : GridSolver.solve(grid().problem(), effort, on)
                        .map(p -> p.cost() < cost
                                ? new LotLay(spools, aims, oldestDays, strands, p.cost(), p.bound(), Optional.of(p))
                                : new LotLay(spools, aims, oldestDays, strands, cost, p.bound(), plan))
                        .orElse(this);
    }

    /** With these strands besides; empty when they find no room. */
    Optional<LotLay> with(List<Demand> more, GridSolver.Effort effort, BooleanSupplier on) {
        List<Demand> all = new ArrayList<>(strands);
        all.addAll(more);
        return laid(all, effort, on);
    }

    Optional<LotLay> without(List<Demand> less, GridSolver.Effort effort, BooleanSupplier on) {
        List<Demand> rest = new ArrayList<>(strands);
        rest.removeAll(less);
        return laid(rest, effort, on);
    }

    private Optional<LotLay> laid(List<Demand> others, GridSolver.Effort effort, BooleanSupplier on) {
        if (others.isEmpty()) {
            return Optional.of(new LotLay(spools, aims, oldestDays, others, 0, 0, Optional.empty()));
        }
        LotGrid grid = new LotGrid(spools, others, aims, oldestDays);
        return grid.mayHold()
                ? GridSolver.solve(grid.problem(), effort, on)
                        .map(p -> new LotLay(spools, aims, oldestDays, others, p.cost(), p.bound(), Optional.of(p)))
                : Optional.empty();
    }

    /** Puts the strands where they are to lie. */
    void lay() {
        if (strands.isEmpty()) {
            stretches(spools).forEach(Stretch::clear);
        } else {
            plan.ifPresent(p -> grid().lay(p));
        }
    }
}
