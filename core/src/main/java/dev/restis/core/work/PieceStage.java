package dev.restis.core.work;

/** How far a piece is. Each stage has been through those before it, but for what its house passes over. */
public enum PieceStage {
    /** Ordered, and in no batch. */
    OPEN,
    /** In a batch: what it needs is worked out. */
    PLANNED,
    /** Some of its strands are cut. */
    CUTTING,
    /** All of its strands are cut, and its parts picked. */
    CUT,
    /** Somebody is tying it. */
    MAKING,
    /** Tied; it may lie until its glue is dry. */
    MADE,
    /** Inspected and found good. */
    CHECKED,
    /** In its parcel. */
    PACKED,
    /** Gone out. */
    SENT,
    /** Cut, and not to be had any more; what it cost stays. */
    GIVEN_UP;

    /** Whether all of its strands were cut, whatever became of it. */
    public boolean cut() {
        return compareTo(CUT) >= 0;
    }

    /** Whether hands have worked on it. */
    public boolean begun() {
        return compareTo(MAKING) >= 0 && this != GIVEN_UP;
    }

    /** Whether it is there and tied, or has gone out. */
    public boolean made() {
        return compareTo(MADE) >= 0 && this != GIVEN_UP;
    }

    /** Whether it counts towards its order. */
    public boolean wanted() {
        return this != GIVEN_UP;
    }
}
