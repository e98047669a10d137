/** Strand paths pulled tight: true centre lines for pictures, and a check that a path is the knot it claims to be. */
@NullMarked
package dev.restis.core.tight;

import org.jspecify.annotations.NullMarked;
