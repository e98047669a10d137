package dev.restis.app.orders;

import dev.restis.app.orders.History.What;
import dev.restis.app.orders.PriceBook.Rules;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.patterns.PieceSpec;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.cost.Price;
import dev.restis.core.cost.Total;
import dev.restis.core.measure.Fault;
import java.math.BigDecimal;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** Prices of orders: what one would cost today, and what was named to the customer. */
@Service
class Quotes {

    /**
     * The price of a line.
     *
     * @param line number of the line in its order
     * @param each what one piece is sold for; its parts add up to it
     */
    record LinePrice(
            int line,
            String pattern,
            int patternVersion,
            String patternName,
            @Nullable String sizeName,
            @Nullable Long wristUm,
            @Nullable Long lengthUm,
            List<String> colours,
            boolean kit,
            int quantity,
            BigDecimal material,
            BigDecimal labour,
            BigDecimal margin,
            BigDecimal fees,
            BigDecimal rounding,
            BigDecimal off,
            BigDecimal each,
            BigDecimal total) {

        /** The same price for so many pieces. */
        LinePrice of(int number, int pieces) {
            return new LinePrice(
                    number,
                    pattern,
                    patternVersion,
                    patternName,
                    sizeName,
                    wristUm,
                    lengthUm,
                    colours,
                    kit,
                    pieces,
                    material,
                    labour,
                    margin,
                    fees,
                    rounding,
                    off,
                    each,
                    each.multiply(BigDecimal.valueOf(pieces)));
        }
    }

    /**
     * The price of an order.
     *
     * @param taxPercent of the house
     * @param ready the day it can be ready
     */
    record PriceView(
            List<LinePrice> lines,
            BigDecimal net,
            BigDecimal tax,
            BigDecimal gross,
            BigDecimal taxPercent,
            boolean taxIncluded,
            @Nullable LocalDate ready) {

        PriceView part(List<LinePrice> some, BigDecimal partNet, BigDecimal partTax, BigDecimal partGross) {
            return new PriceView(some, partNet, partTax, partGross, taxPercent, taxIncluded, ready);
        }
    }

    /**
     * A price that was named to the customer.
     *
     * @param ended whether its day is over and nobody has said yes
     */
    record QuoteView(
            long id,
            int number,
            Instant at,
            String who,
            LocalDate validUntil,
            boolean ended,
            @Nullable Instant acceptedAt,
            PriceView price) {}

    private final JdbcClient jdbc;
    private final JdbcTemplate bulk;
    private final PieceDesk desk;
    private final PriceBook rules;
    private final Promises promises;
    private final History history;
    private final Clock clock;
    private final JsonMapper json = JsonMapper.builder().build();

    Quotes(
            JdbcClient jdbc,
            JdbcTemplate bulk,
            PieceDesk desk,
            PriceBook rules,
            Promises promises,
            History history,
            Clock clock) {
        this.jdbc = jdbc;
        this.bulk = bulk;
        this.desk = desk;
        this.rules = rules;
        this.promises = promises;
        this.history = history;
        this.clock = clock;
    }

    /**
     * What the order would cost today, from what is on hand.
     *
     * @param ready the day it can be ready
     */
    PriceView price(CustomerOrder order, PieceDesk.Sitting sitting, @Nullable LocalDate ready) {
        return price(order, sitting, rules.rules(), ready);
    }

    /** What new orders would cost today, each ready behind those before it; none of them is kept yet. */
    List<PriceView> price(List<CustomerOrder> fresh, PieceDesk.Sitting sitting) {
        Rules house = rules.rules();
        Promises.Tail tail = promises.tail();
        return fresh.stream()
                .map(order -> price(order, sitting, house, tail.ready(promises.work(order, sitting))))
                .toList();
    }

    private static PriceView price(
            CustomerOrder order, PieceDesk.Sitting sitting, Rules house, @Nullable LocalDate ready) {
        List<LinePrice> lines = new ArrayList<>();
        for (OrderLine line : order.lines()) {
            int alike = order.lines().stream()
                    .filter(l -> l.spec().pattern().equals(line.spec().pattern()))
                    .mapToInt(l -> l.pieces().size())
                    .sum();
            lines.add(line(line.number(), line.pieces().size(), alike, sitting.workOut(line.spec()), sitting, house));
        }
        Total total = Total.of(lines.stream().map(LinePrice::total).toList(), house.price());
        return new PriceView(
                lines,
                total.net(),
                total.tax(),
                total.gross(),
                house.price().taxPercent(),
                house.price().taxIncluded(),
                ready);
    }

