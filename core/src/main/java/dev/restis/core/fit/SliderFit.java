package dev.restis.core.fit;

import dev.restis.core.measure.Length;
import dev.restis.core.measure.Sum;
import dev.restis.core.measure.Sum.Term;
import java.util.List;

/**
 * The two inequalities of a slider over overlapped ends.
 *
 * <p>With body B, slider S and free tail T on each side, the flat length closes to B + S and opens to B + 2T - S. A band
 * of thickness t has an inner circumference shorter than its flat length by pi*t (neutral axis at mid-thickness), so
 * both are compared after taking pi*t off.
 *
 * @param body B
 * @param slider S
 * @param curvature pi*t
 */
public record SliderFit(Length body, Length slider, Length curvature) {

    private static final Length OVER_THE_HAND = Length.ofMillimetres(5);
    private static final Length TAIL_STEP = Length.ofMillimetres(5);
    /** A tail below this cannot be gripped to pull the band open. */
    private static final Length SHORTEST_TAIL = Length.ofMillimetres(40);

    /** Inner circumference when pulled fully closed. */
    public Length closed() {
        return body.plus(slider).minus(curvature);
    }

    /** Inner circumference when pulled fully open on tails of {@code tail}. */
    public Length open(Length tail) {
        return body.plus(tail.times(2)).minus(slider).minus(curvature);
    }

    /** What the open band must reach to pass over {@code hand}. */
    public static Length needed(Length hand) {
        return hand.plus(OVER_THE_HAND);
    }

    /** T >= (H + 5 mm + pi*t - B + S)/2, rounded up to 5 mm, at least 40 mm. */
    public Length tail(Length hand) {
        Length twice = tailTwice(hand).total();
        return new Length(-Math.floorDiv(-twice.micrometres(), 2))
                .roundUpTo(TAIL_STEP)
                .max(SHORTEST_TAIL);
    }

    /** The sum behind the tail: twice its least length. */
    public Sum tailTwice(Length hand) {
        return new Sum(List.of(
                Term.of("fit.hand", hand),
                Term.of("fit.overHand", OVER_THE_HAND),
                Term.of("fit.curvature", curvature),
                Term.of("fit.body", body).negated(),
                Term.of("fit.slider", slider)));
    }
}
