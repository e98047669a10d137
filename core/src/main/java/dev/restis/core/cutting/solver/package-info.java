/**
 * Cut plans of one article on a whole grid, near the least cost and with a proven bound: column generation, dives, and long
 * spools as bulk. Knows nothing of pieces; {@link dev.restis.core.cutting} maps to it and back.
 */
@NullMarked
package dev.restis.core.cutting.solver;

import org.jspecify.annotations.NullMarked;
