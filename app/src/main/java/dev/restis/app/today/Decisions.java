package dev.restis.app.today;

import dev.restis.app.learning.LearningAsks;
import dev.restis.app.today.MorningWork.Pieces;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** What waits for somebody's word. */
@Component
class Decisions {

    private static final int MOST_QUOTES = 10;

    /** What it is about. */
    enum DecisionKind {
        /** A piece is stopped at a gate, or its cord runs short. */
        HELD_UP,
        /** Deliveries of shops lie in the tray. */
        TRAY,
        /** A quote's day is over, and nobody has said yes. */
        STALE_QUOTE,
        /** Measurements are far from others. */
        OUTLIER,
        /** Somebody's hand has changed. */
        DRIFT
    }

    /**
     * A decision that waits.
     *
     * @param count how many there are
     * @param order nothing where it is about no single order
     * @param since the day from which it waits
     */
    record DecisionRow(
            DecisionKind kind,
            long count,
            @Nullable Long order,
            @Nullable String reference,
            @Nullable String customer,
            @Nullable Long piece,
            @Nullable LocalDate since) {}

    private final EntityManager entities;
    private final LearningAsks learning;
    private final Clock clock;

    Decisions(EntityManager entities, LearningAsks learning, Clock clock) {
        this.entities = entities;
        this.learning = learning;
        this.clock = clock;
    }

    List<DecisionRow> all(List<Pieces> heldUp) {
        List<DecisionRow> rows = new ArrayList<>();
        heldUp.forEach(p -> rows.add(new DecisionRow(
                DecisionKind.HELD_UP,
                p.count(),
                p.order(),
                p.reference(),
                p.customer(),
                p.some().get(0),
                null)));
        several(rows, DecisionKind.TRAY, waitingDeliveries());
        rows.addAll(staleQuotes());
        LearningAsks.Asked asked = learning.asked();
        several(rows, DecisionKind.OUTLIER, asked.doubted());
        several(rows, DecisionKind.DRIFT, asked.changed());
        return rows;
    }

    private static void several(List<DecisionRow> rows, DecisionKind kind, long count) {
        if (count > 0) {
            rows.add(new DecisionRow(kind, count, null, null, null, null, null));
        }
    }

    private long waitingDeliveries() {
        return ((Number) entities.createNativeQuery("select count(*) from delivery where state = 'WAITING'", Long.class)
                        .getSingleResult())
                .longValue();
    }

    private List<DecisionRow> staleQuotes() {
        List<?> rows = entities.createNativeQuery("""
                        select o.id, o.reference, o.customer, q.valid_until
                        from customer_order o join lateral (select valid_until from quote where order_id = o.id
                                                            order by number desc limit 1) q on true
                        where o.stage = 'QUOTED' and q.valid_until < :today order by q.valid_until, o.id limit :most
                        """, Tuple.class)
                .setParameter("today", LocalDate.now(clock))
                .setParameter("most", MOST_QUOTES)
                .getResultList();
        return rows.stream()
                .map(row -> (Tuple) row)
                .map(t -> new DecisionRow(
                        DecisionKind.STALE_QUOTE,
                        1,
                        t.get(0, Number.class).longValue(),
                        t.get(1, String.class),
                        t.get(2, String.class),
                        null,
                        t.get(3, LocalDate.class)))
                .toList();
    }
}
