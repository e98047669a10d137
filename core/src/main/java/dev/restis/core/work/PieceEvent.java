package dev.restis.core.work;

import java.time.Instant;
import java.util.Optional;
import java.util.OptionalLong;

/**
 * One act on a piece, as it is kept for good.
 *
 * @param number tells acts apart; later ones have higher numbers
 * @param who the name of whoever did it, as it was then
 * @param dryUntil when what was glued is dry
 * @param takesBack the act that this one takes back
 * @param reason why it was done, in the words of who did it; may be empty
 */
public record PieceEvent(
        long number,
        PieceAct act,
        Instant at,
        String who,
        Optional<Instant> dryUntil,
        OptionalLong takesBack,
        String reason) {

    public PieceEvent {
        if (takesBack.isPresent() != (act == PieceAct.TAKE_BACK)) {
            throw new IllegalArgumentException("taking back names an act, and nothing else does, but it was " + act);
        }
    }
}
