package dev.restis.core.make;

import dev.restis.core.make.BenchAct.Kind;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * How far a piece is on its card. It follows from its acts alone: those that were taken back count no more, and of those that stand
 * each goes on from the step before it.
 */
public final class Walk {

    /** Why something cannot be done at the bench now. */
    public enum Refusal {
        /** Another step is next. */
        NOT_NEXT,
        /** All steps are done. */
        ALL_DONE,
        /** Only a gate can be not passed, or passed over. */
        NO_GATE,
        /** Who goes on all the same says why. */
        REASON_MISSING,
        /** Only what is done can be gone back to. */
        NOT_REACHED,
        NOTHING_TO_TAKE_BACK,
        /** A later act rests on it. */
        LATER_RESTS
    }

    private final List<CardStep> steps;
    private final boolean reminders;
    private final int from;
    private final List<BenchAct> standing = new ArrayList<>();

    private Walk(WorkCard card, boolean reminders, int from) {
        this.from = from;
        this.steps = card.steps();
        this.reminders = reminders;
    }

    /**
     * Replays a piece's acts.
     *
     * @param reminders whether the house has gates remind only: they are passed by going on
     * @param from step that it began with: the first, but for a piece that was made before in another size
     * @param acts on this card, in the order of their numbers
     */
    public static Walk of(WorkCard card, boolean reminders, int from, List<BenchAct> acts) {
        Walk walk = new Walk(card, reminders, from);
        acts.forEach(walk::happened);
        return walk;
    }

    private void happened(BenchAct act) {
        if (act.kind() == Kind.TAKE_BACK) {
            BenchAct newest = newest().orElseThrow(() -> impossible(act));
            if (newest.number() != act.takesBack().orElseThrow()) {
                throw impossible(act);
            }
            standing.remove(standing.size() - 1);
        } else {
            standing.add(act);
        }
    }

    private IllegalArgumentException impossible(BenchAct act) {
        return new IllegalArgumentException(
                "act " + act.number() + ", " + act.kind() + ", cannot follow step " + next());
    }

    /** The step that is next; the number of steps when all are done. */
    public int next() {
        for (int i = standing.size() - 1; i >= 0; i--) {
            BenchAct act = standing.get(i);
            switch (act.kind()) {
                case DONE, ALL_THE_SAME -> {
                    return act.step() + 1;
                }
                case BACK_TO -> {
                    return act.step();
                }
                default -> {}
            }
        }
        return from;
    }

    public boolean allDone() {
        return next() == steps.size();
    }

    /** Whether the gate that is next was found not passed. */
    public boolean heldUp() {
        return newest().filter(a -> a.kind() == Kind.NOT_YET && a.step() == next())
                .isPresent();
    }

    public Optional<BenchAct> newest() {
        return standing.isEmpty() ? Optional.empty() : Optional.of(standing.get(standing.size() - 1));
    }

    /** The acts that stand, in their order. */
    public List<BenchAct> standing() {
        return List.copyOf(standing);
    }

    /** The gates that were gone on from all the same, and not reached anew since; in the order of the card. */
    public List<BenchAct> passedOver() {
        TreeMap<Integer, BenchAct> last = new TreeMap<>();
        for (BenchAct act : standing) {
            switch (act.kind()) {
                case DONE, ALL_THE_SAME -> last.put(act.step(), act);
                case BACK_TO -> last.tailMap(act.step(), true).clear();
                default -> {}
            }
        }
        return last.values().stream().filter(a -> a.kind() == Kind.ALL_THE_SAME).toList();
    }

    /**
     * Why an act cannot be done now; empty when it can.
     *
     * @param reasoned whether a reason is given
     */
    public Optional<Refusal> refusal(Kind kind, int step, boolean reasoned) {
        return Optional.ofNullable(
                switch (kind) {
                    case DONE -> atNext(step);
                    case NOT_YET -> atNext(step) != null ? atNext(step) : gate(step);
                    case ALL_THE_SAME ->
                        atNext(step) != null
                                ? atNext(step)
                                : gate(step) != null ? gate(step) : reasoned ? null : Refusal.REASON_MISSING;
                    case BACK_TO -> step < 0 || step >= next() ? Refusal.NOT_REACHED : null;
                    case TAKE_BACK -> standing.isEmpty() ? Refusal.NOTHING_TO_TAKE_BACK : null;
                });
    }

    private @Nullable Refusal atNext(int step) {
        if (allDone()) {
            return Refusal.ALL_DONE;
        }
        return step == next() || reminders && onlyGatesBefore(step) ? null : Refusal.NOT_NEXT;
    }

    private boolean onlyGatesBefore(int step) {
        if (step < next() || step >= steps.size()) {
            return false;
        }
        return steps.subList(next(), step).stream().allMatch(s -> s.kind().passed());
    }

    private @Nullable Refusal gate(int step) {
        return steps.get(step).kind().passed() ? null : Refusal.NO_GATE;
    }

    /** Why an act cannot be taken back; empty when it can. */
    public Optional<Refusal> refusalToTakeBack(long number) {
        if (standing.stream().noneMatch(a -> a.number() == number)) {
            return Optional.of(Refusal.NOTHING_TO_TAKE_BACK);
        }
        return newest().filter(a -> a.number() == number).isPresent()
                ? Optional.empty()
                : Optional.of(Refusal.LATER_RESTS);
    }
}
