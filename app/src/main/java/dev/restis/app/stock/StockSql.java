package dev.restis.app.stock;

import jakarta.persistence.EntityManager;
import org.springframework.stereotype.Component;

/** What of the stock only PostgreSQL can say. */
@Component
class StockSql {

    private final EntityManager entities;

    StockSql(EntityManager entities) {
        this.entities = entities;
    }

    /** The next number of a label, which no other holding has. */
    long nextLabel() {
        return ((Number) entities.createNativeQuery("select nextval('holding_label')", Long.class)
                        .getSingleResult())
                .longValue();
    }
}
