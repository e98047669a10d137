package dev.restis.app.cut;

import dev.restis.app.orders.Companions;
import java.util.Collection;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Orders hang together through the open cut lists that cut for them: a piece that leaves may be the last that a list waits for. */
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
                            select c.id from order_line ol join piece op on op.line_id = ol.id
                                join cut_list_batch ob on ob.batch_id = op.batch_id
                                join cut_list c on c.id = ob.cut_list_id and c.confirmed_at is null
                            where ol.order_id = any (?))
                        """)
                .param(orders.toArray(Long[]::new))
                .query(Long.class)
                .list());
    }
}
