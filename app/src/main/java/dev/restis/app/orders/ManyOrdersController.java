package dev.restis.app.orders;

import dev.restis.app.platform.Problems;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.core.measure.Fault;
import dev.restis.core.order.OrderAct;
import dev.restis.core.work.PieceAct;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The same done with many orders; each for itself, so that one that cannot be done holds up no other. */
@RestController
@RequestMapping("/api/orders")
class ManyOrdersController {

    private static final int MOST_AT_ONCE = 500;

    /** The pieces of an order that an act would take, by line and number. */
    record PiecesOfOrder(long order, List<Long> pieces) {}

    /**
     * What is done with which orders.
     *
     * @param pieces for what is done piece by piece: those that were shown, of all these orders
     */
    record ManyRequest(
            List<Long> orders, OrderAct act, @Nullable List<Long> pieces) {}

    /** How it went with one of many orders; {@code problem} says why it could not be done, or is empty. */
    record ManyResult(long order, String problem) {}

    private final OrderActs acts;
    private final PieceActs pieces;

    ManyOrdersController(OrderActs acts, PieceActs pieces) {
        this.acts = acts;
        this.pieces = pieces;
    }

    @GetMapping("/pieces/next")
    List<PiecesOfOrder> next(@RequestParam List<Long> orders, @RequestParam PieceAct act) {
        List<Long> named = checked(orders);
        Map<Long, List<Long>> next = pieces.nextOf(named, act);
        return new TreeSet<>(named)
                .stream()
                        .map(order -> new PiecesOfOrder(order, next.getOrDefault(order, List.of())))
                        .toList();
    }

    @PostMapping("/acts")
    List<ManyResult> act(@RequestBody ManyRequest body) {
        Map<Long, List<Long>> named = body.pieces() == null ? Map.of() : pieces.byOrder(body.pieces());
        return checked(body.orders()).stream()
                .distinct()
                .map(id -> new ManyResult(id, problem(id, body.act(), named.getOrDefault(id, List.of()))))
                .toList();
    }

    private String problem(long order, OrderAct act, List<Long> named) {
        try {
            PieceAct ofPieces = OrderActs.OF_PIECES.get(act);
            if (ofPieces == null) {
                acts.act(order, act);
            } else if (named.isEmpty()) {
                return "order.notNow";
            } else {
                pieces.act(ofPieces, named, null);
            }
            return "";
        } catch (Problems.Conflict e) {
            return e.code();
        } catch (Problems.NotFound e) {
            return e.code();
        } catch (Rejected e) {
            return e.faults().get(0).code();
        }
    }

    /** An empty word among them, as an address may well have one, stands for none. */
    private static List<Long> checked(List<Long> orders) {
        List<Long> named = orders.stream().filter(Objects::nonNull).toList();
        if (named.isEmpty() || named.size() > MOST_AT_ONCE) {
            throw new Rejected(Fault.of("orders", "named.range", named.size(), MOST_AT_ONCE));
        }
        return named;
    }
}
