package dev.restis.app.stock;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Reads of the wall and of the ledger. */
@Service
class StockReads {

    /** A holding on the wall; {@code fullQuantity} is what it began with. */
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
            BigDecimal value,
            List<Long> flawsUm) {}

    /** One movement; {@code balance} is what its holding had after it. */
    record LedgerView(
            long id,
            Instant at,
            String who,
            String movement,
            String holding,
            long quantity,
            BigDecimal value,
            String reason,
            @Nullable Long batchId,
            @Nullable Long pieceId,
            long balance) {}

    private static final int MOST_ROWS = 500;

    private final JdbcClient jdbc;

    StockReads(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Transactional(readOnly = true)
    public List<HoldingView> wall() {
        return jdbc.sql("""
                        select h.id, h.label, h.kind, lot.article_id, lot.id as lot_id, lot.code as lot, lot.measured_um, lot.received_on,
                               h.shelf, b.quantity, b.value,
                               (select sum(l.quantity) from ledger l where l.holding_id = h.id and l.quantity > 0) as full_quantity,
                               array(select b.quantity - f.behind_um from holding_flaw f
                                     where f.holding_id = h.id and f.behind_um < b.quantity order by f.behind_um desc) as flaws
                        from holding h join lot on lot.id = h.lot_id join holding_balance b on b.holding_id = h.id
                        where b.quantity > 0
                        order by lot.article_id, h.kind <> 'REMNANT', lot.received_on, h.id
                        """)
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
                        row.getBigDecimal("value"),
                        List.of((Long[]) row.getArray("flaws").getArray())))
                .list();
    }

    /** Newest first; exactly one of the three is given. */
    @Transactional(readOnly = true)
    public List<LedgerView> ledger(@Nullable Long holding, @Nullable Long lot, @Nullable Long article) {
        return jdbc.sql("""
                        select l.id, l.at, l.who, l.movement, h.label as holding, l.quantity, l.value, l.reason, l.batch_id,
                               l.piece_id, sum(l.quantity) over (partition by l.holding_id order by l.id) as balance
                        from ledger l join holding h on h.id = l.holding_id join lot on lot.id = h.lot_id
                        where h.id = coalesce(:holding, h.id) and lot.id = coalesce(:lot, lot.id)
                              and lot.article_id = coalesce(:article, lot.article_id)
                        order by l.id desc limit :most
                        """)
                .param("holding", holding, java.sql.Types.BIGINT)
                .param("lot", lot, java.sql.Types.BIGINT)
                .param("article", article, java.sql.Types.BIGINT)
                .param("most", MOST_ROWS)
                .query(LedgerView.class)
                .list();
    }
}
