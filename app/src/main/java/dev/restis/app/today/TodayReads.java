package dev.restis.app.today;

import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.order.OrderStage;
import dev.restis.core.work.PieceStage;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import jakarta.persistence.TypedQuery;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** A few rows of each stage, what is wanted first at the top, and how many there are in all. */
@Service
class TodayReads {

    private static final int MOST = 5;
    private static final LocalDate NO_DAY = LocalDate.of(9999, 12, 31);

    /**
     * Pieces of one order that wait at a stage.
     *
     * @param piece one of them
     * @param until when the last of them is dry, of what is drying
     */
    record WaitingOrder(
            long order,
            String reference,
            String customer,
            long piece,
            String patternName,
            int pieces,
            @Nullable LocalDate due,
            @Nullable Instant until) {}

    /** @param pieces of all orders together */
    record StageView(long pieces, List<WaitingOrder> first) {}

    /** @param pieces that are not made yet */
    record LateOrder(long order, String reference, String customer, LocalDate due, long pieces) {}

    record LateView(long orders, List<LateOrder> first) {}

    /**
     * The morning.
     *
     * @param late orders whose day is over and that are not made
     * @param heldUp stopped at a gate: somebody must decide
     * @param mine pieces in one's own hands, and not held up
     * @param toMake cut, and in nobody's hands
     * @param drying made, and not dry yet
     * @param made made or further, dry, and not sent
     * @param checks whether the house inspects what is made
     * @param packs whether the house packs before it sends
     */
    record TodayView(
            LateView late,
            StageView heldUp,
            StageView toCut,
            StageView mine,
            StageView toMake,
            StageView drying,
            StageView made,
            boolean checks,
            boolean packs) {}

    private final EntityManager entities;
    private final PieceDesk desk;
    private final Workshop workshop;
    private final Clock clock;

    TodayReads(EntityManager entities, PieceDesk desk, Workshop workshop, Clock clock) {
        this.entities = entities;
        this.desk = desk;
        this.workshop = workshop;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public TodayView today() {
        Instant now = clock.instant();
        var steps = workshop.steps();
        return new TodayView(
                late(),
                stage("p.stage = :making and b.heldUp = true", Map.of("making", PieceStage.MAKING)),
                stage("p.batchId is not null and p.stage < :cut", Map.of("cut", PieceStage.CUT)),
                stage(
                        "p.stage = :making and b.heldUp = false and b.inHandOf = :me",
                        Map.of("making", PieceStage.MAKING, "me", Workshop.whoever())),
                stage(
                        "(p.stage = :cut or p.stage = :making) and coalesce(b.inHandOf, '') = '' and coalesce(b.heldUp, false) = false",
                        Map.of("cut", PieceStage.CUT, "making", PieceStage.MAKING)),
                stage(
                        "p.stage >= :made and p.stage < :sent and p.dryUntil > :now",
                        Map.of("made", PieceStage.MADE, "sent", PieceStage.SENT, "now", now)),
                stage(
                        "p.stage >= :made and p.stage < :sent and (p.dryUntil is null or p.dryUntil <= :now)",
                        Map.of("made", PieceStage.MADE, "sent", PieceStage.SENT, "now", now)),
                steps.checks(),
                steps.packs());
    }

    private StageView stage(String which, Map<String, Object> params) {
        String from = """
                from Piece p join p.line l join l.order o left join BenchPiece b on b.pieceId = p.id where %s
                """.formatted(which);
        TypedQuery<Long> count = entities.createQuery("select count(p.id) " + from, Long.class);
        params.forEach(count::setParameter);
        long all = count.getSingleResult();
        if (all == 0) {
            return new StageView(0, List.of());
        }
        PieceDesk.Sitting sitting = desk.sit();
        TypedQuery<Tuple> rows = entities.createQuery("""
                select o.id as order, o.reference as reference, o.customer as customer, min(p.id) as piece,
                       min(l.pattern) as pattern, count(p.id) as pieces, coalesce(o.due, :never) as due, max(p.dryUntil) as until
                %s group by o.id, o.reference, o.customer, o.due order by coalesce(o.due, :never), o.id
                """.formatted(from), Tuple.class);
        params.forEach(rows::setParameter);
        List<WaitingOrder> first = rows.setParameter("never", NO_DAY)
                .setMaxResults(MOST)
                .getResultStream()
                .map(t -> new WaitingOrder(
                        t.get("order", Long.class),
                        t.get("reference", String.class),
                        t.get("customer", String.class),
                        t.get("piece", Long.class),
                        sitting.patternName(t.get("pattern", String.class)),
                        t.get("pieces", Long.class).intValue(),
                        day(t.get("due", LocalDate.class)),
                        t.get("until", Instant.class)))
                .toList();
        return new StageView(all, first);
    }

    private LateView late() {
        LocalDate today = LocalDate.now(clock);
        String from = """
                from Piece p join p.line l join l.order o
                where o.due < :today and o.stage = :accepted and o.makingLeftSeconds > 0 and p.stage < :made
                """;
        long all = entities.createQuery("select count(distinct o.id) " + from, Long.class)
                .setParameter("today", today)
                .setParameter("accepted", OrderStage.ACCEPTED)
                .setParameter("made", PieceStage.MADE)
                .getSingleResult();
        List<LateOrder> first = entities.createQuery("""
                        select o.id as order, o.reference as reference, o.customer as customer, o.due as due, count(p.id) as pieces
                        %s group by o.id, o.reference, o.customer, o.due order by o.due, o.id
                        """.formatted(from), Tuple.class)
                .setParameter("today", today)
                .setParameter("accepted", OrderStage.ACCEPTED)
                .setParameter("made", PieceStage.MADE)
                .setMaxResults(MOST)
                .getResultStream()
                .map(t -> new LateOrder(
                        t.get("order", Long.class),
                        t.get("reference", String.class),
                        t.get("customer", String.class),
                        t.get("due", LocalDate.class),
                        t.get("pieces", Long.class)))
                .toList();
        return new LateView(all, first);
    }

    private static @Nullable LocalDate day(LocalDate due) {
        return due.equals(NO_DAY) ? null : due;
    }
}
