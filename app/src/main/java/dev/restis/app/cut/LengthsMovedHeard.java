package dev.restis.app.cut;

import dev.restis.app.plan.LearnedReckoning.LengthsMoved;
import dev.restis.app.platform.Problems.Conflict;
import java.util.List;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;

/** Plans lists anew that nobody has begun, when strands on them are cut otherwise than they say. */
@Service
class LengthsMovedHeard {

    private final JdbcClient jdbc;
    private final CutPlanning planning;

    LengthsMovedHeard(JdbcClient jdbc, CutPlanning planning) {
        this.jdbc = jdbc;
        this.planning = planning;
    }

    @EventListener
    public void moved(LengthsMoved lengths) {
        for (long list : behind()) {
            try {
                planning.planRest(list);
            } catch (Conflict somebodyWasFaster) {
                // Whoever cuts it meanwhile is told where a strand must be longer.
            }
        }
    }

    private List<Long> behind() {
        return jdbc.sql("""
                        select distinct c.id
                        from cut_list c join cut_spool s on s.cut_list_id = c.id join cut_step t on t.cut_spool_id = s.id
                            join strand n on n.id = t.strand_id
                        where c.confirmed_at is null and t.done_at is null and t.length_um <> n.cut_um
                            and not exists (
                                select 1 from cut_spool o
                                where o.cut_list_id = c.id and (o.in_hand_of is not null
                                    or exists (select 1 from cut_step d where d.cut_spool_id = o.id and d.done_at is not null)))
                        order by c.id
                        """).query(Long.class).list();
    }
}
