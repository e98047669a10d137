package dev.restis.app.stock;

import dev.restis.core.stock.Movement;
import java.math.BigDecimal;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Reads of the wall and of the ledger. */
@Service
class StockReads {

    /**
     * A holding on the wall.
     *
     * @param fullQuantity what it began with
     * @param plannedUm what cut lists mean to take
     * @param openedAt when it was first used; missing while it is sealed
     * @param flawsUm how far flaws lie from its free end
     * @param joinsUm how far joins lie from it
     */
    record HoldingView(
            long id,
            String label,
            String kind,
            long articleId,
            long lotId,
            String lot,
            @Nullable Long measuredUm,
            LocalDate receivedOn,
            String shelf,
            long quantity,
            long fullQuantity,
            long plannedUm,
            BigDecimal value,
            @Nullable Instant openedAt,
            List<Long> flawsUm,
            List<Long> joinsUm) {}

    /**
     * One movement.
     *
     * @param balance what its holding had after it
     * @param takenBack whether a later row takes it back
     * @param canBeTakenBack whether that may still be done
     */
    record LedgerView(
            long id,
            Instant at,
            String who,
            Movement movement,
            String holding,
            long quantity,
            BigDecimal value,
            String reason,
            @Nullable Long batchId,
            @Nullable Long pieceId,
            long balance,
            boolean takenBack,
            boolean canBeTakenBack) {}

    static final int MOST_SHOWN = 500;
    static final int MOST_SAVED = 100_000;

    private final JdbcClient jdbc;
    private final Clock clock;

    StockReads(JdbcClient jdbc, Clock clock) {
        this.clock = clock;
        this.jdbc = jdbc;
    }

    /** Holdings of these articles that are not empty, at most {@code each} of each: remnants first, then the oldest. */
    @Transactional(readOnly = true)
    public List<HoldingView> holdings(Collection<Long> articles, int each) {
        return jdbc.sql("""
                        select h.id, h.label, h.kind, h.article_id, h.lot_id, h.lot, h.measured_um, h.received_on, h.shelf, h.quantity,
                               h.full_quantity, h.value,
                               coalesce((select sum(p.planned_um) from holding_planned p where p.holding_id = h.id), 0) as planned_um,
                               h.opened_at,
                               array(select h.quantity - f.behind_um from holding_flaw f
                                     where f.holding_id = h.id and f.behind_um < h.quantity and f.what = 'FLAW'
                                     order by f.behind_um desc) as flaws,
                               array(select h.quantity - f.behind_um from holding_flaw f
                                     where f.holding_id = h.id and f.behind_um < h.quantity and f.what = 'JOIN'
                                     order by f.behind_um desc) as joins
                        from unnest(cast(? as bigint[])) with ordinality a (id, n)
                            cross join lateral (
                                select h.*, lot.article_id, lot.code as lot, lot.measured_um, lot.received_on
                                from lot join holding h on h.lot_id = lot.id and h.quantity > 0
                                where lot.article_id = a.id
                                order by h.kind not in ('CUT', 'REMNANT'), lot.received_on, h.id limit ?) h
                        order by a.n, h.kind not in ('CUT', 'REMNANT'), h.received_on, h.id
                        """)
                .params(articles.toArray(Long[]::new), each)
                .query((row, n) -> new HoldingView(
                        row.getLong("id"),
                        row.getString("label"),
                        row.getString("kind"),
                        row.getLong("article_id"),
                        row.getLong("lot_id"),
                        row.getString("lot"),
                        row.getObject("measured_um", Long.class),
                        row.getObject("received_on", LocalDate.class),
                        row.getString("shelf"),
                        row.getLong("quantity"),
                        row.getLong("full_quantity"),
                        row.getLong("planned_um"),
                        row.getBigDecimal("value"),
                        row.getTimestamp("opened_at") == null
                                ? null
                                : row.getTimestamp("opened_at").toInstant(),
                        List.of((Long[]) row.getArray("flaws").getArray()),
                        List.of((Long[]) row.getArray("joins").getArray())))
                .list();
    }

