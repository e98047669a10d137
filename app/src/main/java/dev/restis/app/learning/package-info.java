/** What was measured at the bench and of samples, and what was learned from it. */
@NullMarked
package dev.restis.app.learning;

import org.jspecify.annotations.NullMarked;
