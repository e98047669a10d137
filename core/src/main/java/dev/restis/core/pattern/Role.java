package dev.restis.core.pattern;

import dev.restis.core.stitch.Seat;
import java.util.Collection;
import java.util.List;

/**
 * What a group of equal strands does in the piece.
 *
 * @param code stable key of the role within its pattern, also the key of its name
 * @param slots which of the pattern's cords it takes; two for a strand fused of two colours at its middle, one a leg
 * @param count how many strands of it, 1 to 10
 * @param legs where each leg of a strand runs: one leg for a straight strand, two for one folded where it is mounted;
 *     two unlike legs mean an off-centre fold, the first leg the shorter
 */
public record Role(String code, List<Integer> slots, int count, List<Leg> legs) {

    public static final int MOST = 10;

    public Role {
        slots = List.copyOf(slots);
        legs = List.copyOf(legs);
        if (legs.isEmpty() || legs.size() > 2) {
            throw new IllegalArgumentException("a strand has one or two legs but " + code + " has " + legs.size());
        }
        if (slots.isEmpty() || slots.size() > legs.size()) {
            throw new IllegalArgumentException(
                    "a strand takes one cord, or one for each leg, but " + code + " takes " + slots.size());
        }
        if (count < 1 || count > MOST) {
            throw new IllegalArgumentException("count must be 1 to " + MOST + " but " + code + " has " + count);
        }
    }

    public static Role straight(String code, int slot, int count, Seat seat) {
        return new Role(code, List.of(slot), count, List.of(Leg.in(seat)));
    }

    public static Role folded(String code, int slot, int count, Seat first, Seat second) {
        return new Role(code, List.of(slot), count, List.of(Leg.in(first), Leg.in(second)));
    }

    /** Two cords joined end to end, the join at the fold. */
    public static Role fused(String code, int first, int second, int count, Seat seat) {
        return new Role(code, List.of(first, second), count, List.of(Leg.in(seat), Leg.in(seat)));
    }

    public boolean folded() {
        return legs.size() == 2;
    }

    public boolean fused() {
        return slots.size() == 2;
    }

    public boolean foldedOffCentre() {
        return folded() && !fused() && !legs.get(0).equals(legs.get(1));
    }

    /** The cord that a leg is of. */
    public int slotOf(int leg) {
        return slots.get(Math.min(leg, slots.size() - 1));
    }

    /** How often all its strands together run in any of {@code seats}: what lies side by side there. */
    public int runsIn(Collection<Seat> seats) {
        int each = 0;
        for (Leg leg : legs) {
            each += leg.runsIn(seats);
        }
        return count * each;
    }

    /** How many free ends of its strands lie in any of {@code seats}: both of a straight strand, one of each folded leg. */
    public int endsIn(Collection<Seat> seats) {
        int each = 0;
        for (Leg leg : legs) {
            each += endsOf(leg, seats);
        }
        return count * each;
    }

    /** How many free ends of one leg lie in any of {@code seats}. */
    public int endsOf(Leg leg, Collection<Seat> seats) {
        int begins = !folded() && seats.contains(leg.first()) ? 1 : 0;
        return begins + (seats.contains(leg.last()) ? 1 : 0);
    }

    /** Whether any leg of it runs in any of {@code seats}. */
    public boolean takes(Collection<Seat> seats) {
        for (Leg leg : legs) {
            if (leg.takes(seats)) {
                return true;
            }
        }
        return false;
    }
}
