package dev.restis.app.cut;

import dev.restis.app.platform.CsvText;
import dev.restis.app.platform.Made;
import dev.restis.app.platform.Pdf;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Cut lists. */
@RestController
@RequestMapping("/api/cut")
class CutController {

    record Proposal(long batch) {}

    record Keep(boolean keep) {}

    private static final List<String> COLUMNS = List.of(
            "spool",
            "article",
            "colour",
            "lot",
            "shelf",
            "cut",
            "kind",
            "length mm",
            "length in",
            "from mm",
            "fold mm",
            "order",
            "customer",
            "pattern",
            "piece",
            "strand");

    private final CutLists lists;
    private final CutReads reads;
    private final CutSheet sheets;
    private final CutWeights weights;

    CutController(CutLists lists, CutReads reads, CutSheet sheets, CutWeights weights) {
        this.sheets = sheets;
        this.weights = weights;
        this.lists = lists;
        this.reads = reads;
    }

    @GetMapping("/batches")
    List<CutReads.CuttableBatch> batches() {
        return reads.batches();
    }

    @PostMapping("/lists")
    @ResponseStatus(HttpStatus.CREATED)
    Made propose(@RequestBody Proposal body) {
        return new Made(lists.propose(body.batch()));
    }

    /** What plans are to save. */
    @GetMapping("/weights")
    CutWeights.Weights weights() {
        return weights.weights();
    }

    @PutMapping("/weights")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void keepWeights(@RequestBody CutWeights.WeightsInput body) {
        weights.keep(body);
    }

    @GetMapping("/lists/{id}")
    CutReads.CutListView list(@PathVariable long id) {
        return reads.list(id);
    }

    @PutMapping("/lists/{id}/leftovers/{step}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void keep(@PathVariable long id, @PathVariable long step, @RequestBody Keep body) {
        lists.keep(id, step, body.keep());
    }

    @PostMapping("/lists/{id}/confirm")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void confirm(@PathVariable long id) {
        lists.confirm(id);
    }

    @GetMapping(value = "/lists/{id}/sheet.csv", produces = "text/csv;charset=UTF-8")
    ResponseEntity<String> csv(@PathVariable long id) {
        CutReads.CutListView list = reads.list(id);
        List<List<Object>> rows = new ArrayList<>();
        for (CutReads.SpoolView spool : list.spools()) {
            for (CutReads.StepView step : spool.steps()) {
                rows.add(List.of(
                        spool.label(),
                        spool.articleCode(),
                        spool.articleName(),
                        spool.lot(),
                        spool.shelf(),
                        step.number(),
                        kind(step),
                        millimetres(step.lengthUm()),
                        inches(step.lengthUm()),
                        millimetres(step.fromUm()),
                        step.foldUm() == null ? "" : millimetres(step.foldUm()),
                        text(step.reference()),
                        text(step.customer()),
                        text(step.patternCode()),
                        step.pieceId() == null ? "" : step.pieceId(),
                        text(step.role())));
            }
        }
        for (CutReads.TrimmingView trimming : list.trimmings()) {
            for (long piece : trimming.pieces()) {
                rows.add(List.of(
                        "",
                        trimming.articleCode(),
                        trimming.articleName(),
                        "",
                        "",
                        "",
                        "from trimmings",
                        millimetres(trimming.lengthUm()),
                        inches(trimming.lengthUm()),
                        "",
                        "",
                        trimming.reference(),
                        trimming.customer(),
                        trimming.patternCode(),
                        piece,
                        trimming.role()));
            }
        }
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=cut-list-" + id + ".csv")
                .body(CsvText.of(COLUMNS, rows));
    }

    @GetMapping(value = "/lists/{id}/sheet.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> pdf(@PathVariable long id, @RequestParam(defaultValue = "A4") Pdf.Paper paper) {
        return ResponseEntity.ok()
                .header("Content-Disposition", "inline; filename=cut-list-" + id + ".pdf")
                .body(sheets.pdf(id, paper));
    }

    @GetMapping("/lists/{id}/sheet.json")
    ResponseEntity<CutReads.CutListView> json(@PathVariable long id) {
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=cut-list-" + id + ".json")
                .body(reads.list(id));
    }

    private static String kind(CutReads.StepView step) {
        return step.kind().equals("STRAND") ? "cut" : step.keep() ? "keep" : "bin";
    }

    private static BigDecimal millimetres(long micrometres) {
        return BigDecimal.valueOf(micrometres, 3).setScale(1, RoundingMode.HALF_UP);
    }

    private static BigDecimal inches(long micrometres) {
        return BigDecimal.valueOf(micrometres).divide(BigDecimal.valueOf(25_400), 3, RoundingMode.HALF_UP);
    }

    private static String text(@Nullable String value) {
        return value == null ? "" : value;
    }
}
