package dev.restis.app.workshop;

/** What the house settles once for everybody; each is kept as a whole. */
public enum Setting {
    HOUSE,
    MARGIN,
    OPEN_MINUTES,
    PRICES,
    SIZES,
    CUT_PLANS,
    WORK_STEPS,
    BENCH,
    PLAN,
    WAYS
}
