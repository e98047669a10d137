package dev.restis.core.make;

/** What is seen to go wrong at a step, and what mends it; its words stand in the message files. */
public enum Repair {
    BARREL_OFF_BEAD,
    STOP_TOO_LOOSE,
    STOP_STRAND_WRONG,
    BEAD_WILL_NOT_PASS,
    LOOP_CLOSING,
    SIDE_LONGER,
    BAND_WAVY,
    BAND_FAT,
    ROWS_LEFT_OVER,
    LEATHER_CRACKS,
    ENDS_FRAYED,
    SLIDER_FUSED,
    ORDER_LOST,
    EYE_TOO_SMALL,
    TAIL_TOO_SHORT,
    JOIN_BREAKS
}
