package dev.restis.core.fit;

import dev.restis.core.measure.Length;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/** Whole repeats, shared out symmetrically between beads. */
public final class Repeats {

    private Repeats() {}

    /**
     * The largest number of repeats, at most {@code most}, that can stand symmetrically about the centre in {@code
     * groups} groups, or 0. An even number of groups has no middle group to take an odd repeat.
     */
    public static int symmetrical(int most, int groups) {
        if (most < groups) {
            return groups == 1 ? Math.max(0, most) : 0;
        }
        int rest = most % groups;
        return groups % 2 == 0 && rest % 2 == 1 ? most - 1 : most;
    }

    /**
     * Groups of {@code every} repeats with a bead between any two, as many as fit in {@code room}; what is left over
     * lengthens the first and last group alike.
     *
     * @return the groups from end to end; empty when not one fits
     */
    public static List<Integer> withBeadEvery(int every, Length room, Length pitch, Length bead) {
        Length group = pitch.times((long) every);
        if (room.isLessThan(group)) {
            return List.of();
        }
        long beads = room.minus(group).micrometres() / group.plus(bead).micrometres();
        Length left = room.minus(group).minus(group.plus(bead).times(beads));
        int more = (int) (left.micrometres() / (2 * pitch.micrometres()));
        List<Integer> groups = new ArrayList<>(Collections.nCopies((int) beads + 1, every));
        if (beads == 0) {
            groups.set(0, every + 2 * more);
        } else {
            groups.set(0, every + more);
            groups.set((int) beads, every + more);
        }
        return List.copyOf(groups);
    }

    /**
     * Shares {@code repeats} among {@code groups} as evenly as symmetry allows; what is over goes to the groups nearest
     * the middle.
     */
    public static List<Integer> share(int repeats, int groups) {
        if (groups < 1 || repeats < 0) {
            throw new IllegalArgumentException(
                    "groups must be positive and repeats not negative but were " + groups + " and " + repeats);
        }
        List<Integer> shares = new ArrayList<>(Collections.nCopies(groups, repeats / groups));
        int rest = repeats % groups;
        int low = (groups - 1) / 2;
        int high = groups / 2;
        if (low == high && rest % 2 == 1) {
            shares.set(low, shares.get(low) + 1);
            rest--;
        }
        if (low == high) {
            low--;
            high++;
        }
        for (; rest >= 2; rest -= 2, low--, high++) {
            shares.set(low, shares.get(low) + 1);
            shares.set(high, shares.get(high) + 1);
        }
        if (rest != 0) {
            throw new IllegalArgumentException(repeats + " repeats cannot be shared symmetrically in " + groups
                    + " groups; ask Repeats.symmetrical first");
        }
        return List.copyOf(shares);
    }
}
