package dev.restis.app.cut;

import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.cutting.CordRun;
import dev.restis.core.measure.Length;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;

/**
 * The cord counter drives the cuts: as soon as the length of the next one has run through, it counts as made. It is asked
 * again and again, so looking at it changes nothing and holds nothing.
 */
@Service
public class CordCounter {

    /** Where a spool stands that runs through the cord counter. */
    public record CounterView(CordRun.Stand stand, long ranUm, long needUm) {}

    /** @param need of the next strand; nothing when what comes next is none */
    private record At(
            @Nullable Long counterUm,
            @Nullable String inHandOf,
            @Nullable Long step,
            @Nullable Long need) {}

    private final CutBench bench;
    private final JdbcClient jdbc;

    CordCounter(CutBench bench, JdbcClient jdbc) {
        this.bench = bench;
        this.jdbc = jdbc;
    }

    /**
     * @param shown what the counter shows
     * @param anew whether to count from here
     */
    public CounterView counted(long list, long spool, long shown, boolean anew) {
        At at = at(list, spool);
        if (at.inHandOf() != null && !at.inHandOf().equals(Workshop.whoever())) {
            throw new Conflict("cut.inHand", at.inHandOf());
        }
        Long from = at.counterUm();
        if (anew || from == null || from > shown) {
            bench.countFrom(list, spool, shown);
            from = shown;
        }
        Long step = at.step();
        Long need = at.need();
        if (step == null || need == null) {
            return new CounterView(CordRun.Stand.NOTHING_TO_CUT, 0, 0);
        }
        CordRun run = new CordRun(new Length(shown - from), new Length(need));
        if (run.stand() == CordRun.Stand.CUT_HERE) {
            bench.cut(list, spool, List.of(step), null, shown);
        }
        return new CounterView(run.stand(), shown - from, need);
    }

    private At at(long list, long spool) {
        return jdbc.sql("""
                        select s.counter_um, s.in_hand_of, t.id as step, t.length_um as need
                        from cut_spool s join cut_list c on c.id = s.cut_list_id
                            left join lateral (
                                select n.* from cut_step n where n.cut_spool_id = s.id and n.done_at is null order by n.number limit 1
                            ) t on t.kind = 'STRAND'
                        where s.id = ? and c.id = ? and c.confirmed_at is null
                        """)
                .params(spool, list)
                .query(At.class)
                .optional()
                .orElseThrow(() -> new Conflict("cut.planChanged"));
    }
}
