package dev.restis.app.orders;

import dev.restis.core.order.OrderLife;
import dev.restis.core.order.OrderProgress;
import dev.restis.core.order.OrderStage;
import jakarta.persistence.EntityManager;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Keeps where each order stands, what of its lines is open, and what it is promised, in step with its stage and its pieces. */
@Service
class Standing {

    /** An order's stage, how far its pieces are, and how long the rest should take to make. */
    record Stand(long order, OrderStage stage, OrderProgress progress, long makingLeftSeconds) {}

    private final JdbcClient jdbc;
    private final JdbcTemplate bulk;
    private final EntityManager entities;
    private final ApplicationEventPublisher listeners;

    Standing(JdbcClient jdbc, JdbcTemplate bulk, EntityManager entities, ApplicationEventPublisher listeners) {
        this.listeners = listeners;
        this.jdbc = jdbc;
        this.bulk = bulk;
        this.entities = entities;
    }

    /** To be called in every transaction that changes an order's stage or pieces. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void refresh(Collection<Long> orders) {
        entities.flush();
        bulk.batchUpdate(
                """
                update customer_order set state = ?, pieces = ?, planned = ?, cut = ?, made = ?, dispatched = ?, making_left_s = ?
                where id = ?
                """,
                of(orders).stream()
                        .map(s -> new Object[] {
                            OrderLife.state(s.stage(), s.progress()).name(),
                            s.progress().pieces(),
                            s.progress().planned(),
                            s.progress().cut(),
                            s.progress().made(),
                            s.progress().dispatched(),
                            s.makingLeftSeconds(),
                            s.order()
                        })
                        .toList());
        // The orders' rows are locked by now: of two who change one order, the second counts what the first left.
        Long[] ids = orders.toArray(Long[]::new);
        jdbc.sql("""
                        update order_line l set open = c.open, open_due = c.due
                        from (select l.id, coalesce(o.due, '9999-12-31') as due,
                                     case when o.stage = 'ACCEPTED' then count(p.id) filter (where p.stage = 'OPEN') else 0 end as open
                              from customer_order o join order_line l on l.order_id = o.id left join piece p on p.line_id = l.id
                              where o.id = any (?) group by l.id, o.id) c
                        where c.id = l.id and (l.open, l.open_due) <> (c.open, c.due)
                        """).param(ids).update();
        jdbc.sql("delete from article_reserved where order_id = any (?)")
                .param(ids)
                .update();
        jdbc.sql("""
                        insert into article_reserved (order_id, article_id, batch_id, quantity)
                        select order_id, article_id, batch_id, quantity from article_needed where order_id = any (?)
                        """).param(ids).update();
        listeners.publishEvent(new OrdersMoved(Set.copyOf(orders)));
    }

    @Transactional(propagation = Propagation.MANDATORY)
    public Stand of(long order) {
        entities.flush();
        return of(List.of(order)).get(0);
    }

    /** In the order of their ids, in which rows are locked. */
    @Transactional(propagation = Propagation.MANDATORY)
    public List<Stand> of(Collection<Long> orders) {
        return orders.isEmpty()
                ? List.of()
                : jdbc.sql("""
                                select o.id, o.stage, count(p.id) as pieces,
                                       count(p.id) filter (where p.stage >= 'PLANNED') as planned,
                                       count(p.id) filter (where p.stage >= 'CUT') as cut,
                                       count(p.id) filter (where p.stage >= 'MAKING') as begun,
                                       count(p.id) filter (where p.stage >= 'MADE') as made,
                                       count(p.id) filter (where p.stage = 'SENT'
                                                           or p.stage >= 'MADE' and (p.shelved or o.for_shelf)) as dispatched,
                                       coalesce(sum(l.making_s) filter (where p.stage < 'MADE'), 0) as left_s
                                from customer_order o left join order_line l on l.order_id = o.id left join piece p on p.line_id = l.id and p.stage <> 'GIVEN_UP'
                                where o.id in (:orders) group by o.id order by o.id
                                """)
                        .param("orders", orders)
                        .query((row, n) -> new Stand(
                                row.getLong("id"),
                                OrderStage.valueOf(row.getString("stage")),
                                new OrderProgress(
                                        row.getInt("pieces"),
                                        row.getInt("planned"),
                                        row.getInt("cut"),
                                        row.getInt("begun"),
                                        row.getInt("made"),
                                        row.getInt("dispatched")),
                                row.getLong("left_s")))
                        .list();
    }
}
