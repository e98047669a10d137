package dev.restis.app.pieces;

import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.cost.PieceCost;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Stage;
import dev.restis.core.piece.WorkedStrand;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** What pieces in batches were worked out to need; kept, because prices, stock and formulas move on. */
@Service
public class PieceNeeds {

    /**
     * A strand that a piece in a batch needs.
     *
     * @param set the order whose matching set the piece belongs to, if it does
     * @param tails what it leaves at its ends at the least
     * @param cutAnyway that no tail serves, because one that should have was too short
     */
    public record StrandNeed(
            long id,
            long piece,
            long batch,
            Optional<Long> set,
            String role,
            int number,
            long article,
            long cutUm,
            long usedUm,
            List<Length> tails,
            Stage stage,
            boolean cutAnyway) {}

    /** Hardware that a piece in a batch needs. */
    public record PartNeed(long piece, long batch, long article, long quantity) {}

    private final JdbcClient jdbc;
    private final JdbcTemplate bulk;
    private final Clock clock;

    PieceNeeds(JdbcClient jdbc, JdbcTemplate bulk, Clock clock) {
        this.jdbc = jdbc;
        this.bulk = bulk;
        this.clock = clock;
    }

    /** Keeps what these pieces need, each worked out. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void keep(Map<Long, PieceDesk.Worked> pieces) {
        List<Object[]> strands = new ArrayList<>();
        List<Object[]> parts = new ArrayList<>();
        List<Object[]> estimates = new ArrayList<>();
        pieces.forEach((piece, worked) -> {
            for (WorkedStrand s : worked.piece().strands()) {
                strands.add(new Object[] {
                    piece,
                    s.role(),
                    s.number(),
                    worked.cords().get(s.slot()).id(),
                    s.cutLength().micrometres(),
                    s.used().micrometres(),
                    s.mark().map(m -> m.at().micrometres()).orElse(null),
                    s.mark().map(m -> m.kind().name()).orElse(null),
                    s.tails().stream().map(Length::micrometres).toArray(Long[]::new),
                    s.stage().name()
                });
            }
            worked.picked().forEach((article, quantity) -> parts.add(new Object[] {piece, article.id(), quantity}));
            PieceCost estimate = worked.estimate();
            estimates.add(new Object[] {
                piece,
                estimate.used(),
                estimate.tails(),
                estimate.hardware(),
                worked.time().drying().toSeconds(),
                risk(worked)
            });
        });
        bulk.batchUpdate(
                "insert into strand (piece_id, role, number, article_id, cut_um, used_um, mark_um, mark, tails_um, stage) "
                        + "values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
                strands);
        bulk.batchUpdate("insert into piece_hardware (piece_id, article_id, quantity) values (?, ?, ?)", parts);
        bulk.batchUpdate(
                "insert into piece_estimate (piece_id, used, tails, hardware, drying_s, risk) values (?, ?, ?, ?, ?, ?)",
                estimates);
    }

    /** What pieces of these lines that are not cut need now; strands that are cut keep their lengths. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void workedAnew(Map<Long, PieceDesk.Worked> lines) {
        workedAnew(lines, "");
    }

    /** The same, where nothing was wrong and only hands are known better: what somebody is cutting stays as their list has it. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void learnedAnew(Map<Long, PieceDesk.Worked> lines) {
        workedAnew(lines, """
                 and not exists (
                     select 1 from cut_list_batch b join cut_list c on c.id = b.cut_list_id and c.confirmed_at is null
                         join cut_spool s on s.cut_list_id = c.id
                     where b.batch_id = piece.batch_id and (s.in_hand_of is not null
                         or exists (select 1 from cut_step t where t.cut_spool_id = s.id and t.done_at is not null)))
                """);
    }

    private void workedAnew(Map<Long, PieceDesk.Worked> lines, String which) {
        List<Object[]> strands = new ArrayList<>();
        List<Object[]> estimates = new ArrayList<>();
        record Planned(long piece, long line) {}
        jdbc.sql("""
                        select id as piece, line_id as line from piece
                        where line_id = any (?) and stage in ('PLANNED', 'CUTTING')%s order by id
                        """.formatted(which))
                .param(lines.keySet().toArray(Long[]::new))
                .query(Planned.class)
                .list()
                .forEach(planned -> {
                    PieceDesk.Worked worked = Objects.requireNonNull(lines.get(planned.line()));
                    worked.piece()
                            .strands()
                            .forEach(s -> strands.add(new Object[] {
                                s.cutLength().micrometres(),
                                s.used().micrometres(),
                                s.mark().map(m -> m.at().micrometres()).orElse(null),
                                s.mark().map(m -> m.kind().name()).orElse(null),
                                s.tails().stream().map(Length::micrometres).toArray(Long[]::new),
                                s.stage().name(),
                                planned.piece(),
                                s.role(),
                                s.number()
                            }));
                    PieceCost estimate = worked.estimate();
                    estimates.add(new Object[] {
                        estimate.used(), estimate.tails(), estimate.hardware(), risk(worked), planned.piece()
                    });
                });
        bulk.batchUpdate("""
                update strand set cut_um = ?, used_um = ?, mark_um = ?, mark = ?, tails_um = ?, stage = ?
                where piece_id = ? and role = ? and number = ?
                  and not exists (select 1 from cut_step t where t.strand_id = strand.id and t.done_at is not null)
                """, strands);
        bulk.batchUpdate(
                "update piece_estimate set used = ?, tails = ?, hardware = ?, risk = ? where piece_id = ?", estimates);
    }

    private static double risk(PieceDesk.Worked worked) {
        return worked.piece().strands().stream()
                .mapToDouble(WorkedStrand::risk)
                .max()
                .orElse(0);
    }

    /** Of pieces that left their batch. */
    void forget(Collection<Long> pieces) {
        for (String table : List.of("strand", "piece_hardware", "piece_estimate")) {
            jdbc.sql("delete from " + table + " where piece_id in (:pieces)")
                    .param("pieces", pieces)
                    .update();
        }
    }

