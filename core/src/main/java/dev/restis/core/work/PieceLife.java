package dev.restis.core.work;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The rules of a piece's life. Where it stands follows from its rows alone: acts that were taken back count no more, and of
 * those that stand the last one says the stage.
 */
public final class PieceLife {

    private final List<PieceEvent> standing = new ArrayList<>();

    private PieceLife() {}

    /**
     * Replays a piece's rows.
     *
     * @param events in the order of their numbers
     * @throws IllegalArgumentException when an act could not be done where it stands
     */
    public static PieceLife of(List<PieceEvent> events) {
        PieceLife life = new PieceLife();
        events.forEach(life::happened);
        return life;
    }

    private void happened(PieceEvent event) {
        if (event.act() == PieceAct.TAKE_BACK) {
            PieceEvent newest = newest().orElseThrow(() -> impossible(event));
            if (newest.number() != event.takesBack().orElseThrow()) {
                throw impossible(event);
            }
            standing.remove(standing.size() - 1);
        } else if (event.act().from(state().stage())) {
            standing.add(event);
        } else {
            throw impossible(event);
        }
    }

    private IllegalArgumentException impossible(PieceEvent event) {
        return new IllegalArgumentException(
                "row " + event.number() + ", " + event.act() + ", cannot follow " + state().stage());
    }

    public PieceState state() {
        return newest().map(e -> new PieceState(e.act().to(), dryUntil())).orElse(PieceState.NEW);
    }

    /** Glue goes on drying through what is done with the piece, until it is worked on again. */
    private Optional<Instant> dryUntil() {
        for (int i = standing.size() - 1; i >= 0 && standing.get(i).act().to().made(); i--) {
            if (standing.get(i).dryUntil().isPresent()) {
                return standing.get(i).dryUntil();
            }
        }
        return Optional.empty();
    }

    /** The acts that stand, in their order. */
    public List<PieceEvent> standing() {
        return List.copyOf(standing);
    }

    public Optional<PieceEvent> newest() {
        return standing.isEmpty() ? Optional.empty() : Optional.of(standing.get(standing.size() - 1));
    }

    /** Where the piece stood before its newest act. */
    public PieceState stateBefore() {
        PieceLife before = new PieceLife();
        before.standing.addAll(standing.subList(0, Math.max(0, standing.size() - 1)));
        return before.state();
    }

    /** Why an act cannot be done with a piece; empty when it can. */
    public static Optional<Refusal> refusal(PieceState state, PieceAct act, WorkSteps steps, Instant now) {
        if (!act.from(state.stage()) || !steps.allow(state.stage(), act)) {
            return Optional.of(new Refusal.NotNow(state.stage(), act));
        }
        boolean dry = act == PieceAct.PACK || act == PieceAct.SEND;
        return dry && state.wetAt(now) ? state.dryUntil().map(Refusal.NotDry::new) : Optional.empty();
    }

    /** Where a piece stands after an act that is not refused. */
    public static PieceState after(PieceState state, PieceAct act, Optional<Instant> dryUntil) {
        boolean made = act.to().made();
        return new PieceState(act.to(), made ? dryUntil.or(state::dryUntil) : Optional.empty());
    }

    /** Why an act cannot be taken back by itself; empty when it can. */
    public Optional<Refusal> refusalToTakeBack(long number) {
        Optional<PieceEvent> named =
                standing.stream().filter(e -> e.number() == number).findFirst();
        if (named.isEmpty()) {
            return Optional.of(new Refusal.NothingToTakeBack());
        }
        PieceEvent newest = standing.get(standing.size() - 1);
        if (newest.number() != number) {
            return Optional.of(new Refusal.LaterRests(newest));
        }
        return newest.act().takenBackAlone() ? Optional.empty() : Optional.of(new Refusal.NotAlone(newest.act()));
    }
}
