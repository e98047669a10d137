package dev.restis.app.orders;

import dev.restis.app.orders.History.What;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.core.measure.Fault;
import dev.restis.core.order.OrderAct;
import dev.restis.core.order.OrderLife;
import java.time.Clock;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is done with an order as a whole. */
@Service
class OrderActs {

    private final OrderStore store;
    private final OrderLocks locks;
    private final Standing standing;
    private final History history;
    private final Quotes quotes;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    OrderActs(
            OrderStore store,
            OrderLocks locks,
            Standing standing,
            History history,
            Quotes quotes,
            ApplicationEventPublisher events,
            Clock clock) {
        this.locks = locks;
        this.store = store;
        this.standing = standing;
        this.history = history;
        this.quotes = quotes;
        this.events = events;
        this.clock = clock;
    }

    /**
     * Does it.
     *
     * @param count how many pieces, for what is done piece by piece; 0 for all of them
     * @throws Conflict when the order does not stand where it could be done
     */
    @Transactional
    public void act(long id, OrderAct act, int count) {
        checkCount(count);
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
                takeOut(some(order, 0, p -> !p.made()));
                history.note(id, What.CANCELLED, Map.of());
            }
            case CANCEL_REST -> cancelRest(order);
            case FINISH -> {
                List<Piece> made = some(order, count, p -> p.cut() && !p.made());
                made.forEach(p -> p.madeAt(clock.instant()));
                history.note(id, What.MADE, Map.of("pieces", made.size()));
            }
            case DISPATCH -> {
                List<Piece> gone = some(order, count, p -> p.made() && !p.dispatched());
                gone.forEach(p -> p.dispatchedAt(clock.instant()));
                history.note(id, What.DISPATCHED, Map.of("pieces", gone.size()));
            }
            case PLAN, CHANGE_HEAD, CHANGE_PIECES -> throw new Conflict("order.notNow");
        }
        order.stage(OrderLife.after(stand.stage(), act));
        standing.refresh(List.of(id));
    }

    /** Pieces that were said to be made are not, after all; not of those that have gone out. */
    @Transactional
    public void unmake(long id, int count) {
        checkCount(count);
        CustomerOrder order = locks.hold(id);
        List<Piece> pieces = some(order, count, p -> p.made() && !p.dispatched());
        if (pieces.isEmpty()) {
            throw new Conflict("order.notNow");
        }
        pieces.forEach(p -> p.madeAt(null));
        history.note(id, What.UNMADE, Map.of("pieces", pieces.size()));
        standing.refresh(List.of(id));
    }

    private static void checkCount(int count) {
        if (count < 0 || count > Orders.MOST_PIECES * Orders.MOST_LINES) {
            throw new Rejected(Fault.of("count", "count.range", count, 0, Orders.MOST_PIECES * Orders.MOST_LINES));
        }
    }

    private void cancelRest(CustomerOrder order) {
        List<Piece> rest = some(order, 0, p -> !p.cut());
        takeOut(rest);
        order.lines().forEach(line -> line.drop(rest));
        order.lines().removeIf(line -> line.pieces().isEmpty());
        history.note(order.id(), What.CANCELLED_REST, Map.of("pieces", rest.size()));
    }

    /** Takes planned pieces out of their batches. */
    void takeOut(List<Piece> pieces) {
        List<Piece> planned = pieces.stream().filter(p -> !p.open()).toList();
        planned.forEach(Piece::release);
        if (!planned.isEmpty()) {
            events.publishEvent(new PiecesLeft(planned.stream().map(Piece::id).collect(Collectors.toSet())));
        }
    }

    private static List<Piece> some(CustomerOrder order, int count, java.util.function.Predicate<Piece> which) {
        return order.lines().stream()
                .sorted(Comparator.comparing(OrderLine::number))
                .flatMap(l -> l.pieces().stream())
                .filter(which)
                .limit(count == 0 ? Integer.MAX_VALUE : count)
                .toList();
    }
}
