package dev.restis.app.orders;

import dev.restis.app.orders.PlannedDays.Piecework;
import dev.restis.app.patterns.PieceChoices;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.patterns.PieceSpec;
import dev.restis.app.patterns.PieceView;
import dev.restis.app.platform.FaultWords;
import dev.restis.app.platform.FieldProblem;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.stock.Article;
import dev.restis.core.order.OrderAct;
import dev.restis.core.order.OrderLife;
import dev.restis.core.order.OrderProgress;
import dev.restis.core.order.OrderState;
import dev.restis.core.piece.MakingTime;
import dev.restis.core.stock.Unit;
import java.time.Instant;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Reads of orders. */
@Service
class OrderReads {

    /**
     * A line of an order.
     *
     * @param acceptable the check that says no and that the owner may take all the same
     * @param accepted the one that the owner has taken
     */
    record LineView(
            long id,
            int number,
            int quantity,
            int planned,
            int cut,
            int made,
            int dispatched,
            boolean matching,
            boolean oneHand,
            PieceChoices choices,
            String note,
            @Nullable String sizeName,
            @Nullable Long wristUm,
            @Nullable Long lengthUm,
            @Nullable String acceptable,
            PieceSpec.@Nullable Accepted accepted,
            PieceView piece) {}

    record OrderView(
            long id,
            String reference,
            String source,
            String customer,
            long customerId,
            @Nullable LocalDate due,
            String note,
            OrderState state,
            Set<OrderAct> acts,
            Instant createdAt,
            String createdBy,
            Promises.PromiseView promise,
            @Nullable LocalDate promised,
            boolean must,
            boolean forShelf,
            String way,
            int wayDays,
            @Nullable LocalDate arrives,
            Quotes.PriceView price,
            Quotes.@Nullable QuoteView quote,
            List<ShortageView> shortages,
            List<LineView> lines,
            List<History.EventView> history) {}

    /** An article of which there is not enough for the whole order. */
    record ShortageView(String code, String name, Unit unit, long needed, long free, long onHand) {}

    private final OrderStore store;
    private final PieceDesk desk;
    private final Promises promises;
    private final Quotes quotes;
    private final History history;
    private final FaultWords words;

    OrderReads(OrderStore store, PieceDesk desk, Promises promises, Quotes quotes, History history, FaultWords words) {
        this.promises = promises;
        this.quotes = quotes;
        this.history = history;
        this.words = words;
        this.store = store;
        this.desk = desk;
    }

    @Transactional(readOnly = true)
    public OrderView order(long id) {
        CustomerOrder order = store.findById(id).orElseThrow(() -> new NotFound("notFound"));
        PieceDesk.Sitting sitting = desk.sit();
        sitting.ready(order.lines().stream().map(OrderLine::spec));
        sitting.readyToJudge(
                order.lines().stream().map(l -> sitting.workOut(l.spec())).toList(), id);
        Promises.PromiseView promise = promises.of(promises.work(order, sitting));
        CustomerOrder.OrderHead head = order.head();
        OrderProgress progress = new OrderProgress(
                count(order, p -> true),
                count(order, p -> !p.open()),
                count(order, Piece::cut),
                count(order, Piece::begun),
                count(order, Piece::made),
                count(order, Piece::gone));
        List<LineView> lines = order.lines().stream()
                .map(l -> new LineView(
                        l.id(),
                        l.number(),
                        l.quantity(),
                        (int) l.pieces().stream().filter(p -> !p.open()).count(),
                        (int) l.pieces().stream().filter(Piece::cut).count(),
                        (int) l.pieces().stream().filter(Piece::made).count(),
                        (int) l.pieces().stream().filter(Piece::gone).count(),
                        l.matching(),
                        l.oneHand(),
                        sitting.choices(l.spec()),
                        l.note(),
                        l.spec().sizeName(),
                        l.spec().wristUm(),
                        l.spec().lengthUm(),
                        acceptable(sitting, l),
                        l.spec().accepted(),
                        view(sitting, l)))
                .toList();
        return new OrderView(
                order.id(),
                head.reference(),
                head.source(),
                head.customer(),
                order.customerId(),
                head.due(),
                head.note(),
                OrderLife.state(order.stage(), progress),
                new TreeSet<>(OrderLife.allowed(order.stage(), progress)),
                order.createdAt(),
                order.createdBy(),
                promise,
                order.promised(),
                order.must(),
                order.forShelf(),
                order.way(),
                order.wayDays(),
                order.arrives(),
                quotes.price(order, sitting, promise.last()),
                quotes.last(id).orElse(null),
                shortages(order, sitting),
                lines,
                history.of(id));
    }

