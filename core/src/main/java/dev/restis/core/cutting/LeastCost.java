package dev.restis.core.cutting;

import dev.restis.core.cutting.CutPlan.Quality;
import dev.restis.core.cutting.solver.GridProblem;
import dev.restis.core.cutting.solver.GridSolver;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;

/**
 * Plans near the least cost, and says how near. The plain planner decides which lot each piece is of, and pieces for which it
 * finds no room are fitted in closer where that goes; then the strands of
 * each lot are laid anew by {@link GridSolver}, pieces are moved from lot to lot where that pays, and what costs no less stays as it was, so
 * that no plan is costlier than the plain one.
 * The bound is that of all lots of an article together, so that it holds for every choice of lots. The same request
 * gives the same plan, unless the clock ends the search; then the plan says that it is not complete.
 */
public final class LeastCost implements CutPlanner {

    private final GridSolver.Effort effort;
    private final int exchanges;
    private final Duration within;
    private final BooleanSupplier wanted;

    /**
     * @param exchanges how many moves of a piece from lot to lot are tried for each article
     * @param within how long it may take to better the plan; the first takes what it takes
     */
    public LeastCost(GridSolver.Effort effort, int exchanges, Duration within) {
        this(effort, exchanges, within, () -> true);
    }

    /** @param wanted asked again and again whether a better plan is still wanted; as soon as it is not, the best is answered */
    public LeastCost(GridSolver.Effort effort, int exchanges, Duration within, BooleanSupplier wanted) {
        this.effort = effort;
        this.exchanges = exchanges;
        this.within = within;
        this.wanted = wanted;
    }

    @Override
    public CutPlan plan(CutRequest request) {
        long end = System.nanoTime() + within.toNanos();
        BooleanSupplier on = () -> System.nanoTime() < end && wanted.getAsBoolean();
        FirstFitDecreasing.Laid plain = FirstFitDecreasing.lay(request);
        FirstFitDecreasing.Laid laid = new FirstFitDecreasing.Laid(
                plain.spools(), new CloserFit(request, plain.spools(), on).of(plain.waiting()));
        Map<Long, List<OpenSpool>> articles = new TreeMap<>(laid.spools().stream()
                .collect(Collectors.groupingBy(s -> s.holding().article())));
        Sums sums = new Sums();
        articles.values().stream()
                .filter(spools -> spools.stream().anyMatch(OpenSpool::touched))
                .forEach(spools -> better(spools, request, on, sums));
        CutPlan plan = laid.toPlan();
        return sums.known() ? plan.of(sums.quality(on.getAsBoolean())) : plan;
    }

    private void better(List<OpenSpool> spools, CutRequest request, BooleanSupplier on, Sums sums) {
        long oldest = OpenSpool.oldest(spools);
        List<LotLay> plain = new TreeMap<>(spools.stream()
                        .collect(Collectors.groupingBy(s -> s.holding().lot())))
                .values().stream()
                        .map(lot -> LotLay.of(lot, request.aims(), oldest))
                        .toList();
        List<Demand> strands =
                plain.stream().flatMap(lot -> lot.strands().stream()).toList();
        if (strands.isEmpty()) {
            return;
        }
        List<LotLay> lots = plain.stream()
                .map(lot -> on.getAsBoolean() ? lot.solved(effort, on) : lot)
                .toList();
        long bound = lots.size() == 1
                ? lots.get(0).bound()
                : GridSolver.bound(new LotGrid(spools, strands, request.aims(), oldest).problem());
        if (cost(lots) > bound) {
            lots = new LotExchange(request, lots, exchanges, on).moved();
        }
        lots.forEach(LotLay::lay);
        sums.plain += cost(plain);
        sums.cost += cost(lots);
        sums.bound += Math.min(cost(lots), bound);
    }

    private static long cost(List<LotLay> lots) {
        return lots.stream().mapToLong(LotLay::cost).sum();
    }

    /** In cost units, over all articles. */
    private static final class Sums {
        private static final int SCALE = 6;

        private long cost;
        private long bound;
        private long plain;

        /** Where nothing at all is proved, nothing is said. */
        boolean known() {
            return bound > 0 || cost == 0;
        }

        Quality quality(boolean complete) {
            return new Quality(
                    money(cost, RoundingMode.HALF_UP),
                    money(bound, RoundingMode.HALF_UP),
                    money(plain, RoundingMode.HALF_UP),
                    complete);
        }

        private static BigDecimal money(long units, RoundingMode rounding) {
            return BigDecimal.valueOf(units).divide(BigDecimal.valueOf(GridProblem.UNIT), SCALE, rounding);
        }
    }
}
