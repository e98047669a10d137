package dev.restis.core.cutting;

import dev.restis.core.cutting.solver.GridSolver;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;

/**
 * Moves pieces and sets from lot to lot, each as a whole, as long as that costs less: first lots are emptied, into one other or, where
 * they have few, into several, which may spare the opening of a spool; then single ones are moved. What is begun, or pinned, stays in its lot.
 */
final class LotExchange {

    private static final GridSolver.Effort QUICK = new GridSolver.Effort(1, 0);
    /** A lot with more pieces than that is emptied into one other only. */
    private static final int FEW = 6;

    private final CutRequest request;
    private final BooleanSupplier on;
    private final List<LotLay> lots;
    private int left;

    /**
     * @param lots of one article
     * @param tries how many moves may be tried
     */
    LotExchange(CutRequest request, List<LotLay> lots, int tries, BooleanSupplier on) {
        this.request = request;
        this.lots = new ArrayList<>(lots);
        this.left = tries;
        this.on = on;
    }

    /** The lots after all moves that paid, in their order. */
    List<LotLay> moved() {
        boolean paid = true;
        while (paid && goesOn()) {
            paid = emptied() | singles();
        }
        return List.copyOf(lots);
    }

    private boolean goesOn() {
        return left > 0 && on.getAsBoolean();
    }

    private boolean emptied() {
        boolean paid = false;
        for (int from = 0; from < lots.size() && goesOn(); from++) {
            List<List<Demand>> units = units(lots.get(from));
            int strands = units.stream().mapToInt(List::size).sum();
            if (!units.isEmpty() && strands == lots.get(from).strands().size()) {
                paid |= units.size() > 1 && emptied(from, List.of(lots.get(from).strands()))
                        || units.size() <= FEW && emptied(from, units);
            }
        }
        return paid;
    }

    /** @param units which go together */
    private boolean emptied(int from, List<List<Demand>> units) {
        List<LotLay> now = new ArrayList<>(lots);
        for (List<Demand> unit : units) {
            Optional<Move> best = bestFor(unit, from, now);
            if (best.isEmpty()) {
                return false;
            }
            now.set(best.get().to(), best.get().after());
        }
        Optional<LotLay> empty = lots.get(from).without(lots.get(from).strands(), QUICK, on);
        if (empty.isEmpty()) {
            return false;
        }
        now.set(from, empty.get());
        return taken(now);
    }

    private boolean singles() {
        boolean paid = false;
        for (int from = 0; from < lots.size(); from++) {
            for (List<Demand> unit : units(lots.get(from))) {
                if (!goesOn()) {
                    return paid;
                }
                Optional<Move> best = bestFor(unit, from, lots);
                Optional<LotLay> rest =
                        best.isEmpty() ? Optional.empty() : lots.get(from).without(unit, QUICK, on);
                if (best.isPresent() && rest.isPresent()) {
                    List<LotLay> now = new ArrayList<>(lots);
                    now.set(from, rest.get());
                    now.set(best.get().to(), best.get().after());
                    paid |= taken(now);
                }
            }
        }
        return paid;
    }

    private boolean taken(List<LotLay> now) {
        boolean pays = cost(now) < cost(lots);
        if (pays) {
            lots.clear();
            lots.addAll(now);
        }
        return pays;
    }

    private static long cost(List<LotLay> all) {
        return all.stream().mapToLong(LotLay::cost).sum();
    }

    private record Move(int to, LotLay after, long more) {}

    /** Where a unit would cost least. */
    private Optional<Move> bestFor(List<Demand> unit, int from, List<LotLay> now) {
        List<Move> moves = new ArrayList<>();
        for (int to = 0; to < now.size() && goesOn(); to++) {
            if (to != from) {
                left--;
                int at = to;
                LotLay before = now.get(to);
                before.with(unit, QUICK, on)
                        .ifPresent(after -> moves.add(new Move(at, after, after.cost() - before.cost())));
            }
        }
        return moves.stream().min(Comparator.comparingLong(Move::more).thenComparing(Move::to));
    }

    /** Pieces and sets of a lot that may go elsewhere, the shortest first. */
    private List<List<Demand>> units(LotLay lot) {
        Map<String, List<Demand>> units = lot.strands().stream()
                .collect(Collectors.groupingBy(d -> d.oneLot().toString(), TreeMap::new, Collectors.toList()));
        Set<Demand.OneLot> fixed = new HashSet<>(request.begun().keySet());
        request.demands().stream().filter(d -> request.pin(d).isPresent()).forEach(d -> fixed.add(d.oneLot()));
        return units.values().stream()
                .filter(unit -> !fixed.contains(unit.get(0).oneLot()))
                .sorted(Comparator.comparingLong(LotExchange::length))
                .toList();
    }

    private static long length(List<Demand> unit) {
        return unit.stream().mapToLong(d -> d.length().micrometres()).sum();
    }
}
