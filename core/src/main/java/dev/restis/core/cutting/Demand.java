package dev.restis.core.cutting;

import dev.restis.core.measure.Length;

/**
 * A strand to cut.
 *
 * @param id identity of the strand
 * @param piece the piece it belongs to
 * @param article what it is cut from
 * @param length cut length; positive
 */
public record Demand(long id, long piece, long article, Length length) {

    public Demand {
        if (!length.isPositive()) {
            throw new IllegalArgumentException("length of strand " + id + " must be positive but was " + length);
        }
    }
}
