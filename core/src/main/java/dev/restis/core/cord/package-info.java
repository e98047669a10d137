/** Materials, cords, beads and rings with the properties that rules ask for. */
@NullMarked
package dev.restis.core.cord;

import org.jspecify.annotations.NullMarked;
