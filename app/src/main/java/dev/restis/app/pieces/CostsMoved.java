package dev.restis.app.pieces;

import java.util.Set;

/** Pieces cost something else than before, in this transaction. */
public record CostsMoved(Set<Long> pieces) {
    public CostsMoved {
        pieces = Set.copyOf(pieces);
    }
}
