package dev.restis.app.cut;

import dev.restis.app.orders.Companions;
import java.util.Collection;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * Orders hang together through the cut lists that cut for them: a piece that leaves may be the last that an open list waits for, and
 * leaves its share of what a list that is done threw away to the others.
 */
@Component
class CutCompanions implements Companions {

    private final JdbcClient jdbc;

    CutCompanions(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Override
    public Set<Long> of(Collection<Long> orders) {
        return Set.copyOf(jdbc.sql("""
                        select distinct l.order_id
                        from cut_list_batch b join piece p on p.batch_id = b.batch_id join order_line l on l.id = p.line_id
                        where b.cut_list_id in (
                            select ob.cut_list_id from order_line ol join piece op on op.line_id = ol.id
                                join cut_list_batch ob on ob.batch_id = op.batch_id
                            where ol.order_id = any (?))
                        """)
                .param(orders.toArray(Long[]::new))
                .query(Long.class)
                .list());
    }
}
