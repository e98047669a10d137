package dev.restis.app.orders;

import java.util.Set;

/**
 * Pieces were taken out of their batches, because their order changed; what was planned for them holds no longer.
 *
 * @param batches that they were in
 */
public record PiecesLeft(Set<Long> pieces, Set<Long> batches) {
    public PiecesLeft {
        pieces = Set.copyOf(pieces);
        batches = Set.copyOf(batches);
    }
}
