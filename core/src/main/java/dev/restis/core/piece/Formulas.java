package dev.restis.core.piece;

/** Which formulas pieces are worked out with, so that whoever kept what they gave knows when to work it out anew. */
public final class Formulas {

    /** To be raised with every change by which a piece of an unchanged pattern takes another length,
     * or is tied in another order. */
    public static final int VERSION = 4;

    private Formulas() {}
}
