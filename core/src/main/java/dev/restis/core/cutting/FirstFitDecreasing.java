package dev.restis.core.cutting;

import dev.restis.core.cutting.CutPlan.Waiting;
import dev.restis.core.measure.Length;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * The plain planner: pieces, and matching sets as if they were one piece, those that are pinned first, then in falling order of the cord they need; each
 * takes, article by article, the first lot whose holdings take all its strands, longest strand first, each on the first
 * holding with room. A set that no lot can serve waits as a whole, or what is cut of it now could not be matched later.
 * Keeps every hard rule; claims nothing about waste. Cost: strands times holdings of their article.
 */
public final class FirstFitDecreasing implements CutPlanner {

    @Override
    public CutPlan plan(CutRequest request) {
        return lay(request).toPlan();
    }

    /** Strands as they are laid on holdings, before it is a plan. */
    record Laid(List<OpenSpool> spools, List<Waiting> waiting) {
        CutPlan toPlan() {
            return new CutPlan(
                    spools.stream()
                            .filter(OpenSpool::touched)
                            .map(OpenSpool::toPlan)
                            .toList(),
                    waiting);
        }
    }

    static Laid lay(CutRequest request) {
        return new Run(request).lay();
    }

    private static final class Run {
        private final CutRequest request;
        /** For each article its lots, and for each lot its holdings, all in the request's order. */
        private final Map<Long, Map<Long, List<OpenSpool>>> wall = new LinkedHashMap<>();

        private final List<OpenSpool> all = new ArrayList<>();
        private final List<Waiting> waiting = new ArrayList<>();

        Run(CutRequest request) {
            this.request = request;
            for (Holding holding : request.holdings()) {
                OpenSpool spool = new OpenSpool(holding);
                all.add(spool);
                wall.computeIfAbsent(holding.article(), a -> new LinkedHashMap<>())
                        .computeIfAbsent(holding.lot(), l -> new ArrayList<>())
                        .add(spool);
            }
        }

        Laid lay() {
            Map<Long, List<Demand>> pieces = new TreeMap<>();
            Map<Long, List<Demand>> sets = new TreeMap<>();
            for (Demand demand : request.demands()) {
                demand.set()
                        .map(set -> sets.computeIfAbsent(set, s -> new ArrayList<>()))
                        .orElseGet(() -> pieces.computeIfAbsent(demand.piece(), p -> new ArrayList<>()))
                        .add(demand);
            }
            Stream.concat(sets.values().stream(), pieces.values().stream())
                    .sorted(Comparator.<List<Demand>, Boolean>comparing(strands -> strands.stream()
                                    .noneMatch(d -> request.pin(d).isPresent()))
                            .thenComparing(Comparator.comparing(Run::total).reversed()))
                    .forEach(this::place);
            return new Laid(all, waiting);
        }

        private static Length total(List<Demand> strands) {
            return strands.stream().map(Demand::length).reduce(Length.ZERO, Length::plus);
        }

        /** Places all strands of a piece or a set, or none. */
        private void place(List<Demand> piece) {
            Map<Long, List<Demand>> byArticle = new TreeMap<>();
            for (Demand demand : piece) {
                byArticle
                        .computeIfAbsent(demand.article(), a -> new ArrayList<>())
                        .add(demand);
            }
            List<OpenSpool.Placement> done = new ArrayList<>();
            for (Map.Entry<Long, List<Demand>> article : byArticle.entrySet()) {
                Optional<List<OpenSpool.Placement>> placed = placeInOneLot(article.getValue());
                if (placed.isEmpty()) {
                    done.forEach(OpenSpool.Placement::undo);
                    Waiting shortage = shortage(article.getKey(), article.getValue());
                    piece.stream().map(Demand::piece).distinct().forEach(p -> waiting.add(shortage.of(p)));
                    return;
                }
                done.addAll(placed.get());
            }
        }

        private Optional<List<OpenSpool.Placement>> placeInOneLot(List<Demand> strands) {
            List<Demand> longestFirst = strands.stream()
                    .sorted(Comparator.comparing(Demand::length).reversed().thenComparing(Demand::id))
                    .toList();
            for (List<OpenSpool> lot : lots(strands.get(0))) {
                List<OpenSpool.Placement> placed = new ArrayList<>();
                for (Demand strand : longestFirst) {
                    Optional<Long> pin = request.pin(strand);
                    lot.stream()
                            .filter(s ->
                                    pin.isEmpty() || pin.get() == s.holding().id())
                            .flatMap(s -> s.place(strand, pin.isPresent()).stream())
                            .findFirst()
                            .ifPresent(placed::add);
                }
                if (placed.size() == strands.size()) {
                    return Optional.of(placed);
                }
                placed.forEach(OpenSpool.Placement::undo);
            }
            return Optional.empty();
        }

        /** The lots that may serve a strand. */
        private Collection<List<OpenSpool>> lots(Demand strand) {
            Map<Long, List<OpenSpool>> lots = wall.getOrDefault(strand.article(), Map.of());
            Long begun = request.begun().get(strand.oneLot());
            return begun == null ? lots.values() : List.of(lots.getOrDefault(begun, List.of()));
        }

        private Waiting shortage(long article, List<Demand> strands) {
            Length best = lots(strands.get(0)).stream()
                    .map(lot -> lot.stream().map(OpenSpool::free).reduce(Length.ZERO, Length::plus))
                    .max(Comparator.naturalOrder())
                    .orElse(Length.ZERO);
            return new Waiting(strands.get(0).piece(), article, total(strands), best);
        }
    }
}
