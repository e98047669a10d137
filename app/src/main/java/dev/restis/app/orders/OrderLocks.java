package dev.restis.app.orders;

import dev.restis.app.platform.LockOrder;
import dev.restis.app.platform.LockOrder.Rank;
import dev.restis.app.platform.Problems.NotFound;
import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * Locks orders, the first of all locks, and then the batches that their pieces are in, which keep sums of them: what is done to
 * an order and its pieces is done one after the other.
 */
@Component
class OrderLocks {

    private final EntityManager entities;
    private final JdbcClient jdbc;
    private final ObjectProvider<Companions> companions;

    OrderLocks(EntityManager entities, JdbcClient jdbc, ObjectProvider<Companions> companions) {
        this.jdbc = jdbc;
        this.entities = entities;
        this.companions = companions;
    }

    /** Locks orders by their ids until the transaction ends. */
    void hold(Collection<Long> orders) {
        List<Long> fresh = LockOrder.next(Rank.ORDER, orders);
        if (!fresh.isEmpty()) {
            entities.createNativeQuery(
                            "select id from customer_order where id in (:orders) order by id for no key update",
                            Long.class)
                    .setParameter("orders", fresh)
                    .getResultList();
            holdBatches(fresh);
        }
    }

    /** Pieces come and go in other orders' transactions, but those of these orders, which are held, stay where they are. */
    private void holdBatches(Collection<Long> orders) {
        List<Long> batches = jdbc.sql("""
                        select distinct p.batch_id from order_line l join piece p on p.line_id = l.id
                        where l.order_id = any (?) and p.batch_id is not null
                        """)
                .param(orders.toArray(Long[]::new))
                .query(Long.class)
                .list();
        List<Long> fresh = LockOrder.next(Rank.BATCH, batches);
        if (!fresh.isEmpty()) {
            jdbc.sql("select id from batch where id = any (?) order by id for no key update")
                    .param(fresh.toArray(Long[]::new))
                    .query(Long.class)
                    .list();
        }
    }

    /**
     * Locks orders that pieces are taken out of, and with them those that hang together with them.
     *
     * @throws LockOrder.Overtaken when others came to hang together with them meanwhile
     */
    void holdTogether(Collection<Long> orders) {
        Set<Long> all = new TreeSet<>(orders);
        companions.forEach(c -> all.addAll(c.of(orders)));
        hold(all);
        companions.forEach(c -> {
            if (!all.containsAll(c.of(orders))) {
                throw new LockOrder.Overtaken();
            }
        });
    }

    /**
     * Locks an order and says in its version that something was done to it.
     *
     * @throws NotFound when there is no such order
     */
    CustomerOrder hold(long id) {
        LockOrder.next(Rank.ORDER, List.of(id));
        CustomerOrder order = entities.find(CustomerOrder.class, id, LockModeType.PESSIMISTIC_FORCE_INCREMENT);
        if (order == null) {
            throw new NotFound("notFound");
        }
        holdBatches(List.of(id));
        return order;
    }
}
