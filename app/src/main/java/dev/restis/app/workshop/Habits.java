package dev.restis.app.workshop;

import dev.restis.core.measure.UnitSystem;

/**
 * How somebody works.
 *
 * @param hand that ties; steps are shown for it
 * @param language as a tag; the house's when empty
 * @param units in which lengths are shown, and read where none is written
 */
record Habits(Hand hand, String language, UnitSystem units) {

    /** The hand that ties. */
    enum Hand {
        LEFT,
        RIGHT
    }
}
