package dev.restis.app.orders;

import java.util.Collection;
import java.util.Set;

/** Knows which orders hang together, so that taking pieces out of one may move pieces of another. */
public interface Companions {

    /** The orders that hang together with these, themselves among them or not. */
    Set<Long> of(Collection<Long> orders);
}
