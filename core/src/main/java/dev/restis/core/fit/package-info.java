/** Sizes, ease, closures and whole repeats. */
@NullMarked
package dev.restis.core.fit;

import org.jspecify.annotations.NullMarked;
