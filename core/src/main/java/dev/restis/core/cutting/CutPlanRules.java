package dev.restis.core.cutting;

import dev.restis.core.cutting.CutPlan.SpoolPlan;
import dev.restis.core.cutting.CutPlan.Step;
import dev.restis.core.cutting.CutPlan.StepKind;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Stage;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** Checks a plan against the hard rules, knowing nothing of how it was made. */
public final class CutPlanRules {

    private CutPlanRules() {}

    /** Every rule that {@code plan} breaks for {@code request}, in words for a developer; empty when it breaks none. */
    public static List<String> broken(CutRequest request, CutPlan plan) {
        List<String> broken = new ArrayList<>();
        Map<Long, Demand> demands = request.demands().stream().collect(Collectors.toMap(Demand::id, d -> d));
        Map<Long, Holding> cutFrom = new HashMap<>();
        for (SpoolPlan spool : plan.spools()) {
            checkSpool(spool, demands, cutFrom, broken);
        }
        Map<Long, CutPlan.Trimming> trimmed = new HashMap<>();
        for (CutPlan.Trimming trimming : plan.trimmings()) {
            checkTrimming(trimming, demands, cutFrom, broken);
            trimmed.put(trimming.strand(), trimming);
        }
        checkTails(plan, demands, broken);
        Set<Long> waiting = plan.waiting().stream().map(CutPlan.Waiting::piece).collect(Collectors.toSet());
        Map<Demand.OneLot, Long> lots = new HashMap<>(request.begun());
        for (Demand demand : request.demands()) {
            CutPlan.Trimming trimming = trimmed.get(demand.id());
            Holding holding = cutFrom.get(trimming == null ? demand.id() : trimming.source());
            if (trimming != null && cutFrom.containsKey(demand.id())) {
                broken.add("strand " + demand.id() + " is cut though a tail serves it");
            }
            if ((holding == null) != waiting.contains(demand.piece())) {
                broken.add("strand " + demand.id() + " of piece " + demand.piece() + " is "
                        + (holding == null ? "not cut though its piece does not wait" : "cut though its piece waits"));
            }
            if (holding != null) {
                if (trimming == null && request.pin(demand).stream().anyMatch(pin -> pin != holding.id())) {
                    broken.add("strand " + demand.id() + " is cut from " + holding.id() + " but is pinned elsewhere");
                }
                Long lot = lots.putIfAbsent(demand.oneLot(), holding.lot());
                if (lot != null && lot != holding.lot()) {
                    broken.add(demand.oneLot() + " mixes lots " + lot + " and " + holding.lot());
                }
            }
        }
        return broken;
    }

    private static void checkTrimming(
            CutPlan.Trimming trimming, Map<Long, Demand> demands, Map<Long, Holding> cutFrom, List<String> broken) {
        Demand demand = demands.get(trimming.strand());
        Demand source = demands.get(trimming.source());
        if (demand == null || source == null || !cutFrom.containsKey(trimming.source())) {
            broken.add(trimming + " needs a strand that is asked for and a source that is cut");
        } else if (demand.cutAnyway()) {
            broken.add(trimming + " needs a strand that is not to be cut anyway");
        } else if (!trimmedBefore(source, demand) || source.article() != demand.article()) {
            broken.add(trimming + " needs a source of the same article that is trimmed before it is tied");
        } else if (trimming.tail().isLessThan(demand.length())
                || !source.tails().contains(trimming.tail())) {
            broken.add(trimming + " needs a tail of " + source.tails() + " that is " + demand.length() + " or longer");
        }
    }

    private static boolean trimmedBefore(Demand source, Demand demand) {
        boolean ownBody = source.stage() == Stage.BODY && demand.stage() == Stage.CLOSING;
        return source.piece() < demand.piece() || ownBody && source.piece() == demand.piece();
    }

    /** No tail serves twice. */
    private static void checkTails(CutPlan plan, Map<Long, Demand> demands, List<String> broken) {
        Map<Long, List<Length>> left = new HashMap<>();
        for (CutPlan.Trimming trimming : plan.trimmings()) {
            Demand source = demands.get(trimming.source());
            if (source != null
                    && !left.computeIfAbsent(source.id(), id -> new ArrayList<>(source.tails()))
                            .remove(trimming.tail())) {
                broken.add("the tail of " + trimming + " serves twice");
            }
        }
    }

    private static void checkSpool(
            SpoolPlan spool, Map<Long, Demand> demands, Map<Long, Holding> cutFrom, List<String> broken) {
        Holding holding = spool.holding();
        Length at = Length.ZERO;
        for (Step step : spool.steps()) {
            Length to = at.plus(step.length());
            if (step.kind() == StepKind.STRAND) {
                Demand demand = demands.get(step.strand());
                if (demand == null || demand.article() != holding.article()) {
                    broken.add(
                            "holding " + holding.id() + " cuts strand " + step.strand() + " that is not its article");
                } else if (!demand.length().equals(step.length())) {
                    broken.add("strand " + demand.id() + " needs " + demand.length() + " but gets " + step.length());
                }
                if (cutFrom.put(step.strand(), holding) != null) {
                    broken.add("strand " + step.strand() + " is cut twice");
                }
                for (Length flaw : holding.flaws()) {
                    if (at.isLessThan(flaw) && flaw.isLessThan(to)) {
                        broken.add("strand " + step.strand() + " crosses the flaw at " + flaw);
                    }
                }
            }
            at = to;
        }
        if (!at.equals(holding.length())) {
            broken.add("holding " + holding.id() + " of " + holding.length() + " is cut into " + at);
        }
    }
}
