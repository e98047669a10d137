package dev.restis.app.stock;

import dev.restis.app.stock.LedgerRow.Cause;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.stock.Balance;
import dev.restis.core.stock.Movement;
import jakarta.persistence.EntityManager;
import java.math.BigDecimal;
import java.time.Clock;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** The only door to the ledger. Callers hold a transaction. */
@Component
class Ledger {

    private final EntityManager entities;
    private final JdbcClient jdbc;
    private final Clock clock;

    Ledger(EntityManager entities, JdbcClient jdbc, Clock clock) {
        this.entities = entities;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** Locks the holding until the transaction ends, and tells what it has. */
    Balance lock(long holding) {
        entities.flush();
        jdbc.sql("select id from holding where id = ? for update")
                .param(holding)
                .query(Long.class)
                .single();
        return jdbc.sql("select quantity, value from holding_balance where holding_id = ?")
                .param(holding)
                .query((row, n) -> new Balance(row.getLong(1), row.getBigDecimal(2)))
                .single();
    }

    void post(Movement movement, long holding, long quantity, BigDecimal value, Cause cause) {
        entities.persist(new LedgerRow(clock.instant(), Workshop.whoever(), movement, holding, quantity, value, cause));
    }
}
