package dev.restis.app.learning;

/** Where a measured figure is from. */
public enum Source {
    /** What was left over of strands. */
    STRAND,
    /** A body measured while it grows. */
    LENGTH,
    /** Timed steps of a piece. */
    STEP,
    /** Setting a bench up. */
    SET_UP,
    /** A sample tied to be measured. */
    SWATCH,
    /** Another house's. */
    IMPORT
}
