package dev.restis.core.make;

/** What must lie at hand for a step. */
public enum Tool {
    SCISSORS,
    FLAME,
    PRESS_TOOL,
    WET_CLOTH,
    RULER,
    MARKER,
    WAX,
    BOARD,
    JIG,
    CLIPS,
    SPACER,
    FID,
    FORCEPS,
    TWEEZERS,
    PLIERS,
    GLUE
}
