package dev.restis.app.orders;

import dev.restis.app.orders.PlannedDays.Piecework;
import dev.restis.app.orders.PlannedDays.ReadyDays;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.workshop.Calendars;
import dev.restis.core.batch.OpenMinutes;
import dev.restis.core.batch.Promise;
import dev.restis.core.batch.Promise.Queue;
import dev.restis.core.piece.Check.Verdict;
import dev.restis.core.piece.MakingTime;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The day an order can be ready, from the minutes the bench is open and the work that is taken on. */
@Service
class Promises {

    /**
     * A promise with the figures behind it.
     *
     * @param last the day it is ready behind everything that is taken on; nothing for never
     * @param inTurn the day it is ready when work goes in the order of the days it is wanted
     * @param due the day it is wanted
     * @param verdict against that day
     * @param workMinutes that it takes, rounded up
     * @param aheadMinutes of everything that is taken on and not made
     * @param dueBeforeMinutes of what of it is wanted no later
     * @param minutesPerWeek that the bench is open
     * @param planned whether both days are from the plan: {@code last} in nine of ten cases, {@code inTurn} in one of two
     */
    record PromiseView(
            @Nullable LocalDate last,
            @Nullable LocalDate inTurn,
            @Nullable LocalDate due,
            Verdict verdict,
            long workMinutes,
            long aheadMinutes,
            long dueBeforeMinutes,
            int minutesPerWeek,
            int dryingDays,
            boolean planned) {}

    /**
     * What is to be promised.
     *
     * @param order the order itself, whose pieces do not stand before it; 0 for one that is not taken yet
     * @param pieces that are still to be made, by kind
     */
    record Work(
            long order,
            Duration making,
            Duration drying,
            @Nullable LocalDate due,
            List<Piecework> pieces) {}

    private final JdbcClient jdbc;
    private final Calendars calendars;
    private final ObjectProvider<PlannedDays> plan;
    private final Clock clock;

    Promises(JdbcClient jdbc, Calendars calendars, ObjectProvider<PlannedDays> plan, Clock clock) {
        this.plan = plan;
        this.jdbc = jdbc;
        this.calendars = calendars;
        this.clock = clock;
    }

    /** From the plan where there is one, else from the minutes. */
    @Transactional(readOnly = true)
    public PromiseView of(Work work) {
        PromiseView rough = byMinutes(work);
        return Optional.ofNullable(plan.getIfAvailable())
                .flatMap(days -> days.ready(work.order(), work.pieces()))
                .map(days -> new PromiseView(
                        days.sure(),
                        days.even(),
                        work.due(),
                        verdict(days, work.due()),
                        rough.workMinutes(),
                        rough.aheadMinutes(),
                        rough.dueBeforeMinutes(),
                        rough.minutesPerWeek(),
                        rough.dryingDays(),
                        true))
                .orElse(rough);
    }

    /** Whatever the plan says: what more or less work would change. */
    @Transactional(readOnly = true)
    public PromiseView byMinutes(Work work) {
        OpenMinutes open = calendars.openMinutes();
        Queue queue = before(work);
        int dryingDays = (int) work.drying().toDays();
        Promise promise = Promise.of(
                LocalDate.now(clock), open, queue, work.making(), dryingDays, Optional.ofNullable(work.due()));
        return new PromiseView(
                promise.last().orElse(null),
                promise.inTurn().orElse(null),
                work.due(),
                promise.verdict(),
                minutes(work.making()),
                minutes(queue.all()),
                minutes(queue.dueBefore()),
                open.perWeek(),
                dryingDays,
                false);
    }

    private static Verdict verdict(ReadyDays days, @Nullable LocalDate due) {
        if (due == null) {
            return Verdict.UNKNOWN;
        }
        return !days.sure().isAfter(due) ? Verdict.GOOD : !days.even().isAfter(due) ? Verdict.TIGHT : Verdict.NO;
    }

    /** The end of the queue, at which orders line up one after the other. */
    final class Tail {
        private final OpenMinutes open = calendars.openMinutes();
        private final LocalDate today = LocalDate.now(clock);
        private Duration ahead = before(new Work(0, Duration.ZERO, Duration.ZERO, null, List.of()))
                .all();

        private Tail() {}

        /** The day that work is ready which lines up now; nothing for never. */
        @Nullable
        LocalDate ready(Work work) {
            int dryingDays = (int) work.drying().toDays();
            Promise promise = Promise.of(
                    today, open, new Queue(ahead, Duration.ZERO), work.making(), dryingDays, Optional.empty());
            ahead = ahead.plus(work.making());
            return promise.last().orElse(null);
        }
    }

    /** Where work that is taken on now lines up. */
    @Transactional(readOnly = true)
    public Tail tail() {
        return new Tail();
    }

    /** What is still to be made of an order. */
    Work work(CustomerOrder order, PieceDesk.Sitting sitting) {
        Duration making = Duration.ZERO;
        Duration drying = Duration.ZERO;
        List<Piecework> pieces = new ArrayList<>();
        for (OrderLine line : order.lines()) {
            PieceDesk.Worked worked = sitting.workOut(line.spec());
            MakingTime time = worked.time();
            long unmade = line.pieces().stream().filter(p -> !p.made()).count();
            making = making.plus(time.total().multipliedBy(unmade));
            drying = drying.compareTo(time.drying()) < 0 ? time.drying() : drying;
            if (unmade > 0) {
                pieces.add(new Piecework(worked, (int) unmade));
            }
        }
        return new Work(order.id(), making, drying, order.head().due(), pieces);
    }

    /** Pieces of accepted orders count until they are made. */
    private Queue before(Work work) {
        return jdbc.sql("""
                        select coalesce(sum(o.making_left_s), 0) as everything,
                               coalesce(sum(o.making_left_s) filter (where o.due <= cast(:due as date)), 0) as before
                        from customer_order o
                        where o.stage = 'ACCEPTED' and o.making_left_s > 0 and o.id <> :order
                        """)
                .param("due", work.due(), java.sql.Types.DATE)
                .param("order", work.order())
                .query((row, n) -> new Queue(
                        Duration.ofSeconds(row.getLong("everything")), Duration.ofSeconds(row.getLong("before"))))
                .single();
    }

    private static long minutes(Duration duration) {
        return duration.plusSeconds(59).toMinutes();
    }
}
