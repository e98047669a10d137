/** The bench: cards, who works on what, and what was done with each step of each piece. */
@NullMarked
package dev.restis.app.bench;

import org.jspecify.annotations.NullMarked;
