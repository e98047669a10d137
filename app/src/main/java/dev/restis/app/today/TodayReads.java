package dev.restis.app.today;

import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.order.OrderStage;
import dev.restis.core.work.PieceStage;
import dev.restis.core.work.WorkSteps;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** A few rows of each stage, what is wanted first at the top, and how many there are in all. */
@Service
class TodayReads {

    private static final int MOST = 5;

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

    /** Where pieces wait, and what of it somebody else has in hand. */
    private enum Waits {
        TO_CUT,
        HELD_UP,
        MINE,
        TO_MAKE,
        DRYING,
        MADE,
        ELSEWHERE
    }

    @Transactional(readOnly = true)
    public TodayView today() {
        WorkSteps steps = workshop.steps();
        Map<Waits, StageView> stages = stages();
        StageView none = new StageView(0, List.of());
        return new TodayView(
                late(),
                stages.getOrDefault(Waits.HELD_UP, none),
                stages.getOrDefault(Waits.TO_CUT, none),
                stages.getOrDefault(Waits.MINE, none),
                stages.getOrDefault(Waits.TO_MAKE, none),
                stages.getOrDefault(Waits.DRYING, none),
                stages.getOrDefault(Waits.MADE, none),
                steps.checks(),
                steps.packs());
    }

    /** All of them in one reading: how many pieces, and the orders that are wanted first. */
    private Map<Waits, StageView> stages() {
        PieceDesk.Sitting sitting = desk.sit();
        Map<Waits, Long> counts = new EnumMap<>(Waits.class);
        Map<Waits, List<WaitingOrder>> first = new EnumMap<>(Waits.class);
        for (Object row : entities.createNativeQuery("""
                        with work as (
                            select p.id, p.line_id, p.dry_until,
                                   case when p.stage < 'CUT' then 'TO_CUT'
                                        when p.stage >= 'MADE' then case when p.dry_until > :now then 'DRYING' else 'MADE' end
                                        when b.held_up then 'HELD_UP'
                                        when coalesce(b.in_hand_of, '') = '' then 'TO_MAKE'
                                        when b.in_hand_of = :me then 'MINE'
                                        else 'ELSEWHERE' end as waits
                            from piece p left join bench_piece b on b.piece_id = p.id
                            where p.stage > 'OPEN' and p.stage < 'SENT'),
                        by_order as (
                            select w.waits, o.id as order_id, o.reference, o.customer, min(w.id) as piece, min(l.pattern) as pattern,
                                   count(*) as pieces, o.due, max(w.dry_until) as until,
                                   row_number() over (partition by w.waits order by o.due nulls last, o.id) as place,
                                   sum(count(*)) over (partition by w.waits) as everywhere
                            from work w join order_line l on l.id = w.line_id join customer_order o on o.id = l.order_id
                            group by w.waits, o.id)
                        select * from by_order where place <= :most order by waits, place
                        """, Tuple.class)
                .setParameter("now", clock.instant())
                .setParameter("me", Workshop.whoever())
                .setParameter("most", MOST)
                .getResultList()) {
            Tuple of = (Tuple) row;
            Waits waits = Waits.valueOf(of.get("waits", String.class));
            counts.put(waits, of.get("everywhere", Number.class).longValue());
            first.computeIfAbsent(waits, w -> new ArrayList<>())
                    .add(new WaitingOrder(
                            of.get("order_id", Number.class).longValue(),
                            of.get("reference", String.class),
                            of.get("customer", String.class),
                            of.get("piece", Number.class).longValue(),
                            sitting.patternName(of.get("pattern", String.class)),
                            of.get("pieces", Number.class).intValue(),
                            of.get("due", LocalDate.class),
                            waits == Waits.DRYING ? of.get("until", Instant.class) : null));
        }
        Map<Waits, StageView> stages = new EnumMap<>(Waits.class);
        counts.forEach((waits, count) -> stages.put(waits, new StageView(count, first.getOrDefault(waits, List.of()))));
        return stages;
    }

    /** Orders whose work is not made though their day is over. */
    private LateView late() {
        String from = "from CustomerOrder o where o.due < :today and o.stage = :accepted and o.makingLeftSeconds > 0";
        LocalDate today = LocalDate.now(clock);
        long all = entities.createQuery("select count(o.id) " + from, Long.class)
                .setParameter("today", today)
                .setParameter("accepted", OrderStage.ACCEPTED)
                .getSingleResult();
        List<LateOrder> first = entities.createQuery("""
                        select o.id as order, o.reference as reference, o.customer as customer, o.due as due,
                               (select count(p.id) from Piece p where p.line.order.id = o.id and p.stage < :made) as pieces
                        %s order by o.due, o.id
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
}
