package dev.restis.app.stock;

import dev.restis.app.platform.CsvText;
import dev.restis.app.platform.Made;
import dev.restis.app.stock.Articles.NewArticle;
import dev.restis.app.stock.Receipts.NewNote;
import dev.restis.core.cord.Hardware.Measure;
import dev.restis.core.measure.UnitSystem;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The wall: articles, holdings, the ledger, deliveries. */
@RestController
@RequestMapping("/api/stock")
class StockController {

    private static final int MOST_SHOWN = 500;

    private final Articles articles;
    private final Stock stock;
    private final StockReads reads;
    private final HoldingActs acts;
    private final Wall wall;
    private final GoodsIn goodsIn;

    StockController(Articles articles, Stock stock, StockReads reads, HoldingActs acts, Wall wall, GoodsIn goodsIn) {
        this.goodsIn = goodsIn;
        this.wall = wall;
        this.acts = acts;
        this.articles = articles;
        this.stock = stock;
        this.reads = reads;
    }

    /** A stretch of the wall. */
    @GetMapping("/wall")
    Wall.WallView wall(
            @RequestParam(defaultValue = "") String query,
            @RequestParam(defaultValue = "") String shelf,
            @RequestParam(defaultValue = "") String near,
            @RequestParam(defaultValue = "NAME") Wall.Sort sort,
            @RequestParam(defaultValue = "0") int from,
            @RequestParam(defaultValue = "200") int size,
            @RequestParam(defaultValue = "200") int each) {
        return wall.look(new Wall.Filter(
                query,
                shelf,
                near,
                sort,
                Math.max(0, from),
                Math.max(1, Math.min(size, MOST_SHOWN)),
                Math.max(1, Math.min(each, MOST_SHOWN))));
    }

    @GetMapping("/articles")
    List<Article> articles() {
        return articles.all();
    }

    /** The kinds of articles, and what is measured of each besides a cord's diameter. */
    record KindView(Article.ArticleKind kind, List<Measure> measures) {}

    @GetMapping("/kinds")
    List<KindView> kinds() {
        return Arrays.stream(Article.ArticleKind.values())
                .map(k -> new KindView(
                        k, k.part() ? k.hardware().measures().stream().sorted().toList() : List.of()))
                .toList();
    }

    @PostMapping("/articles")
    @ResponseStatus(HttpStatus.CREATED)
    Made addArticle(@RequestBody NewArticle body) {
        return new Made(articles.add(body));
    }

    @PostMapping("/receipts")
    @ResponseStatus(HttpStatus.CREATED)
    GoodsIn.Received receive(@RequestBody NewNote body) {
        return goodsIn.take(body);
    }

    /** Delivery notes, the newest first. */
    @GetMapping("/receipts")
    List<GoodsIn.NoteView> notes() {
        return goodsIn.notes();
    }

    record Counted(String quantity, UnitSystem units, String reason) {}

    @PostMapping("/holdings/{id}/adjust")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void adjust(@PathVariable long id, @RequestBody Counted body) {
        stock.adjust(id, body.quantity(), body.units(), body.reason());
    }

    @PostMapping("/holdings/{id}/away/{away}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeAway(@PathVariable long id, @PathVariable HoldingActs.Away away, @RequestBody HoldingActs.Taken body) {
        acts.takeAway(id, away, body);
    }

    @PostMapping("/holdings/{id}/split")
    @ResponseStatus(HttpStatus.CREATED)
    Made split(@PathVariable long id, @RequestBody HoldingActs.Taken body) {
        return new Made(acts.split(id, body));
    }

    record Merged(long into) {}

    @PostMapping("/holdings/{id}/merge")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void merge(@PathVariable long id, @RequestBody Merged body) {
        acts.merge(id, body.into());
    }

    record Shelved(String shelf) {}

    @PostMapping("/holdings/{id}/move")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void move(@PathVariable long id, @RequestBody Shelved body) {
        acts.move(id, body.shelf());
    }

    /** Where it lay and which flaws were marked, newest first. */
    @GetMapping("/holdings/{id}/events")
    List<StockReads.HoldingEvent> events(@PathVariable long id) {
        return reads.events(id);
    }

    /**
     * A flaw or a join.
     *
     * @param at its distance from the free end
     * @param mark which of them; a flaw when missing
     * @param there whether the mark is set or taken off
     */
    record Flawed(String at, UnitSystem units, HoldingRow.@Nullable Mark mark, boolean there) {}

    @PostMapping("/holdings/{id}/flaw")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void flaw(@PathVariable long id, @RequestBody Flawed body) {
        acts.flaw(id, body.at(), body.units(), body.mark() == null ? HoldingRow.Mark.FLAW : body.mark(), body.there());
    }

    @PostMapping("/holdings/{id}/open")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void open(@PathVariable long id) {
        acts.open(id);
    }

    /** Takes a movement back by a row against it. */
    @PostMapping("/ledger/{row}/back")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeBack(@PathVariable long row) {
        acts.takeBack(row);
    }

    record Measured(@Nullable String measured, UnitSystem units) {}

    @PostMapping("/lots/{id}/measure")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void measure(@PathVariable long id, @RequestBody Measured body) {
        stock.measure(id, body.measured(), body.units());
    }

    /**
     * Movements of one holding, lot or article, newest first; of everything when none is named.
     *
     * @param until as of the end of that day; everything when missing
     */
    @GetMapping("/ledger")
    List<StockReads.LedgerView> ledger(
            @RequestParam(required = false) @Nullable Long holding,
            @RequestParam(required = false) @Nullable Long lot,
            @RequestParam(required = false) @Nullable Long article,
            @RequestParam(required = false) @Nullable LocalDate until) {
        return reads.ledger(new StockReads.Of(holding, lot, article, until), StockReads.MOST_SHOWN);
    }

    /** What there was at the end of a day. */
    @GetMapping("/ledger/balance")
    StockReads.AsOf balance(
            @RequestParam(required = false) @Nullable Long holding,
            @RequestParam(required = false) @Nullable Long lot,
            @RequestParam(required = false) @Nullable Long article,
            @RequestParam(required = false) @Nullable LocalDate until) {
        return reads.balance(new StockReads.Of(holding, lot, article, until));
    }

    /** The newest movements; a file that ends before the beginning says so in its name, and another until a day goes on. */
    @GetMapping(value = "/ledger.csv", produces = "text/csv;charset=UTF-8")
    ResponseEntity<String> ledgerCsv(
            @RequestParam(required = false) @Nullable Long holding,
            @RequestParam(required = false) @Nullable Long lot,
            @RequestParam(required = false) @Nullable Long article,
            @RequestParam(required = false) @Nullable LocalDate until) {
        List<List<Object>> rows =
                reads.ledger(new StockReads.Of(holding, lot, article, until), StockReads.MOST_SAVED).stream()
                        .map(l -> List.<Object>of(
                                l.id(),
                                l.at(),
                                l.who(),
                                l.movement(),
                                l.holding(),
                                l.quantity(),
                                l.value(),
                                l.reason(),
                                l.balance()))
                        .toList();
        String name = rows.size() < StockReads.MOST_SAVED ? "ledger.csv" : "ledger-newest-" + rows.size() + ".csv";
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=" + name)
                .body(CsvText.of(
                        List.of("id", "at", "who", "movement", "holding", "quantity", "value", "reason", "balance"),
                        rows));
    }
}
