package dev.restis.app.orders;

import dev.restis.app.customers.Customers;
import dev.restis.app.orders.CustomerOrder.OrderHead;
import dev.restis.app.patterns.PieceChoices;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.patterns.PieceSpec;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.batch.SetUp;
import dev.restis.core.measure.Fault;
import dev.restis.core.order.OrderStage;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.IntConsumer;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Taking orders. */
@Service
public class Orders {

    /**
     * A line as typed.
     *
     * @param matching whether its pieces must match in shade: all from one lot, with every other such line of the order
     */
    public record NewLine(
            PieceChoices choices,
            int quantity,
            @Nullable Boolean matching,
            @Nullable String note) {}

    /**
     * An order as typed; without a reference it gets one of its own.
     *
     * @param draft whether it is still being put together; else it is accepted, at the price of the day
     */
    public record NewOrder(
            @Nullable String reference,
            String customer,
            @Nullable String due,
            @Nullable String note,
            @Nullable Boolean draft,
            List<NewLine> lines) {}

    /**
     * What one piece takes.
     *
     * @param making of a maker's time
     * @param needs of each article, by its identity: micrometres of cord, pieces of hardware
     * @param setUp what stays on the bench from one such piece to the next
     */
    record Effort(Duration making, Map<Long, Long> needs, SetUp setUp) {

        static Effort of(PieceDesk.Worked worked) {
            Map<Long, Long> needs = new TreeMap<>();
            worked.needed().forEach((article, each) -> needs.put(article.id(), each));
            SetUp setUp = SetUp.of(
                    worked.piece(),
                    worked.spec().articles(),
                    worked.cords().get(worked.cords().size() - 1).diameterOf());
            return new Effort(worked.time().total(), needs, setUp);
        }
    }

    /** A line as understood. */
    record ReadLine(int number, PieceSpec spec, int quantity, boolean matching, String note, Effort effort) {
        ReadLine with(String other) {
            return new ReadLine(number, spec, quantity, matching, other, effort);
        }

        ReadLine with(int other) {
            return new ReadLine(number, spec, other, matching, note, effort);
        }

        ReadLine with(boolean other) {
            return new ReadLine(number, spec, quantity, other, note, effort);
        }

        /** The same line of another piece. */
        ReadLine with(ReadLine other) {
            return new ReadLine(number, other.spec(), quantity, matching, note, other.effort());
        }

        ReadLine numbered(int other) {
            return new ReadLine(other, spec, quantity, matching, note, effort);
        }
    }

    static final String FORM = "FORM";
    static final int MOST_PIECES = 1000;
    static final int MOST_LINES = 500;
    private static final int LONGEST_NOTE = 500;
    /** How many orders are written together. */
    private static final int SOME = 200;

    private final OrderStore store;
    private final PieceDesk desk;
    private final JdbcClient jdbc;
    private final JdbcTemplate bulk;
    private final Clock clock;
    private final OrderLocks locks;
    private final Standing standing;
    private final History history;
    private final Quotes quotes;
    private final EntityManager entities;
    private final Customers customers;

