/** Learning from what was measured: one filter for cord, lengths and minutes, and how sure it is. */
@NullMarked
package dev.restis.core.learning;

import org.jspecify.annotations.NullMarked;
