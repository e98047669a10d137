package dev.restis.core.cutting;

import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Stage;
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
 * @param stage when it is tied: the tails of a body are there for what closes the same piece
 * @param cutAnyway that no tail serves, because one that should have was too short
 */
public record Demand(
        long id,
        long piece,
        Optional<Long> set,
        long article,
        Length length,
        List<Length> tails,
        Stage stage,
        boolean cutAnyway) {

    /** What must come from one lot: an article in a piece that stands alone, or in a whole set. */
    public record OneLot(boolean set, long id, long article) {}

    public Demand {
        tails = List.copyOf(tails);
        if (!length.isPositive()) {
            throw new IllegalArgumentException("length of strand " + id + " must be positive but was " + length);
        }
    }

    public Demand(long id, long piece, long article, Length length, List<Length> tails) {
        this(id, piece, Optional.empty(), article, length, tails, Stage.BODY, false);
    }

    public Demand(long id, long piece, long article, Length length) {
        this(id, piece, article, length, List.of());
    }

    /** Strands that share this are of one lot. */
    public OneLot oneLot() {
        return new OneLot(set.isPresent(), set.orElse(piece), article);
    }

    public Demand inSet(long other) {
        return new Demand(id, piece, Optional.of(other), article, length, tails, stage, cutAnyway);
    }

    /** The same strand, tied at another time. */
    public Demand at(Stage other) {
        return new Demand(id, piece, set, article, length, tails, other, cutAnyway);
    }

    /** The same strand, which no tail serves any more. */
    public Demand withoutTail() {
        return new Demand(id, piece, set, article, length, tails, stage, true);
    }
}
