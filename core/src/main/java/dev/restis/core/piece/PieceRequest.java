package dev.restis.core.piece;

import dev.restis.core.cord.Bead;
import dev.restis.core.cord.Cord;
import dev.restis.core.cord.Ring;
import dev.restis.core.fit.Ease;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Pattern;
import java.util.List;
import java.util.Optional;

/**
 * Everything that decides what a piece is.
 *
 * @param pattern what is made
 * @param cords one for each of the pattern's colours, in order
 * @param size what it must fit or measure
 * @param beads beads on the body, if any
 * @param ring what it hangs on; needed by patterns that mount on a ring
 * @param margin how the safety margin is chosen
 * @param cuttingStep strands are cut to a multiple of this
 */
public record PieceRequest(
        Pattern pattern,
        List<Cord> cords,
        Size size,
        Optional<Beads> beads,
        Optional<Ring> ring,
        MarginPolicy margin,
        Length cuttingStep) {

    public PieceRequest {
        cords = List.copyOf(cords);
    }

    /** What the piece is sized by. */
    public sealed interface Size {
        /**
         * A band for a wrist.
         *
         * @param hand girth over the knuckles, thumb tucked
         * @param handAssumed whether the hand comes from the size table rather than a tape
         */
        record Wrist(Length wrist, Length hand, boolean handAssumed, Ease ease) implements Size {}

        /** A piece of a stated finished length. */
        record Finished(Length length) implements Size {}
    }

    /** Equal beads, spread evenly along the body. */
    public record Beads(Bead bead, int count) {}
}
