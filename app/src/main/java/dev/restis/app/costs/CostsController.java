package dev.restis.app.costs;

import dev.restis.app.patterns.PieceView.CostView;
import dev.restis.app.platform.CsvText;
import dev.restis.app.platform.Keyset;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
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

    /** @param counted how many pieces are cut; the sums are over all of them */
    record TotalsView(int counted, CostView estimated, CostView actual) {}

    /** @param next what to ask for the pieces after these */
    record CostsView(List<PieceCostView> pieces, @Nullable String next) {}

    private static final List<String> COLUMNS = List.of(
            "piece",
            "order",
            "customer",
            "pattern",
            "batch",
            "estimate",
            "used",
            "tails",
            "trimmed",
            "scrap",
            "waste",
            "hardware",
            "actual");

    private final CostReads reads;

    CostsController(CostReads reads) {
        this.reads = reads;
    }

    @GetMapping
    CostsView costs(
            @RequestParam(required = false) @Nullable Long batch,
            @RequestParam(required = false) @Nullable String after) {
        Keyset<PieceCostView> page = reads.pieces(batch, after);
        return new CostsView(page.rows(), page.next());
    }

    /** Where the money went, over every piece that is cut. */
    @GetMapping("/totals")
    TotalsView totals(@RequestParam(required = false) @Nullable Long batch) {
        return reads.totals(batch);
    }

    @GetMapping("/books")
    BooksView books() {
        return reads.books();
    }

    @GetMapping(value = "/pieces.csv", produces = "text/csv;charset=UTF-8")
    ResponseEntity<String> csv(@RequestParam(required = false) @Nullable Long batch) {
        List<List<Object>> rows = new ArrayList<>();
        reads.each(batch, p -> rows.add(cells(p)));
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=piece-costs.csv")
                .body(CsvText.of(COLUMNS, rows));
    }

    private static List<Object> cells(PieceCostView p) {
        CostView actual = p.actual();
        return List.of(
                p.pieceId(),
                p.reference(),
                p.customer(),
                p.pattern(),
                p.batchName(),
                p.estimate().total(),
                actual == null ? "" : actual.used(),
                actual == null ? "" : actual.planned(),
                actual == null ? "" : actual.trimmed(),
                actual == null ? "" : actual.scrap(),
                actual == null ? "" : actual.waste(),
                actual == null ? "" : actual.hardware(),
                actual == null ? "" : actual.total());
    }
}
