package dev.restis.app.orders;

import java.util.Set;

/** Orders or their pieces stand otherwise than before, in this transaction. */
public record OrdersMoved(Set<Long> orders) {
    public OrdersMoved {
        orders = Set.copyOf(orders);
    }
}
