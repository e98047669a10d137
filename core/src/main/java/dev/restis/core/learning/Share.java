package dev.restis.core.learning;

import java.util.List;

/**
 * What of a use goes with one way of tying.
 *
 * @param amount what geometry says it takes; positive, in the unit of the whole
 * @param loads what its log factor is made of, each feature once
 */
public record Share(double amount, List<Load> loads) {

    public Share {
        loads = List.copyOf(loads);
        if (!(amount > 0)) {
            throw new IllegalArgumentException("amount must be positive but was " + amount);
        }
    }
}
