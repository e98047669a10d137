package dev.restis.app.orders;

import dev.restis.app.patterns.PieceChoices;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.patterns.PieceView;
import dev.restis.app.platform.FaultWords;
import dev.restis.app.platform.FieldProblem;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.core.piece.Check.Verdict;
import dev.restis.core.piece.MakingTime;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Reads of orders. */
@Service
class OrderReads {

    /** Where an order stands: the earliest stage that any of its pieces is at. */
    enum OrderState {
        OPEN,
        PLANNED,
        CUT
    }

    record OrderRow(
            long id,
            String reference,
            String source,
            String customer,
            @Nullable LocalDate due,
            int pieces,
            int planned,
            int cut,
            OrderState state,
            Verdict verdict,
            List<Long> lineIds) {}

    record OrderPage(
            List<OrderRow> rows, long total, @Nullable Long next) {}

    record LineView(
            long id,
            int number,
            int quantity,
            int planned,
            int cut,
            boolean matching,
            String note,
            @Nullable String sizeName,
            @Nullable Long wristUm,
            @Nullable Long lengthUm,
            PieceView piece) {}

    record OrderView(
            long id,
            String reference,
            String source,
            String customer,
            @Nullable LocalDate due,
            Instant createdAt,
            String createdBy,
            Promises.PromiseView promise,
            List<LineView> lines) {}

    private record Summary(
            long id,
            String reference,
            String source,
            String customer,
            @Nullable LocalDate due,
            int pieces,
            int planned,
            int cut,
            String state) {}

    private static final String SUMMARIES = """
            with summary as (
                select o.id, o.reference, o.source, o.customer, o.due, count(p.id) as pieces,
                       count(p.batch_id) as planned, count(p.cut_at) as cut,
                       case when count(p.id) = count(p.cut_at) then 'CUT'
                            when count(p.id) = count(p.batch_id) then 'PLANNED' else 'OPEN' end as state
                from customer_order o join order_line l on l.order_id = o.id join piece p on p.line_id = l.id
                group by o.id)
            """;
    private static final String MATCHING = """
             from summary where (:state = '' or state = :state)
                  and (:query = '' or position(lower(:query) in lower(reference || ' ' || customer)) > 0)
            """;

    private final JdbcClient jdbc;
    private final OrderStore store;
    private final PieceDesk desk;
    private final Promises promises;
    private final FaultWords words;

    OrderReads(JdbcClient jdbc, OrderStore store, PieceDesk desk, Promises promises, FaultWords words) {
        this.promises = promises;
        this.words = words;
        this.jdbc = jdbc;
        this.store = store;
        this.desk = desk;
    }

    /** Newest first, a page at a time; {@code before} is the last id of the page before. */
    @Transactional(readOnly = true)
    public OrderPage page(String query, String state, long before, int size) {
        List<Summary> found = jdbc.sql(
                        SUMMARIES + "select *" + MATCHING + " and id < :before order by id desc limit :size")
                .param("query", query)
                .param("state", state)
                .param("before", before)
                .param("size", size)
                .query(Summary.class)
                .list();
        long total = jdbc.sql(SUMMARIES + "select count(*)" + MATCHING)
                .param("query", query)
                .param("state", state)
                .query(Long.class)
                .single();
        PieceDesk.Sitting sitting = desk.sit();
        Map<Long, List<OrderLine>> lines = new HashMap<>();
        store.findAllById(found.stream().map(Summary::id).toList()).forEach(o -> lines.put(o.id(), o.lines()));
        List<OrderRow> rows = found.stream()
                .map(s -> row(s, lines.getOrDefault(s.id(), List.of()), sitting))
                .toList();
        Long next = rows.size() < size ? null : rows.get(rows.size() - 1).id();
        return new OrderPage(rows, total, next);
    }

    private static OrderRow row(Summary s, List<OrderLine> lines, PieceDesk.Sitting sitting) {
        Verdict worst = lines.stream()
                .map(l -> sitting.workOut(l.spec()).piece().verdict())
                .max(Comparator.naturalOrder())
                .orElse(Verdict.GOOD);
        return new OrderRow(
                s.id(),
                s.reference(),
                s.source(),
                s.customer(),
                s.due(),
                s.pieces(),
                s.planned(),
                s.cut(),
                OrderState.valueOf(s.state()),
                worst,
                lines.stream().map(OrderLine::id).toList());
    }

    @Transactional(readOnly = true)
    public OrderView order(long id) {
        CustomerOrder order = store.findById(id).orElseThrow(() -> new NotFound("notFound"));
        PieceDesk.Sitting sitting = desk.sit();
        CustomerOrder.OrderHead head = order.head();
        List<LineView> lines = order.lines().stream()
                .map(l -> new LineView(
                        l.id(),
                        l.number(),
                        l.quantity(),
                        (int) l.pieces().stream().filter(p -> !p.open()).count(),
                        (int) l.pieces().stream().filter(Piece::cut).count(),
                        l.matching(),
                        l.note(),
                        l.spec().sizeName(),
                        l.spec().wristUm(),
                        l.spec().lengthUm(),
                        view(sitting, l)))
                .toList();
        return new OrderView(
                order.id(),
                head.reference(),
                head.source(),
                head.customer(),
                head.due(),
                order.createdAt(),
                order.createdBy(),
                promises.of(work(order, sitting)),
                lines);
    }

    private static PieceView view(PieceDesk.Sitting sitting, OrderLine line) {
        return PieceView.of(
                sitting, sitting.workOut(line.spec()), new PieceView.Wanted(line.quantity(), line.matching()));
    }

    private static Promises.Work work(CustomerOrder order, PieceDesk.Sitting sitting) {
        Duration making = Duration.ZERO;
        Duration drying = Duration.ZERO;
        for (OrderLine line : order.lines()) {
            MakingTime time = sitting.workOut(line.spec()).time();
            long uncut = line.pieces().stream().filter(p -> !p.cut()).count();
            making = making.plus(time.total().multipliedBy(uncut));
            drying = drying.compareTo(time.drying()) < 0 ? time.drying() : drying;
        }
        return new Promises.Work(order.id(), making, drying, order.head().due());
    }

    /**
     * A line that somebody is choosing: the piece, and the day it could be ready; or what stands in the way.
     *
     * @param piece nothing when it cannot be worked out
     */
    record LineTrial(@Nullable PieceView piece, Promises.@Nullable PromiseView promise, List<FieldProblem> problems) {}

    @Transactional(readOnly = true)
    public LineTrial tryOut(PieceChoices choices, PieceView.Wanted wanted, @Nullable LocalDate due) {
        PieceDesk.Sitting sitting = desk.sit();
        PieceDesk.Understood understood = sitting.understand(choices);
        return understood
                .spec()
                .map(spec -> {
                    PieceDesk.Worked worked = sitting.workOut(spec);
                    MakingTime time = worked.time();
                    Promises.Work work =
                            new Promises.Work(0, time.total().multipliedBy(wanted.quantity()), time.drying(), due);
                    return new LineTrial(PieceView.of(sitting, worked, wanted), promises.of(work), List.of());
                })
                .orElseGet(() -> new LineTrial(null, null, words.of(understood.faults())));
    }
}
