package dev.restis.core.cutting;

import dev.restis.core.cutting.CutPlan.SpoolPlan;
import dev.restis.core.cutting.CutPlan.Step;
import dev.restis.core.cutting.CutPlan.StepKind;
import dev.restis.core.cutting.CutPlan.Trimming;
import dev.restis.core.cutting.CutPlan.Waiting;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Stage;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * Serves short strands by the tails that pieces made before them leave, and lets another planner cut the rest. What closes a
 * piece may take the tails of the piece's own body too, which is trimmed by then; those that run through the closing are not. A
 * strand takes the shortest tail that is long enough. The lot rule holds for tails too: where a piece or its set has further strands of
 * the article, the tail must come from their lot; where the plan turns out otherwise, or the source's piece has to wait, the
 * strand is cut after all and the plan made again. Each round bars at least one strand, so it ends; two rounds are usual.
 */
public final class WithTrimmings implements CutPlanner {

    private final CutPlanner planner;

    public WithTrimmings(CutPlanner planner) {
        this.planner = planner;
    }

    @Override
    public CutPlan plan(CutRequest request) {
        Set<Long> barred = new HashSet<>();
        while (true) {
            List<Trimming> served = served(request.demands(), barred);
            Set<Long> uncut = served.stream().map(Trimming::strand).collect(Collectors.toSet());
            List<Demand> rest = request.demands().stream()
                    .filter(d -> !uncut.contains(d.id()))
                    .toList();
            CutPlan plan = planner.plan(request.with(rest));
            Outcome outcome = new Outcome(request, plan);
            List<Long> failed =
                    served.stream().filter(outcome::fails).map(Trimming::strand).toList();
            if (failed.isEmpty()) {
                return plan.with(served.stream().filter(outcome::needed).toList());
            }
            barred.addAll(failed);
        }
    }

    private static List<Trimming> served(List<Demand> demands, Set<Long> barred) {
        Map<Long, List<Demand>> pieces = new TreeMap<>();
        demands.forEach(
                d -> pieces.computeIfAbsent(d.piece(), p -> new ArrayList<>()).add(d));
        List<Trimming> served = new ArrayList<>();
        Map<Long, List<Tail>> left = new HashMap<>();
        for (List<Demand> piece : pieces.values()) {
            Map<Stage, List<Demand>> cut = new EnumMap<>(Stage.class);
            piece.stream().filter(d -> d.stage() != Stage.CLOSING).forEach(d -> serve(d, barred, left, served, cut));
            leave(cut.getOrDefault(Stage.BODY, List.of()), left);
            piece.stream().filter(d -> d.stage() == Stage.CLOSING).forEach(d -> serve(d, barred, left, served, cut));
            leave(cut.getOrDefault(Stage.CLOSED_OVER, List.of()), left);
            leave(cut.getOrDefault(Stage.CLOSING, List.of()), left);
        }
        return served;
    }

    /** Gives a strand the shortest tail that is long enough; it is cut where there is none. */
    private static void serve(
            Demand demand,
            Set<Long> barred,
            Map<Long, List<Tail>> left,
            List<Trimming> served,
            Map<Stage, List<Demand>> cut) {
        List<Tail> tails = left.getOrDefault(demand.article(), List.of());
        Optional<Tail> tail = demand.cutAnyway() || barred.contains(demand.id())
                ? Optional.empty()
                : tails.stream()
                        .filter(t -> !t.length().isLessThan(demand.length()))
                        .min(Comparator.comparing(Tail::length).thenComparing(Tail::source));
        tail.ifPresentOrElse(
                t -> {
                    tails.remove(t);
                    served.add(new Trimming(demand.id(), t.source(), t.length()));
                },
                () -> cut.computeIfAbsent(demand.stage(), s -> new ArrayList<>())
                        .add(demand));
    }

    private static void leave(List<Demand> cut, Map<Long, List<Tail>> left) {
        for (Demand demand : cut) {
            List<Tail> tails = left.computeIfAbsent(demand.article(), a -> new ArrayList<>());
            demand.tails().forEach(t -> tails.add(new Tail(demand.id(), t)));
        }
    }

    private record Tail(long source, Length length) {}

    /** What a plan means for the strands that it was not asked to cut. */
    private static final class Outcome {
        private final Map<Long, Demand> demands;
        private final Map<Long, Long> lotOfStrand = new HashMap<>();
        private final Map<Demand.OneLot, Long> lots;
        private final Set<Long> waiting;

        Outcome(CutRequest request, CutPlan plan) {
            lots = new HashMap<>(request.begun());
            demands = request.demands().stream().collect(Collectors.toMap(Demand::id, Function.identity()));
            waiting = plan.waiting().stream().map(Waiting::piece).collect(Collectors.toSet());
            for (SpoolPlan spool : plan.spools()) {
                for (Step step : spool.steps()) {
                    if (step.kind() == StepKind.STRAND) {
                        long lot = spool.holding().lot();
                        lotOfStrand.put(step.strand(), lot);
                        lots.put(demand(step.strand()).oneLot(), lot);
                    }
                }
            }
        }

        boolean needed(Trimming trimming) {
            return !waiting.contains(demand(trimming.strand()).piece());
        }

        /** Whether the source is cut, from the lot that the piece has of this article; later tails must match this one. */
        boolean fails(Trimming trimming) {
            if (!needed(trimming)) {
                return false;
            }
            Long lot = lotOfStrand.get(trimming.source());
            return lot == null
                    || !lot.equals(
                            lots.computeIfAbsent(demand(trimming.strand()).oneLot(), key -> lot));
        }

        private Demand demand(long strand) {
            Demand demand = demands.get(strand);
            if (demand == null) {
                throw new IllegalStateException("Impossible state: strand " + strand + " was not asked for");
            }
            return demand;
        }
    }
}
