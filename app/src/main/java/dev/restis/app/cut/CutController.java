package dev.restis.app.cut;

import dev.restis.app.platform.CsvText;
import dev.restis.app.platform.Keyset;
import dev.restis.app.platform.Made;
import dev.restis.app.platform.OpenedAt;
import dev.restis.app.platform.Pdf;
import dev.restis.app.stock.BenchDevices;
import dev.restis.app.workshop.Revised;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
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

    record Proposal(List<Long> batches) {}

    /** @param next what to ask for the batches after these */
    record CuttableBatchesView(
            List<CuttableBatches.CuttableBatch> rows,
            @Nullable String next) {}

    record Order(List<Long> spools) {}

    record Tags(TagSheet.Each each) {}

    record Wishes(List<Long> forbidden, List<CutLists.PinInput> pins) {}

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
            "mark mm",
            "mark",
            "order",
            "customer",
            "pattern",
            "piece",
            "strand");

    private static final List<String> WASTE_COLUMNS = List.of(
            "what",
            "name",
            "used mm",
            "tails mm",
            "scrap mm",
            "scrap %",
            "scrap value",
            "remnants made",
            "remnants made mm",
            "remnants used",
            "remnants used mm",
            "over the bound %");

    private final CutLists lists;
    private final CutPlanning planning;
    private final CutBench bench;
    private final Bettering bettering;
    private final CuttableBatches batches;
    private final CutReads reads;
    private final CutSpools cutSpools;
    private final CutProgress progress;
    private final CutSheet sheets;
    private final TagSheet tags;
    private final CutWaste waste;
    private final BenchDevices devices;
    private final CutWeights weights;
    private final OpenedAt openedAt;

    CutController(
            CutLists lists,
            CutPlanning planning,
            CutBench bench,
            Bettering bettering,
            CuttableBatches batches,
            CutReads reads,
            CutSpools cutSpools,
            CutProgress progress,
            CutSheet sheets,
            TagSheet tags,
            CutWaste waste,
            BenchDevices devices,
            CutWeights weights,
            OpenedAt openedAt) {
        this.openedAt = openedAt;
        this.planning = planning;
        this.tags = tags;
        this.waste = waste;
        this.devices = devices;
        this.bench = bench;
        this.bettering = bettering;
        this.sheets = sheets;
        this.weights = weights;
        this.lists = lists;
        this.batches = batches;
        this.reads = reads;
        this.cutSpools = cutSpools;
        this.progress = progress;
    }

    @GetMapping("/batches")
    CuttableBatchesView batches(@RequestParam(required = false) @Nullable String after) {
        Keyset<CuttableBatches.CuttableBatch> page = batches.page(after);
        return new CuttableBatchesView(page.rows(), page.next());
    }

    @PostMapping("/lists")
    @ResponseStatus(HttpStatus.CREATED)
    Made propose(@RequestBody Proposal body) {
        return new Made(planning.propose(body.batches()));
    }

    /** Plans what is left to cut anew. */
    @PostMapping("/lists/{id}/plan")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void planRest(@PathVariable long id) {
        planning.planRest(id);
    }

    /** Spools that are not to be cut, and pieces that are to be cut from a certain one; what is left is planned anew. */
    @PutMapping("/lists/{id}/wishes")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void wish(@PathVariable long id, @RequestBody Wishes body) {
        planning.wish(id, body.forbidden(), body.pins());
    }

    /** The tail that should serve this strand is too short: the strand is cut after all. */
    @PostMapping("/lists/{id}/trimmings/{strand}/too-short")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void tooShort(@PathVariable long id, @PathVariable long strand) {
        planning.tailTooShort(id, strand);
    }

    /** The best plan so far is good enough. */
    @PostMapping("/lists/{id}/stop")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void stop(@PathVariable long id) {
        bettering.stop(id);
    }

    @PutMapping("/lists/{id}/order")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void order(@PathVariable long id, @RequestBody Order body) {
        lists.order(id, body.spools());
    }

    /** What plans are to save. */
    @GetMapping("/weights")
    CutWeights.WeightsView weights() {
        return weights.view();
    }

    @PutMapping("/weights")
    Revised keepWeights(@RequestBody CutWeights.WeightsInput body) {
        return new Revised(weights.keep(body));
    }

    @GetMapping("/lists/{id}")
    CutReads.CutListView list(@PathVariable long id) {
        return reads.list(id);
    }

    /** How far it is, for those who look again and again. */
    @GetMapping("/lists/{id}/progress")
    CutProgress.ProgressView progress(@PathVariable long id) {
        return progress.of(id);
    }

    @GetMapping("/lists/{id}/spools/{spool}")
    CutSpools.SpoolView spool(@PathVariable long id, @PathVariable long spool) {
        return cutSpools.one(id, spool);
    }

    @PutMapping("/lists/{id}/leftovers/{step}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void keep(@PathVariable long id, @PathVariable long step, @RequestBody Keep body) {
        lists.keep(id, step, body.keep());
    }

    @PostMapping("/lists/{id}/confirm")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void confirm(@PathVariable long id) {
        bench.confirm(id);
    }

    @GetMapping(value = "/lists/{id}/sheet.csv", produces = "text/csv;charset=UTF-8")
    ResponseEntity<String> csv(@PathVariable long id) {
        CutReads.CutListView list = reads.list(id);
        List<List<Object>> rows = new ArrayList<>();
        for (CutSpools.SpoolView spool : list.spools()) {
            for (CutSpools.StepView step : spool.steps()) {
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
                        step.mark() == null ? "" : millimetres(step.mark().um()),
                        step.mark() == null ? "" : step.mark().kind().name().toLowerCase(Locale.ROOT),
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

    /** A tag for each piece's bundle of strands, or for each strand, to a label. */
    @GetMapping(value = "/lists/{id}/tags.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> tags(@PathVariable long id, @RequestParam(defaultValue = "PIECE") TagSheet.Each each) {
        return ResponseEntity.ok()
                .header("Content-Disposition", "inline; filename=tags-" + id + ".pdf")
                .body(tags.pdf(id, each, openedAt.origin()));
    }

    /** Sends the tags to the label printer. */
    @PostMapping("/lists/{id}/tags/print")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void printTags(@PathVariable long id, @RequestBody Tags body) {
        devices.print(tags.pdf(id, body.each(), openedAt.origin()));
    }

    /** Where the cord went that was cut. */
    @GetMapping("/waste")
    List<CutWaste.WasteRow> waste(
            @RequestParam(defaultValue = "ARTICLE") CutWaste.By by,
            @RequestParam(required = false) @Nullable LocalDate from,
            @RequestParam(required = false) @Nullable LocalDate to) {
        return waste.rows(by, from, to, CutWaste.MOST_SHOWN_LISTS);
    }

    @GetMapping(value = "/waste.csv", produces = "text/csv;charset=UTF-8")
    ResponseEntity<String> wasteCsv(
            @RequestParam(defaultValue = "ARTICLE") CutWaste.By by,
            @RequestParam(required = false) @Nullable LocalDate from,
            @RequestParam(required = false) @Nullable LocalDate to) {
        List<List<Object>> rows = waste.rows(by, from, to, CutWaste.MOST_ROWS).stream()
                .map(r -> List.<Object>of(
                        r.label(),
                        r.name(),
                        millimetres(r.usedUm()),
                        millimetres(r.tailsUm()),
                        millimetres(r.scrapUm()),
                        r.scrapPercent(),
                        r.scrapValue(),
                        r.remnantsMade(),
                        millimetres(r.remnantsMadeUm()),
                        r.remnantsUsed(),
                        millimetres(r.remnantsUsedUm()),
                        r.gapPercent() == null ? "" : r.gapPercent()))
                .toList();
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=waste.csv")
                .body(CsvText.of(WASTE_COLUMNS, rows));
    }

    @GetMapping("/lists/{id}/sheet.json")
    ResponseEntity<CutReads.CutListView> json(@PathVariable long id) {
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=cut-list-" + id + ".json")
                .body(reads.list(id));
    }

    private static String kind(CutSpools.StepView step) {
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
