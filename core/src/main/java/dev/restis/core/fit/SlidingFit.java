package dev.restis.core.fit;

import dev.restis.core.measure.Length;
import dev.restis.core.measure.Sum;
import dev.restis.core.measure.Sum.Term;
import java.util.ArrayList;
import java.util.List;

/**
 * The two inequalities of a closure that slides, each from its own geometry. B is everything in the band but the
 * closure's own part, T the free tail from body to stop on each side, S the part that slides.
 *
 * <ul>
 *   <li>{@link Kind#OVER_TAILS}, a slider or bead over overlapped tails: closes to B + S, opens to B + 2T - S.
 *   <li>{@link Kind#AROUND_EACH_OTHER}, two sliding knots of length S: closes to B + T, when each knot touches the other
 *       side's body, and opens to B + 2T - 2S, when the knots meet.
 *   <li>{@link Kind#THROUGH_EYE}, a noose whose eye takes S: closes to B + S, opens to B + S + T.
 * </ul>
 *
 * <p>A band of thickness t has an inner circumference shorter than its flat length by pi*t (neutral axis at
 * mid-thickness), so both are compared after taking pi*t off.
 *
 * @param body B
 * @param part S
 * @param curvature pi*t
 */
public record SlidingFit(Kind kind, Length body, Length part, Length curvature) {

    private static final Length OVER_THE_HAND = Length.ofMillimetres(5);
    private static final Length TAIL_STEP = Length.ofMillimetres(5);
    /** A tail below this cannot be gripped to pull the band open. */
    private static final Length SHORTEST_TAIL = Length.ofMillimetres(40);

    /** How the closure is built. */
    public enum Kind {
        OVER_TAILS(2),
        AROUND_EACH_OTHER(2),
        THROUGH_EYE(1);

        private final int tails;

        Kind(int tails) {
            this.tails = tails;
        }

        /** How often the tail counts in the open length. */
        public int tails() {
            return tails;
        }
    }

    /** Inner circumference when pulled fully closed on tails of {@code tail}. */
    public Length closed(Length tail) {
        Length flat = kind == Kind.AROUND_EACH_OTHER ? body.plus(tail) : body.plus(part);
        return flat.minus(curvature);
    }

    /** Inner circumference when pulled fully open on tails of {@code tail}. */
    public Length open(Length tail) {
        Length reach = body.plus(tail.times((long) kind.tails()));
        return reach.minus(openPart()).minus(curvature);
    }

    private Length openPart() {
        return switch (kind) {
            case OVER_TAILS -> part;
            case AROUND_EACH_OTHER -> part.times(2L);
            case THROUGH_EYE -> Length.ZERO.minus(part);
        };
    }

    /** What the open band must reach to pass over {@code hand}. */
    public static Length needed(Length hand) {
        return hand.plus(OVER_THE_HAND);
    }

    /** The least tail that opens over the hand, rounded up to 5 mm, at least 40 mm. */
    public Length tail(Length hand) {
        long all = tailSum(hand).total().micrometres();
        return new Length(-Math.floorDiv(-all, kind.tails()))
                .roundUpTo(TAIL_STEP)
                .max(SHORTEST_TAIL);
    }

    /** The sum behind the tail, as often as it counts: hand + 5 mm + pi*t - B, plus or minus what the part takes. */
    public Sum tailSum(Length hand) {
        List<Term> terms = new ArrayList<>();
        terms.add(Term.of("fit.hand", hand));
        terms.add(Term.of("fit.overHand", OVER_THE_HAND));
        terms.add(Term.of("fit.curvature", curvature));
        terms.add(Term.of("fit.body", body).negated());
        terms.add(Term.of("fit.slides", openPart()));
        return new Sum(terms);
    }

    /**
     * The tail that two sliding knots of length {@code part} need when they are to close to {@code target}: there T
     * lengthens the closed band too, so B = target - T and T >= hand + 5 mm + pi*t - target + 2S; {@code slack} is what
     * whole repeats may take from the body.
     */
    public static Length tailOfSlidingKnots(Length target, Length hand, Length curvature, Length part, Length slack) {
        return needed(hand)
                .plus(curvature)
                .minus(target)
                .plus(part.times(2L))
                .plus(slack)
                .roundUpTo(TAIL_STEP)
                .max(SHORTEST_TAIL);
    }
}
