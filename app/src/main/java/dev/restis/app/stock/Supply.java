package dev.restis.app.stock;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What lies here of each article and what comes when, for whoever plans with it; micrometres or pieces. */
@Service
public class Supply {

    /** Other cord is expected, or not any more. */
    public record SupplyMoved() {}

    private final JdbcClient jdbc;
    private final Purchases purchases;

    Supply(JdbcClient jdbc, Purchases purchases) {
        this.jdbc = jdbc;
        this.purchases = purchases;
    }

    /** All that lies on the shelves. */
    @Transactional(readOnly = true)
    public Map<Long, Long> here() {
        Map<Long, Long> here = new HashMap<>();
        jdbc.sql("""
                        select l.article_id, sum(h.quantity) from holding h join lot l on l.id = h.lot_id
                        where h.quantity > 0 group by 1
                        """).query(row -> {
            here.put(row.getLong(1), row.getLong(2));
        });
        return here;
    }

    /** What is bought and has not come, by article and the day it is expected. */
    @Transactional(readOnly = true)
    public Map<Long, Map<LocalDate, Long>> onOrder() {
        return purchases.onOrder();
    }
}