    /** What a line would cost today. */
    LinePrice line(int number, int quantity, PieceDesk.Worked worked, PieceDesk.Sitting sitting) {
        return line(number, quantity, quantity, worked, sitting, rules.rules());
    }

    /** {@code alike} is how many pieces of the pattern the whole order has; the quantity break goes by them. */
    private static LinePrice line(
            int number, int quantity, int alike, PieceDesk.Worked worked, PieceDesk.Sitting sitting, Rules house) {
        PieceSpec spec = worked.spec();
        Price price = Price.of(worked.estimate().total(), worked.time().total(), Math.max(1, alike), house.price());
        return new LinePrice(
                number,
                spec.pattern(),
                spec.patternVersion(),
                worked.piece().request().pattern().name(),
                spec.sizeName(),
                spec.wristUm(),
                spec.lengthUm(),
                spec.articles().stream()
                        .map(a -> sitting.article(a).name())
                        .distinct()
                        .toList(),
                spec.kit(),
                quantity,
                price.material(),
                price.labour(),
                price.margin(),
                price.fees(),
                price.rounding(),
                price.off(),
                price.each(),
                price.line(quantity));
    }

    /** Names a price and a day to the customer. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void name(CustomerOrder order) {
        PriceView price = store(order);
        history.note(order.id(), What.QUOTED, Map.of("gross", price.gross()));
    }

    /**
     * The customer said yes: to what was named last, or, when nothing was or the order was changed since, to what it costs
     * today. The day it can be ready becomes the day it is promised for, unless another one was wanted.
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void accept(CustomerOrder order) {
        PriceView price = last(order.id())
                .filter(q -> order.stage() == dev.restis.core.order.OrderStage.QUOTED)
                .map(QuoteView::price)
                .orElseGet(() -> store(order));
        jdbc.sql("""
                        update quote set accepted_at = ? where order_id = ?
                            and number = (select max(number) from quote where order_id = ?)
                        """)
                .params(Timestamp.from(clock.instant()), order.id(), order.id())
                .update();
        promise(order, price);
        history.note(order.id(), What.ACCEPTED, Map.of("gross", price.gross()));
    }

    /** Orders that come with a yes: the price of the day is agreed for each, in their order. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void accept(List<CustomerOrder> orders, List<PriceView> prices) {
        Instant now = clock.instant();
        LocalDate until = LocalDate.now(clock).plusDays(rules.rules().validDays());
        List<Object[]> rows = new ArrayList<>();
        Map<Long, Map<String, ?>> agreed = new LinkedHashMap<>();
        for (int i = 0; i < orders.size(); i++) {
            CustomerOrder order = orders.get(i);
            PriceView price = prices.get(i);
            promise(order, price);
            rows.add(new Object[] {
                order.id(),
                Timestamp.from(now),
                Workshop.whoever(),
                until,
                price.ready(),
                price.gross(),
                json.writeValueAsString(price),
                Timestamp.from(now)
            });
            agreed.put(order.id(), Map.of("gross", price.gross()));
        }
        history.noteEach(What.ACCEPTED, agreed);
        bulk.batchUpdate("""
                insert into quote (order_id, number, at, who, valid_until, ready, gross, content, accepted_at)
                values (?, 1, ?, ?, ?, ?, ?, cast(? as jsonb), ?)
                """, rows);
    }

    /** The day it can be ready becomes the day it is promised for, unless another one was wanted. */
    private static void promise(CustomerOrder order, PriceView price) {
        CustomerOrder.OrderHead head = order.head();
        if (head.due() == null && price.ready() != null) {
            order.head(new CustomerOrder.OrderHead(
                    head.source(), head.reference(), head.customer(), price.ready(), head.note()));
        }
    }

