package dev.restis.app.cut;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import dev.restis.app.platform.Problems.NotFound;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How far a cut list is: what benches look at again and again, and so in few words. */
@Service
class CutProgress {

    private static final int MOST_PLANS = 1_000;

    /**
     * How far a spool is. Cuts are made and taken back in their order, so their number says which they are.
     *
     * @param done how many of its stretches are cut
     * @param strands how many of them are strands
     */
    record SpoolProgress(long id, @Nullable String inHandOf, int done, int strands) {}

    /**
     * How far a list is.
     *
     * @param revision of its plan; with another one the list is to be read anew
     * @param done how many strands are cut
     */
    record ProgressView(
            int revision,
            @Nullable Instant confirmedAt,
            @Nullable String confirmedBy,
            int done,
            int unplanned,
            int lacking,
            boolean bettering,
            List<SpoolProgress> spools) {}

    private record Head(
            int revision,
            @Nullable Instant confirmedAt,
            @Nullable String confirmedBy) {}

    /** A list in one of its plans. */
    private record Planned(long list, int revision) {}

    /** Whether a strand is planned for follows from the plan; going through all of them each time would be most of the work. */
    private final Cache<Planned, Integer> unplanned =
            Caffeine.newBuilder().maximumSize(MOST_PLANS).build();

    private final Bettering bettering;
    private final JdbcClient jdbc;

    CutProgress(Bettering bettering, JdbcClient jdbc) {
        this.bettering = bettering;
        this.jdbc = jdbc;
    }

    @Transactional(readOnly = true)
    public ProgressView of(long list) {
        Head head = jdbc.sql("select plan as revision, confirmed_at, confirmed_by from cut_list where id = ?")
                .param(list)
                .query(Head.class)
                .optional()
                .orElseThrow(() -> new NotFound("cut.replaced"));
        boolean open = head.confirmedAt() == null;
        List<SpoolProgress> spools =
                jdbc.sql("""
                        select s.id, s.in_hand_of, d.done, d.strands
                        from cut_spool s
                            cross join lateral (select count(*)::int as done, (count(*) filter (where kind = 'STRAND'))::int as strands
                                                from cut_step where cut_spool_id = s.id and done_at is not null) d
                        where s.cut_list_id = ? order by s.number
                        """).param(list).query(SpoolProgress.class).list();
        return new ProgressView(
                head.revision(),
                head.confirmedAt(),
                head.confirmedBy(),
                spools.stream().mapToInt(SpoolProgress::strands).sum(),
                open ? unplanned.get(new Planned(list, head.revision()), p -> unplanned(list)) : 0,
                open ? lacking(list) : 0,
                bettering.going(list),
                spools);
    }

    /** Strands that no spool is planned for, since pieces left or something went wrong. */
    private int unplanned(long list) {
        return jdbc.sql("""
                        select count(*) from cut_list_batch cb join piece p on p.batch_id = cb.batch_id and p.stage < 'CUT'
                            join strand n on n.piece_id = p.id
                        where cb.cut_list_id = :list
                              and not exists (select 1 from cut_waiting w where w.cut_list_id = :list and w.piece_id = p.id)
                              and not exists (select 1 from cut_trimming r where r.cut_list_id = :list and r.strand_id = n.id)
                              and not exists (select 1 from cut_step t join cut_spool s on s.id = t.cut_spool_id
                                              where t.strand_id = n.id and s.cut_list_id = :list)
                        """).param("list", list).query(Integer.class).single();
    }

    /** Pieces whose strands are all cut, but not all of whose parts are there; what a piece cost so far says that it is begun. */
    private int lacking(long list) {
        return jdbc.sql("""
                        select count(*) from cut_list_batch cb join piece p on p.batch_id = cb.batch_id and p.stage < 'CUT'
                            join piece_actual a on a.piece_id = p.id
                        where cb.cut_list_id = :list
                              and exists (select 1 from strand n join cut_step t on t.strand_id = n.id
                                          where n.piece_id = p.id and t.done_at is not null)
                              and not exists (select 1 from strand n
                                                  left join cut_step t on t.strand_id = n.id and t.done_at is not null
                                                  left join cut_trimming r on r.strand_id = n.id and r.cut_list_id = :list
                                              where n.piece_id = p.id and t.id is null and r.strand_id is null)
                        """).param("list", list).query(Integer.class).single();
    }
}
