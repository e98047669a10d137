package dev.restis.core.batch;

import java.util.List;

/**
 * All that is to be planned.
 *
 * @param wholePieces whether no piece lies over a night half tied
 * @param before where parcels stood in the plan that people have seen; an empty list when there is none, else one for each parcel
 */
public record PlanWork(
        List<PlanMaker> makers,
        List<DueOrder> orders,
        List<Parcel> parcels,
        List<Pin> pins,
        SetUpTimes setUps,
        boolean wholePieces,
        List<Seen> before) {

    /** More pieces than that are another batch, however alike. */
    public static final int BATCH_PIECES = 40;
    /** So are more seconds. */
    public static final int BATCH_SECONDS = 5 * 3600;

    /**
     * Where a parcel stood.
     *
     * @param maker place in the list of makers; below 0 when nobody had it
     * @param day on which it was to be finished
     * @param pushed the day on which it would be finished when the old sequence is only pushed along by what happened
     */
    public record Seen(int maker, int day, int pushed) {
        public static final Seen NOWHERE = new Seen(-1, 0, 0);
    }

    public PlanWork {
        makers = List.copyOf(makers);
        orders = List.copyOf(orders);
        parcels = List.copyOf(parcels);
        pins = List.copyOf(pins);
        before = List.copyOf(before);
        if (!before.isEmpty() && before.size() != parcels.size()) {
            throw new IllegalArgumentException(
                    "before must be empty or as long as parcels but was " + before.size() + " for " + parcels.size());
        }
        int orderCount = orders.size();
        parcels.forEach(p -> {
            if (p.order() < 0 || p.order() >= orderCount) {
                throw new IllegalArgumentException("a parcel is of order " + p.order() + " of " + orderCount);
            }
        });
    }

    /** The same where people have seen parcels at these places. */
    public PlanWork seen(List<Seen> places) {
        return new PlanWork(makers, orders, parcels, pins, setUps, wholePieces, places);
    }

    /** The same for these makers. */
    public PlanWork by(List<PlanMaker> others) {
        return new PlanWork(others, orders, parcels, pins, setUps, wholePieces, before);
    }
}
