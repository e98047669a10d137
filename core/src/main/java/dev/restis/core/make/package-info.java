/** The work after the scissors: cards of steps and gates, how far a piece is on its card, checks between, what is left over. */
@NullMarked
package dev.restis.core.make;

import org.jspecify.annotations.NullMarked;
