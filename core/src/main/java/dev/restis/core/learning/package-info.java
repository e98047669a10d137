/** What swatches and the bench say about take-up. */
@NullMarked
package dev.restis.core.learning;

import org.jspecify.annotations.NullMarked;
