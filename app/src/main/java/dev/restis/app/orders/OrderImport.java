package dev.restis.app.orders;

import dev.restis.app.customers.Customers;
import dev.restis.app.orders.CustomerOrder.OrderHead;
import dev.restis.app.orders.OrderRows.Reading;
import dev.restis.app.orders.Orders.ReadLine;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.platform.FieldProblem;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.RowsFile;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.order.OrderAct;
import dev.restis.core.order.OrderLife;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.locks.LockSupport;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Orders out of a file. The same row twice, in one file or in two, never becomes two lines. */
@Service
public class OrderImport {

    /** What a row of the file would do. */
    public enum RowState {
        /** It becomes a line. */
        NEW,
        /** It is there already and says the same. */
        KNOWN,
        /** It is there already and says something else; what is there stays, unless the change is accepted. */
        DIFFERENT,
        /** It cannot be read. */
        BAD
    }

    /** How much of a file to take. */
    public enum Mode {
        ALL,
        GOOD_ROWS
    }

    /**
     * How a file is to be read and taken.
     *
     * @param units what bare lengths in it are in
     * @param source where it comes from; an order is known by its source and its reference
     * @param columns which column holds which field, where it is not as it was guessed; empty for none
     * @param fixes cells that were mended in place, by row and field
     * @param accepted rows whose differences are taken over
     */
    public record Request(
            UnitSystem units,
            @Nullable String source,
            @Nullable Map<String, String> columns,
            @Nullable Map<Long, Map<String, String>> fixes,
            @Nullable Set<Long> accepted) {

        String from() {
            return source == null || source.isBlank() ? FILE : source.strip();
        }

        Map<String, String> chosen() {
            return columns == null ? Map.of() : columns;
        }

        Map<String, String> fixesOf(long row) {
            return fixes == null ? Map.of() : fixes.getOrDefault(row, Map.of());
        }

        boolean accepts(long row) {
            return accepted != null && accepted.contains(row);
        }
    }

    /** What would change in an order that is there. */
    public record Difference(String field, String now, String then) {}

    /**
     * A row as understood.
     *
     * @param cells by field, as they were read; for rows that need another look
     */
    public record RowView(
            long number,
            RowState state,
            String reference,
            int line,
            String customer,
            @Nullable LocalDate due,
            int quantity,
            String patternName,
            String size,
            String colours,
            List<Difference> differences,
            Map<String, String> cells,
            List<FieldProblem> problems) {}

    /** A field and the file's column that holds it; an empty name for none. */
    public record ColumnView(String field, String column, boolean needed) {}

    /**
     * A file as understood, before or after taking it.
     *
     * @param rows all that need a look, and the first of the others
     * @param fresh how many rows are new
     */
    public record FileView(
            RowsFile.Form form,
            List<String> fileColumns,
            List<ColumnView> columns,
            List<RowView> rows,
            int all,
            int fresh,
            int known,
            int different,
            int bad,
            int accepted,
            int pieces) {}

    static final String FILE = "FILE";
    private static final int LONGEST_SOURCE = 40;
    private static final Duration LONGEST_WAIT = Duration.ofSeconds(60);
    private static final Duration BETWEEN_LOOKS = Duration.ofMillis(60);

    private final Orders orders;
    private final OrderStore store;
    private final OrderRows rows;
    private final PieceDesk desk;
    private final OrderLocks locks;
    private final Standing standing;
    private final OrderActs acts;
    private final History history;
    private final OrderSources sources;
    private final EntityManager entities;
    private final Clock clock;
    private final TransactionTemplate transaction;
    private final Customers customers;

    OrderImport(
            Orders orders,
            OrderStore store,
            OrderRows rows,
            PieceDesk desk,
            OrderLocks locks,
            Standing standing,
            OrderActs acts,
            History history,
            OrderSources sources,
            EntityManager entities,
            Clock clock,
            PlatformTransactionManager transactions,
            Customers customers) {
        this.customers = customers;
        this.transaction = new TransactionTemplate(transactions);
        this.locks = locks;
        this.orders = orders;
        this.store = store;
        this.rows = rows;
        this.desk = desk;
        this.standing = standing;
        this.acts = acts;
        this.history = history;
        this.sources = sources;
        this.entities = entities;
        this.clock = clock;
    }

