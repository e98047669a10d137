package dev.restis.core.cord;

import dev.restis.core.measure.Length;

/**
 * A ring that a fob hangs on.
 *
 * @param innerWidth inside diameter
 * @param bar thickness of the wire that a lark's head closes around
 */
public record Ring(Length innerWidth, Length bar) {}
