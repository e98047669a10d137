package dev.restis.app.today;

import dev.restis.app.workshop.Workshop;
import dev.restis.core.work.PieceStage;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The pieces that a morning is about: those of the orders that must leave first, of each stage, and those in somebody's hands. */
@Component
class MorningWork {

    /** Of each stage; what must leave later seldom begins sooner. */
    private static final int ORDERS = 40;

    private static final LocalDate NEVER = LocalDate.of(9999, 12, 31);

    /** What they are looked for by; all are whole numbers of orders kept with them. */
    private static final List<String> STAGES =
            List.of("o.made > o.dispatched", "o.made < o.cut", "o.cut < o.planned", "o.planned < o.pieces");

    /**
     * Pieces of one order that stand alike.
     *
     * @param leaves the day on which they must leave at the latest
     * @param inHandOf empty for nobody's
     * @param seconds that tying takes of all of them
     * @param dryingSeconds the most that one of them must dry
     * @param some their numbers, not more than can be taken in hand at once
     */
    record Pieces(
            long order,
            String reference,
            String customer,
            @Nullable LocalDate due,
            @Nullable LocalDate leaves,
            long line,
            String pattern,
            PieceStage stage,
            @Nullable Instant dryUntil,
            boolean heldUp,
            String inHandOf,
            int count,
            long seconds,
            int dryingSeconds,
            @Nullable Long batch,
            @Nullable Long cutList,
            List<Long> some) {}

    private final EntityManager entities;

    MorningWork(EntityManager entities) {
        this.entities = entities;
    }

    @Transactional(readOnly = true)
    List<Pieces> all() {
        Collection<Long> orders = orders();
        return orders.isEmpty() ? List.of() : pieces(orders);
    }

    private Collection<Long> orders() {
        TreeSet<Long> orders = new TreeSet<>();
        for (String stage : STAGES) {
            orders.addAll(entities.createQuery(
                            "select o.id from CustomerOrder o where o.stage = ACCEPTED and " + stage
                                    + " order by coalesce(o.due, :never), o.id",
                            Long.class)
                    .setParameter("never", NEVER)
                    .setMaxResults(ORDERS)
                    .getResultList());
        }
        orders.addAll(ofBench("b.in_hand_of = :me and b.taken_at is not null"));
        orders.addAll(ofBench("b.held_up and :me <> ''"));
        return orders;
    }

    private List<Long> ofBench(String which) {
        return entities.createNativeQuery("""
                        select distinct l.order_id from bench_piece b join piece p on p.id = b.piece_id
                            join order_line l on l.id = p.line_id
                        where %s and p.stage in ('CUT', 'MAKING') limit :most
                        """.formatted(which), Long.class)
                .setParameter("me", Workshop.whoever())
                .setParameter("most", ORDERS)
                .getResultList();
    }

    private List<Pieces> pieces(Collection<Long> orders) {
        List<?> rows = entities.createNativeQuery("""
                        select o.id as order_id, o.reference, o.customer, o.due, least(o.due, o.promised) as leaves,
                               min(l.id) as line, (array_agg(l.pattern order by l.id))[1] as pattern, cast(p.stage as text) as stage, p.dry_until,
                               coalesce(b.held_up, false) as held_up, coalesce(b.in_hand_of, '') as in_hand_of, count(*) as pieces,
                               sum(l.making_s) as making_s, coalesce(max(e.drying_s), 0) as drying_s, min(p.batch_id) as batch,
                               (select max(c.id) from cut_list c join cut_list_batch cb on cb.cut_list_id = c.id
                                where cb.batch_id = min(p.batch_id) and c.confirmed_at is null) as cut_list,
                               (array_agg(p.id order by p.id))[1:60] as some
                        from customer_order o join order_line l on l.order_id = o.id join piece p on p.line_id = l.id
                            left join bench_piece b on b.piece_id = p.id and p.stage in ('CUT', 'MAKING')
                            left join piece_estimate e on e.piece_id = p.id
                        where o.id in (:orders) and p.stage <> 'GIVEN_UP' and not p.shelved and not (o.for_shelf and p.stage >= 'MADE')
                        group by o.id, p.stage, p.dry_until, b.held_up, b.in_hand_of
                        """, Tuple.class)
                .setParameter("orders", orders)
                .getResultList();
        return rows.stream().map(row -> read((Tuple) row)).toList();
    }

    private static Pieces read(Tuple of) {
        return new Pieces(
                number(of, "order_id"),
                of.get("reference", String.class),
                of.get("customer", String.class),
                of.get("due", LocalDate.class),
                of.get("leaves", LocalDate.class),
                number(of, "line"),
                of.get("pattern", String.class),
                PieceStage.valueOf(of.get("stage", String.class)),
                of.get("dry_until", Instant.class),
                of.get("held_up", Boolean.class),
                of.get("in_hand_of", String.class),
                (int) number(of, "pieces"),
                number(of, "making_s"),
                (int) number(of, "drying_s"),
                given(of, "batch").orElse(null),
                given(of, "cut_list").orElse(null),
                List.of(of.get("some", Long[].class)));
    }

    private static long number(Tuple of, String name) {
        return given(of, name).orElseThrow();
    }

    private static Optional<Long> given(Tuple of, String name) {
        return Optional.ofNullable(of.get(name, Number.class)).map(Number::longValue);
    }
}
