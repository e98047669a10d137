package dev.restis.core.make;

import dev.restis.core.fit.SlidingFit;
import dev.restis.core.measure.Length;
import dev.restis.core.piece.PieceFit.Band;
import dev.restis.core.piece.WorkedPiece;
import java.util.Optional;

/**
 * Whether a finished piece suits somebody who wants another of the same pattern: one that slides when it closes to their wrist and opens over
 * their hand, any other when its length is as near as that of one that is made for them may be.
 *
 * @param longer by how much it is longer than what was wanted; less than nothing when it is shorter
 */
public record Suits(Length longer) {

    /**
     * Holds one against the other; colours and parts are for whoever asks to compare.
     *
     * @param there the piece as it was worked out when it was made
     * @param wanted the piece as it would be made
     * @return empty when it does not suit
     */
    public static Optional<Suits> of(WorkedPiece there, WorkedPiece wanted) {
        boolean alike = there.request()
                        .pattern()
                        .code()
                        .equals(wanted.request().pattern().code())
                && there.request().house().kit() == wanted.request().house().kit();
        if (!alike || !(slides(there, wanted) || near(there, wanted))) {
            return Optional.empty();
        }
        return Optional.of(new Suits(there.fit().reached().minus(wanted.fit().reached())));
    }

    private static boolean slides(WorkedPiece there, WorkedPiece wanted) {
        Optional<Band> has = there.fit().band();
        Optional<Band> needs = wanted.fit().band();
        return has.isPresent()
                && needs.isPresent()
                && !needs.get().closed().isLessThan(has.get().closed().minus(tolerance(wanted)))
                && !has.get().open().isLessThan(SlidingFit.needed(needs.get().hand()));
    }

    private static boolean near(WorkedPiece there, WorkedPiece wanted) {
        long off = Math.abs(there.fit().reached().minus(wanted.fit().reached()).micrometres());
        return off <= tolerance(wanted).micrometres();
    }

    private static Length tolerance(WorkedPiece wanted) {
        return Inspection.tolerance(wanted.request().pattern().closure());
    }
}