    /** A tail that should have served this strand was too short: it is to be cut. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void tailTooShort(long strand) {
        jdbc.sql("update strand set tail_short_at = ?, tail_short_by = ? where id = ?")
                .params(Timestamp.from(clock.instant()), Workshop.whoever(), strand)
                .update();
    }

    /** What pieces in batches were worked out to need. */
    @Transactional(readOnly = true)
    public List<StrandNeed> strandsOf(Collection<Long> pieceIds) {
        return strands("s.piece_id in (:ids)", pieceIds);
    }

    @Transactional(readOnly = true)
    public List<StrandNeed> strands(Collection<Long> ids) {
        return strands("s.id in (:ids)", ids);
    }

    private List<StrandNeed> strands(String which, Collection<Long> ids) {
        return ids.isEmpty()
                ? List.of()
                : jdbc.sql("""
                                select s.id, s.piece_id, p.batch_id, case when l.matching then l.order_id end as set_id, s.role,
                                       s.number, s.article_id, s.cut_um, s.used_um, s.tails_um, s.stage,
                                       s.tail_short_at is not null as cut_anyway
                                from strand s join piece p on p.id = s.piece_id join order_line l on l.id = p.line_id
                                where %s order by s.id
                                """.formatted(which))
                        .param("ids", ids)
                        .query((row, n) -> new StrandNeed(
                                row.getLong("id"),
                                row.getLong("piece_id"),
                                row.getLong("batch_id"),
                                Optional.ofNullable(row.getObject("set_id", Long.class)),
                                row.getString("role"),
                                row.getInt("number"),
                                row.getLong("article_id"),
                                row.getLong("cut_um"),
                                row.getLong("used_um"),
                                Arrays.stream((Long[]) row.getArray("tails_um").getArray())
                                        .map(Length::new)
                                        .toList(),
                                Stage.valueOf(row.getString("stage")),
                                row.getBoolean("cut_anyway")))
                        .list();
    }

    @Transactional(readOnly = true)
    public List<PartNeed> partsOf(Collection<Long> pieceIds) {
        return pieceIds.isEmpty()
                ? List.of()
                : jdbc.sql("""
                                select h.piece_id as piece, p.batch_id as batch, h.article_id as article, h.quantity
                                from piece_hardware h join piece p on p.id = h.piece_id
                                where h.piece_id in (:pieces) order by h.piece_id, h.article_id
                                """).param("pieces", pieceIds).query(PartNeed.class).list();
    }
}
