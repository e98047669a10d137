package dev.restis.app.stock;

import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What lies here of each article and what comes when, for whoever plans with it; micrometres or pieces. */
@Service
public class Supply {

    /** Other cord is expected, or not any more. */
    public record SupplyMoved() {}

    private final EntityManager entities;
    private final Purchases purchases;

    Supply(EntityManager entities, Purchases purchases) {
        this.entities = entities;
        this.purchases = purchases;
    }

    /** All that lies on the shelves. */
    @Transactional(readOnly = true)
    public Map<Long, Long> here() {
        Map<Long, Long> here = new HashMap<>();
        entities.createQuery(
                        "select l.articleId, sum(l.quantity) from LotRow l where l.quantity > 0 group by l.articleId",
                        Tuple.class)
                .getResultList()
                .forEach(row -> here.put(row.get(0, Long.class), row.get(1, Long.class)));
        return here;
    }

    /** What is bought and has not come, by article and the day it is expected. */
    @Transactional(readOnly = true)
    public Map<Long, Map<LocalDate, Long>> onOrder() {
        return purchases.onOrder();
    }
}
