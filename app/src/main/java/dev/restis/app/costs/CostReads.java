package dev.restis.app.costs;

import dev.restis.app.costs.CostsController.BooksView;
import dev.restis.app.costs.CostsController.PieceCostView;
import dev.restis.app.costs.CostsController.TotalsView;
import dev.restis.app.patterns.PieceView.CostView;
import dev.restis.app.platform.Keyset;
import dev.restis.core.cost.Books;
import dev.restis.core.cost.PieceCost;
import java.math.BigDecimal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What pieces cost: row by row, and in sums over all there are, which are kept with the batches. */
@Service
class CostReads {

    private static final int ROWS = 50;

    private static final String PIECES = """
            select p.id, l.id as line, p.number, o.reference, o.customer, l.pattern, b.id as batch, b.name, p.stage < 'CUT' as uncut,
                   e.used as e_used, e.tails as e_tails, e.hardware as e_hardware, a.used, a.tails, a.waste, a.hardware,
                   a.trimmed, a.scrap
            from piece p join order_line l on l.id = p.line_id join customer_order o on o.id = l.order_id
                 join batch b on b.id = p.batch_id join piece_estimate e on e.piece_id = p.id
                 left join piece_actual a on a.piece_id = p.id and p.stage >= 'CUT'
            where p.batch_id is not null and p.batch_id = coalesce(:batch, p.batch_id)%s
            """;

    private final JdbcClient jdbc;

    CostReads(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Newest batches first. */
    @Transactional(readOnly = true)
    public Keyset<PieceCostView> pieces(@Nullable Long batch, @Nullable String after) {
        Map<String, Object> params = new HashMap<>();
        String from = Keyset.read(after, "\\d{1,18}", "\\d{1,18}")
                .map(place -> {
                    params.put("lastBatch", Long.valueOf(place.get(0)));
                    params.put("lastPiece", Long.valueOf(place.get(1)));
                    return " and (p.batch_id < :lastBatch or p.batch_id = :lastBatch and p.id > :lastPiece)";
                })
                .orElse("");
        List<PieceCostView> found = jdbc.sql(
                        PIECES.formatted(from) + " order by p.batch_id desc, p.id limit " + (ROWS + 1))
                .params(params)
                .param("batch", batch, java.sql.Types.BIGINT)
                .query(CostReads::row)
                .list();
        return Keyset.of(found, ROWS, p -> List.of(p.batchId(), p.pieceId()));
    }

    /** Every piece, one after the other, for a file. */
    @Transactional(readOnly = true)
    public void each(@Nullable Long batch, Consumer<PieceCostView> row) {
        jdbc
                .sql(PIECES.formatted("") + " order by p.batch_id desc, p.id")
                .param("batch", batch, java.sql.Types.BIGINT)
                .query(CostReads::row)
                .stream()
                .forEach(row);
    }

    private static PieceCostView row(ResultSet row, int n) throws SQLException {
        return new PieceCostView(
                row.getLong("id"),
                row.getLong("line"),
                row.getInt("number"),
                row.getString("reference"),
                row.getString("customer"),
                row.getString("pattern"),
                row.getLong("batch"),
                row.getString("name"),
                CostView.of(new PieceCost(
                        row.getBigDecimal("e_used"),
                        row.getBigDecimal("e_tails"),
                        BigDecimal.ZERO,
                        row.getBigDecimal("e_hardware"))),
                row.getBigDecimal("used") == null
                        ? null
                        : CostView.of(new PieceCost(
                                row.getBigDecimal("used"),
                                row.getBigDecimal("tails"),
                                row.getBigDecimal("waste"),
                                row.getBigDecimal("hardware"),
                                row.getBigDecimal("trimmed"),
                                row.getBigDecimal("scrap"))));
    }

    /**
     * Over all pieces that are cut, so that estimate and actual can be compared: the sums of the batches, less what the few pieces
     * that are begun but not cut have in them.
     */
    @Transactional(readOnly = true)
    public TotalsView totals(@Nullable Long batch) {
        return jdbc.sql("""
                        select b.cut, b.eu - u.eu as eu, b.et - u.et as et, b.eh - u.eh as eh,
                               b.u - u.u as u, b.t - u.t as t, b.w - u.w as w, b.h - u.h as h
                        from (select coalesce(sum(cut), 0)::int as cut, coalesce(sum(estimated_used), 0) as eu,
                                     coalesce(sum(estimated_tails), 0) as et, coalesce(sum(estimated_hardware), 0) as eh,
                                     coalesce(sum(used), 0) as u, coalesce(sum(tails), 0) as t, coalesce(sum(waste), 0) as w,
                                     coalesce(sum(hardware), 0) as h
                              from batch where id = coalesce(:batch, id)) b,
                             (select coalesce(sum(e.used), 0) as eu, coalesce(sum(e.tails), 0) as et,
                                     coalesce(sum(e.hardware), 0) as eh, coalesce(sum(a.used), 0) as u,
                                     coalesce(sum(a.tails), 0) as t, coalesce(sum(a.waste), 0) as w, coalesce(sum(a.hardware), 0) as h
                              from piece p left join piece_estimate e on e.piece_id = p.id
                                  left join piece_actual a on a.piece_id = p.id
                              where p.batch_id is not null and p.stage < 'CUT' and p.batch_id = coalesce(:batch, p.batch_id)) u
                        """)
                .param("batch", batch, java.sql.Types.BIGINT)
                .query((row, n) -> new TotalsView(
                        row.getInt("cut"),
                        CostView.of(new PieceCost(
                                row.getBigDecimal("eu"),
                                row.getBigDecimal("et"),
                                BigDecimal.ZERO,
                                row.getBigDecimal("eh"))),
                        CostView.of(new PieceCost(
                                row.getBigDecimal("u"),
                                row.getBigDecimal("t"),
                                row.getBigDecimal("w"),
                                row.getBigDecimal("h")))))
                .single();
    }

    /**
     * Each total comes from another place, so that the identity is tested and not assumed; bin/restis verify compares them with
     * every single row.
     */
    @Transactional(readOnly = true)
    public BooksView books() {
        Books books = new Books(
                sum("select sum(value) from ledger where movement = 'RECEIVE'"),
                sum("select sum(value) from lot"),
                sum("""
                        select (select coalesce(sum(used + tails + waste + hardware), 0) from batch)
                               + (select coalesce(sum(waste_alone), 0) from cut_list where waste_alone <> 0)
                        """),
                sum("""
                        select -sum(value) from ledger
                        where movement in ('BIN', 'ADJUST', 'SELL', 'SEND_BACK', 'COUNT') and batch_id is null and cut_step_id is null
                        """));
        return new BooksView(
                books.receipts(),
                books.onHand(),
                books.pieces(),
                books.adjusted(),
                books.difference(),
                books.balance());
    }

    private BigDecimal sum(String sql) {
        return jdbc.sql(sql)
                .query((row, n) -> java.util.Optional.ofNullable(row.getBigDecimal(1)))
                .single()
                .orElse(BigDecimal.ZERO);
    }
}
