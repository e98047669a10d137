/** Which work is done when, and the earliest day that work can be ready. */
@NullMarked
package dev.restis.core.batch;

import org.jspecify.annotations.NullMarked;