    private static @Nullable String acceptable(PieceDesk.Sitting sitting, OrderLine line) {
        return sitting.workOut(line.spec()).piece().checks().stream()
                .flatMap(c -> c.acceptable(line.spec().wearer()).stream())
                .findFirst()
                .orElse(null);
    }

    private static int count(CustomerOrder order, Predicate<Piece> which) {
        return (int) order.lines().stream()
                .flatMap(l -> l.pieces().stream())
                .filter(which)
                .count();
    }

    /** What all pieces that are not cut need together, against what is free for it. */
    private static List<ShortageView> shortages(CustomerOrder order, PieceDesk.Sitting sitting) {
        Map<Article, Long> needed = new LinkedHashMap<>();
        for (OrderLine line : order.lines()) {
            long uncut = line.pieces().stream().filter(p -> !p.cut()).count();
            sitting.workOut(line.spec())
                    .needed()
                    .forEach((article, each) -> needed.merge(article, each * uncut, Long::sum));
        }
        return needed.entrySet().stream()
                .filter(e -> sitting.free(e.getKey(), order.id()) < e.getValue())
                .map(e -> new ShortageView(
                        e.getKey().code(),
                        e.getKey().name(),
                        e.getKey().unit(),
                        e.getValue(),
                        Math.max(0, sitting.free(e.getKey(), order.id())),
                        e.getKey().onHand()))
                .toList();
    }

    private static PieceView view(PieceDesk.Sitting sitting, OrderLine line) {
        return PieceView.of(
                sitting,
                sitting.workOut(line.spec()),
                new PieceView.Wanted(
                        (int) line.pieces().stream().filter(p -> !p.cut()).count(),
                        line.matching(),
                        line.order().id()));
    }

    /**
     * A line that somebody is choosing: the piece, and the day it could be ready; or what stands in the way.
     *
     * @param piece nothing when it cannot be worked out
     */
    record LineTrial(
            @Nullable PieceView piece,
            Promises.@Nullable PromiseView promise,
            Quotes.@Nullable LinePrice price,
            List<FieldProblem> problems) {
        static final LineTrial NOTHING = new LineTrial(null, null, null, List.of());
    }

    @Transactional(readOnly = true)
    public LineTrial tryOut(PieceChoices choices, PieceView.Wanted wanted, @Nullable LocalDate due) {
        return tryOut(desk.sit(), choices, wanted, due);
    }

    LineTrial tryOut(
            PieceDesk.Sitting sitting, PieceChoices choices, PieceView.Wanted wanted, @Nullable LocalDate due) {
        PieceDesk.Understood understood = sitting.understand(choices);
        return understood
                .spec()
                .map(spec -> {
                    PieceDesk.Worked worked = sitting.workOut(spec);
                    MakingTime time = worked.time();
                    Promises.Work work = new Promises.Work(
                            0,
                            time.total().multipliedBy(wanted.quantity()),
                            time.drying(),
                            due,
                            List.of(new Piecework(worked, wanted.quantity())));
                    return new LineTrial(
                            PieceView.of(sitting, worked, wanted),
                            promises.of(work),
                            quotes.line(1, wanted.quantity(), worked, sitting),
                            List.of());
                })
                .orElseGet(() -> new LineTrial(null, null, null, words.of(understood.faults())));
    }
}
