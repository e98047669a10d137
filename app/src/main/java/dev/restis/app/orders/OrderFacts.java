package dev.restis.app.orders;

import dev.restis.app.patterns.PieceSpec;
import dev.restis.app.platform.Problems.NotFound;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** What papers and messages say of an order. */
@Service
public class OrderFacts {

    /**
     * A line of an order; its pieces are looked up by whoever shows them.
     *
     * @param pricedAs the number of the line whose price counts for it
     */
    public record LineFacts(long id, int number, int pricedAs, PieceSpec spec, boolean matching, String note) {}

    /**
     * What the customer said yes to.
     *
     * @param line the number of the line
     */
    public record AgreedLine(int line, int quantity, BigDecimal each) {}

    /** @param taxPercent of the house, when it was agreed */
    public record Agreed(
            List<AgreedLine> lines,
            BigDecimal net,
            BigDecimal tax,
            BigDecimal gross,
            BigDecimal taxPercent,
            boolean taxIncluded) {}

    /**
     * An order.
     *
     * @param due the day on which it must leave
     * @param arrives the day on which it is there then
     * @param way empty where it is handed over
     */
    public record Facts(
            long id,
            String reference,
            String customer,
            long customerId,
            @Nullable LocalDate due,
            @Nullable LocalDate arrives,
            @Nullable LocalDate promised,
            String way,
            int wayDays,
            String note,
            List<LineFacts> lines,
            Optional<Agreed> agreed) {}

    private final OrderStore store;
    private final Quotes quotes;
    private final QuoteSheet sheet;
    private final OrderLocks locks;

    OrderFacts(OrderStore store, Quotes quotes, QuoteSheet sheet, OrderLocks locks) {
        this.store = store;
        this.quotes = quotes;
        this.sheet = sheet;
        this.locks = locks;
    }

    @Transactional(readOnly = true)
    public Facts of(long id) {
        CustomerOrder order = store.findById(id).orElseThrow(() -> new NotFound("notFound"));
        CustomerOrder.OrderHead head = order.head();
        return new Facts(
                id,
                head.reference(),
                head.customer(),
                order.customerId(),
                head.due(),
                order.arrives(),
                order.promised(),
                order.way(),
                order.wayDays(),
                head.note(),
                order.lines().stream()
                        .map(l -> new LineFacts(l.id(), l.number(), l.pricedAs(), l.spec(), l.matching(), l.note()))
                        .toList(),
                quotes.last(id).filter(q -> q.acceptedAt() != null).map(q -> agreed(q.price())));
    }

    /** Locks an order until the transaction ends. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void hold(long id) {
        locks.hold(id);
    }

    private static Agreed agreed(Quotes.PriceView price) {
        return new Agreed(
                price.lines().stream()
                        .map(l -> new AgreedLine(l.line(), l.quantity(), l.each()))
                        .toList(),
                price.net(),
                price.tax(),
                price.gross(),
                price.taxPercent(),
                price.taxIncluded());
    }

    /** The price that was named last, as a message; nothing where none was. */
    @Transactional(readOnly = true)
    public Optional<String> quoteMessage(long id) {
        return quotes.last(id).map(q -> sheet.message(id));
    }
}
