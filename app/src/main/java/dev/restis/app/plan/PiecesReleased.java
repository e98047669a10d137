package dev.restis.app.plan;

import java.util.Set;

/** Pieces are open again; what was planned or cut for them serves them no longer. What they need is forgotten after this. */
public record PiecesReleased(Set<Long> pieces) {
    public PiecesReleased {
        pieces = Set.copyOf(pieces);
    }
}
