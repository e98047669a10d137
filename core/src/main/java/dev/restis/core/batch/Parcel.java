package dev.restis.core.batch;

/**
 * Pieces of one order that are alike and are tied one after the other by one maker.
 *
 * @param id of whoever asks
 * @param order its place in the list of orders
 * @param bench what must lie on the bench
 * @param pieces how many; at least one
 * @param seconds that one of them takes a maker of usual pace; at least one
 * @param release the day from which its cord is there, counted from the first of the plan; 0 for at once
 */
public record Parcel(long id, int order, Bench bench, int pieces, int seconds, int release) {

    public Parcel {
        if (pieces < 1 || seconds < 1 || release < 0) {
            throw new IllegalArgumentException("pieces and seconds must be at least 1, release not negative, but were "
                    + pieces + ", " + seconds + " and " + release);
        }
    }

    /** What all of it takes a maker of usual pace. */
    public long work() {
        return (long) pieces * seconds;
    }
}
