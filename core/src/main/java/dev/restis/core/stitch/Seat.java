package dev.restis.core.stitch;

/** Where a leg of a strand runs, and so what it does there. */
public enum Seat {
    /** Straight through the middle, unless the stitch says otherwise. */
    CORE,
    /** Ties, weaves or braids the body. */
    WORKING,
    /** Looped around the edge of a body that others weave. */
    FALL,
    /** Fixed straight along the edge of a body, with others hitched to it. */
    EDGE,
    /** Core of a second body, such as the other side of a centrepiece. */
    SECOND_CORE,
    /** Ties a second body, or ties beside those who tie. */
    SECOND_WORKING,
    /** Falls of their own, such as those of another colour. */
    SECOND_FALL,
    /** Ties the slider of a closure. */
    CLOSURE,
    /** Wraps around a bundle: whipping, gathering. */
    WRAP,
    /** Ties a tab beside the closure. */
    TAB
}
