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
    ADJUST,
    /** Sold as it is. */
    SELL,
    /** Sent back to where it came from. */
    SEND_BACK,
    /** Set right by a stocktake. */
    COUNT,
    /** What was cut for a piece that was given up lies on the shelf again. */
    RETURN,
    /** What was left over of a strand when its piece was made is kept as a remnant. */
    LEFT;

    /** Whether this takes stock out for no piece: such rows can be taken back by a row against them. */
    public boolean reversible() {
        return switch (this) {
            case BIN, ADJUST, SELL, SEND_BACK, COUNT -> true;
            case RECEIVE, CUT, PICK, SPLIT, RETURN, LEFT -> false;
        };
    }
}
