package dev.restis.core.cutting;

import dev.restis.core.measure.Length;

/**
 * Cord that runs through a counter until it is cut.
 *
 * @param ran what has run through since the last cut; not negative
 * @param need what the next cut needs; positive
 */
public record CordRun(Length ran, Length need) {

    /** A strand may be so much longer than it needs to be: what a hand on the scissors takes. Never shorter. */
    private static final Length OVER = Length.ofMillimetres(5);

    /** What is to be done. */
    public enum Stand {
        /** More has to run through. */
        RUN_ON,
        /** The length is there. */
        CUT_HERE,
        /** Too much has run through; wind back. */
        WIND_BACK,
        /** No strand is next. */
        NOTHING_TO_CUT
    }

    public CordRun {
        if (ran.micrometres() < 0 || !need.isPositive()) {
            throw new IllegalArgumentException(
                    "ran must not be negative and need must be positive but were " + ran + " and " + need);
        }
    }

    public Stand stand() {
        if (ran.isLessThan(need)) {
            return Stand.RUN_ON;
        }
        return need.plus(OVER).isLessThan(ran) ? Stand.WIND_BACK : Stand.CUT_HERE;
    }
}
