package dev.restis.core.pattern;

import dev.restis.core.measure.Length;
import dev.restis.core.stitch.Stitch;

/** A part of a piece, in the order it is made; a new kind must be handled wherever sections are worked out. */
public sealed interface Section {

    <T> T accept(Visitor<T> visitor);

    /** Strands folded over a ring and locked with a lark's head. */
    record RingMount() implements Section {
        @Override
        public <T> T accept(Visitor<T> visitor) {
            return visitor.ringMount(this);
        }
    }

    /**
     * The stitched part.
     *
     * @param stitch what repeats
     * @param beadSeat which legs go through the beads, if the body may carry any
     * @param mostBeads 0 when the body carries none
     */
    record Body(Stitch stitch, Role.Seat beadSeat, int mostBeads) implements Section {
        @Override
        public <T> T accept(Visitor<T> visitor) {
            return visitor.body(this);
        }
    }

    /**
     * A slider of half knots over the overlapped tails, with an end-stop knot in each pair of tails.
     *
     * @param halfKnots how many
     */
    record Slider(int halfKnots) implements Section {
        @Override
        public <T> T accept(Visitor<T> visitor) {
            return visitor.slider(this);
        }
    }

    /**
     * All ends tied together in one overhand, with a fringe beyond it.
     *
     * @param fringe length of the fringe
     */
    record OverhandEnd(Length fringe) implements Section {
        @Override
        public <T> T accept(Visitor<T> visitor) {
            return visitor.overhandEnd(this);
        }
    }

    /** Answers for each kind of section. */
    interface Visitor<T> {
        T ringMount(RingMount section);

        T body(Body section);

        T slider(Slider section);

        T overhandEnd(OverhandEnd section);
    }
}
