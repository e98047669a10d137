package dev.restis.core.batch;

import java.util.ArrayList;
import java.util.List;

/** Cuts equal pieces up into parcels that can stand at different makers and on different days. */
public final class Parcelling {

    /** A parcel that takes longer is cut up, unless it is one piece. */
    public static final int LONGEST_SECONDS = 2 * 3600;

    private Parcelling() {}

    /**
     * How many pieces go in each parcel, as even as can be, the larger first.
     *
     * @param pieces at least one
     * @param seconds of one; at least one
     */
    public static List<Integer> sizes(int pieces, int seconds) {
        int most = Math.max(1, LONGEST_SECONDS / seconds);
        int parcels = (pieces + most - 1) / most;
        List<Integer> sizes = new ArrayList<>();
        for (int p = 0; p < parcels; p++) {
            sizes.add(pieces / parcels + (p < pieces % parcels ? 1 : 0));
        }
        return sizes;
    }
}
