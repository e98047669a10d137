package dev.restis.app.orders;

import java.util.Set;

/**
 * Pieces were taken out of their batches, because their order changed; what was planned for them holds no longer.
 */
public record PiecesLeft(Set<Long> pieces) {
    public PiecesLeft {
        pieces = Set.copyOf(pieces);
    }
}
