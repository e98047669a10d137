package dev.restis.core.make;

import dev.restis.core.make.CardStep.Measure;
import dev.restis.core.make.CardStep.Repeats;
import dev.restis.core.measure.Length;
import dev.restis.core.piece.Check.Verdict;

/**
 * What a length measured in the middle of a body says.
 *
 * @param ratio own pitch over the one that was expected
 * @param toGo repeats still to tie until the body is as long as it should be
 * @param more how many more repeats that makes than the card says; negative for fewer
 * @param tension good within 4 % of the expected pitch, tight within 8 %, else no: a loose or hard hand, or another stitch
 */
public record MidCheck(double ratio, int toGo, int more, Verdict tension) {

    private static final double GOOD = 0.04;
    private static final double TIGHT = 0.08;

    /**
     * Holds a measured length against the card.
     *
     * @param repeats those that are tied, the last of them being the one it is measured at
     * @param measured length of the body so far, beads in it included; positive
     */
    public static MidCheck of(Measure expected, Repeats repeats, Length measured) {
        double pitch = expected.pitch().toMillimetres();
        int done = repeats.last();
        double beadsSoFar = expected.soFar().toMillimetres() - pitch * done;
        double beads = expected.whole().toMillimetres() - pitch * repeats.of();
        double own = Math.max(pitch / 100, (measured.toMillimetres() - beadsSoFar) / done);
        double knotted = expected.whole().minus(measured).toMillimetres() - (beads - beadsSoFar);
        int toGo = (int) Math.max(0, Math.round(knotted / own));
        double ratio = own / pitch;
        double off = Math.abs(ratio - 1);
        Verdict tension = off <= GOOD ? Verdict.GOOD : off <= TIGHT ? Verdict.TIGHT : Verdict.NO;
        return new MidCheck(ratio, toGo, toGo - (repeats.of() - done), tension);
    }
}
