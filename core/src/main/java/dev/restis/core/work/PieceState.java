package dev.restis.core.work;

import java.time.Instant;
import java.util.Optional;

/**
 * Where a piece stands.
 *
 * @param dryUntil when its glue is dry, if it has any and it was made
 */
public record PieceState(PieceStage stage, Optional<Instant> dryUntil) {

    public static final PieceState NEW = new PieceState(PieceStage.OPEN, Optional.empty());

    public PieceState {
        if (dryUntil.isPresent() && !stage.made()) {
            throw new IllegalArgumentException("only what is made can dry, but it is " + stage);
        }
    }

    boolean wetAt(Instant when) {
        return dryUntil.filter(when::isBefore).isPresent();
    }
}
