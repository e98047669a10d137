package dev.restis.core.make;

/** What must be so before an act that cannot be undone, or not cheaply; its words stand in the message files. */
public enum Gate {
    /** The join of a fused strand is cold and holds a firm pull; before any tension. */
    JOIN_HOLDS,
    /** The bead takes its strands, and is the right way round; before it is threaded on. */
    BEAD_PASSES,
    /** The eye is evened and at its size; before the second knot locks it. */
    EYE_AT_SIZE,
    /** The band between its bars is as long as it must be, flat and around the wrist; before it is woven. */
    BAND_LENGTH,
    /** Edge strands do not sag; before the first crossing. */
    EDGES_TAUT,
    /** Every strand lies in its place, from left to right; before the first row. */
    STRANDS_IN_ORDER,
    /** A knot touches what it belongs to; before it is pulled tight. */
    KNOT_HOME,
    /** The first repeats are as long as they should be; before going on. */
    FIRST_REPEATS(true),
    /** Half of the repeats make half of the length, and the cord suffices; before the second half. */
    HALF_WAY(true),
    /** Both sides have the same length and number of repeats; before they are joined. */
    SIDES_EQUAL(true),
    /** All parts are on, by count; before a knot closes their way. */
    PARTS_ON,
    /** No further row fits; before the ends are finished. */
    NO_ROW_MORE,
    /** The last knots are hard and without slack; before ends are cut behind them. */
    LOCK_HARD,
    /** It slides both ways, and grips; before another knot or a seal fixes it. */
    SLIDES,
    /** It goes over the hand when open and to the wrist when closed, or measures what was ordered; before anything is trimmed. */
    TRIED_ON,
    /** The eye goes over the stop three times, and stays; before the stop is pulled tight. */
    STOP_HOLDS,
    /** Ends hang even, the closure sits in the middle; before they are knotted or cut. */
    ENDS_EVEN,
    /** The front is not disturbed by an end drawn back; before that end is cut. */
    FRONT_WHOLE,
    /** Glue is dry by its label; before anything is cut beside it. */
    GLUE_DRY,
    /** The flame is clear of what must slide; before sealing. */
    FLAME_CLEAR;

    private final boolean measured;

    Gate() {
        this(false);
    }

    Gate(boolean measured) {
        this.measured = measured;
    }

    /** Whether a length is measured at it. */
    public boolean measured() {
        return measured;
    }

    StepKind kind() {
        return measured ? StepKind.CHECK : StepKind.GATE;
    }
}
