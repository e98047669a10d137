package dev.restis.app.workplan;

/**
 * What made a plan be mended, or what somebody did with it; kept as it is, and said in words where it is shown.
 *
 * @param what happened
 * @param name of the order or the person that it is of; empty for none
 * @param count of pieces or minutes that it is about; 0 for none
 */
record Happening(What what, String name, int count) {

    /** What can happen. */
    enum What {
        /** Another day has begun. */
        DAY,
        /** A maker is at the bench at other times. */
        CALENDAR,
        /** Today's work of a maker does not fit in what is left of the day. */
        BEHIND,
        NEW_ORDER,
        GONE_ORDER,
        CHANGED_ORDER,
        CORD_LATER,
        CORD_SOONER,
        /** Pieces that were pinned had to be let go. */
        UNPINNED,
        /** An order that was to be in time is late now, though its day was promised. */
        PROMISE_BROKEN,
        /** Pieces were moved, pinned, split, merged or taken by hand. */
        PIECES
    }
}
