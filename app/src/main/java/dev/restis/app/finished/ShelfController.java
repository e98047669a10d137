package dev.restis.app.finished;

import dev.restis.app.finished.SellsWell.SellsWellRow;
import dev.restis.app.finished.Shelf.SaleInput;
import dev.restis.app.finished.ShelfOffers.ShelfOffer;
import dev.restis.app.finished.ShelfReads.ShelfPiece;
import dev.restis.app.finished.ShelfReads.ShelfWorth;
import dev.restis.app.orders.ShelfOrders;
import dev.restis.app.platform.Keyset;
import dev.restis.app.platform.Made;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Finished pieces without an order. */
@RestController
@RequestMapping("/api/shelf")
class ShelfController {

    /** What lies on the shelf, page by page, with what all of it is worth. */
    record ShelfPage(
            ShelfWorth worth,
            List<ShelfPiece> rows,
            @Nullable String next) {}

    private final ShelfReads reads;
    private final Shelf shelf;
    private final ShelfOffers offers;
    private final ShelfCount count;
    private final SellsWell sellsWell;
    private final ShelfOrders orders;

    ShelfController(
            ShelfReads reads,
            Shelf shelf,
            ShelfOffers offers,
            ShelfCount count,
            SellsWell sellsWell,
            ShelfOrders orders) {
        this.count = count;
        this.sellsWell = sellsWell;
        this.orders = orders;
        this.reads = reads;
        this.shelf = shelf;
        this.offers = offers;
    }

    @GetMapping
    ShelfPage page(
            @RequestParam(defaultValue = "false") boolean unseen,
            @RequestParam(required = false) @Nullable String after) {
        Keyset<ShelfPiece> page = reads.page(unseen, after);
        return new ShelfPage(reads.worth(), page.rows(), page.next());
    }

    /** What a tag says. */
    @GetMapping("/pieces/{piece}")
    ShelfPiece piece(@PathVariable long piece) {
        return reads.one(piece);
    }

    record SellsWellView(List<SellsWellRow> rows) {}

    /** What is worth having there. */
    @GetMapping("/sells-well")
    SellsWellView sellsWell() {
        return new SellsWellView(sellsWell.rows());
    }

    /** @param line of which pieces like it are made */
    record MakeForShelf(long line, int count) {}

    @PostMapping("/orders")
    @ResponseStatus(HttpStatus.CREATED)
    Made make(@RequestBody MakeForShelf body) {
        return new Made(orders.make(body.line(), body.count()));
    }

    /** @param there false when it was not seen after all */
    record SeenRequest(boolean there) {}

    @PostMapping("/pieces/{piece}/seen")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void seen(@PathVariable long piece, @RequestBody SeenRequest body) {
        count.seen(piece, body.there());
    }

    record MissingRequest(@Nullable String reason) {}

    @PostMapping("/pieces/{piece}/missing")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void missing(@PathVariable long piece, @RequestBody MissingRequest body) {
        count.missing(piece, body.reason());
    }

    record ShelfOffersView(List<ShelfOffer> rows) {}

    /** What of the shelf suits an order that waits. */
    @GetMapping("/offers/{order}")
    ShelfOffersView offers(@PathVariable long order) {
        return new ShelfOffersView(offers.of(order));
    }

    /** @param line of the order that waits for such a piece */
    record GiveRequest(long order, long line) {}

    @PostMapping("/pieces/{piece}/give")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void give(@PathVariable long piece, @RequestBody GiveRequest body) {
        shelf.give(piece, body.order(), body.line());
    }

    @PostMapping("/pieces/{piece}/sell")
    @ResponseStatus(HttpStatus.CREATED)
    Made sell(@PathVariable long piece, @RequestBody SaleInput body) {
        return new Made(shelf.sell(piece, body));
    }

    @PostMapping("/pieces/{piece}/take-back")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeBack(@PathVariable long piece) {
        shelf.takeBack(piece);
    }

    /** A piece that came back stays with the house. */
    @PostMapping("/pieces/{piece}/keep")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void keep(@PathVariable long piece) {
        shelf.keep(piece);
    }
}
