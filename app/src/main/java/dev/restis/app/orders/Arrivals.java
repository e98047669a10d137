package dev.restis.app.orders;

import dev.restis.app.orders.History.What;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.app.workshop.Ways;
import dev.restis.core.measure.Fault;
import dev.restis.core.order.OrderStage;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How orders go, and when each must leave to arrive. Everything that plans goes by the day on which an order must leave. */
@Service
class Arrivals {

    /**
     * How an order goes.
     *
     * @param way empty where it is handed over
     * @param days from leaving to arriving
     * @param arrives the day on which it must be there; nothing where any day will do
     * @param due the day on which it had to leave, as whoever asks saw it
     */
    record ArrivalRequest(
            @Nullable String way,
            int days,
            @Nullable LocalDate arrives,
            @Nullable LocalDate due) {}

    private final OrderLocks locks;
    private final Standing standing;
    private final History history;
    private final Clock clock;

    Arrivals(OrderLocks locks, Standing standing, History history, Clock clock) {
        this.locks = locks;
        this.standing = standing;
        this.history = history;
        this.clock = clock;
    }

    /**
     * Chooses the way of an order, and the day that follows.
     *
     * @throws Rejected when it would have had to leave before today, or a figure is out of range
     * @throws Conflict when somebody moved its day meanwhile, or it is cancelled
     */
    @Transactional
    public void choose(long id, ArrivalRequest asked) {
        List<Fault> faults = new ArrayList<>();
        String way = Texts.optional(asked.way(), "way", Ways.LONGEST, faults);
        if (asked.days() < 0 || asked.days() > Ways.MOST_DAYS) {
            faults.add(Fault.of("days", "number.range", asked.days(), 0, Ways.MOST_DAYS));
        }
        CustomerOrder order = locks.hold(id);
        CustomerOrder.OrderHead head = order.head();
        LocalDate leaves = asked.arrives() == null ? null : asked.arrives().minusDays(Math.max(0, asked.days()));
        boolean moved = !Objects.equals(leaves, head.due());
        if (moved && leaves != null && leaves.isBefore(LocalDate.now(clock))) {
            faults.add(Fault.of("arrives", "arrival.late", leaves));
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        if (order.stage() == OrderStage.CANCELLED) {
            throw new Conflict("order.notNow");
        }
        if (moved && !Objects.equals(asked.due(), head.due())) {
            throw new Conflict("changedMeanwhile");
        }
        if (!moved && way.equals(order.way()) && asked.days() == order.wayDays()) {
            return;
        }
        order.goes(way, asked.days());
        order.head(new CustomerOrder.OrderHead(head.source(), head.reference(), head.customer(), leaves, head.note()));
        Map<String, String> detail = new LinkedHashMap<>();
        detail.put("way", way);
        detail.put("day", leaves == null ? "" : leaves.toString());
        detail.put("arrives", asked.arrives() == null ? "" : asked.arrives().toString());
        history.note(id, What.LEAVES, detail);
        standing.refresh(List.of(id));
    }
}
