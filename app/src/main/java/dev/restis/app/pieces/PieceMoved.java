package dev.restis.app.pieces;

import dev.restis.core.work.PieceAct;
import java.util.Optional;
import java.util.Set;

/**
 * Something was done with pieces, in this transaction.
 *
 * @param tookBack what was taken back, if that is what was done
 */
public record PieceMoved(PieceAct act, Optional<PieceAct> tookBack, Set<Long> pieces) {
    public PieceMoved {
        pieces = Set.copyOf(pieces);
    }
}
