package dev.restis.core.cord;

import dev.restis.core.measure.Length;

/**
 * A bead with a straight hole.
 *
 * @param length along the hole
 * @param diameter across
 * @param hole inner diameter
 */
public record Bead(Length length, Length diameter, Length hole) {}
