package dev.restis.app.pieces;

import dev.restis.core.work.PieceAct;
import dev.restis.core.work.PieceStage;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Where a piece stands, and what may be done with it.
 *
 * @param dryUntil when its glue will be dry; nothing when it has none, or is dry
 * @param last its newest act that stands
 * @param acts what may be done now by saying so
 */
public record PieceLook(
        long piece,
        PieceStage stage,
        @Nullable Instant dryUntil,
        @Nullable LastAct last,
        List<PieceAct> acts) {

    /**
     * The newest act that stands.
     *
     * @param takenBackAlone whether it can be taken back by saying so
     * @param reason why it was done, in the words of who did it; may be empty
     */
    public record LastAct(long event, PieceAct act, Instant at, String who, boolean takenBackAlone, String reason) {}
}