    /** Says what importing would do, and does nothing. */
    @Transactional(readOnly = true)
    public FileView preview(byte[] file, Request request) {
        return readAll(file, request, desk.sit()).view(request);
    }

    /**
     * Takes the new rows of a file: all of them, or none when some are bad and all were asked for.
     *
     * @param progress is told how many orders of how many are kept
     * @param kept is called with what came of it, in the transaction that keeps it
     */
    FileView take(byte[] file, Request request, Mode mode, Progress progress, Consumer<FileView> kept) {
        return inTurn(() -> {
            FileView view = taken(file, request, mode, progress);
            kept.accept(view);
            return view;
        });
    }

    /** Hears how many orders of how many are kept. */
    interface Progress {
        void at(int done, int all);
    }

    /**
     * Does {@code work} in a transaction while no other file is taken, on this or another instance: two at once would both find
     * the same order missing. Whoever waits does so without a connection.
     *
     * @throws Conflict when files before it took too long
     */
    public <T> T inTurn(Supplier<T> work) {
        Instant end = clock.instant().plus(LONGEST_WAIT);
        while (clock.instant().isBefore(end)) {
            Optional<T> done = Objects.requireNonNull(
                    transaction.execute(status -> turn() ? Optional.of(work.get()) : Optional.<T>empty()));
            if (done.isPresent()) {
                return done.get();
            }
            LockSupport.parkNanos(BETWEEN_LOOKS.toNanos());
        }
        throw new Conflict("import.busy");
    }

    private boolean turn() {
        return (Boolean) entities.createNativeQuery(
                        "select pg_try_advisory_xact_lock(hashtext('orders-from-files'))", Boolean.class)
                .getSingleResult();
    }

    /** Takes a file within work that is done {@linkplain #inTurn in turn}. */
    public FileView takeInTurn(byte[] file, Request request, Mode mode) {
        return taken(file, request, mode, (done, all) -> {});
    }

    private FileView taken(byte[] file, Request request, Mode mode, Progress progress) {
        PieceDesk.Sitting sitting = desk.sit();
        // Before anything is read of them, so that what is judged is what is changed.
        locks.holdTogether(store.idsOfSource(request.from(), references(file, request)));
        UnderstoodFile understood = readAll(file, request, sitting);
        if (!understood.columns().missing().isEmpty()) {
            throw new Rejected(Fault.of(
                    "file",
                    "file.columns",
                    String.join(", ", understood.columns().missing())));
        }
        FileView view = understood.view(request);
        if (mode == Mode.ALL && view.bad() > 0) {
            throw new Rejected(Fault.of("file", "file.badRows", view.bad()));
        }
        sources.remember(request.from(), request.chosen());
        Map<String, Long> named = customers.named(understood.readings().stream()
                .filter(r ->
                        r.state() == RowState.NEW || r.state() == RowState.DIFFERENT && request.accepts(r.number()))
                .map(r -> r.head().customer())
                .collect(Collectors.toSet()));
        Map<String, CustomerOrder> touched = new TreeMap<>();
        Map<String, Orders.Fresh> fresh = new LinkedHashMap<>();
        for (Reading reading : understood.readings()) {
            String reference = reading.head().reference();
            Optional<CustomerOrder> known = reading.known();
            if (reading.state() == RowState.NEW) {
                ReadLine line = reading.line().orElseThrow();
                known.ifPresentOrElse(
                        order -> add(order, line),
                        () -> fresh.computeIfAbsent(reference, r -> new Orders.Fresh(reading.head(), new ArrayList<>()))
                                .lines()
                                .add(line));
                known.ifPresent(order -> touched.put(reference, order));
            } else if (reading.state() == RowState.DIFFERENT && request.accepts(reading.number())) {
                known.ifPresentOrElse(
                        order -> {
                            change(order, reading, named);
                            touched.put(reference, order);
                        },
                        () -> replace(fresh.get(reference), reading.line().orElseThrow()));
            }
        }
        touched.values().forEach(order -> order.search(SearchText.of(order, sitting)));
        store.flush();
        standing.refresh(touched.values().stream().map(CustomerOrder::id).toList());
        orders.saveAll(List.copyOf(fresh.values()), sitting, done -> progress.at(done, fresh.size()));
        return view;
    }

    /** The orders that a file names, by their references. */
    @Transactional(readOnly = true)
    public Set<String> references(byte[] bytes, Request request) {
        RowsFile file = RowsFile.read(bytes, "orders");
        return references(file, columns(file, request), request);
    }

