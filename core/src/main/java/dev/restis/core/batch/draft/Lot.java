package dev.restis.core.batch.draft;

import dev.restis.core.batch.Bench;
import java.util.List;

/**
 * Equal pieces of one line that wait to be tied and are cut equally far.
 *
 * @param line of an order, by whoever's number
 * @param order place in the list of orders
 * @param seconds that one takes a maker of usual pace
 * @param release the day from which its cord is there; 0 for at once
 * @param together whether one maker is to tie all of them
 * @param pieces their numbers
 */
public record Lot(long line, int order, Bench bench, int seconds, int release, boolean together, List<Long> pieces) {
    public Lot {
        pieces = List.copyOf(pieces);
    }
}
