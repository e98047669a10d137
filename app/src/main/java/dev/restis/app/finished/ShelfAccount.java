package dev.restis.app.finished;

import dev.restis.app.finished.Shelf.ShelfWhat;
import dev.restis.app.orders.OrdersMoved;
import dev.restis.app.pieces.CostsMoved;
import dev.restis.app.workshop.Workshop;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import java.math.BigDecimal;
import java.time.Clock;
import java.util.Collection;
import java.util.List;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * Keeps the account of the shelf in step: whatever lies there has come in with what it cost, whatever does not has gone out with it. What
 * changed is told by comparing, so that no way of coming or going is forgotten.
 */
@Component
class ShelfAccount {

    /** How a piece stands, against what the account says of it. */
    private static final String STANDS = """
            select p.id, cast(p.stage as text) as stage, o.for_shelf, p.shelved,
                   (o.for_shelf or p.shelved) and p.stage >= 'MADE' and p.stage < 'SENT' as there,
                   coalesce(a.used + a.tails + a.waste + a.hardware, 0) as cost,
                   coalesce(s.pieces, 0) as pieces, coalesce(s.value, 0) as value
            from piece p join order_line l on l.id = p.line_id join customer_order o on o.id = l.order_id
                left join piece_actual a on a.piece_id = p.id
                left join lateral (select sum(pieces) as pieces, sum(value) as value from shelf_entry where piece_id = p.id) s on true
            where %s and (o.for_shelf or p.shelved or s.pieces is not null)
            order by p.id
            """;

    private final EntityManager entities;
    private final Clock clock;

    ShelfAccount(EntityManager entities, Clock clock) {
        this.entities = entities;
        this.clock = clock;
    }

    @EventListener
    @Transactional(propagation = Propagation.MANDATORY)
    public void moved(OrdersMoved moved) {
        settle("o.id in (:which)", moved.orders());
    }

    @EventListener
    @Transactional(propagation = Propagation.MANDATORY)
    public void moved(CostsMoved moved) {
        settle("p.id in (:which)", moved.pieces());
    }

    private void settle(String which, Collection<Long> ids) {
        if (ids.isEmpty()) {
            return;
        }
        entities.flush();
        List<?> rows = entities.createNativeQuery(STANDS.formatted(which), Tuple.class)
                .setParameter("which", ids)
                .getResultList();
        rows.forEach(row -> settle((Tuple) row));
    }

    private void settle(Tuple of) {
        boolean there = of.get("there", Boolean.class);
        int pieces = (there ? 1 : 0) - of.get("pieces", Number.class).intValue();
        BigDecimal value = (there ? of.get("cost", BigDecimal.class) : BigDecimal.ZERO)
                .subtract(of.get("value", BigDecimal.class));
        if (pieces != 0 || value.signum() != 0) {
            entities.persist(new ShelfEntry(
                    of.get("id", Number.class).longValue(),
                    clock.instant(),
                    Workshop.whoever(),
                    what(of, pieces),
                    pieces,
                    value));
        }
    }

    private static ShelfWhat what(Tuple of, int pieces) {
        if (pieces == 0) {
            return ShelfWhat.WORK;
        }
        if (pieces > 0) {
            return of.get("shelved", Boolean.class) ? ShelfWhat.CAME_BACK : ShelfWhat.MADE;
        }
        return switch (of.get("stage", String.class)) {
            case "SENT" -> ShelfWhat.SOLD;
            case "GIVEN_UP" -> ShelfWhat.LOST;
            default -> ShelfWhat.TAKEN;
        };
    }
}
