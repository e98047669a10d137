/** Movements and balances. */
@NullMarked
package dev.restis.core.stock;

import org.jspecify.annotations.NullMarked;
