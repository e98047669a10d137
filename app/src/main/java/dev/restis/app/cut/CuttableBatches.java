package dev.restis.app.cut;

import dev.restis.app.platform.Keyset;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Batches, as lists of cuts are made for them. */
@Service
class CuttableBatches {

    /**
     * A batch as the cut screen offers it.
     *
     * @param due the first day that one of its uncut pieces is wanted
     * @param begun whether something of the open list is cut
     */
    record CuttableBatch(
            long id,
            String name,
            int pieces,
            int cut,
            @Nullable LocalDate due,
            boolean begun,
            @Nullable Long openList,
            @Nullable Long lastList) {}

    private static final int BATCHES = 50;

    private final JdbcClient jdbc;

    CuttableBatches(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Batches that have something left to cut first, of each the newest first. */
    @Transactional(readOnly = true)
    public Keyset<CuttableBatch> page(@Nullable String after) {
        Map<String, Object> params = new HashMap<>();
        params.put("most", BATCHES + 1);
        String from = Keyset.read(after, "true|false", "\\d{1,18}")
                .map(place -> {
                    params.put("done", Boolean.valueOf(place.get(0)));
                    params.put("id", Long.valueOf(place.get(1)));
                    return " and ((cut = pieces) > :done or (cut = pieces) = :done and id < :id)";
                })
                .orElse("");
        List<CuttableBatch> found = jdbc.sql("""
                        select b.id, b.name, b.pieces, b.cut,
                               (select min(o.due) from piece p join order_line l on l.id = p.line_id
                                    join customer_order o on o.id = l.order_id
                                where p.batch_id = b.id and p.stage < 'CUT') as due,
                               exists (select 1 from cut_list_batch cb join cut_list c on c.id = cb.cut_list_id
                                           join cut_spool s on s.cut_list_id = c.id join cut_step t on t.cut_spool_id = s.id
                                       where cb.batch_id = b.id and c.confirmed_at is null and t.done_at is not null) as begun,
                               (select max(c.id) from cut_list c join cut_list_batch cb on cb.cut_list_id = c.id
                                where cb.batch_id = b.id and c.confirmed_at is null) as open_list,
                               (select max(c.id) from cut_list c join cut_list_batch cb on cb.cut_list_id = c.id
                                where cb.batch_id = b.id and c.confirmed_at is not null) as last_list
                        from (select * from batch where pieces > 0%s order by (cut = pieces), id desc limit :most) b
                        order by (b.cut = b.pieces), b.id desc
                        """.formatted(from))
                .params(params)
                .query(CuttableBatch.class)
                .list();
        return Keyset.of(found, BATCHES, b -> List.of(b.cut() == b.pieces(), b.id()));
    }
}