    Orders(
            OrderStore store,
            PieceDesk desk,
            JdbcClient jdbc,
            JdbcTemplate bulk,
            Clock clock,
            OrderLocks locks,
            Standing standing,
            History history,
            Quotes quotes,
            EntityManager entities,
            Customers customers) {
        this.customers = customers;
        this.locks = locks;
        this.bulk = bulk;
        this.entities = entities;
        this.standing = standing;
        this.history = history;
        this.quotes = quotes;
        this.store = store;
        this.desk = desk;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    @Transactional
    public long take(NewOrder input) {
        List<Fault> faults = new ArrayList<>();
        String customer = Texts.required(input.customer(), "customer", 120, faults);
        Optional<LocalDate> due =
                Texts.given(input.due()).flatMap(text -> DueDate.read(text, LocalDate.now(clock), "due", faults));
        String reference = Texts.given(input.reference()).orElseGet(this::nextReference);
        if (reference.length() > 60) {
            faults.add(Fault.of("reference", "tooLong", 60));
        } else if (store.findBySourceAndReference(FORM, reference).isPresent()) {
            faults.add(Fault.of("reference", "reference.taken", reference));
        }
        if (input.lines().isEmpty() || input.lines().size() > MOST_LINES) {
            faults.add(Fault.of("lines", "lines.range", input.lines().size(), MOST_LINES));
        }
        String note = note(input.note(), faults);
        PieceDesk.Sitting sitting = desk.sit();
        List<ReadLine> lines = readLines(input.lines(), 1, sitting, "lines", faults);
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        boolean draft = Boolean.TRUE.equals(input.draft());
        OrderHead head = new OrderHead(FORM, reference, customer, due.orElse(null), note);
        CustomerOrder order = save(head, draft ? OrderStage.DRAFT : OrderStage.ACCEPTED, lines, sitting);
        if (!draft) {
            quotes.accept(order);
        }
        return order.id();
    }

    /** Keeps a new order and says in its history that it was taken. */
    CustomerOrder save(OrderHead head, OrderStage stage, List<ReadLine> lines, PieceDesk.Sitting sitting) {
        return save(List.of(new Fresh(head, lines)), stage, sitting).get(0);
    }

    /** An order that is to be. */
    record Fresh(OrderHead head, List<ReadLine> lines) {}

    /**
     * Keeps new orders of one source that are taken on.
     *
     * @param progress is told after every few of them how many are kept
     */
    void saveAll(List<Fresh> fresh, PieceDesk.Sitting sitting, IntConsumer progress) {
        Map<String, Long> named = named(fresh);
        for (int from = 0; from < fresh.size(); from += SOME) {
            List<Fresh> some = fresh.subList(from, Math.min(fresh.size(), from + SOME));
            List<CustomerOrder> made = some.stream()
                    .map(f -> order(f, named, OrderStage.ACCEPTED, sitting))
                    .toList();
            List<Quotes.PriceView> prices = quotes.price(made, sitting);
            Map<OrderLine, OrderLine.Beside> beside = new IdentityHashMap<>();
            made.forEach(o -> o.lines().forEach(line -> beside.put(line, line.takeOff())));
            store.saveAllAndFlush(made);
            write(beside);
            taken(made, some);
            quotes.accept(made, prices);
            store.flush();
            // What is written is let go of: with all of them in memory, each flush would look at all that went before.
            entities.clear();
            progress.accept(from + some.size());
        }
    }

    /** Written line by line, as Hibernate does, these rows would take as long as everything else. */
    private void write(Map<OrderLine, OrderLine.Beside> beside) {
        List<Object[]> colours = new ArrayList<>();
        List<Object[]> parts = new ArrayList<>();
        List<Object[]> needs = new ArrayList<>();
        beside.forEach((line, rows) -> {
            for (int slot = 0; slot < rows.colours().size(); slot++) {
                colours.add(new Object[] {line.id(), slot, rows.colours().get(slot)});
            }
            rows.parts().forEach(p -> parts.add(new Object[] {line.id(), p.slot(), p.article(), p.count()}));
            rows.needs().forEach((article, quantity) -> needs.add(new Object[] {line.id(), article, quantity}));
        });
        bulk.batchUpdate("insert into order_line_colour (line_id, slot, article_id) values (?, ?, ?)", colours);
        bulk.batchUpdate("insert into order_line_part (line_id, slot, article_id, count) values (?, ?, ?, ?)", parts);
        bulk.batchUpdate("insert into order_line_need (line_id, article_id, quantity) values (?, ?, ?)", needs);
    }

    private List<CustomerOrder> save(List<Fresh> fresh, OrderStage stage, PieceDesk.Sitting sitting) {
        Map<String, Long> named = named(fresh);
        List<CustomerOrder> kept = store.saveAllAndFlush(
                fresh.stream().map(f -> order(f, named, stage, sitting)).toList());
        taken(kept, fresh);
        return kept;
    }

    private void taken(List<CustomerOrder> kept, List<Fresh> fresh) {
        List<Long> ids = kept.stream().map(CustomerOrder::id).toList();
        standing.refresh(ids);
        history.note(
                ids, History.What.TAKEN, Map.of("source", fresh.get(0).head().source()));
    }

    private Map<String, Long> named(List<Fresh> fresh) {
        return customers.named(fresh.stream().map(f -> f.head().customer()).collect(Collectors.toSet()));
    }

    private CustomerOrder order(Fresh fresh, Map<String, Long> named, OrderStage stage, PieceDesk.Sitting sitting) {
        long customer = Objects.requireNonNull(named.get(fresh.head().customer()));
        CustomerOrder order = new CustomerOrder(fresh.head(), customer, stage, clock.instant(), Workshop.whoever());
        fresh.lines().forEach(line -> addLine(order, line));
        order.search(SearchText.of(order, sitting));
        return order;
    }

    static OrderLine addLine(CustomerOrder order, ReadLine line) {
        OrderLine added = new OrderLine(order, line);
        order.lines().add(added);
        return added;
    }

    /**
     * Makes a line another. Pieces that are cut stay what they are, on the line; the others move to a line of their own
     * when they become other pieces.
     */
    static void changeLine(CustomerOrder order, OrderLine line, ReadLine to) {
        line.drop(line.surplus(to.quantity()));
        long cut = line.pieces().stream().filter(Piece::cut).count();
        if (line.everything().stream().noneMatch(Piece::cut) || to.spec().equals(line.spec())) {
            line.become(to);
            return;
        }
        int rest = to.quantity() - (int) cut;
        line.drop(line.pieces().stream().filter(p -> !p.cut()).toList());
        if (rest > 0) {
            addLine(order, to.with(rest).numbered(order.nextNumber()));
        }
    }

    /** Takes back an order of which nothing is planned yet. */
    @Transactional
    public void remove(long id) {
        CustomerOrder order = locks.hold(id);
        if (order.lines().stream().flatMap(l -> l.everything().stream()).anyMatch(p -> !p.open())) {
            throw new Conflict("order.planned");
        }
        store.delete(order);
    }

    /**
     * Reads lines as typed.
     *
     * @param first number of the first of them
     * @param field what they are called in faults
     */
    List<ReadLine> readLines(
            List<NewLine> lines, int first, PieceDesk.Sitting sitting, String field, List<Fault> faults) {
        List<ReadLine> read = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            NewLine line = lines.get(i);
            String prefix = field + "[" + i + "].";
            List<Fault> own = new ArrayList<>(quantityFaults(line.quantity()));
            String note = note(line.note(), own);
            PieceDesk.Understood understood = sitting.understand(line.choices());
            own.addAll(understood.faults());
            own.forEach(f -> faults.add(new Fault(prefix + f.field(), f.code(), f.args())));
            int number = first + i;
            understood
                    .spec()
                    .ifPresent(spec -> read.add(new ReadLine(
                            number,
                            spec,
                            line.quantity(),
                            Boolean.TRUE.equals(line.matching()),
                            note,
                            Effort.of(sitting.workOut(spec)))));
        }
        return read;
    }

    static List<Fault> quantityFaults(int quantity) {
        return quantity >= 1 && quantity <= MOST_PIECES
                ? List.of()
                : List.of(Fault.of("quantity", "quantity.range", quantity, MOST_PIECES));
    }

    static String note(@Nullable String text, List<Fault> faults) {
        String note = Texts.given(text).orElse("");
        if (note.length() > LONGEST_NOTE) {
            faults.add(Fault.of("note", "tooLong", LONGEST_NOTE));
        }
        return note;
    }

    String nextReference() {
        long number =
                jdbc.sql("select nextval('order_reference')").query(Long.class).single();
        return String.format(Locale.ROOT, "F-%04d", number);
    }
}