    /** A row that says something else than one before it in the same file. */
    private static void replace(Orders.@Nullable Fresh order, ReadLine line) {
        if (order != null) {
            order.lines().replaceAll(l -> l.number() == line.number() ? line : l);
        }
    }

    private void add(CustomerOrder order, ReadLine line) {
        Orders.addLine(order, line);
        noteChange(order, line.number());
    }

    private void noteChange(CustomerOrder order, int line) {
        history.note(
                order.id(),
                History.What.CHANGED,
                Map.of("fields", "line " + line + " by " + order.head().source()));
    }

    /** Takes over what a row says of a line that is there; pieces that are cut stay what they are. */
    private void change(CustomerOrder order, Reading reading, Map<String, Long> named) {
        ReadLine to = reading.line().orElseThrow();
        if (!OrderLife.allowed(order.stage(), standing.of(order.id()).progress())
                .contains(OrderAct.CHANGE_PIECES)) {
            throw new Rejected(Fault.of("file", "file.settled", reading.head().reference()));
        }
        OrderHead now = order.head();
        String customer = reading.head().customer();
        order.head(
                new OrderHead(
                        now.source(),
                        now.reference(),
                        customer,
                        reading.head().due() == null
                                ? now.due()
                                : reading.head().due(),
                        reading.head().note().isEmpty()
                                ? now.note()
                                : reading.head().note()),
                customer.equals(now.customer()) ? order.customerId() : Objects.requireNonNull(named.get(customer)));
        order.line(to.number()).ifPresent(line -> {
            List<Piece> leaving = new ArrayList<>(line.surplus(to.quantity()));
            if (!to.spec().equals(line.spec())) {
                leaving.addAll(line.pieces().stream().filter(p -> !p.cut()).toList());
            }
            acts.takeOut(leaving.stream().distinct().filter(p -> !p.open()).toList());
            Orders.changeLine(order, line, to);
        });
        noteChange(order, to.number());
    }

    private UnderstoodFile readAll(byte[] bytes, Request request, PieceDesk.Sitting sitting) {
        List<Fault> faults = new ArrayList<>();
        if (request.from().length() > LONGEST_SOURCE) {
            faults.add(Fault.of("source", "tooLong", LONGEST_SOURCE));
        }
        RowsFile file = RowsFile.read(bytes, "orders");
        Columns columns = columns(file, request);
        if (!columns.missing().isEmpty()) {
            // Without its columns nothing of the file can be judged; what there is is shown, to be chosen from.
            return new UnderstoodFile(file, columns, List.of());
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        Map<String, CustomerOrder> known = known(file, columns, request);
        OrderRows.Run run = rows.run(request.units(), request.from(), sitting, known, settled(known.values()));
        List<Reading> readings = new ArrayList<>();
        for (RowsFile.Row row : file.rows()) {
            readings.add(run.read(columns.of(row, request.fixesOf(row.number()))));
        }
        return new UnderstoodFile(file, columns, readings);
    }

    private Columns columns(RowsFile file, Request request) {
        return Columns.guess(file.columns())
                .with(sources.columns(request.from()))
                .with(request.chosen());
    }

    private static Set<String> references(RowsFile file, Columns columns, Request request) {
        Set<String> references = new LinkedHashSet<>();
        file.rows()
                .forEach(row -> references.add(
                        columns.of(row, request.fixesOf(row.number())).cell("reference")));
        return references;
    }

    private Map<String, CustomerOrder> known(RowsFile file, Columns columns, Request request) {
        Map<String, CustomerOrder> known = new HashMap<>();
        store.ofSource(request.from(), references(file, columns, request))
                .forEach(order -> known.put(order.head().reference(), order));
        return known;
    }

    /** The references of those whose pieces may not be changed any more. */
    private Set<String> settled(Collection<CustomerOrder> orders) {
        Map<Long, String> references = new HashMap<>();
        orders.forEach(order -> references.put(order.id(), order.head().reference()));
        return standing.of(references.keySet()).stream()
                .filter(s -> !OrderLife.allowed(s.stage(), s.progress()).contains(OrderAct.CHANGE_PIECES))
                .map(s -> references.getOrDefault(s.order(), ""))
                .collect(Collectors.toSet());
    }
}
