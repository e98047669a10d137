package dev.restis.app.stock;

import dev.restis.app.platform.LockOrder;
import dev.restis.app.platform.LockOrder.Rank;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.stock.LedgerRow.Cause;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.stock.Balance;
import dev.restis.core.stock.Movement;
import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.math.BigDecimal;
import java.time.Clock;
import java.util.Collection;
import java.util.List;
import org.springframework.stereotype.Component;

/** The only door to the ledger. Callers hold a transaction. */
@Component
class Ledger {

    private final EntityManager entities;
    private final Clock clock;

    Ledger(EntityManager entities, Clock clock) {
        this.entities = entities;
        this.clock = clock;
    }

    /**
     * Locks holdings until the transaction ends, and their lots after them. Whoever moves several locks all of them first;
     * what is locked already stays so.
     *
     * @throws NotFound when one of them is not there
     */
    void hold(Collection<Long> holdings) {
        List<Long> fresh = LockOrder.next(Rank.HOLDING, holdings);
        if (fresh.isEmpty()) {
            return;
        }
        List<Long> lots = entities.createQuery(
                        "select h.lotId from HoldingRow h where h.id in :fresh order by h.id", Long.class)
                .setParameter("fresh", fresh)
                .setLockMode(LockModeType.PESSIMISTIC_WRITE)
                .getResultList();
        if (lots.size() < fresh.size()) {
            throw new NotFound("notFound");
        }
        holdLots(lots);
    }

    /** Locks lots that new holdings are received into. */
    void holdLots(Collection<Long> lots) {
        entities.createQuery("select l.id from LotRow l where l.id in :fresh order by l.id", Long.class)
                .setParameter("fresh", LockOrder.next(Rank.LOT, lots))
                .setLockMode(LockModeType.PESSIMISTIC_WRITE)
                .getResultList();
    }

    /** Locks the holding until the transaction ends, and tells what it has. */
    Balance lock(long holding) {
        hold(List.of(holding));
        return balance(holding);
    }

    /** What a holding has; to be asked by whoever holds it. */
    Balance balance(long holding) {
        entities.flush();
        return entities.createQuery("select h.quantity, h.value from HoldingRow h where h.id = :holding", Balance.class)
                .setParameter("holding", holding)
                .getSingleResult();
    }

    /** Moves something now. */
    void post(Movement movement, long holding, long quantity, BigDecimal value, Cause cause) {
        note(movement, holding, quantity, value, cause);
        entities.flush();
    }

    /** Moves something together with what is noted after it; whoever notes flushes in the end. */
    void note(Movement movement, long holding, long quantity, BigDecimal value, Cause cause) {
        entities.persist(new LedgerRow(clock.instant(), Workshop.whoever(), movement, holding, quantity, value, cause));
    }
}
