package dev.restis.app.pieces;

import dev.restis.core.cost.PieceCost;
import jakarta.persistence.EntityManager;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Every change of what pieces cost, with its moment; the sums of a time that is over do not change any more. */
@Component
public class CostJournal {

    private final EntityManager entities;
    private final ApplicationEventPublisher listeners;
    private final Clock clock;

    CostJournal(EntityManager entities, ApplicationEventPublisher listeners, Clock clock) {
        this.entities = entities;
        this.listeners = listeners;
        this.clock = clock;
    }

    /** Pieces cost something else from now on; what did not change leaves no row. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void changed(Map<Long, PieceCost> before, Map<Long, PieceCost> after) {
        Instant now = clock.instant();
        Map<Long, PieceCost> changes = new HashMap<>();
        after.forEach((piece, cost) -> changes.put(piece, cost.minus(before.getOrDefault(piece, PieceCost.NOTHING))));
        before.forEach((piece, cost) -> {
            if (!after.containsKey(piece)) {
                changes.put(piece, PieceCost.NOTHING.minus(cost));
            }
        });
        changes.values().removeIf(PieceCost::nothing);
        changes.forEach((piece, change) -> entities.persist(new PieceCostRow(piece, null, now, change)));
        if (!changes.isEmpty()) {
            entities.flush();
            listeners.publishEvent(new CostsMoved(changes.keySet()));
        }
    }

    /** What a cut list threw away for no piece changed by so much. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void alone(long cutList, BigDecimal change) {
        if (change.signum() != 0) {
            BigDecimal zero = BigDecimal.ZERO;
            entities.persist(new PieceCostRow(null, cutList, clock.instant(), new PieceCost(zero, zero, change, zero)));
        }
    }
}
