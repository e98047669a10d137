/** Lengths, their reading and the short sums behind every figure. */
@NullMarked
package dev.restis.core.measure;

import org.jspecify.annotations.NullMarked;
