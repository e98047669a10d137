package dev.restis.core.batch.draft;

import java.util.List;
import java.util.OptionalInt;

/**
 * Where pieces stood in a plan; given in the order of the makers' lines.
 *
 * @param maker place in the list of makers; below 0 for one who is gone
 * @param pinnedOn the day that they are pinned to; below 0 for one that is over
 * @param apart whether they begin a batch of their own
 */
public record Stood(int maker, OptionalInt pinnedOn, boolean apart, List<Long> pieces) {
    public Stood {
        pieces = List.copyOf(pieces);
    }
}
