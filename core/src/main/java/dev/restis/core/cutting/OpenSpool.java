package dev.restis.core.cutting;

import dev.restis.core.cutting.CutPlan.SpoolPlan;
import dev.restis.core.measure.Length;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** A holding while it is planned: the stretches between its flaws, and the strands laid on each. */
final class OpenSpool {
    private final Holding holding;
    private final List<Stretch> stretches = new ArrayList<>();

    /** A strand on a stretch, which can be taken back while its piece is not complete. */
    record Placement(Stretch stretch, Demand strand) {
        void undo() {
            stretch.remove(strand);
        }
    }

    OpenSpool(Holding holding) {
        this.holding = holding;
        Length from = Length.ZERO;
        for (Length flaw : holding.flaws()) {
            stretches.add(new Stretch(flaw.minus(from)));
            from = flaw;
        }
        stretches.add(new Stretch(holding.length().minus(from)));
    }

    /** @param fixed whether it must stay on this holding */
    Optional<Placement> place(Demand strand, boolean fixed) {
        for (Stretch stretch : stretches) {
            if (stretch.add(strand)) {
                if (fixed) {
                    stretch.fixed.add(strand);
                }
                return Optional.of(new Placement(stretch, strand));
            }
        }
        return Optional.empty();
    }

    Holding holding() {
        return holding;
    }

    List<Stretch> stretches() {
        return List.copyOf(stretches);
    }

    boolean touched() {
        return stretches.stream().anyMatch(s -> !s.strands.isEmpty());
    }

    /** How old the oldest of them is, in days. */
    static long oldest(Collection<OpenSpool> spools) {
        return spools.stream().mapToLong(s -> s.holding().ageDays()).max().orElse(0);
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

    static final class Stretch {
        private final Length length;
        private final List<Demand> strands = new ArrayList<>();
        /** Those of the strands that must stay. */
        private final List<Demand> fixed = new ArrayList<>();

        private Length free;

        Stretch(Length length) {
            this.length = length;
            this.free = length;
        }

        Length length() {
            return length;
        }

        /** What is not taken by strands that must stay. */
        Length room() {
            return fixed.stream().map(Demand::length).reduce(length, Length::minus);
        }

        /** Strands that may go elsewhere. */
        List<Demand> loose() {
            List<Demand> loose = new ArrayList<>(strands);
            loose.removeAll(fixed);
            return loose;
        }

        /** Takes all off that need not stay. */
        void clear() {
            strands.retainAll(fixed);
            free = room();
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
            fixed.remove(strand);
            free = free.plus(strand.length());
        }
    }
}
