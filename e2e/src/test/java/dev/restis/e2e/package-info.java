/** The real application in the real browser. */
@NullMarked
package dev.restis.e2e;

import org.jspecify.annotations.NullMarked;
