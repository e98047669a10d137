/** A plan in hand: what stands where, what is pinned, and what hands do with it. */
@NullMarked
package dev.restis.core.batch.draft;

import org.jspecify.annotations.NullMarked;
