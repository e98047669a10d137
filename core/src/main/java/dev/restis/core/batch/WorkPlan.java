package dev.restis.core.batch;

import java.util.List;

/**
 * Who ties what, in which order.
 *
 * @param makers for each maker, what is tied one after the other
 * @param aims what it is worth
 */
public record WorkPlan(List<List<Placed>> makers, Aims aims) {

    /**
     * A parcel in its place.
     *
     * @param parcel place in the list of parcels
     * @param from the day on which its set-up or its first piece begins
     * @param until the day on which its last piece is made
     * @param setUp seconds of setting up for it
     * @param seconds that it takes on each day from {@code from} to {@code until}, its set-up with it
     */
    public record Placed(int parcel, int from, int until, int setUp, List<Integer> seconds) {
        public Placed {
            seconds = List.copyOf(seconds);
        }
    }

    public WorkPlan {
        makers = makers.stream().map(List::copyOf).toList();
    }

    /** The sequences alone: parcels by maker. */
    public List<List<Integer>> sequences() {
        return makers.stream()
                .map(line -> line.stream().map(Placed::parcel).toList())
                .toList();
    }

    /** Setting up, all of it, in seconds. */
    public long setUps() {
        return makers.stream().flatMap(List::stream).mapToLong(Placed::setUp).sum();
    }
}
