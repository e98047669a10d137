package dev.restis.core.cutting;

import dev.restis.core.measure.Length;
import java.util.List;
import java.util.Optional;

/**
 * A strand to cut.
 *
 * @param id identity of the strand
 * @param piece the piece it belongs to; pieces are made in the order of their numbers
 * @param set the matching set that the piece belongs to; all of a set is of one lot, as all of a piece is
 * @param article what it is cut from
 * @param length cut length; positive
 * @param tails what it leaves for others when its piece is tied, at the least
 */
public record Demand(long id, long piece, Optional<Long> set, long article, Length length, List<Length> tails) {

    /** What must come from one lot: an article in a piece that stands alone, or in a whole set. */
    public record OneLot(boolean set, long id, long article) {}

    public Demand {
        tails = List.copyOf(tails);
        if (!length.isPositive()) {
            throw new IllegalArgumentException("length of strand " + id + " must be positive but was " + length);
        }
    }

    public Demand(long id, long piece, long article, Length length, List<Length> tails) {
        this(id, piece, Optional.empty(), article, length, tails);
    }

    public Demand(long id, long piece, long article, Length length) {
        this(id, piece, article, length, List.of());
    }

    /** Strands that share this are of one lot. */
    public OneLot oneLot() {
        return new OneLot(set.isPresent(), set.orElse(piece), article);
    }

    public Demand inSet(long other) {
        return new Demand(id, piece, Optional.of(other), article, length, tails);
    }
}
