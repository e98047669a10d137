package dev.restis.core.batch.draft;

import dev.restis.core.batch.DueOrder;
import dev.restis.core.batch.PlanMaker;
import dev.restis.core.batch.SetUpTimes;
import java.util.List;

/**
 * What there is to plan with, on one day.
 *
 * @param makers with all of their days
 * @param orders without anything fixed
 * @param keepFree the share of each day that no plan uses, because days are not as they are reckoned; 0 to below 1
 */
public record Inputs(
        List<PlanMaker> makers,
        List<DueOrder> orders,
        List<Lot> lots,
        List<Begun> begun,
        SetUpTimes setUps,
        boolean wholePieces,
        double keepFree) {
    public Inputs {
        makers = List.copyOf(makers);
        orders = List.copyOf(orders);
        lots = List.copyOf(lots);
        begun = List.copyOf(begun);
        if (!(keepFree >= 0 && keepFree < 1)) {
            throw new IllegalArgumentException("keepFree must be from 0 to below 1 but was " + keepFree);
        }
    }
}
