package dev.restis.app.stock;

import dev.restis.app.platform.Made;
import dev.restis.app.platform.Pdf;
import dev.restis.app.stock.ArticleCards.CardView;
import dev.restis.app.stock.ArticleCards.NewDensity;
import dev.restis.app.stock.ArticleFiles.ArticleFile;
import dev.restis.app.stock.Articles.NewArticle;
import dev.restis.app.stock.BenchDevices.Device;
import dev.restis.app.stock.Buying.BuyPage;
import dev.restis.app.stock.Purchases.NewPurchase;
import dev.restis.app.stock.Purchases.PurchaseView;
import dev.restis.app.stock.Stocktakes.CountInput;
import dev.restis.app.stock.Stocktakes.CountLine;
import dev.restis.app.stock.Stocktakes.CountReason;
import dev.restis.app.stock.Stocktakes.NewStocktake;
import dev.restis.app.stock.Stocktakes.StocktakeView;
import dev.restis.app.stock.Suppliers.NewPutUp;
import dev.restis.app.stock.Suppliers.NewSupplier;
import dev.restis.app.stock.Suppliers.SupplierView;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.stock.ServiceLevel;
import java.io.IOException;
import java.time.LocalDate;
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
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Articles one by one, who sells them, what to buy, and counting what is there. */
@RestController
@RequestMapping("/api/stock")
class SuppliesController {

    private static final int LONGEST_REVIEW = 90;

    private final Articles articles;
    private final ArticleCards cards;
    private final ArticleFiles files;
    private final Suppliers suppliers;
    private final Buying buying;
    private final Purchases purchases;
    private final PurchaseSheet sheets;
    private final Stocktakes stocktakes;
    private final BenchDevices devices;

    SuppliesController(
            Articles articles,
            ArticleCards cards,
            ArticleFiles files,
            Suppliers suppliers,
            Buying buying,
            Purchases purchases,
            PurchaseSheet sheets,
            Stocktakes stocktakes,
            BenchDevices devices) {
        this.articles = articles;
        this.cards = cards;
        this.files = files;
        this.suppliers = suppliers;
        this.buying = buying;
        this.purchases = purchases;
        this.sheets = sheets;
        this.stocktakes = stocktakes;
        this.devices = devices;
    }

