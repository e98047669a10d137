package dev.restis.core.learning;

import java.util.List;

/**
 * That a length depends on the hand that ties it.
 *
 * @param loads what its log factor is made of
 * @param factor what was learned of it: the length is what geometry says times this
 * @param spread one standard deviation of the length, relative, without what differs from piece to piece
 */
public record Tie(List<Load> loads, double factor, double spread) {

    public Tie {
        loads = List.copyOf(loads);
        if (!(factor > 0) || !(spread >= 0)) {
            throw new IllegalArgumentException(
                    "factor must be positive and spread not negative but were " + factor + " and " + spread);
        }
    }
}
