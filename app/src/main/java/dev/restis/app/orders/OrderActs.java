package dev.restis.app.orders;

import dev.restis.app.orders.History.What;
import dev.restis.app.pieces.Pieces;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.core.order.OrderAct;
import dev.restis.core.order.OrderLife;
import dev.restis.core.work.PieceAct;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Predicate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is done with an order as a whole. */
@Service
class OrderActs {

    /** What is done with an order by doing it with its pieces that are so far. */
    static final Map<OrderAct, PieceAct> OF_PIECES =
            Map.of(OrderAct.FINISH, PieceAct.FINISH, OrderAct.DISPATCH, PieceAct.SEND);

    private final OrderStore store;
    private final OrderLocks locks;
    private final Standing standing;
    private final History history;
    private final Quotes quotes;
    private final Pieces pieces;

    OrderActs(OrderStore store, OrderLocks locks, Standing standing, History history, Quotes quotes, Pieces pieces) {
        this.locks = locks;
        this.store = store;
        this.standing = standing;
        this.history = history;
        this.quotes = quotes;
        this.pieces = pieces;
    }

    /**
     * Does it.
     *
     * @throws Conflict when the order does not stand where it could be done
     */
    @Transactional
    public void act(long id, OrderAct act) {
        if (act == OrderAct.CANCEL || act == OrderAct.CANCEL_REST) {
            locks.holdTogether(List.of(id));
        }
        CustomerOrder order = locks.hold(id);
        Standing.Stand stand = standing.of(id);
        if (!OrderLife.allowed(stand.stage(), stand.progress()).contains(act)) {
            throw new Conflict("order.notNow");
        }
        switch (act) {
            case QUOTE -> quotes.name(order);
            case ACCEPT -> quotes.accept(order);
            case REOPEN -> history.note(id, What.REOPENED, Map.of());
            case REVIVE -> history.note(id, What.REVIVED, Map.of());
            case CANCEL -> {
                takeOut(some(order, p -> !p.made()));
                history.note(id, What.CANCELLED, Map.of());
            }
            case CANCEL_REST -> cancelRest(order);
            case FINISH, DISPATCH -> all(order, Objects.requireNonNull(OF_PIECES.get(act)));
            case PLAN, CHANGE_HEAD, CHANGE_PIECES -> throw new Conflict("order.notNow");
        }
        order.stage(OrderLife.after(stand.stage(), act));
        standing.refresh(List.of(id));
    }

    /** Does it with all pieces of the order that are so far. */
    private void all(CustomerOrder order, PieceAct act) {
        List<Piece> before = some(order, p -> act == PieceAct.SEND ? p.made() && !p.sent() : p.cut() && !p.made());
        List<Long> able = pieces.able(act, before);
        // Where nothing can go, the door says why: not dry, not checked, not packed.
        pieces.act(act, able.isEmpty() ? ids(before) : able);
    }

    private void cancelRest(CustomerOrder order) {
        List<Piece> rest = some(order, p -> !p.cut());
        takeOut(rest);
        order.lines().forEach(line -> line.drop(rest));
        order.lines().removeIf(OrderLine::empty);
        history.note(order.id(), What.CANCELLED_REST, Map.of("pieces", rest.size()));
    }

    /** Takes planned pieces out of their batches. */
    void takeOut(List<Piece> planned) {
        pieces.act(PieceAct.RELEASE, ids(planned.stream().filter(p -> !p.open()).toList()));
    }

    private static List<Long> ids(List<Piece> pieces) {
        return pieces.stream().map(Piece::id).toList();
    }

    private static List<Piece> some(CustomerOrder order, Predicate<Piece> which) {
        return order.lines().stream()
                .sorted(Comparator.comparing(OrderLine::number))
                .flatMap(l -> l.pieces().stream())
                .filter(which)
                .toList();
    }
}
