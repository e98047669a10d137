package dev.restis.app.workplan;

import dev.restis.core.batch.CordRelease;
import dev.restis.core.batch.CordRelease.Arrival;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;

/**
 * What orders wait for.
 *
 * @param orders in the order in which they are served
 * @param needs of each, by article
 */
record CordWaits(List<Long> orders, List<Map<Long, Long>> needs, Map<Long, Long> here, List<Arrival> arrivals) {

    /** By order, the day from which its cord is there; nothing for one whose cord is neither here nor on order. */
    Map<Long, Integer> releases() {
        List<OptionalInt> days = CordRelease.days(needs, here, arrivals);
        Map<Long, Integer> releases = new HashMap<>();
        for (int i = 0; i < orders.size(); i++) {
            if (days.get(i).isPresent()) {
                releases.put(orders.get(i), days.get(i).getAsInt());
            }
        }
        return releases;
    }

    /** For an order that is served after all of them. */
    OptionalInt release(Map<Long, Long> need) {
        List<Map<Long, Long>> all = new ArrayList<>(needs);
        all.add(need);
        return CordRelease.days(all, here, arrivals).get(all.size() - 1);
    }
}
