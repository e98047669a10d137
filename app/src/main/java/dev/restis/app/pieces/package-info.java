/** The one door through which pieces move: what was done with each, and where it stands by that. */
@NullMarked
package dev.restis.app.pieces;

import org.jspecify.annotations.NullMarked;
