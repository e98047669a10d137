package dev.restis.core.cutting;

import dev.restis.core.measure.Length;
import java.util.List;

/**
 * A strand to cut.
 *
 * @param id identity of the strand
 * @param piece the piece it belongs to; pieces are made in the order of their numbers
 * @param article what it is cut from
 * @param length cut length; positive
 * @param tails what it leaves for others when its piece is tied, at the least
 */
public record Demand(long id, long piece, long article, Length length, List<Length> tails) {

    public Demand {
        tails = List.copyOf(tails);
        if (!length.isPositive()) {
            throw new IllegalArgumentException("length of strand " + id + " must be positive but was " + length);
        }
    }

    public Demand(long id, long piece, long article, Length length) {
        this(id, piece, article, length, List.of());
    }
}
