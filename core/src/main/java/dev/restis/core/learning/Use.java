package dev.restis.core.learning;

import java.util.List;

/**
 * A use as it is expected: {@code fixed + sum of amount * exp(log factor)} over its shares. Of a strand its cord, in millimetres; of
 * a body its length; of a piece its seconds.
 *
 * @param noise what is tied mostly, by which the noise from piece to piece is kept
 * @param fixed what no hand changes; not negative
 */
public record Use(String noise, double fixed, List<Share> shares) {

    public Use {
        shares = List.copyOf(shares);
        if (!(fixed >= 0)) {
            throw new IllegalArgumentException("fixed must not be negative but was " + fixed);
        }
    }
}
