package dev.restis.core.batch.draft;

/** What hands wanted and a plan does not hold; says why, and by which figures. */
public final class DoesNotFit extends RuntimeException {

    /** Why. */
    public enum Why {
        /** The day has fewer seconds left than it takes. */
        DAY_FULL,
        /** Its cord comes later. */
        NO_CORD_YET,
        /** The maker does not tie that. */
        NOT_TIED,
        /** There are not so many pieces to part. */
        NOT_SO_MANY,
        /** They do not lie on one bench. */
        NOT_ALIKE
    }

    private final Why why;
    private final long needed;
    private final long there;

    /**
     * @param needed seconds, days from the first of the plan, or pieces
     * @param there as many of what there is
     */
    DoesNotFit(Why why, long needed, long there) {
        super(why + " " + needed + " " + there);
        this.why = why;
        this.needed = needed;
        this.there = there;
    }

    public Why why() {
        return why;
    }

    public long needed() {
        return needed;
    }

    public long there() {
        return there;
    }
}