    /** What became of a holding besides its movements: to which shelf it went, which flaws were marked. */
    record HoldingEvent(Instant at, String who, String what, String detail) {}

    /** Newest first. */
    @Transactional(readOnly = true)
    public List<HoldingEvent> events(long holding) {
        return jdbc.sql("select at, who, what, detail from holding_event where holding_id = ? order by id desc limit ?")
                .params(holding, MOST_SHOWN)
                .query((row, n) -> new HoldingEvent(
                        row.getTimestamp(1).toInstant(), row.getString(2), row.getString(3), row.getString(4)))
                .list();
    }

    /**
     * Which movements.
     *
     * @param until as of the end of that day; everything when missing
     */
    record Of(
            @Nullable Long holding,
            @Nullable Long lot,
            @Nullable Long article,
            @Nullable LocalDate until) {}

    /** What there was, and what it was worth. */
    record AsOf(long quantity, BigDecimal value) {}

    /** For the few rows of a page, each by itself. */
    private static final String BALANCE_THEN =
            "(select sum(b.quantity) from ledger b where b.holding_id = l.holding_id and b.id <= l.id)";
    /** For the very many of a file, in one go through all of them. */
    private static final String RUNNING_BALANCE = "sum(l.quantity) over (partition by l.holding_id order by l.id)";

    /** Newest first. */
    @Transactional(readOnly = true)
    public List<LedgerView> ledger(Of of, int most) {
        Map<String, Object> params = new HashMap<>();
        String where = where(of, params);
        params.put("most", most);
        return jdbc.sql("""
                        select l.id, l.at, l.who, l.movement, h.label as holding, l.quantity, l.value, l.reason, l.batch_id,
                               l.piece_id, l.reverses,
                               %s as balance,
                               exists (select 1 from ledger r where r.reverses = l.id) as taken_back
                        from ledger l join holding h on h.id = l.holding_id join lot on lot.id = h.lot_id
                        %s order by l.id desc limit :most
                        """.formatted(most > MOST_SHOWN ? RUNNING_BALANCE : BALANCE_THEN, where))
                .params(params)
                .query((row, n) -> {
                    Movement movement = Movement.valueOf(row.getString("movement"));
                    boolean back = row.getBoolean("taken_back");
                    Long batch = row.getObject("batch_id", Long.class);
                    Long reverses = row.getObject("reverses", Long.class);
                    return new LedgerView(
                            row.getLong("id"),
                            row.getTimestamp("at").toInstant(),
                            row.getString("who"),
                            movement,
                            row.getString("holding"),
                            row.getLong("quantity"),
                            row.getBigDecimal("value"),
                            row.getString("reason"),
                            batch,
                            row.getObject("piece_id", Long.class),
                            row.getLong("balance"),
                            back,
                            movement.reversible() && batch == null && reverses == null && !back);
                })
                .list();
    }

    @Transactional(readOnly = true)
    public AsOf balance(Of of) {
        Map<String, Object> params = new HashMap<>();
        return jdbc.sql("""
                        select coalesce(sum(l.quantity), 0) as quantity, coalesce(sum(l.value), 0) as value
                        from ledger l join holding h on h.id = l.holding_id join lot on lot.id = h.lot_id %s
                        """.formatted(where(of, params)))
                .params(params)
                .query(AsOf.class)
                .single();
    }

    private String where(Of of, Map<String, Object> params) {
        List<String> all = new ArrayList<>();
        if (of.holding() != null) {
            all.add("h.id = :holding");
            params.put("holding", of.holding());
        }
        if (of.lot() != null) {
            all.add("lot.id = :lot");
            params.put("lot", of.lot());
        }
        if (of.article() != null) {
            all.add("lot.article_id = :article");
            params.put("article", of.article());
        }
        if (of.until() != null) {
            all.add("l.at < :until");
            params.put(
                    "until",
                    Timestamp.from(
                            of.until().plusDays(1).atStartOfDay(clock.getZone()).toInstant()));
        }
        return all.isEmpty() ? "" : "where " + String.join(" and ", all);
    }
}