    @PostMapping(value = "/articles-file/preview", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    ArticleFile previewArticles(@RequestPart MultipartFile file, @RequestParam UnitSystem units) throws IOException {
        return files.preview(file.getBytes(), units);
    }

    @PostMapping(value = "/articles-file", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    ArticleFile takeArticles(
            @RequestPart MultipartFile file, @RequestParam UnitSystem units, @RequestParam ArticleFiles.Mode take)
            throws IOException {
        return files.take(file.getBytes(), units, take);
    }

    @GetMapping(value = "/articles.csv", produces = "text/csv;charset=UTF-8")
    ResponseEntity<String> articlesCsv() {
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=articles.csv")
                .body(files.csv());
    }

    @GetMapping(value = "/articles.json", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> articlesJson() {
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=articles.json")
                .body(files.json());
    }

    @GetMapping("/articles/{code}")
    CardView card(@PathVariable String code) {
        return cards.card(code);
    }

    /**
     * Changes an article; its code, kind and unit stay.
     *
     * @param version that it was read in
     */
    @PutMapping("/articles")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(@RequestParam int version, @RequestBody NewArticle body) {
        articles.change(body, version);
    }

    record ExpectedDay(LocalDate day) {}

    record Density(@Nullable Long ugM) {}

    /** Keeps what a metre of a cord weighs; answers it in micrograms. */
    @PutMapping("/articles/{id}/density")
    Density density(@PathVariable long id, @RequestBody NewDensity body) {
        return new Density(cards.setDensity(id, body));
    }

    @PostMapping("/articles/{id}/put-ups")
    @ResponseStatus(HttpStatus.CREATED)
    Made addPutUp(@PathVariable long id, @RequestBody NewPutUp body) {
        return new Made(suppliers.addPutUp(id, body));
    }

    @PostMapping("/put-ups/{id}/withdraw")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdrawPutUp(@PathVariable long id) {
        suppliers.withdraw(id);
    }

    @GetMapping("/suppliers")
    List<SupplierView> suppliers() {
        return suppliers.all();
    }

    @PostMapping("/suppliers")
    @ResponseStatus(HttpStatus.CREATED)
    Made addSupplier(@RequestBody NewSupplier body) {
        return new Made(suppliers.add(body));
    }

    @PutMapping("/suppliers/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void changeSupplier(@PathVariable long id, @RequestBody NewSupplier body) {
        suppliers.change(id, body);
    }

    /**
     * What should be bought.
     *
     * @param review days until somebody looks again
     * @param after where the page before ended
     */
    @GetMapping("/buy")
    BuyPage buy(
            @RequestParam(defaultValue = "NINETEEN_IN_TWENTY") ServiceLevel level,
            @RequestParam(defaultValue = "7") int review,
            @RequestParam(required = false) @Nullable String after) {
        return buying.page(level, Math.max(0, Math.min(review, LONGEST_REVIEW)), after);
    }

    @GetMapping("/purchases")
    List<PurchaseView> purchases() {
        return purchases.all();
    }

    @PostMapping("/purchases")
    @ResponseStatus(HttpStatus.CREATED)
    Made place(@RequestBody NewPurchase body) {
        return new Made(purchases.place(body));
    }

    @PutMapping("/purchases/{id}/expected")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void expectOn(@PathVariable long id, @RequestBody ExpectedDay body) {
        purchases.expectOn(id, body.day());
    }

    @PostMapping("/purchases/{id}/close")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void close(@PathVariable long id) {
        purchases.close(id);
    }

    @GetMapping(value = "/purchases/{id}/list.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> pdf(
            @PathVariable long id,
            @RequestParam(defaultValue = "A4") Pdf.Paper paper,
            @RequestParam(defaultValue = "METRIC") UnitSystem units) {
        return ResponseEntity.ok()
                .header("Content-Disposition", "inline; filename=purchase-" + id + ".pdf")
                .body(sheets.pdf(id, paper, units));
    }

    @GetMapping(value = "/purchases/{id}/list.csv", produces = "text/csv;charset=UTF-8")
    ResponseEntity<String> csv(@PathVariable long id) {
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=purchase-" + id + ".csv")
                .body(sheets.csv(id));
    }

    @GetMapping("/stocktakes")
    List<StocktakeView> stocktakes() {
        return stocktakes.all();
    }

    @PostMapping("/stocktakes")
    @ResponseStatus(HttpStatus.CREATED)
    Made start(@RequestBody NewStocktake body) {
        return new Made(stocktakes.start(body));
    }

    record CountSheet(StocktakeView stocktake, List<CountLine> lines) {}

    @GetMapping("/stocktakes/{id}")
    CountSheet stocktake(@PathVariable long id) {
        return new CountSheet(stocktakes.one(id), stocktakes.lines(id));
    }

    @PostMapping("/stocktakes/{id}/holdings/{holding}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void count(@PathVariable long id, @PathVariable long holding, @RequestBody CountInput body) {
        stocktakes.count(id, holding, body);
    }

    record Booked(List<CountReason> reasons) {}

    @PostMapping("/stocktakes/{id}/book")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void book(@PathVariable long id, @RequestBody Booked body) {
        stocktakes.book(id, body.reasons());
    }

    @PostMapping("/stocktakes/{id}/give-up")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void giveUp(@PathVariable long id) {
        stocktakes.giveUp(id);
    }

    record DevicesView(boolean there) {}

    @GetMapping("/devices")
    DevicesView devices() {
        return new DevicesView(devices.there());
    }

    /** Milligrams on the scale, or micrometres through the counter. */
    record Shown(long amount) {}

    @PostMapping("/devices/{device}/read")
    Shown read(@PathVariable Device device) {
        return new Shown(devices.read(device));
    }
}
