package dev.restis.app.orders;

import dev.restis.app.orders.OrderImport.FileView;
import dev.restis.app.orders.OrderImport.Mode;
import dev.restis.app.orders.Orders.NewOrder;
import dev.restis.app.patterns.PieceChoices;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.patterns.PieceView;
import dev.restis.app.platform.CsvText;
import dev.restis.app.platform.Made;
import dev.restis.core.measure.UnitSystem;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.ClassPathResource;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Orders: taking them, by form and by file, and looking at them. */
@RestController
@RequestMapping("/api/orders")
class OrdersController {

    private static final int MOST_AT_ONCE = 200;

    private final Orders orders;
    private final OrderImport files;
    private final OrderReads reads;
    private final Pieces pieces;
    private final PieceDesk desk;
    private final Clock clock;

    OrdersController(Orders orders, OrderImport files, OrderReads reads, Pieces pieces, PieceDesk desk, Clock clock) {
        this.clock = clock;
        this.orders = orders;
        this.files = files;
        this.reads = reads;
        this.pieces = pieces;
        this.desk = desk;
    }

    @GetMapping
    OrderReads.OrderPage page(
            @RequestParam(defaultValue = "") String query,
            @RequestParam(defaultValue = "") String state,
            @RequestParam(required = false) @Nullable Long before,
            @RequestParam(defaultValue = "50") int size) {
        return reads.page(
                query, state, before == null ? Long.MAX_VALUE : before, Math.max(1, Math.min(size, MOST_AT_ONCE)));
    }

    @GetMapping("/{id}")
    OrderReads.OrderView order(@PathVariable long id) {
        return reads.order(id);
    }

    /** {@code due} is what a date field holds: empty, or a day; anything else is judged when the order is taken. */
    record LineTrialRequest(
            PieceChoices choices,
            int quantity,
            @Nullable Boolean matching,
            @Nullable String due) {}

    /** Works a line out while someone chooses. */
    @PostMapping("/trial")
    OrderReads.LineTrial tryOut(@RequestBody LineTrialRequest body) {
        int quantity = Math.max(1, Math.min(body.quantity(), Orders.MOST_PIECES));
        return reads.tryOut(
                body.choices(),
                new PieceView.Wanted(quantity, Boolean.TRUE.equals(body.matching())),
                DueDate.readOrNone(body.due(), LocalDate.now(clock)));
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    Made take(@RequestBody NewOrder body) {
        return new Made(orders.take(body));
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable long id) {
        orders.remove(id);
    }

    @PostMapping(value = "/import/preview", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    FileView preview(@RequestPart MultipartFile file, @RequestParam UnitSystem units) throws IOException {
        return files.preview(file.getBytes(), units);
    }

    @PostMapping(value = "/import", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    FileView importFile(@RequestPart MultipartFile file, @RequestParam UnitSystem units, @RequestParam Mode mode)
            throws IOException {
        return files.take(file.getBytes(), units, mode);
    }

    @GetMapping(value = "/sample.csv", produces = "text/csv;charset=UTF-8")
    ResponseEntity<String> sample() throws IOException {
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=orders.csv")
                .body(new ClassPathResource("demo/orders.csv").getContentAsString(StandardCharsets.UTF_8));
    }

    @GetMapping(value = "/export.csv", produces = "text/csv;charset=UTF-8")
    ResponseEntity<String> export(
            @RequestParam(defaultValue = "") String query, @RequestParam(defaultValue = "") String state) {
        List<List<Object>> rows = reads.page(query, state, Long.MAX_VALUE, OrderFile.MOST_ROWS).rows().stream()
                .map(o -> List.<Object>of(
                        o.reference(),
                        o.customer(),
                        o.due() == null ? "" : o.due(),
                        o.pieces(),
                        o.planned(),
                        o.cut(),
                        o.state(),
                        o.verdict()))
                .toList();
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=orders.csv")
                .body(CsvText.of(
                        List.of("reference", "customer", "due", "pieces", "planned", "cut", "state", "verdict"), rows));
    }

    @GetMapping(value = "/lines/{line}/chip.svg", produces = "image/svg+xml")
    ResponseEntity<String> chip(@PathVariable long line) {
        return ResponseEntity.ok()
                .cacheControl(CacheControl.maxAge(java.time.Duration.ofHours(1)).cachePrivate())
                .body(desk.chip(pieces.specOf(line)));
    }
}
