package dev.restis.app.orders;

import dev.restis.app.patterns.PieceDesk;
import dev.restis.core.batch.SetUp;
import java.util.ArrayList;
import java.util.List;
import org.springframework.boot.context.event.ApplicationStartedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Lines that were taken before needs and set-ups were kept get theirs when Restis starts. */
@Component
class NeedsOfOldLines {

    private final JdbcClient jdbc;
    private final JdbcTemplate bulk;
    private final LineSpecs specs;
    private final PieceDesk desk;
    private final Standing standing;

    NeedsOfOldLines(Standing standing, JdbcClient jdbc, JdbcTemplate bulk, LineSpecs specs, PieceDesk desk) {
        this.jdbc = jdbc;
        this.standing = standing;
        this.bulk = bulk;
        this.specs = specs;
        this.desk = desk;
    }

    /** After the shipped patterns are on the shelf. */
    @EventListener(ApplicationStartedEvent.class)
    @Order(1)
    @Transactional
    public void fill() {
        List<Long> orders = jdbc.sql("""
                        select distinct l.order_id from order_line l join piece p on p.line_id = l.id and p.stage < 'CUT'
                        where l.set_up = '' or not exists (select 1 from order_line_need n where n.line_id = l.id)
                        """).query(Long.class).list();
        if (orders.isEmpty()) {
            return;
        }
        PieceDesk.Sitting sitting = desk.sit();
        List<Object[]> rows = new ArrayList<>();
        List<Object[]> setUps = new ArrayList<>();
        specs.of(orders)
                .values()
                .forEach(lines -> lines.forEach(line -> {
                    Orders.Effort effort = Orders.Effort.of(sitting.workOut(line.spec()));
                    effort.needs().forEach((article, each) -> rows.add(new Object[] {line.id(), article, each}));
                    SetUp setUp = effort.setUp();
                    setUps.add(new Object[] {
                        setUp.key(),
                        setUp.gauge().micrometres(),
                        setUp.cord().micrometres(),
                        setUp.verdict().name(),
                        line.id()
                    });
                }));
        bulk.batchUpdate(
                "update order_line set set_up = ?, gauge_um = ?, cord_um = ?, verdict = ? where id = ?", setUps);
        bulk.batchUpdate(
                "insert into order_line_need (line_id, article_id, quantity) values (?, ?, ?) on conflict do nothing",
                rows);
        standing.refresh(orders);
    }
}
