package dev.restis.app.plan;

import dev.restis.app.orders.OrderPieces;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.pieces.PieceMoved;
import dev.restis.app.pieces.Pieces;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.cost.PieceCost;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Stage;
import dev.restis.core.piece.Check.Verdict;
import dev.restis.core.piece.WorkedStrand;
import dev.restis.core.work.PieceAct;
import jakarta.persistence.EntityManager;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Batches: pieces that are cut together, with the strands they were worked out to need. */
@Service
public class Batches {

    /** How many pieces of a line to take. */
    public record Pick(long line, int count) {}

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

    private static final int MOST_PIECES = 2000;

    private final OrderPieces orders;
    private final Pieces pieces;
    private final PieceDesk desk;
    private final EntityManager entities;
    private final JdbcClient jdbc;
    private final JdbcTemplate bulk;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    Batches(
            OrderPieces orders,
            Pieces pieces,
            PieceDesk desk,
            EntityManager entities,
            JdbcClient jdbc,
            JdbcTemplate bulk,
            ApplicationEventPublisher events,
            Clock clock) {
        this.events = events;
        this.orders = orders;
        this.pieces = pieces;
        this.desk = desk;
        this.entities = entities;
        this.jdbc = jdbc;
        this.bulk = bulk;
        this.clock = clock;
    }

    /** Makes a batch of open pieces and keeps what each needs. */
    @Transactional
    public long make(@Nullable String name, List<Pick> picks) {
        List<Fault> faults = new ArrayList<>();
        String given = Texts.given(name).orElseGet(this::nextName);
        if (given.length() > 80) {
            faults.add(Fault.of("name", "tooLong", 80));
        }
        Map<Long, Integer> wanted = new HashMap<>();
        picks.forEach(p -> wanted.merge(p.line(), p.count(), Integer::sum));
        int count = wanted.values().stream().mapToInt(Integer::intValue).sum();
        if (count < 1 || count > MOST_PIECES) {
            faults.add(Fault.of("picks", "picks.range", count, MOST_PIECES));
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        Batch batch = new Batch(given, clock.instant(), Workshop.whoever());
        entities.persist(batch);
        entities.flush();
        keepNeeds(orders.take(wanted, batch.id()));
        return batch.id();
    }

    private void keepNeeds(List<OrderPieces.Taken> taken) {
        PieceDesk.Sitting sitting = desk.sit();
        Map<Long, PieceDesk.Worked> byLine = new HashMap<>();
        List<Object[]> strands = new ArrayList<>();
        List<Object[]> parts = new ArrayList<>();
        List<Object[]> estimates = new ArrayList<>();
        for (OrderPieces.Taken piece : taken) {
            PieceDesk.Worked worked = byLine.computeIfAbsent(piece.line(), l -> sitting.workOut(piece.spec()));
            if (worked.piece().verdict() == Verdict.NO) {
                throw new Rejected(Fault.of("picks", "picks.cannotBeMade", reasons(worked)));
            }
            for (WorkedStrand s : worked.piece().strands()) {
                strands.add(new Object[] {
                    piece.piece(),
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
            worked.picked()
                    .forEach((article, quantity) -> parts.add(new Object[] {piece.piece(), article.id(), quantity}));
            PieceCost estimate = worked.estimate();
            estimates.add(new Object[] {
                piece.piece(),
                estimate.used(),
                estimate.tails(),
                estimate.hardware(),
                worked.time().drying().toSeconds()
            });
        }
        bulk.batchUpdate(
                "insert into strand (piece_id, role, number, article_id, cut_um, used_um, mark_um, mark, tails_um, stage) "
                        + "values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
                strands);
        bulk.batchUpdate("insert into piece_hardware (piece_id, article_id, quantity) values (?, ?, ?)", parts);
        bulk.batchUpdate(
                "insert into piece_estimate (piece_id, used, tails, hardware, drying_s) values (?, ?, ?, ?, ?)",
                estimates);
    }

    /** What pieces of these lines that are not cut need now; strands that are cut keep their lengths. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void workedAnew(Map<Long, PieceDesk.Worked> lines) {
        List<Object[]> strands = new ArrayList<>();
        List<Object[]> estimates = new ArrayList<>();
        record Planned(long piece, long line) {}
        jdbc.sql("""
                        select id as piece, line_id as line from piece
                        where line_id = any (?) and stage in ('PLANNED', 'CUTTING') order by id
                        """)
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
                    estimates.add(
                            new Object[] {estimate.used(), estimate.tails(), estimate.hardware(), planned.piece()});
                });
        bulk.batchUpdate("""
                update strand set cut_um = ?, used_um = ?, mark_um = ?, mark = ?, tails_um = ?, stage = ?
                where piece_id = ? and role = ? and number = ?
                  and not exists (select 1 from cut_step t where t.strand_id = strand.id and t.done_at is not null)
                """, strands);
        bulk.batchUpdate("update piece_estimate set used = ?, tails = ?, hardware = ? where piece_id = ?", estimates);
    }

    private static String reasons(PieceDesk.Worked worked) {
        return worked.piece().checks().stream()
                .filter(c -> c.verdict() == Verdict.NO)
                .map(c -> c.code())
                .collect(Collectors.joining(", "));
    }

    /** Opens all pieces of the batch again that are not cut. */
    @Transactional
    public void dissolve(long batch) {
        orders.holdTogether(batch);
        if (pieces.uncut(batch).isEmpty()) {
            throw new NotFound("batch.nothingToDissolve");
        }
        release(batch, pieces.uncut(batch));
    }

    /** Opens those of these pieces again that are not cut. */
    @Transactional
    public void release(long batch, Collection<Long> which) {
        orders.holdBatches(List.of(batch));
        pieces.release(batch, which);
    }

    /** What was planned for pieces that left their batch holds no longer. */
    @EventListener
    @Transactional(propagation = Propagation.MANDATORY)
    public void left(PieceMoved moved) {
        if (moved.act() == PieceAct.RELEASE) {
            forget(moved.pieces());
        }
    }

    private void forget(Collection<Long> pieceIds) {
        events.publishEvent(new PiecesReleased(Set.copyOf(pieceIds)));
        for (String table : List.of("strand", "piece_hardware", "piece_estimate")) {
            jdbc.sql("delete from " + table + " where piece_id in (:pieces)")
                    .param("pieces", pieceIds)
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

    private String nextName() {
        long number = jdbc.sql("select nextval('batch_name')").query(Long.class).single();
        return "Batch " + number;
    }
}
