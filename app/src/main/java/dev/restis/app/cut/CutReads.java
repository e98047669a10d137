package dev.restis.app.cut;

import dev.restis.app.cut.CutProgress.ProgressView;
import dev.restis.app.cut.CutSpools.SpoolView;
import dev.restis.app.cut.CutSpools.StepView;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.core.cutting.CutPlan.Quality;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Reads of cut lists. */
@Service
class CutReads {

    /** Pieces of one order that wait for the same cord; each of them, or the whole set when they must match. */
    record WaitingPieceView(
            int pieces,
            boolean matching,
            String reference,
            String customer,
            String articleCode,
            String articleName,
            long neededUm,
            long bestUm) {}

    /** Strands of one role and article, in pieces of one order, that tails of earlier pieces or of their own bodies serve. */
    record TrimmingView(
            int strands,
            String reference,
            String customer,
            String patternCode,
            String role,
            String articleCode,
            String articleName,
            String colour,
            long lengthUm,
            long tailUm,
            String sourceRole,
            List<Long> strandIds,
            List<Long> pieces,
            List<Long> sourcePieces) {}

    /**
     * How good a plan is by the house's weights, in its currency.
     *
     * @param cost of the cord that it uses or spoils, and of opening and handling
     * @param bound no plan for the same strands costs less
     * @param saved what cutting the longest first would cost more
     * @param gapPercent how far it may be from the best, rounded up; 0 when it is the best
     * @param complete whether all was tried that should be
     */
    record QualityView(BigDecimal cost, BigDecimal bound, BigDecimal saved, BigDecimal gapPercent, boolean complete) {
        static QualityView of(Quality quality) {
            return new QualityView(
                    quality.cost(),
                    quality.bound(),
                    quality.plain().subtract(quality.cost()),
                    quality.gap().movePointRight(2),
                    quality.complete());
        }
    }

    /** A batch by its name. */
    record BatchName(long id, String name) {}

    /** A holding that the list must not cut from. */
    record ForbiddenView(long holdingId, String label, String articleCode, String colour) {}

    /** A piece that is to be cut from a holding. */
    record PinView(long pieceId, String reference, long holdingId, String label, String articleCode) {}

    /**
     * A cut list.
     *
     * @param name of its batches
     * @param done how many strands are cut
     * @param unplanned strands that no spool is planned for, since pieces left or something went wrong
     * @param lacking pieces whose strands are all cut, but not all of whose parts are there
     * @param plannedAfter how many strands were cut when what is left was planned
     * @param opened how many sealed holdings it opens
     * @param waitingUnopened how many more pieces would wait if it opened none
     * @param remnantsUsed remnants and cut strands that something is cut from
     * @param remnantsLeft what stays of them, and what is kept from before flaws
     * @param revision of the plan
     * @param bettering whether a better plan is looked for
     */
    record CutListView(
            long id,
            List<BatchName> batches,
            String name,
            Instant createdAt,
            @Nullable Instant confirmedAt,
            @Nullable String confirmedBy,
            int pieces,
            int strands,
            int done,
            int unplanned,
            int lacking,
            long cutUm,
            long scrapUm,
            BigDecimal scrapPercent,
            @Nullable QualityView quality,
            int plannedAfter,
            int opened,
            int waitingUnopened,
            int remnantsUsed,
            int remnantsLeft,
            int revision,
            boolean bettering,
            List<SpoolView> spools,
            List<TrimmingView> trimmings,
            List<WaitingPieceView> waiting,
            List<ForbiddenView> forbidden,
            List<PinView> pins) {}

    private record Head(
            long id,
            Instant createdAt,
            @Nullable Instant confirmedAt,
            @Nullable String confirmedBy,
            int plannedAfter,
            int opened,
            int waitingUnopened) {}

    private final CutProgress progress;
    private final CutSpools cutSpools;
    private final JdbcClient jdbc;

    CutReads(CutProgress progress, CutSpools cutSpools, JdbcClient jdbc) {
        this.cutSpools = cutSpools;
        this.progress = progress;
        this.jdbc = jdbc;
    }

