package dev.restis.core.cutting;

import dev.restis.core.cutting.CutPlan.Waiting;
import dev.restis.core.cutting.solver.GridPlan;
import dev.restis.core.cutting.solver.GridSolver;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;

/**
 * Finds room for pieces that the plain plan lets wait, by laying what is on a lot closer. Pieces of a matching set are left
 * alone, because a set waits as a whole, and so are pinned pieces. Tries lots in the request's order and takes the first that holds all.
 */
final class CloserFit {

    private static final GridSolver.Effort QUICK = new GridSolver.Effort(2, 0);
    private static final int MOST_TRIES = 40;

    private record Found(LotGrid grid, GridPlan plan) {}

    private final CutRequest request;
    private final Map<Long, Map<Long, List<OpenSpool>>> lots;
    private final BooleanSupplier on;
    private int tries;

    CloserFit(CutRequest request, List<OpenSpool> spools, BooleanSupplier on) {
        this.request = request;
        this.on = on;
        this.lots = new TreeMap<>(spools.stream()
                .collect(Collectors.groupingBy(
                        s -> s.holding().article(),
                        Collectors.groupingBy(s -> s.holding().lot(), LinkedHashMap::new, Collectors.toList()))));
    }

    /** Lays what fits; answers what has to wait all the same. */
    List<Waiting> of(List<Waiting> waiting) {
        List<Waiting> still = new ArrayList<>();
        for (Waiting piece : waiting) {
            List<Demand> strands = request.demands().stream()
                    .filter(d -> d.piece() == piece.piece())
                    .toList();
            boolean alone = strands.stream()
                    .allMatch(d -> d.set().isEmpty() && request.pin(d).isEmpty());
            if (!alone || !placed(strands)) {
                still.add(piece);
            }
        }
        return still;
    }

    private boolean placed(List<Demand> strands) {
        Map<Long, List<Demand>> byArticle =
                new TreeMap<>(strands.stream().collect(Collectors.groupingBy(Demand::article)));
        List<Found> all = new ArrayList<>();
        for (Map.Entry<Long, List<Demand>> article : byArticle.entrySet()) {
            Optional<Found> found = lotsFor(article.getValue().get(0)).stream()
                    .flatMap(lot -> with(lot, article.getValue()).stream())
                    .findFirst();
            if (found.isEmpty()) {
                return false;
            }
            all.add(found.get());
        }
        all.forEach(f -> f.grid().lay(f.plan()));
        return true;
    }

    private Collection<List<OpenSpool>> lotsFor(Demand strand) {
        Map<Long, List<OpenSpool>> all = lots.getOrDefault(strand.article(), Map.of());
        Long begun = request.begun().get(strand.oneLot());
        return begun == null ? all.values() : List.of(all.getOrDefault(begun, List.of()));
    }

    private long oldest(long article) {
        return OpenSpool.oldest(lots.getOrDefault(article, Map.of()).values().stream()
                .flatMap(List::stream)
                .toList());
    }

    private Optional<Found> with(List<OpenSpool> lot, List<Demand> more) {
        List<Demand> strands = new ArrayList<>(more);
        lot.stream().flatMap(s -> s.stretches().stream()).forEach(s -> strands.addAll(s.loose()));
        if (lot.isEmpty()) {
            return Optional.empty();
        }
        LotGrid grid =
                new LotGrid(lot, strands, request.aims(), oldest(more.get(0).article()));
        if (!grid.mayHold() || tries >= MOST_TRIES || !on.getAsBoolean()) {
            return Optional.empty();
        }
        tries++;
        return GridSolver.solve(grid.problem(), QUICK, on).map(plan -> new Found(grid, plan));
    }
}
