package dev.restis.core.make;

/** What kind of doing a step is. */
public enum StepKind {
    /** Ends, marks and joins, before anything is tied. */
    PREPARE,
    /** What must go on now, because its way will be closed. */
    THREAD,
    /** Mounts, eyes, and what holds the work. */
    SET_UP,
    TIE,
    /** Something is measured and held against what was expected. */
    CHECK,
    /** Something must be so before an act that cannot be undone. */
    GATE,
    /** Of what opens and shuts. */
    CLOSE,
    /** Of ends. */
    FINISH,
    INSPECT;

    /** Whether it is passed, and not done. */
    public boolean passed() {
        return this == GATE || this == CHECK;
    }
}