    @Transactional(readOnly = true)
    public CutListView list(long id) {
        Head head =
                jdbc.sql("""
                        select id, created_at, confirmed_at, confirmed_by, planned_after, opened, waiting_unopened
                        from cut_list where id = ?
                        """).param(id).query(Head.class).optional().orElseThrow(() -> new NotFound("cut.replaced"));
        List<BatchName> batches = batches(id);
        Map<Long, SpoolView> spools = cutSpools.of(id);
        List<StepView> steps =
                spools.values().stream().flatMap(s -> s.steps().stream()).toList();
        ProgressView far = progress.of(id);
        List<StepView> strands =
                steps.stream().filter(s -> s.kind().equals("STRAND")).toList();
        long cut = strands.stream().mapToLong(StepView::lengthUm).sum();
        long scrap = steps.stream()
                .filter(s -> !s.kind().equals("STRAND") && !s.keep())
                .mapToLong(StepView::lengthUm)
                .sum();
        BigDecimal percent = cut + scrap == 0
                ? BigDecimal.ZERO
                : BigDecimal.valueOf(scrap * 100).divide(BigDecimal.valueOf(cut + scrap), 1, RoundingMode.HALF_UP);
        return new CutListView(
                head.id(),
                batches,
                batches.stream().map(BatchName::name).collect(Collectors.joining(", ")),
                head.createdAt(),
                head.confirmedAt(),
                head.confirmedBy(),
                (int) strands.stream().map(StepView::pieceId).distinct().count(),
                strands.size(),
                far.done(),
                far.unplanned(),
                far.lacking(),
                cut,
                scrap,
                percent,
                quality(id).map(QualityView::of).orElse(null),
                head.plannedAfter(),
                head.opened(),
                head.waitingUnopened(),
                (int) spools.values().stream().filter(CutReads::remnant).count(),
                (int) spools.values().stream()
                        .flatMap(s -> s.steps().stream()
                                .filter(t -> t.keep()
                                        && (t.kind().equals("OFFCUT")
                                                || t.kind().equals("REST") && remnant(s))))
                        .count(),
                far.revision(),
                far.bettering(),
                List.copyOf(spools.values()),
                trimmings(id),
                waiting(id),
                forbidden(id),
                pins(id));
    }

    private static boolean remnant(SpoolView spool) {
        return spool.kind().equals("REMNANT") || spool.kind().equals("CUT");
    }

    private List<BatchName> batches(long list) {
        return jdbc.sql("""
                        select b.id, b.name from cut_list_batch cb join batch b on b.id = cb.batch_id
                        where cb.cut_list_id = ? order by b.id
                        """).param(list).query(BatchName.class).list();
    }

    private List<ForbiddenView> forbidden(long list) {
        return jdbc.sql("""
                        select h.id as holding_id, h.label, a.code as article_code, a.colour
                        from cut_forbidden f join holding h on h.id = f.holding_id join lot on lot.id = h.lot_id
                            join article a on a.id = lot.article_id
                        where f.cut_list_id = ? order by a.code, h.label
                        """).param(list).query(ForbiddenView.class).list();
    }

    private List<PinView> pins(long list) {
        return jdbc.sql("""
                        select k.piece_id, o.reference, h.id as holding_id, h.label, a.code as article_code
                        from cut_pin k join piece p on p.id = k.piece_id join order_line l on l.id = p.line_id
                            join customer_order o on o.id = l.order_id join holding h on h.id = k.holding_id
                            join lot on lot.id = h.lot_id join article a on a.id = lot.article_id
                        where k.cut_list_id = ? order by k.piece_id, h.label
                        """).param(list).query(PinView.class).list();
    }

    private Optional<Quality> quality(long list) {
        return jdbc.sql("select cost, bound, plain, complete from cut_list where id = ? and cost is not null")
                .param(list)
                .query(Quality.class)
                .optional();
    }

    private List<TrimmingView> trimmings(long list) {
        return jdbc.sql("""
                        select count(*) as strands, o.reference, o.customer, l.pattern, s.role, a.code, a.name, a.colour,
                               s.cut_um, min(t.tail_um) as tail_um, f.role as source_role,
                               array_agg(s.id order by s.id) as strand_ids,
                               array_agg(s.piece_id order by s.id) as pieces,
                               array_agg(f.piece_id order by s.id) as source_pieces
                        from cut_trimming t join strand s on s.id = t.strand_id join strand f on f.id = t.source_id
                             join article a on a.id = s.article_id join piece p on p.id = s.piece_id
                             join order_line l on l.id = p.line_id join customer_order o on o.id = l.order_id
                        where t.cut_list_id = ?
                        group by o.id, l.pattern, s.role, a.id, s.cut_um, f.role order by min(s.id)
                        """)
                .param(list)
                .query((row, n) -> new TrimmingView(
                        row.getInt("strands"),
                        row.getString("reference"),
                        row.getString("customer"),
                        row.getString("pattern"),
                        row.getString("role"),
                        row.getString("code"),
                        row.getString("name"),
                        row.getString("colour"),
                        row.getLong("cut_um"),
                        row.getLong("tail_um"),
                        row.getString("source_role"),
                        List.of((Long[]) row.getArray("strand_ids").getArray()),
                        List.of((Long[]) row.getArray("pieces").getArray()),
                        List.of((Long[]) row.getArray("source_pieces").getArray())))
                .list();
    }

    private List<WaitingPieceView> waiting(long list) {
        return jdbc.sql("""
                        select count(*) as pieces, l.matching, o.reference, o.customer, a.code as article_code, a.name as article_name,
                               max(w.needed) as needed_um, max(w.best) as best_um
                        from cut_waiting w join piece p on p.id = w.piece_id join order_line l on l.id = p.line_id
                             join customer_order o on o.id = l.order_id join article a on a.id = w.article_id
                        where w.cut_list_id = ? group by o.id, a.id, l.matching order by o.id, a.id, l.matching
                        """).param(list).query(WaitingPieceView.class).list();
    }
}
