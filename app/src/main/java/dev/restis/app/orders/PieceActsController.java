package dev.restis.app.orders;

import dev.restis.app.orders.PieceActs.OrderPiece;
import dev.restis.app.platform.Keyset;
import dev.restis.core.work.PieceAct;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class PieceActsController {

    /** Pieces of an order, page by page. */
    record PiecesPage(List<OrderPiece> rows, @Nullable String next) {}

    /** Pieces that an act would take. */
    record PiecesNext(List<OrderPiece> pieces) {}

    record PieceActRequest(
            PieceAct act, List<Long> pieces, @Nullable String reason) {}

    record TakeBackRequest(List<Long> events) {}

    private final PieceActs acts;

    PieceActsController(PieceActs acts) {
        this.acts = acts;
    }

    @GetMapping("/api/orders/{id}/pieces")
    PiecesPage pieces(@PathVariable long id, @RequestParam(required = false) @Nullable String after) {
        Keyset<OrderPiece> page = acts.of(id, after);
        return new PiecesPage(page.rows(), page.next());
    }

    @GetMapping("/api/orders/{id}/pieces/next")
    PiecesNext next(
            @PathVariable long id,
            @RequestParam PieceAct act,
            @RequestParam(defaultValue = "0") int count,
            @RequestParam(defaultValue = "0") int line) {
        return new PiecesNext(acts.next(id, act, count, line));
    }

    @PostMapping("/api/pieces/acts")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void act(@RequestBody PieceActRequest body) {
        acts.act(body.act(), body.pieces(), body.reason());
    }

    @PostMapping("/api/pieces/take-back")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeBack(@RequestBody TakeBackRequest body) {
        acts.takeBack(body.events());
    }
}
