package dev.restis.app.cut;

import dev.restis.app.patterns.PieceView.StrandMark;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.core.piece.Mark;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Reads the spools of cut lists, with what is cut of them and what is to be. */
@Service
class CutSpools {

    /** A stretch of a spool; {@code keep} matters for leftovers only. A strand of no piece was cut for one that was given up. */
    record StepView(
            long id,
            int number,
            String kind,
            long lengthUm,
            long fromUm,
            boolean keep,
            @Nullable StrandMark mark,
            @Nullable Long pieceId,
            @Nullable String role,
            @Nullable String reference,
            @Nullable String customer,
            @Nullable String patternCode,
            @Nullable Instant doneAt,
            @Nullable String doneBy) {}

    /** @param inHandOf who is cutting it */
    record SpoolView(
            long id,
            int number,
            @Nullable String inHandOf,
            long holdingId,
            String label,
            String kind,
            String shelf,
            String lot,
            String articleCode,
            String articleName,
            String colour,
            long lengthUm,
            List<Long> flawsUm,
            List<StepView> steps) {}

    private final JdbcClient jdbc;

    CutSpools(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** The spools of a list, by their ids, in their order. */
    @Transactional(readOnly = true)
    public Map<Long, SpoolView> of(long list) {
        return read("s.cut_list_id = ?", list);
    }

    /** One spool of a list as it is now. */
    @Transactional(readOnly = true)
    public SpoolView one(long list, long spool) {
        return jdbc.sql("select id from cut_spool where id = ? and cut_list_id = ?")
                .params(spool, list)
                .query(Long.class)
                .optional()
                .map(id -> read("s.id = ?", id).get(id))
                .orElseThrow(() -> new NotFound("cut.replaced"));
    }

    /** Flaws are shown where the plan saw them, counted from the free end as it was then. */
    private Map<Long, SpoolView> read(String which, long id) {
        Map<Long, SpoolView> spools = new LinkedHashMap<>();
        jdbc.sql("""
                        select s.id as spool_id, s.number, s.in_hand_of, s.holding_id, h.label, h.kind, h.shelf, lot.code as lot,
                               a.code, a.name, a.colour, s.length_um,
                               array(select s.length_um - f.behind_um from holding_flaw f
                                     where f.holding_id = h.id and f.behind_um < s.length_um
                                     order by f.behind_um desc) as flaws
                        from cut_spool s join holding h on h.id = s.holding_id join lot on lot.id = h.lot_id
                             join article a on a.id = lot.article_id
                        where %s order by s.number
                        """.formatted(which))
                .param(id)
                .query((row, n) -> spools.put(
                        row.getLong("spool_id"),
                        new SpoolView(
                                row.getLong("spool_id"),
                                row.getInt("number"),
                                row.getString("in_hand_of"),
                                row.getLong("holding_id"),
                                row.getString("label"),
                                row.getString("kind"),
                                row.getString("shelf"),
                                row.getString("lot"),
                                row.getString("code"),
                                row.getString("name"),
                                row.getString("colour"),
                                row.getLong("length_um"),
                                List.of((Long[]) row.getArray("flaws").getArray()),
                                new ArrayList<>())))
                .list();
        steps(which, id, spools);
        return spools;
    }

    private void steps(String which, long spoolsOf, Map<Long, SpoolView> spools) {
        record Step(
                long spool,
                long id,
                int number,
                String kind,
                long lengthUm,
                boolean keep,
                Mark.@Nullable Kind mark,
                @Nullable Long markUm,
                @Nullable Long pieceId,
                @Nullable String role,
                @Nullable String reference,
                @Nullable String customer,
                @Nullable String pattern,
                @Nullable Timestamp doneAt,
                @Nullable String doneBy,
                long fromUm) {}
        jdbc.sql("""
                        select t.cut_spool_id as spool, t.id, t.number, t.kind, t.length_um, t.keep, n.mark, n.mark_um, n.piece_id, n.role,
                               o.reference, o.customer, l.pattern, t.done_at, t.done_by,
                               sum(t.length_um) over (partition by t.cut_spool_id order by t.number) - t.length_um as from_um
                        from cut_step t join cut_spool s on s.id = t.cut_spool_id
                             left join strand n on n.id = t.strand_id left join piece p on p.id = n.piece_id
                             left join order_line l on l.id = p.line_id left join customer_order o on o.id = l.order_id
                        where %s order by t.cut_spool_id, t.number
                        """.formatted(which)).param(spoolsOf).query(Step.class).list().forEach(s -> {
            SpoolView spool = spools.get(s.spool());
            if (spool != null) {
                spool.steps()
                        .add(new StepView(
                                s.id(),
                                s.number(),
                                s.kind(),
                                s.lengthUm(),
                                s.fromUm(),
                                s.keep(),
                                s.mark() == null || s.markUm() == null ? null : new StrandMark(s.mark(), s.markUm()),
                                s.pieceId(),
                                s.role(),
                                s.reference(),
                                s.customer(),
                                s.pattern(),
                                s.doneAt() == null ? null : s.doneAt().toInstant(),
                                s.doneBy()));
            }
        });
    }
}
