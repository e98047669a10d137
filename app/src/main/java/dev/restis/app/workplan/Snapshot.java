package dev.restis.app.workplan;

import dev.restis.app.workplan.PlanOrderRow.LeftOut;
import dev.restis.app.workplan.PlanOrderRow.Wanted;
import dev.restis.core.batch.PlanWork.Seen;
import dev.restis.core.batch.draft.Inputs;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What there is to plan, as it was at one moment.
 *
 * @param inputs of whom makers and orders stand in the order of these lists
 * @param leftOut orders of which nothing can be planned, and why
 * @param cord what orders wait for
 * @param seen where pieces stand in the plan that people have seen
 * @param spreads relative spread of one piece's minutes, by line
 * @param publishes whether the house publishes a plan as soon as it is made
 */
record Snapshot(
        LocalDate today,
        Inputs inputs,
        List<Maker> makers,
        List<PlannedOrder> orders,
        Map<Long, LeftOut> leftOut,
        CordWaits cord,
        Map<Long, Seen> seen,
        Map<Long, Double> spreads,
        boolean publishes) {

    /** Somebody who ties. */
    record Maker(long person, String name) {}

    /**
     * An order of which something waits to be tied.
     *
     * @param promised whether the day by which it is wanted was promised
     */
    record PlannedOrder(long id, String reference, Wanted wanted, boolean promised) {}

    /** Places of makers by their persons' numbers. */
    Map<Long, Integer> places() {
        Map<Long, Integer> places = new HashMap<>();
        for (int m = 0; m < makers.size(); m++) {
            places.put(makers.get(m).person(), m);
        }
        return places;
    }

    int day(LocalDate day) {
        return (int) (day.toEpochDay() - today.toEpochDay());
    }
}
