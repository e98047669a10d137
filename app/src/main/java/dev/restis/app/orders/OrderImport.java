package dev.restis.app.orders;

import dev.restis.app.orders.CustomerOrder.OrderHead;
import dev.restis.app.orders.Orders.ReadLine;
import dev.restis.app.patterns.PieceChoices;
import dev.restis.app.patterns.PieceChoices.PartChoice;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.platform.FaultWords;
import dev.restis.app.platform.FieldProblem;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.order.OrderStage;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Orders out of a file. The same row twice, in one file or in two, never becomes two lines. */
@Service
public class OrderImport {

    /** What a row of the file would do. */
    public enum RowState {
        /** It becomes a line. */
        NEW,
        /** It is there already and says the same. */
        KNOWN,
        /** It is there already and says something else; what is there stays. */
        DIFFERENT,
        /** It cannot be read. */
        BAD
    }

    /** How much of a file to take. */
    public enum Mode {
        ALL,
        GOOD_ROWS
    }

    /** A row as understood. */
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
            List<FieldProblem> problems) {}

    /** A file as understood, before or after taking it. */
    public record FileView(List<RowView> rows, int fresh, int known, int different, int bad, int pieces) {}

    private static final String YES = "(?i)yes|y|x|1|true";
    private static final String SOURCE = "FILE";

    private record Reading(RowView view, OrderHead head, Optional<ReadLine> line) {}

    private static final int MOST_COLOURS = 8;
    private static final Pattern COLOUR = Pattern.compile("colours\\[(\\d+)]");
    private static final Pattern PART = Pattern.compile("parts\\[([^]]+)](\\.count)?");
    private final Orders orders;
    private final OrderStore store;
    private final PieceDesk desk;
    private final FaultWords words;
    private final JdbcClient jdbc;
    private final Clock clock;
    private final Standing standing;

    OrderImport(
            Orders orders,
            OrderStore store,
            PieceDesk desk,
            FaultWords words,
            JdbcClient jdbc,
            Clock clock,
            Standing standing) {
        this.standing = standing;
        this.orders = orders;
        this.store = store;
        this.desk = desk;
        this.words = words;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** Says what importing would do, and does nothing. */
    @Transactional(readOnly = true)
    public FileView preview(byte[] file, UnitSystem units) {
        return view(readAll(file, units, desk.sit()));
    }

    /** Takes the new rows of a file: all of them, or none when some are bad and all were asked for. */
    @Transactional
    public FileView take(byte[] file, UnitSystem units, Mode mode) {
        jdbc.sql("select pg_advisory_xact_lock(hashtext('order-import'))")
                .query()
                .listOfRows();
        PieceDesk.Sitting sitting = desk.sit();
        List<Reading> readings = readAll(file, units, sitting);
        FileView view = view(readings);
        if (mode == Mode.ALL && view.bad() > 0) {
            throw new Rejected(Fault.of("file", "file.badRows", view.bad()));
        }
        Map<String, CustomerOrder> open = new HashMap<>();
        for (Reading reading : readings) {
            if (reading.view().state() == RowState.NEW) {
                CustomerOrder order = open.computeIfAbsent(
                        reading.head().reference(),
                        reference -> store.findBySourceAndReference(SOURCE, reference)
                                .orElseGet(() -> orders.save(reading.head(), OrderStage.ACCEPTED, List.of(), sitting)));
                Orders.addLine(order, reading.line().orElseThrow());
            }
        }
        open.values().forEach(order -> order.search(SearchText.of(order, sitting)));
        store.flush();
        standing.refresh(open.values().stream().map(CustomerOrder::id).toList());
        return view;
    }

    private static FileView view(List<Reading> readings) {
        List<RowView> rows = readings.stream().map(Reading::view).toList();
        int pieces = rows.stream()
                .filter(r -> r.state() == RowState.NEW)
                .mapToInt(RowView::quantity)
                .sum();
        return new FileView(
                rows,
                count(rows, RowState.NEW),
                count(rows, RowState.KNOWN),
                count(rows, RowState.DIFFERENT),
                count(rows, RowState.BAD),
                pieces);
    }

    private static int count(List<RowView> rows, RowState state) {
        return (int) rows.stream().filter(r -> r.state() == state).count();
    }

    private List<Reading> readAll(byte[] file, UnitSystem units, PieceDesk.Sitting sitting) {
        Map<String, Integer> lines = new HashMap<>();
        Map<String, ReadLine> seen = new HashMap<>();
        List<Reading> readings = new ArrayList<>();
        for (OrderFile.Row row : OrderFile.read(file)) {
            readings.add(read(row, units, sitting, lines, seen));
        }
        return readings;
    }

    private Reading read(
            OrderFile.Row row,
            UnitSystem units,
            PieceDesk.Sitting sitting,
            Map<String, Integer> lines,
            Map<String, ReadLine> seen) {
        List<Fault> faults = new ArrayList<>();
        String reference = Texts.required(row.cell("reference"), "reference", 60, faults);
        String customer = Texts.required(row.cell("customer"), "customer", 120, faults);
        Optional<LocalDate> due =
                Texts.given(row.cell("due")).flatMap(t -> DueDate.read(t, LocalDate.now(clock), "due", faults));
        int quantity = wholeNumber(row, "quantity", "quantity.unread", 0, faults);
        if (faults.stream().noneMatch(f -> f.field().equals("quantity"))) {
            faults.addAll(Orders.quantityFaults(quantity));
        }
        int next = lines.merge(reference, 1, Integer::sum);
        int number = row.cell("line").isEmpty() ? next : wholeNumber(row, "line", "line.unread", 1, faults);
        String note = Orders.note(row.cell("note"), faults);
        PieceChoices choices = choices(
                row, units, sitting.hardwareSlots(row.cell("pattern").toLowerCase(java.util.Locale.ROOT)), faults);
        PieceDesk.Understood understood = sitting.understand(choices);
        understood.faults().forEach(f -> faults.add(new Fault(column(f.field()), f.code(), f.args())));
        OrderHead head = new OrderHead(SOURCE, reference, customer, due.orElse(null), "");
        Optional<ReadLine> line = faults.isEmpty()
                ? understood
                        .spec()
                        .map(spec -> new ReadLine(
                                number,
                                spec,
                                quantity,
                                row.cell("matching").matches(YES),
                                note,
                                sitting.workOut(spec).time().total()))
                : Optional.empty();
        RowState state = line.map(l -> state(head, l, seen)).orElse(RowState.BAD);
        RowView view = new RowView(
                row.number(),
                state,
                reference,
                number,
                customer,
                due.orElse(null),
                quantity,
                sitting.patternName(choices.pattern()),
                String.join(" ", List.of(row.cell("size"), row.cell("wrist"), row.cell("length")))
                        .strip(),
                String.join(", ", choices.colours()),
                words.of(faults));
        return new Reading(view, head, line);
    }

    /** The column that a field of the choices is read from. */
    private static String column(String field) {
        Matcher colour = COLOUR.matcher(field);
        if (colour.matches()) {
            return "colour " + (Integer.parseInt(colour.group(1)) + 1);
        }
        Matcher part = PART.matcher(field);
        if (part.matches()) {
            return part.group(2) == null
                    ? part.group(1)
                    : part.group(1).equals("bead") ? "beads" : part.group(1) + " count";
        }
        return field.equals("ease") ? "fit" : field;
    }

    private RowState state(OrderHead head, ReadLine line, Map<String, ReadLine> seen) {
        ReadLine before = seen.putIfAbsent(head.reference() + "/" + line.number(), line);
        if (before != null) {
            return before.equals(line) ? RowState.KNOWN : RowState.DIFFERENT;
        }
        return store.findBySourceAndReference(SOURCE, head.reference())
                .flatMap(o -> o.line(line.number()))
                .map(l -> l.says(line) ? RowState.KNOWN : RowState.DIFFERENT)
                .orElse(RowState.NEW);
    }

    private static PieceChoices choices(OrderFile.Row row, UnitSystem units, List<String> slots, List<Fault> faults) {
        List<String> colours = new ArrayList<>();
        for (int slot = 1; slot <= MOST_COLOURS; slot++) {
            colours.add(row.cell("colour " + slot));
        }
        while (!colours.isEmpty() && colours.get(colours.size() - 1).isEmpty()) {
            colours.remove(colours.size() - 1);
        }
        return new PieceChoices(
                row.cell("pattern").toLowerCase(java.util.Locale.ROOT),
                row.cell("size"),
                row.cell("wrist"),
                row.cell("hand"),
                row.cell("fit"),
                row.cell("length"),
                colours,
                parts(row, slots, faults),
                row.cell("kit").matches(YES + "|kit"),
                row.cell("wearer"),
                row.cell("taper").matches(YES),
                units);
    }

    /** A part is named by a column of its slot's name; how many of it by that name and "count", beads also by "beads". */
    private static Map<String, PartChoice> parts(OrderFile.Row row, List<String> slots, List<Fault> faults) {
        Map<String, PartChoice> parts = new HashMap<>();
        for (String slot : slots) {
            String number = slot.equals("bead") ? "beads" : slot + " count";
            int count = row.cell(number).isEmpty() ? 0 : wholeNumber(row, number, "beads.unread", 0, faults);
            if (!row.cell(slot).isEmpty() || count > 0) {
                parts.put(slot, new PartChoice(row.cell(slot), count));
            }
        }
        return parts;
    }

    private static int wholeNumber(OrderFile.Row row, String cell, String code, int least, List<Fault> faults) {
        String text = row.cell(cell);
        if (text.matches("-?\\d{1,9}") && Integer.parseInt(text) >= least) {
            return Integer.parseInt(text);
        }
        faults.add(Fault.of(cell, code, text));
        return 0;
    }
}
