package dev.restis.app.orders;

import dev.restis.app.orders.History.What;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.core.measure.Fault;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What customers were promised, and which orders must be in time before others. */
@Service
class PromisedDays {

    /** Days ahead that something may be promised. */
    private static final int MOST_AHEAD = 1000;

    private static final int MOST_REASON = 400;

    private final OrderLocks locks;
    private final Standing standing;
    private final History history;
    private final Clock clock;

    PromisedDays(OrderLocks locks, Standing standing, History history, Clock clock) {
        this.locks = locks;
        this.standing = standing;
        this.history = history;
        this.clock = clock;
    }

    /** One maker is to tie all of a line, or any. */
    @Transactional
    public void oneHand(long id, long line, boolean one) {
        locks.hold(id).lines().stream()
                .filter(l -> l.id() == line)
                .findFirst()
                .orElseThrow(() -> new NotFound("notFound"))
                .oneHand(one);
        standing.refresh(List.of(id));
    }

    /** It must be in time before others, or as others. */
    @Transactional
    public void must(long id, boolean before) {
        CustomerOrder order = locks.hold(id);
        if (order.must() != before) {
            order.must(before);
            history.note(id, before ? What.MUST_BE_IN_TIME : What.NEED_NOT_BE_IN_TIME, Map.of());
            standing.refresh(List.of(id));
        }
    }

    /**
     * Promises an order for a day, or for another than before, which needs a reason.
     *
     * @throws Rejected when the day is over, too far, or moved without a reason
     */
    @Transactional
    public void promise(long id, LocalDate day, String reason) {
        List<Fault> faults = new ArrayList<>();
        CustomerOrder order = locks.hold(id);
        LocalDate before = order.promised();
        String why = reason.strip();
        LocalDate today = LocalDate.now(clock);
        if (day.isBefore(today) || day.isAfter(today.plusDays(MOST_AHEAD))) {
            faults.add(Fault.of("day", "promise.day", MOST_AHEAD));
        }
        if (before != null && !before.equals(day) && why.isEmpty()) {
            faults.add(Fault.of("reason", "promise.reason"));
        }
        if (why.length() > MOST_REASON) {
            faults.add(Fault.of("reason", "tooLong", MOST_REASON));
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        if (!day.equals(before)) {
            order.promise(day);
            if (before == null) {
                history.note(id, What.PROMISED, Map.of("day", day.toString()));
            } else {
                history.note(
                        id,
                        What.PROMISE_MOVED,
                        Map.of("day", day.toString(), "before", before.toString(), "reason", why));
            }
            standing.refresh(List.of(id));
        }
    }
}
