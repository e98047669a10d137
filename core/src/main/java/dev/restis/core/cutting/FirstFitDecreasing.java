package dev.restis.core.cutting;

import dev.restis.core.cutting.CutPlan.SpoolPlan;
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
 * The plain planner: pieces, and matching sets as if they were one piece, in falling order of the cord they need; each
 * takes, article by article, the first lot whose holdings take all its strands, longest strand first, each on the first
 * holding with room. A set that no lot can serve waits as a whole, or what is cut of it now could not be matched later.
 * Keeps every hard rule; claims nothing about waste. Cost: strands times holdings of their article.
 */
public final class FirstFitDecreasing implements CutPlanner {

    @Override
    public CutPlan plan(CutRequest request) {
        return new Run(request).plan();
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

        CutPlan plan() {
            Map<Long, List<Demand>> pieces = new TreeMap<>();
            Map<Long, List<Demand>> sets = new TreeMap<>();
            for (Demand demand : request.demands()) {
                demand.set()
                        .map(set -> sets.computeIfAbsent(set, s -> new ArrayList<>()))
                        .orElseGet(() -> pieces.computeIfAbsent(demand.piece(), p -> new ArrayList<>()))
                        .add(demand);
            }
            Stream.concat(sets.values().stream(), pieces.values().stream())
                    .sorted(Comparator.comparing(Run::total).reversed())
                    .forEach(this::place);
            List<SpoolPlan> spools = all.stream()
                    .filter(OpenSpool::touched)
                    .map(OpenSpool::toPlan)
                    .toList();
            return new CutPlan(spools, waiting);
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
            List<Placement> done = new ArrayList<>();
            for (Map.Entry<Long, List<Demand>> article : byArticle.entrySet()) {
                Optional<List<Placement>> placed = placeInOneLot(article.getValue());
                if (placed.isEmpty()) {
                    done.forEach(Placement::undo);
                    Waiting shortage = shortage(article.getKey(), article.getValue());
                    piece.stream().map(Demand::piece).distinct().forEach(p -> waiting.add(shortage.of(p)));
                    return;
                }
                done.addAll(placed.get());
            }
        }

        private Optional<List<Placement>> placeInOneLot(List<Demand> strands) {
            List<Demand> longestFirst = strands.stream()
                    .sorted(Comparator.comparing(Demand::length).reversed().thenComparing(Demand::id))
                    .toList();
            for (List<OpenSpool> lot : lots(strands.get(0))) {
                List<Placement> placed = new ArrayList<>();
                for (Demand strand : longestFirst) {
                    lot.stream()
                            .flatMap(s -> s.place(strand).stream())
                            .findFirst()
                            .ifPresent(placed::add);
                }
                if (placed.size() == strands.size()) {
                    return Optional.of(placed);
                }
                placed.forEach(Placement::undo);
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

    /** A strand on a stretch, which can be taken back while its piece is not complete. */
    private record Placement(OpenSpool.Stretch stretch, Demand strand) {
        void undo() {
            stretch.remove(strand);
        }
    }

    private static final class OpenSpool {
        private final Holding holding;
        private final List<Stretch> stretches = new ArrayList<>();

        OpenSpool(Holding holding) {
            this.holding = holding;
            Length from = Length.ZERO;
            for (Length flaw : holding.flaws()) {
                stretches.add(new Stretch(flaw.minus(from)));
                from = flaw;
            }
            stretches.add(new Stretch(holding.length().minus(from)));
        }

        Optional<Placement> place(Demand strand) {
            for (Stretch stretch : stretches) {
                if (stretch.add(strand)) {
                    return Optional.of(new Placement(stretch, strand));
                }
            }
            return Optional.empty();
        }

        boolean touched() {
            return stretches.stream().anyMatch(s -> !s.strands.isEmpty());
        }

        Length free() {
            return stretches.stream().map(s -> s.free).reduce(Length.ZERO, Length::plus);
        }

        /** Longest strands first on each stretch; stretches behind the last cut stay with the rest. */
        SpoolPlan toPlan() {
            List<CutPlan.Step> steps = new ArrayList<>();
            int last = stretches.size() - 1;
            while (stretches.get(last).strands.isEmpty()) {
                last--;
            }
            Length rest = holding.length();
            for (int i = 0; i <= last; i++) {
                Stretch stretch = stretches.get(i);
                stretch.strands.stream()
                        .sorted(Comparator.comparing(Demand::length).reversed().thenComparing(Demand::id))
                        .forEach(d -> steps.add(new CutPlan.Step(CutPlan.StepKind.STRAND, d.length(), d.id(), false)));
                rest = rest.minus(stretch.length.minus(stretch.free));
                if (i < last && stretch.free.isPositive()) {
                    steps.add(leftover(CutPlan.StepKind.OFFCUT, stretch.free));
                    rest = rest.minus(stretch.free);
                }
            }
            if (rest.isPositive()) {
                steps.add(leftover(CutPlan.StepKind.REST, rest));
            }
            return new SpoolPlan(holding, steps);
        }

        private CutPlan.Step leftover(CutPlan.StepKind kind, Length length) {
            return new CutPlan.Step(kind, length, 0, !length.isLessThan(holding.keepLength()));
        }

        private static final class Stretch {
            private final Length length;
            private final List<Demand> strands = new ArrayList<>();
            private Length free;

            Stretch(Length length) {
                this.length = length;
                this.free = length;
            }

            boolean add(Demand strand) {
                if (free.isLessThan(strand.length())) {
                    return false;
                }
                strands.add(strand);
                free = free.minus(strand.length());
                return true;
            }

            void remove(Demand strand) {
                strands.remove(strand);
                free = free.plus(strand.length());
            }
        }
    }
}
