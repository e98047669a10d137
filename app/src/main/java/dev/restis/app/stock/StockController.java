package dev.restis.app.stock;

import dev.restis.app.platform.CsvText;
import dev.restis.app.platform.Made;
import dev.restis.app.stock.Articles.NewArticle;
import dev.restis.app.stock.Receipts.NewReceipt;
import dev.restis.core.cord.Hardware.Measure;
import dev.restis.core.cord.Material;
import dev.restis.core.measure.UnitSystem;
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

    record WallView(List<Article> articles, List<StockReads.HoldingView> holdings) {}

    record Received(List<Long> holdings) {}

    private final Articles articles;
    private final Stock stock;
    private final StockReads reads;

    StockController(Articles articles, Stock stock, StockReads reads) {
        this.articles = articles;
        this.stock = stock;
        this.reads = reads;
    }

    @GetMapping("/wall")
    WallView wall() {
        return new WallView(articles.all(), reads.wall());
    }

    @GetMapping("/articles")
    List<Article> articles() {
        return articles.all();
    }

    @GetMapping("/materials")
    List<String> materials() {
        return Material.standard().stream().map(Material::code).toList();
    }

    /** The kinds of articles, and what is measured of each besides a cord's diameter. */
    record KindView(Article.ArticleKind kind, List<Measure> measures) {}

    @GetMapping("/kinds")
    List<KindView> kinds() {
        return Arrays.stream(Article.ArticleKind.values())
                .map(k -> new KindView(
                        k,
                        k == Article.ArticleKind.CORD
                                ? List.of()
                                : k.hardware().measures().stream().sorted().toList()))
                .toList();
    }

    @PostMapping("/articles")
    @ResponseStatus(HttpStatus.CREATED)
    Made addArticle(@RequestBody NewArticle body) {
        return new Made(articles.add(body));
    }

    @PostMapping("/receipts")
    @ResponseStatus(HttpStatus.CREATED)
    Received receive(@RequestBody NewReceipt body) {
        return new Received(stock.receive(body));
    }

    record Counted(String quantity, UnitSystem units, String reason) {}

    @PostMapping("/holdings/{id}/adjust")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void adjust(@PathVariable long id, @RequestBody Counted body) {
        stock.adjust(id, body.quantity(), body.units(), body.reason());
    }

    record Measured(@Nullable String measured, UnitSystem units) {}

    @PostMapping("/lots/{id}/measure")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void measure(@PathVariable long id, @RequestBody Measured body) {
        stock.measure(id, body.measured(), body.units());
    }

    @GetMapping("/ledger")
    List<StockReads.LedgerView> ledger(
            @RequestParam(required = false) @Nullable Long holding,
            @RequestParam(required = false) @Nullable Long lot,
            @RequestParam(required = false) @Nullable Long article) {
        return reads.ledger(holding, lot, article);
    }

    @GetMapping(value = "/ledger.csv", produces = "text/csv;charset=UTF-8")
    ResponseEntity<String> ledgerCsv(@RequestParam(required = false) @Nullable Long holding) {
        List<List<Object>> rows = reads.ledger(holding, null, null).stream()
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
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=ledger.csv")
                .body(CsvText.of(
                        List.of("id", "at", "who", "movement", "holding", "quantity", "value", "reason", "balance"),
                        rows));
    }
}
