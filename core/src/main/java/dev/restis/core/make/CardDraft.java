package dev.restis.core.make;

import dev.restis.core.cord.Cord;
import dev.restis.core.make.CardStep.Made;
import dev.restis.core.make.CardStep.Measure;
import dev.restis.core.make.CardStep.PartUse;
import dev.restis.core.make.CardStep.Repeats;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Leg;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.Role;
import dev.restis.core.pattern.Section.KnotKind;
import dev.restis.core.piece.Caution;
import dev.restis.core.piece.PieceFit;
import dev.restis.core.piece.SectionFigures;
import dev.restis.core.piece.WorkedPiece;
import dev.restis.core.piece.WorkedStrand;
import dev.restis.core.stitch.Seat;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiPredicate;

/** A card while its steps are laid down: how far the piece has come, and what is on it by then. */
final class CardDraft {

    /** A strand with the legs of its role that it is. */
    record Cut(CardStrand strand, Role role, List<Integer> legs, WorkedStrand worked) {}

    final WorkedPiece piece;
    final Pattern pattern;
    final SectionFigures figures;
    final List<Cut> strands = new ArrayList<>();
    private final List<CardStep> steps = new ArrayList<>();
    private final List<Double> weights = new ArrayList<>();
    /** Parts that went on since they were last counted. */
    private final Map<String, Integer> uncounted = new LinkedHashMap<>();
    /** The section that is worked on, and how far the piece is on its ruler. */
    int section = -1;

    Length reach = Length.ZERO;

    CardDraft(WorkedPiece piece) {
        this.piece = piece;
        this.pattern = piece.request().pattern();
        this.figures = SectionFigures.of(piece);
        int next = 0;
        for (Role role : pattern.roles()) {
            int each = role.fused() ? 2 : 1;
            for (int i = 0; i < role.count() * each; i++) {
                WorkedStrand worked = piece.strands().get(next);
                List<Integer> legs = role.fused() ? List.of(i % 2) : role.folded() ? List.of(0, 1) : List.of(0);
                strands.add(new Cut(CardStrand.of(next, worked), role, legs, worked));
                next++;
            }
        }
    }

    List<CardStep> steps() {
        return List.copyOf(steps);
    }

    List<Double> weights() {
        return List.copyOf(weights);
    }

    boolean has(Doing doing) {
        return steps.stream().anyMatch(s -> s.doing() == doing);
    }

    Cord cord(int strand) {
        return piece.request().cords().get(strands.get(strand).strand().slot());
    }

    boolean leather(Collection<Integer> which) {
        return which.stream().anyMatch(s -> cord(s).material().code().equals("leather"));
    }

    List<Integer> all() {
        return which((cut, leg) -> true);
    }

    /** Strands one of whose legs runs in {@code seats}. */
    List<Integer> in(Collection<Seat> seats) {
        return which((cut, leg) -> leg.takes(seats));
    }

    /** Strands with a free end in {@code seats}. */
    List<Integer> endingIn(Collection<Seat> seats) {
        return which((cut, leg) -> cut.role().endsOf(leg, seats) > 0);
    }

    List<Integer> which(BiPredicate<Cut, Leg> wanted) {
        List<Integer> found = new ArrayList<>();
        for (int i = 0; i < strands.size(); i++) {
            Cut cut = strands.get(i);
            if (cut.legs().stream()
                    .anyMatch(leg -> wanted.test(cut, cut.role().legs().get(leg)))) {
                found.add(i);
            }
        }
        return found;
    }

    /** Something went on; it is counted before a knot closes its way. */
    void putOn(String slot, int count) {
        uncounted.merge(slot, count, Integer::sum);
    }

    /** Counts what is on, before a knot closes its way. */
    void countParts() {
        uncounted.forEach((slot, count) -> gate(Gate.PARTS_ON).part(slot, count).add());
        uncounted.clear();
    }

    /** Held against what was ordered, once, before anything is cut that it needs: how far it opens, or how long it is. */
    void triedOn() {
        if (steps.stream()
                .noneMatch(s -> s.gate().filter(g -> g == Gate.TRIED_ON).isPresent())) {
            gate(Gate.TRIED_ON)
                    .size(piece.fit()
                            .band()
                            .map(PieceFit.Band::open)
                            .orElse(piece.fit().reached()))
                    .add();
        }
    }

    Next step(Doing doing) {
        return new Next(doing, Optional.empty());
    }

    Next gate(Gate gate) {
        return new Next(Doing.PASS, Optional.of(gate));
    }

    /** A step that is being described. */
    final class Next {
        private final Doing doing;
        private final Optional<Gate> gate;
        private final List<Caution> cautions = new ArrayList<>();
        private final List<Repair> repairs = new ArrayList<>();
        private List<Integer> strands = List.of();
        private Optional<PartUse> part = Optional.empty();
        private Optional<String> stitch = Optional.empty();
        private Optional<KnotKind> knot = Optional.empty();
        private Optional<Repeats> repeats = Optional.empty();
        private int count;
        private Length size = Length.ZERO;
        private Duration wait = Duration.ZERO;
        private double weight;
        private double share = 1;
        private Optional<Measure> measure = Optional.empty();
        private List<CordLeft> left = List.of();

        private Next(Doing doing, Optional<Gate> gate) {
            this.doing = doing;
            this.gate = gate;
            doing.caution().ifPresent(cautions::add);
        }

        Next strands(List<Integer> which) {
            strands = which;
            return this;
        }

        Next part(String slot, int number) {
            part = Optional.of(new PartUse(slot, number));
            return this;
        }

        Next stitch(String code) {
            stitch = Optional.of(code);
            return this;
        }

        Next knot(KnotKind kind) {
            knot = Optional.of(kind);
            return this;
        }

        Next repeats(int first, int last, int of) {
            repeats = Optional.of(new Repeats(first, last, of));
            return this;
        }

        Next count(int number) {
            count = number;
            return this;
        }

        Next size(Length length) {
            size = length;
            return this;
        }

        Next waits(Duration duration) {
            wait = duration;
            return this;
        }

        /** Seconds that it takes beside the others of its kind. */
        Next weighs(double seconds) {
            weight = seconds;
            return this;
        }

        Next mind(Caution caution) {
            cautions.add(caution);
            return this;
        }

        Next mends(Repair... known) {
            repairs.addAll(List.of(known));
            return this;
        }

        /** How much of its section is done after it. */
        Next share(double done) {
            share = done;
            return this;
        }

        Next measured(Measure expected) {
            measure = Optional.of(expected);
            return this;
        }

        Next left(List<CordLeft> cords) {
            left = cords;
            return this;
        }

        void add() {
            if (doing.kind() == StepKind.TIE && leather(strands)) {
                cautions.add(Caution.LEATHER);
                repairs.add(Repair.LEATHER_CRACKS);
            }
            CardStep step = new CardStep(
                    doing,
                    gate,
                    strands,
                    part,
                    stitch,
                    knot,
                    repeats,
                    count,
                    size,
                    reach,
                    Duration.ZERO,
                    wait,
                    cautions,
                    repairs,
                    doing.tools(),
                    section < 0 ? Made.NOTHING : new Made(section, share),
                    measure,
                    left);
            steps.add(step);
            weights.add(step.kind().passed() ? 0 : Math.max(1, weight));
        }
    }
}
