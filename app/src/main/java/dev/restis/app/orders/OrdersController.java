package dev.restis.app.orders;

import dev.restis.app.customers.Customers;
import dev.restis.app.orders.OrderImport.FileView;
import dev.restis.app.orders.OrderImport.Mode;
import dev.restis.app.orders.Orders.NewOrder;
import dev.restis.app.patterns.PieceChoices;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.patterns.PieceView;
import dev.restis.app.platform.CsvText;
import dev.restis.app.platform.Made;
import dev.restis.app.platform.Pdf;
import dev.restis.app.platform.RowsFile;
import dev.restis.app.workshop.Revised;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.order.OrderAct;
import dev.restis.core.order.OrderState;
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
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
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

    /** @param reason why it is another day than was promised before */
    record PromisedDay(LocalDate day, @Nullable String reason) {}

    /** @param oneHand whether one maker is to tie all of it */
    record TiedByOneHand(boolean oneHand) {}

    /** @param must whether it must be in time before others */
    record MustBeInTime(boolean must) {}

    private final Orders orders;
    private final OrderImport files;
    private final OrderReads reads;
    private final OrderPieces pieces;
    private final PieceDesk desk;
    private final Clock clock;
    private final OrderList list;
    private final OrderActs acts;
    private final PromisedDays promised;
    private final OrderChanges changes;
    private final OrderCopies copies;
    private final PriceBook priceBook;
    private final QuoteSheet sheet;
    private final QuickEntry quick;
    private final GroupEntry group;
    private final ImportWork importWork;
    private final OrderExport export;
    private final Acceptance acceptance;
    private final Customers customers;

    OrdersController(
            Orders orders,
            OrderImport files,
            OrderReads reads,
            OrderPieces pieces,
            PieceDesk desk,
            Clock clock,
            OrderList list,
            OrderActs acts,
            PromisedDays promised,
            OrderChanges changes,
            OrderCopies copies,
            PriceBook priceBook,
            QuoteSheet sheet,
            QuickEntry quick,
            GroupEntry group,
            ImportWork importWork,
            OrderExport export,
            Acceptance acceptance,
            Customers customers) {
        this.customers = customers;
        this.acceptance = acceptance;
        this.export = export;
        this.importWork = importWork;
        this.group = group;
        this.quick = quick;
        this.sheet = sheet;
        this.clock = clock;
        this.list = list;
        this.acts = acts;
        this.promised = promised;
        this.changes = changes;
        this.copies = copies;
        this.priceBook = priceBook;
        this.orders = orders;
        this.files = files;
        this.reads = reads;
        this.pieces = pieces;
        this.desk = desk;
    }

    /**
     * A page of orders.
     *
     * @param states names of states; all when there are none
     * @param customer whose they are, by the number of one of their names; anybody's when there is none
     * @param after the {@code next} of the page before
     */
    @GetMapping
    OrderList.OrderPage page(
            @RequestParam(defaultValue = "") String query,
            @RequestParam(defaultValue = "") List<OrderState> states,
            @RequestParam(required = false) @Nullable LocalDate from,
            @RequestParam(required = false) @Nullable LocalDate to,
            @RequestParam(required = false) @Nullable Long customer,
            @RequestParam(defaultValue = "NEWEST") OrderList.Sort sort,
            @RequestParam(defaultValue = "") String after,
            @RequestParam(defaultValue = "50") int size) {
        List<Long> names = customer == null ? List.of() : customers.namesOf(customer);
        return list.page(
                new OrderList.Filter(query, states, from, to, names, sort, after),
                Math.max(1, Math.min(size, MOST_AT_ONCE)));
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
                new PieceView.Wanted(quantity, Boolean.TRUE.equals(body.matching()), null),
                DueDate.readOrNone(body.due(), LocalDate.now(clock)));
    }

    record TextRequest(String text, UnitSystem units) {}

    /** Reads an order that is written in a line, while it is being typed. */
    @PostMapping("/read")
    QuickEntry.TextView read(@RequestBody TextRequest body) {
        return quick.read(body.text(), body.units());
    }

    /** Reads a list of people for whom one pattern is ordered. */
    @PostMapping("/group")
    GroupEntry.GroupView group(@RequestBody GroupEntry.GroupRequest body) {
        return group.read(body);
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
    FileView preview(@RequestPart MultipartFile file, @RequestPart OrderImport.Request how) throws IOException {
        return files.preview(file.getBytes(), how);
    }

    /** Asks for a file to be taken; answers the job, whose result is the file as it was taken. */
    @PostMapping(value = "/import", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.ACCEPTED)
    Made importFile(@RequestPart MultipartFile file, @RequestPart OrderImport.Request how, @RequestParam Mode mode)
            throws IOException {
        return new Made(importWork.ask(file.getBytes(), how, mode));
    }

    @GetMapping(value = "/sample.csv", produces = "text/csv;charset=UTF-8")
    ResponseEntity<String> sample() throws IOException {
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=orders.csv")
                .body(new ClassPathResource("demo/orders.csv").getContentAsString(StandardCharsets.UTF_8));
    }

    @GetMapping(value = "/export.csv", produces = "text/csv;charset=UTF-8")
    ResponseEntity<String> export(
            @RequestParam(defaultValue = "") String query,
            @RequestParam(defaultValue = "") List<OrderState> states,
            @RequestParam(required = false) @Nullable LocalDate from,
            @RequestParam(required = false) @Nullable LocalDate to,
            @RequestParam(defaultValue = "NEWEST") OrderList.Sort sort) {
        OrderList.Filter filter = new OrderList.Filter(query, states, from, to, List.of(), sort, "");
        List<List<Object>> rows = list.page(filter, RowsFile.MOST_ROWS).rows().stream()
                .map(o -> List.<Object>of(
                        o.reference(),
                        o.customer(),
                        o.due() == null ? "" : o.due(),
                        o.pieces(),
                        o.planned(),
                        o.cut(),
                        o.made(),
                        o.dispatched(),
                        o.state(),
                        o.verdict()))
                .toList();
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=orders.csv")
                .body(CsvText.of(
                        List.of(
                                "reference",
                                "customer",
                                "due",
                                "pieces",
                                "planned",
                                "cut",
                                "made",
                                "dispatched",
                                "state",
                                "verdict"),
                        rows));
    }

    /** Orders in the form of an order file. */
    @GetMapping(value = "/export.json", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> exportJson(
            @RequestParam(defaultValue = "") String query,
            @RequestParam(defaultValue = "") List<OrderState> states,
            @RequestParam(required = false) @Nullable LocalDate from,
            @RequestParam(required = false) @Nullable LocalDate to,
            @RequestParam(defaultValue = "NEWEST") OrderList.Sort sort) {
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=orders.json")
                .body(export.json(new OrderList.Filter(query, states, from, to, List.of(), sort, "")));
    }

    @PutMapping("/{id}/lines/{line}/one-hand")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void oneHand(@PathVariable long id, @PathVariable long line, @RequestBody TiedByOneHand body) {
        promised.oneHand(id, line, body.oneHand());
    }

    @PutMapping("/{id}/must")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void must(@PathVariable long id, @RequestBody MustBeInTime body) {
        promised.must(id, body.must());
    }

    @PutMapping("/{id}/promise")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void promise(@PathVariable long id, @RequestBody PromisedDay body) {
        promised.promise(id, body.day(), body.reason() == null ? "" : body.reason());
    }

    @PostMapping("/{id}/acts/{act}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void act(@PathVariable long id, @PathVariable OrderAct act) {
        acts.act(id, act);
    }

    record ReasonRequest(String reason) {}

    /** The owner takes a line though a check says no. */
    @PutMapping("/{id}/lines/{line}/accepted")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void accept(@PathVariable long id, @PathVariable long line, @RequestBody ReasonRequest body) {
        acceptance.accept(id, line, body.reason());
    }

    @DeleteMapping("/{id}/lines/{line}/accepted")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdraw(@PathVariable long id, @PathVariable long line) {
        acceptance.withdraw(id, line);
    }

    @PatchMapping("/{id}")
    OrderReads.OrderView change(@PathVariable long id, @RequestBody OrderChanges.OrderChange body) {
        changes.change(id, body);
        return reads.order(id);
    }

    /** The same order again, as a draft. */
    @PostMapping("/{id}/again")
    @ResponseStatus(HttpStatus.CREATED)
    Made again(@PathVariable long id) {
        return new Made(copies.again(id));
    }

    record SplitRequest(List<OrderCopies.Part> parts) {}

    /** Moves pieces to an order of their own. */
    @PostMapping("/{id}/split")
    @ResponseStatus(HttpStatus.CREATED)
    Made split(@PathVariable long id, @RequestBody SplitRequest body) {
        return new Made(copies.split(id, body.parts()));
    }

    @GetMapping(value = "/{id}/quote.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> quotePdf(@PathVariable long id, @RequestParam(defaultValue = "A4") Pdf.Paper paper) {
        return ResponseEntity.ok()
                .header("Content-Disposition", "inline; filename=quote.pdf")
                .body(sheet.pdf(id, paper));
    }

    @GetMapping(value = "/{id}/quote.txt", produces = "text/plain;charset=UTF-8")
    String quoteText(@PathVariable long id) {
        return sheet.message(id);
    }

    @GetMapping("/price-rules")
    PriceBook.Rules priceRules() {
        return priceBook.rules();
    }

    @PutMapping("/price-rules")
    Revised keepPriceRules(@RequestBody PriceBook.RulesInput body) {
        return new Revised(priceBook.keep(body));
    }

    @GetMapping(value = "/lines/{line}/chip.svg", produces = "image/svg+xml")
    ResponseEntity<String> chip(@PathVariable long line) {
        return ResponseEntity.ok()
                .cacheControl(CacheControl.maxAge(java.time.Duration.ofHours(1)).cachePrivate())
                .body(desk.chip(pieces.specOf(line)));
    }
}
