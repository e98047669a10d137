package dev.restis.core.cutting;

import dev.restis.core.cutting.OpenSpool.Stretch;
import dev.restis.core.cutting.solver.Cutting;
import dev.restis.core.cutting.solver.GridPlan;
import dev.restis.core.cutting.solver.GridProblem;
import dev.restis.core.cutting.solver.RestWorth;
import dev.restis.core.cutting.solver.StockLength;
import dev.restis.core.measure.Length;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * Strands of one article and the stretches they may be cut from, put on a grid of whole millimetres: strands rounded up,
 * stretches down, so that what fits there fits.
 */
final class LotGrid {

    private static final long STEP_UM = 1_000;
    private static final double STEPS_IN_METRE = 1_000;
    private static final double DAYS_IN_YEAR = 365;
    /** What lies before a flaw must come off before the cord behind it is reached: it costs that share of its price. */
    private static final double WINDING = 0.1;

    private record Stock(int length, long extra) {}

    private final Map<Integer, List<Demand>> strands = new TreeMap<>(Comparator.reverseOrder());
    private final Map<Stock, List<Stretch>> stretches = new LinkedHashMap<>();
    private final GridProblem problem;

    /**
     * @param spools of one article, at least one
     * @param oldestDays how old the oldest holding of the article is, in whichever lot
     */
    LotGrid(List<OpenSpool> spools, List<Demand> demands, CutAims aims, long oldestDays) {
        demands.stream()
                .sorted(Comparator.comparing(Demand::id))
                .forEach(d -> strands.computeIfAbsent(up(d.length()), l -> new ArrayList<>())
                        .add(d));
        Holding any = spools.get(0).holding();
        double perStep = aims.price(any.article()) / STEPS_IN_METRE * GridProblem.UNIT;
        RestWorth worth = new RestWorth(
                Math.round(perStep * aims.leftoverShare()),
                Math.round(aims.handling() * GridProblem.UNIT),
                up(any.keepLength()));
        for (OpenSpool spool : spools) {
            double younger = (oldestDays - spool.holding().ageDays()) / DAYS_IN_YEAR * aims.ageing() * GridProblem.UNIT;
            long before = 0;
            for (Stretch stretch : spool.stretches()) {
                int length = Math.toIntExact(stretch.room().micrometres() / STEP_UM);
                long reached =
                        before == 0 ? 0 : Math.round(aims.handling() * GridProblem.UNIT + WINDING * perStep * before);
                before += stretch.length().micrometres() / STEP_UM;
                if (length == 0) {
                    continue;
                }
                boolean opened = !spool.holding().sealed() || stretch.room().isLessThan(stretch.length());
                long sealed = opened ? 0 : Math.round(perStep * length) - worth.of(length);
                stretches
                        .computeIfAbsent(
                                new Stock(length, Math.max(0, sealed) + Math.round(younger) + reached),
                                s -> new ArrayList<>())
                        .add(stretch);
            }
        }
        problem = new GridProblem(
                strands.keySet().stream().mapToInt(l -> l).toArray(),
                strands.values().stream().mapToInt(List::size).toArray(),
                stretches.entrySet().stream()
                        .map(e -> new StockLength(
                                e.getKey().length(),
                                e.getValue().size(),
                                e.getKey().extra()))
                        .toList(),
                worth);
    }

    private static int up(Length length) {
        return Math.toIntExact((length.micrometres() + STEP_UM - 1) / STEP_UM);
    }

    GridProblem problem() {
        return problem;
    }

    /** Whether there is as much as is asked for; it may still not fit. */
    boolean mayHold() {
        long there = problem.stock().stream()
                .mapToLong(s -> (long) s.length() * s.available())
                .sum();
        return problem.demand() <= there;
    }

    /** What the strands cost as they lie now. */
    long cost() {
        long cost = 0;
        int kind = 0;
        for (List<Stretch> alike : stretches.values()) {
            for (Stretch stretch : alike) {
                int used =
                        stretch.loose().stream().mapToInt(d -> up(d.length())).sum();
                if (used > 0) {
                    cost += problem.cost(
                            kind, Math.min(used, problem.stock(kind).length()));
                }
            }
            kind++;
        }
        return cost;
    }

    /** Lays the strands as the plan says. */
    void lay(GridPlan plan) {
        stretches.values().forEach(alike -> alike.forEach(Stretch::clear));
        List<Deque<Demand>> waiting =
                strands.values().stream().<Deque<Demand>>map(ArrayDeque::new).toList();
        List<Deque<Stretch>> free =
                stretches.values().stream().<Deque<Stretch>>map(ArrayDeque::new).toList();
        for (Cutting cutting : plan.cuttings()) {
            Stretch stretch = free.get(cutting.kind()).remove();
            for (int type = 0; type < waiting.size(); type++) {
                for (int n = 0; n < cutting.cuts(type); n++) {
                    Demand strand = waiting.get(type).remove();
                    if (!stretch.add(strand)) {
                        throw new IllegalStateException("Impossible state: strand " + strand.id() + " does not fit");
                    }
                }
            }
        }
    }
}
