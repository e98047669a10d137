package dev.restis.core.pattern;

import java.util.List;

/**
 * What a group of equal strands does in the piece.
 *
 * @param code stable key of the role within its pattern, also the key of its name
 * @param slot which of the pattern's colours it takes, from 0
 * @param count how many strands of it, 1 to 10
 * @param legs where each leg of a strand runs in the body: one leg for a straight strand, two for one folded where it is
 *     mounted; two unlike legs mean an off-centre fold, the first leg the shorter
 * @param slides whether its ends run on as the tails that slide and are stopped by a knot
 */
public record Role(String code, int slot, int count, List<Seat> legs, boolean slides) {

    /** Where a leg runs. */
    public enum Seat {
        /** Straight through the middle of the stitch. */
        CORE,
        /** Ties the stitch. */
        WORKING,
        /** Ties the slider of the closure. */
        CLOSURE
    }

    public Role {
        legs = List.copyOf(legs);
        if (legs.isEmpty() || legs.size() > 2) {
            throw new IllegalArgumentException("a strand has one or two legs but " + code + " has " + legs.size());
        }
        if (count < 1 || count > 10) {
            throw new IllegalArgumentException("count must be 1 to 10 but " + code + " has " + count);
        }
    }

    public boolean folded() {
        return legs.size() == 2;
    }

    public boolean foldedOffCentre() {
        return folded() && legs.get(0) != legs.get(1);
    }

    /** How many legs of all its strands run in {@code seat}. */
    public int legsIn(Seat seat) {
        return count * (int) legs.stream().filter(seat::equals).count();
    }
}
