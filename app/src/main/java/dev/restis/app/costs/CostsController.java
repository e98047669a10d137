package dev.restis.app.costs;

import dev.restis.app.patterns.PieceView.CostView;
import dev.restis.app.platform.CsvText;
import dev.restis.core.cost.Books;
import dev.restis.core.cost.PieceCost;
import java.math.BigDecimal;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Material cost: estimated when a batch is made, actual once it is cut. */
@RestController
@RequestMapping("/api/costs")
class CostsController {

    record PieceCostView(
            long pieceId,
            long lineId,
            int number,
            String reference,
            String customer,
            String pattern,
            long batchId,
            String batchName,
            CostView estimate,
            @Nullable CostView actual) {}

    record BooksView(
            BigDecimal receipts,
            BigDecimal onHand,
            BigDecimal pieces,
            BigDecimal adjusted,
            BigDecimal difference,
            boolean balance) {}

    record CostsView(List<PieceCostView> pieces, CostView estimated, CostView actual, int counted, BooksView books) {}

    private static final int MOST_ROWS = 1000;

    private final JdbcClient jdbc;

    CostsController(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Newest first; the totals are over the pieces that are cut, so that estimate and actual can be compared. */
    @GetMapping
    @Transactional(readOnly = true)
    public CostsView costs(@RequestParam(required = false) @Nullable Long batch) {
        List<PieceCostView> pieces = jdbc.sql("""
                        select p.id, l.id as line, p.number, o.reference, o.customer, l.pattern, b.id as batch, b.name,
                               e.used as e_used, e.tails as e_tails, e.hardware as e_hardware,
                               a.used, a.tails, a.waste, a.hardware
                        from piece p join order_line l on l.id = p.line_id join customer_order o on o.id = l.order_id
                             join batch b on b.id = p.batch_id join piece_estimate e on e.piece_id = p.id
                             left join piece_actual a on a.piece_id = p.id and p.cut_at is not null
                        where b.id = coalesce(:batch, b.id)
                        order by a.piece_id is null, b.id desc, p.id limit :most
                        """)
                .param("batch", batch, java.sql.Types.BIGINT)
                .param("most", MOST_ROWS)
                .query((row, n) -> new PieceCostView(
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
                                        row.getBigDecimal("hardware")))))
                .list();
        List<PieceCostView> cut =
                pieces.stream().filter(p -> p.actual() != null).toList();
        return new CostsView(
                pieces,
                total(cut.stream().map(PieceCostView::estimate).toList()),
                total(cut.stream()
                        .flatMap(p -> java.util.stream.Stream.ofNullable(p.actual()))
                        .toList()),
                cut.size(),
                books());
    }

    @GetMapping(value = "/pieces.csv", produces = "text/csv;charset=UTF-8")
    @Transactional(readOnly = true)
    public ResponseEntity<String> csv(@RequestParam(required = false) @Nullable Long batch) {
        List<List<Object>> rows = costs(batch).pieces().stream()
                .map(p -> {
                    CostView actual = p.actual();
                    return List.<Object>of(
                            p.pieceId(),
                            p.reference(),
                            p.customer(),
                            p.pattern(),
                            p.batchName(),
                            p.estimate().total(),
                            actual == null ? "" : actual.used(),
                            actual == null ? "" : actual.tails(),
                            actual == null ? "" : actual.waste(),
                            actual == null ? "" : actual.hardware(),
                            actual == null ? "" : actual.total());
                })
                .toList();
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=piece-costs.csv")
                .body(CsvText.of(
                        List.of(
                                "piece",
                                "order",
                                "customer",
                                "pattern",
                                "batch",
                                "estimate",
                                "used",
                                "tails",
                                "waste",
                                "hardware",
                                "actual"),
                        rows));
    }

    /** Each total is summed from its own table, so that the identity is tested and not assumed. */
    private BooksView books() {
        Books books = new Books(
                sum("select sum(value) from ledger where movement = 'RECEIVE'"),
                sum("select sum(value) from ledger"),
                sum("""
                        select coalesce(sum(used + tails + waste + hardware), 0)
                               + (select coalesce(sum(waste_alone), 0) from cut_list)
                        from piece_actual
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

    private static CostView total(List<CostView> costs) {
        PieceCost sum = PieceCost.NOTHING;
        for (CostView c : costs) {
            sum = sum.plus(new PieceCost(c.used(), c.tails(), c.waste(), c.hardware()));
        }
        return CostView.of(sum);
    }
}
