package dev.restis.core.cutting.solver;

/**
 * Stock of one length.
 *
 * @param length in steps of the grid
 * @param available how many there are
 * @param extra what it costs to begin one, over what it is worth as a leftover: of a sealed spool or one to be bought
 */
public record StockLength(int length, int available, long extra) {}
