package dev.restis.app.pieces;

import java.util.Set;

/** Something more, or less, of these pieces is cut; they stand where they stood. */
public record CuttingWentOn(Set<Long> pieces) {
    public CuttingWentOn {
        pieces = Set.copyOf(pieces);
    }
}
