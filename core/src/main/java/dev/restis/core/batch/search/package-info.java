/** Looks for good plans: sequences of parcels by maker, and a decoder that turns them into days. */
@NullMarked
package dev.restis.core.batch.search;

import org.jspecify.annotations.NullMarked;
