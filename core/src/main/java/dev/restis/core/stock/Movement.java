package dev.restis.core.stock;

/** Why stock moved; each is one row of the append-only ledger. */
public enum Movement {
    /** Delivered and put on the shelf. */
    RECEIVE,
    /** Cut off for a strand of a piece. */
    CUT,
    /** Hardware taken for a piece. */
    PICK,
    /** Moved from a spool to a remnant of its own. */
    SPLIT,
    /** Thrown away. */
    BIN,
    /** Set right after a look at the shelf, with a reason. */
    ADJUST
}