    /**
     * Pieces were moved to an order of their own: each of the two keeps its part of the price that was agreed, to the cent.
     * What was agreed for other pieces than there were says nothing about a part.
     *
     * @param moved how many pieces of which line of the old order became which line of the new one
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void share(CustomerOrder old, CustomerOrder made, List<Moved> moved) {
        QuoteView named = last(old.id()).orElse(null);
        if (named == null || named.acceptedAt() == null) {
            return;
        }
        Map<Integer, Integer> went =
                moved.stream().collect(Collectors.groupingBy(Moved::from, Collectors.summingInt(Moved::pieces)));
        Map<Integer, Integer> stayed = old.lines().stream()
                .collect(Collectors.toMap(OrderLine::number, l -> l.pieces().size()));
        Map<Integer, Integer> there = new HashMap<>(went);
        stayed.forEach((line, pieces) -> there.merge(line, pieces, Integer::sum));
        Map<Integer, Integer> agreed =
                named.price().lines().stream().collect(Collectors.toMap(LinePrice::line, LinePrice::quantity));
        if (!there.equals(agreed)) {
            return;
        }
        List<LinePrice> staying = new ArrayList<>();
        List<LinePrice> going = new ArrayList<>();
        for (LinePrice line : named.price().lines()) {
            int left = stayed.getOrDefault(line.line(), 0);
            if (left > 0) {
                staying.add(line.of(line.line(), left));
            }
            moved.stream().filter(m -> m.from() == line.line()).forEach(m -> going.add(line.of(m.to(), m.pieces())));
        }
        PriceView all = named.price();
        Total rest = Total.of(staying.stream().map(LinePrice::total).toList(), all.taxPercent(), all.taxIncluded());
        insert(
                old.id(),
                all.part(staying, rest.net(), rest.tax(), rest.gross()),
                named.validUntil(),
                named.acceptedAt());
        insert(
                made.id(),
                all.part(
                        going,
                        all.net().subtract(rest.net()),
                        all.tax().subtract(rest.tax()),
                        all.gross().subtract(rest.gross())),
                named.validUntil(),
                named.acceptedAt());
    }

    /** Pieces that went from a line of one order to a line of another. */
    record Moved(int from, int to, int pieces) {}

    private PriceView store(CustomerOrder order) {
        if (order.lines().isEmpty()) {
            throw new Rejected(Fault.of("lines", "lines.none"));
        }
        PieceDesk.Sitting sitting = desk.sit();
        PriceView price =
                price(order, sitting, promises.of(promises.work(order, sitting)).last());
        insert(order.id(), price, LocalDate.now(clock).plusDays(rules.rules().validDays()), null);
        return price;
    }

    private void insert(long order, PriceView price, LocalDate validUntil, @Nullable Instant acceptedAt) {
        jdbc.sql("""
                        insert into quote (order_id, number, at, who, valid_until, ready, gross, content, accepted_at)
                        select :order, coalesce(max(number), 0) + 1, :at, :who, :until, :ready, :gross, cast(:content as jsonb), :accepted
                        from quote where order_id = :order
                        """)
                .param("order", order)
                .param("at", Timestamp.from(clock.instant()))
                .param("who", Workshop.whoever())
                .param("until", validUntil)
                .param("ready", price.ready(), java.sql.Types.DATE)
                .param("gross", price.gross())
                .param("content", json.writeValueAsString(price))
                .param("accepted", acceptedAt == null ? null : Timestamp.from(acceptedAt), java.sql.Types.TIMESTAMP)
                .update();
    }

    /** The price that was named last. */
    @Transactional(readOnly = true)
    public Optional<QuoteView> last(long order) {
        return jdbc.sql("""
                        select id, number, at, who, valid_until, accepted_at, content from quote
                        where order_id = ? order by number desc limit 1
                        """)
                .param(order)
                .query((row, n) -> new QuoteView(
                        row.getLong("id"),
                        row.getInt("number"),
                        row.getTimestamp("at").toInstant(),
                        row.getString("who"),
                        row.getObject("valid_until", LocalDate.class),
                        row.getObject("accepted_at") == null
                                && row.getObject("valid_until", LocalDate.class).isBefore(LocalDate.now(clock)),
                        Optional.ofNullable(row.getTimestamp("accepted_at"))
                                .map(Timestamp::toInstant)
                                .orElse(null),
                        json.readValue(row.getString("content"), PriceView.class)))
                .optional();
    }
}
