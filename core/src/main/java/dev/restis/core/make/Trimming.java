package dev.restis.core.make;

import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Section;
import dev.restis.core.pattern.Stage;
import dev.restis.core.stitch.Seat;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/** Ends: cut to the millimetres that their finish needs, then sealed or glued, as the material allows. */
final class Trimming {

    private static final double END = 15;
    /** What is left of an end to be melted onto its knot. */
    private static final Length STUB = Length.ofMillimetres(3);
    /** Glue is dry enough to cut beside it; its label may ask for more. */
    private static final Duration GLUE_SETS = Duration.ofMinutes(30);

    private final CardDraft card;
    private final Set<Integer> trimmed = new TreeSet<>();

    Trimming(CardDraft card) {
        this.card = card;
    }

    /** Ends that are done with before the closure is tied over others. */
    void beforeClosing() {
        ends(open(Set.of(Stage.BODY)));
    }

    /** All ends that are left. */
    void atLast() {
        ends(open(Set.of(Stage.values())));
    }

    private List<Integer> open(Set<Stage> stages) {
        List<Integer> open = new ArrayList<>();
        for (int i = 0; i < card.strands.size(); i++) {
            var worked = card.strands.get(i).worked();
            if (!trimmed.contains(i) && stages.contains(worked.stage()) && worked.ends() > 0) {
                open.add(i);
            }
        }
        return open;
    }

    private void ends(List<Integer> open) {
        List<Integer> sealed = open.stream()
                .filter(i -> card.cord(i).material().heatSealable())
                .toList();
        List<Integer> glued = open.stream()
                .filter(i -> !card.cord(i).material().heatSealable())
                .toList();
        if (open.isEmpty()) {
            return;
        }
        card.gate(Gate.LOCK_HARD).strands(open).mends(Repair.TAIL_TOO_SHORT).add();
        if (!glued.isEmpty()) {
            card.step(Doing.GLUE_ENDS)
                    .strands(glued)
                    .count(endsOf(glued))
                    .waits(GLUE_SETS)
                    .weighs(END * endsOf(glued))
                    .mends(Repair.TAIL_TOO_SHORT)
                    .add();
        }
        if (!sealed.isEmpty()) {
            if (card.pattern.closure().slides()) {
                card.gate(Gate.FLAME_CLEAR).strands(sealed).add();
            }
            CardDraft.Next seal = card.step(Doing.TRIM_AND_SEAL)
                    .strands(sealed)
                    .count(endsOf(sealed))
                    .size(STUB)
                    .weighs(END * endsOf(sealed));
            if (card.pattern.closure().slides()) {
                seal.mends(Repair.SLIDER_FUSED);
            }
            seal.add();
        }
        if (!glued.isEmpty()) {
            card.gate(Gate.GLUE_DRY).strands(glued).add();
            card.step(Doing.TRIM_GLUED)
                    .strands(glued)
                    .count(endsOf(glued))
                    .weighs(END * endsOf(glued))
                    .add();
        }
        trimmed.addAll(open);
    }

    private int endsOf(List<Integer> strands) {
        return strands.stream()
                .mapToInt(i -> card.strands.get(i).worked().ends())
                .sum();
    }

    void tuckBack(Section.TuckBack section) {
        List<Integer> ends = card.endingIn(section.seats());
        card.gate(Gate.NO_ROW_MORE).strands(ends).mends(Repair.ROWS_LEFT_OVER).add();
        section.hardware()
                .ifPresent(slot -> card.step(Doing.BRING_AROUND_BAR)
                        .strands(ends)
                        .part(slot, 1)
                        .weighs(END * ends.size())
                        .share(0.5)
                        .add());
        card.step(Doing.DRAW_BACK)
                .strands(ends)
                .size(section.tuck())
                .weighs(END * ends.size())
                .mends(Repair.TAIL_TOO_SHORT)
                .add();
        card.gate(Gate.FRONT_WHOLE).strands(ends).add();
    }

    /** Both ends of the wrapping strand are cut flush once the wrap holds. */
    void wrapped(Section.Wrapped section) {
        List<Integer> wrapping = card.in(List.of(Seat.WRAP));
        List<Integer> taking = new ArrayList<>(wrapping);
        card.endingIn(section.seats()).stream().filter(s -> !taking.contains(s)).forEach(taking::add);
        card.countParts();
        card.step(Doing.WRAP)
                .strands(taking)
                .count(section.turns())
                .weighs(END * section.turns())
                .add();
        trimmed.addAll(wrapping);
    }

    /** Ends that are left to hang are cut once, even, and their tips sealed where the cord melts. */
    void fringe(Section.Fringe section) {
        List<Integer> ends = card.endingIn(section.seats());
        card.triedOn();
        card.gate(Gate.LOCK_HARD).strands(ends).add();
        card.gate(Gate.ENDS_EVEN).strands(ends).add();
        card.step(Doing.CUT_FRINGE)
                .strands(ends)
                .size(section.length())
                .count(endsOf(ends))
                .weighs(END * endsOf(ends))
                .add();
        List<Integer> sealed = ends.stream()
                .filter(i -> card.cord(i).material().heatSealable())
                .toList();
        if (!sealed.isEmpty()) {
            card.step(Doing.SEAL_TIPS)
                    .strands(sealed)
                    .count(endsOf(sealed))
                    .weighs(END * endsOf(sealed))
                    .add();
        }
        trimmed.addAll(ends);
    }
}
