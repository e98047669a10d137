package dev.restis.app.orders;

import dev.restis.app.orders.History.What;
import dev.restis.app.orders.Orders.ReadLine;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.core.measure.Fault;
import dev.restis.core.order.OrderAct;
import dev.restis.core.order.OrderLife;
import dev.restis.core.order.OrderStage;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** New orders out of old ones: the same again, or a part split off. */
@Service
class OrderCopies {

    /** How many pieces of a line go. */
    record Part(long line, int count) {}

    private final OrderStore store;
    private final Orders orders;
    private final Quotes quotes;
    private final OrderLocks locks;
    private final Standing standing;
    private final History history;
    private final PieceDesk desk;

    OrderCopies(
            OrderStore store,
            Orders orders,
            Quotes quotes,
            OrderLocks locks,
            Standing standing,
            History history,
            PieceDesk desk) {
        this.locks = locks;
        this.quotes = quotes;
        this.store = store;
        this.orders = orders;
        this.standing = standing;
        this.history = history;
        this.desk = desk;
    }

    /** The same order again as a draft, without a day, its patterns in their newest versions where they still can be made. */
    @Transactional
    public long again(long id) {
        CustomerOrder old = store.findById(id).orElseThrow(() -> new NotFound("notFound"));
        PieceDesk.Sitting sitting = desk.sit();
        List<Fault> faults = new ArrayList<>();
        List<ReadLine> lines = new ArrayList<>();
        for (OrderLine line : old.lines()) {
            ReadLine read = line.read();
            PieceDesk.Understood now = sitting.understand(sitting.choices(read.spec()));
            now.faults()
                    .forEach(f ->
                            faults.add(new Fault("lines[" + line.number() + "]." + f.field(), f.code(), f.args())));
            now.spec()
                    .ifPresent(spec -> lines.add(
                            read.with(new ReadLine(0, spec, 0, false, "", Orders.Effort.of(sitting.workOut(spec))))));
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        CustomerOrder.OrderHead head = old.head();
        if (head.customer().isEmpty()) {
            throw new Conflict("order.nameless");
        }
        CustomerOrder copy = orders.save(
                new CustomerOrder.OrderHead(Orders.FORM, orders.nextReference(), head.customer(), null, head.note()),
                OrderStage.DRAFT,
                lines,
                sitting);
        history.note(copy.id(), What.COPIED, Map.of("from", head.reference()));
        return copy.id();
    }

    /** Moves pieces to an order of their own for the same customer, as far as they are. */
    @Transactional
    public long split(long id, List<Part> parts) {
        CustomerOrder old = locks.hold(id);
        if (!OrderLife.allowed(old.stage(), standing.of(id).progress()).contains(OrderAct.CHANGE_PIECES)) {
            throw new Conflict("order.notNow");
        }
        List<Fault> faults = new ArrayList<>();
        Map<Long, Long> asked = new HashMap<>();
        for (int i = 0; i < parts.size(); i++) {
            Part part = parts.get(i);
            long there = old.lines().stream()
                    .filter(l -> l.id() == part.line())
                    .mapToInt(l -> l.pieces().size())
                    .sum();
            long left = Math.max(0, there - asked.getOrDefault(part.line(), 0L));
            if (part.count() < 1 || part.count() > left) {
                faults.add(Fault.of("parts[" + i + "].count", "count.range", part.count(), Math.min(1, left), left));
            }
            asked.merge(part.line(), (long) part.count(), Long::sum);
        }
        int moving = faults.isEmpty() ? parts.stream().mapToInt(Part::count).sum() : 0;
        int all = old.lines().stream().mapToInt(l -> l.pieces().size()).sum();
        if (faults.isEmpty() && (moving == 0 || moving >= all)) {
            faults.add(Fault.of("parts", "split.all"));
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        PieceDesk.Sitting sitting = desk.sit();
        CustomerOrder.OrderHead head = old.head();
        CustomerOrder made = orders.save(
                new CustomerOrder.OrderHead(
                        Orders.FORM, orders.nextReference(), head.customer(), head.due(), head.note()),
                old.stage(),
                List.of(),
                sitting);
        List<Quotes.Moved> moved = new ArrayList<>();
        for (Part part : parts) {
            OrderLine line = old.lines().stream()
                    .filter(l -> l.id() == part.line())
                    .findFirst()
                    .orElseThrow();
            OrderLine other = Orders.addLine(made, line.read().with(0).numbered(made.nextNumber()));
            other.takeOver(line.last(part.count()));
            moved.add(new Quotes.Moved(line.number(), other.number(), part.count()));
        }
        old.lines().removeIf(OrderLine::empty);
        made.search(SearchText.of(made, sitting));
        old.search(SearchText.of(old, sitting));
        store.flush();
        standing.refresh(List.of(old.id(), made.id()));
        quotes.share(old, made, moved);
        history.note(
                old.id(), What.SPLIT, Map.of("pieces", moving, "to", made.head().reference()));
        history.note(made.id(), What.SPLIT, Map.of("pieces", moving, "from", head.reference()));
        return made.id();
    }
}
