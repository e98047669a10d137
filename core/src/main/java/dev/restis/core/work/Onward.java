package dev.restis.core.work;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * What comes next on the way of an order's pieces to its customer. Everything that is made goes together: an order leaves when all of it
 * can, unless somebody sends a part of it.
 *
 * @param act what can be done now; nothing while the order waits
 * @param pieces how many it can be done with
 * @param missing pieces that are not made yet
 * @param here made, and not sent
 * @param drying those of them that are not dry
 * @param dryUntil when the last of them is
 * @param sent pieces that have gone out
 * @param sendable those of what is here that can go now
 */
public record Onward(
        Optional<PieceAct> act,
        int pieces,
        int missing,
        int here,
        int drying,
        Optional<Instant> dryUntil,
        int sent,
        int sendable) {

    /** In the order of a piece's life. */
    private static final List<PieceAct> ACTS = List.of(PieceAct.CHECK, PieceAct.PACK);

    /** So many pieces stand alike. */
    public record Alike(PieceState state, int pieces) {}

    /**
     * What comes next.
     *
     * @param all the wanted pieces of one order
     * @param steps of the house
     */
    public static Onward of(Collection<Alike> all, WorkSteps steps, Instant now) {
        int sent = count(all, s -> s.stage() == PieceStage.SENT);
        int missing = count(all, s -> !s.stage().made());
        Predicate<PieceState> lies = s -> s.stage().made() && s.stage() != PieceStage.SENT;
        Predicate<PieceState> wet = lies.and(s -> s.wetAt(now));
        int here = count(all, lies);
        int drying = count(all, wet);
        Optional<Instant> dry = all.stream()
                .map(Alike::state)
                .filter(wet)
                .flatMap(s -> s.dryUntil().stream())
                .max(Instant::compareTo);
        int sendable = able(all, PieceAct.SEND, steps, now);
        Optional<PieceAct> act = here > 0 && missing == 0 && sendable == here
                ? Optional.of(PieceAct.SEND)
                : ACTS.stream().filter(a -> able(all, a, steps, now) > 0).findFirst();
        int pieces = act.map(a -> able(all, a, steps, now)).orElse(0);
        return new Onward(act, pieces, missing, here, drying, dry, sent, sendable);
    }

    private static int able(Collection<Alike> all, PieceAct act, WorkSteps steps, Instant now) {
        return count(all, s -> PieceLife.refusal(s, act, steps, now).isEmpty());
    }

    private static int count(Collection<Alike> all, Predicate<PieceState> which) {
        return all.stream()
                .filter(a -> which.test(a.state()))
                .mapToInt(Alike::pieces)
                .sum();
    }
}
