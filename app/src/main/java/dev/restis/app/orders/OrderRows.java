package dev.restis.app.orders;

import dev.restis.app.orders.Columns.Cells;
import dev.restis.app.orders.CustomerOrder.OrderHead;
import dev.restis.app.orders.OrderImport.Difference;
import dev.restis.app.orders.OrderImport.RowState;
import dev.restis.app.orders.OrderImport.RowView;
import dev.restis.app.orders.Orders.ReadLine;
import dev.restis.app.patterns.PieceChoices;
import dev.restis.app.patterns.PieceChoices.PartChoice;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.platform.FaultWords;
import dev.restis.app.platform.Texts;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.UnitSystem;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Understands rows of order files, one after the other. */
@Component
class OrderRows {

    /**
     * A row as understood.
     *
     * @param known the order that it names, if it is there
     */
    record Reading(RowView view, OrderHead head, Optional<ReadLine> line, Optional<CustomerOrder> known) {
        RowState state() {
            return view.state();
        }

        long number() {
            return view.number();
        }
    }

    private static final String YES = "(?i)yes|y|x|1|true";
    private static final Pattern COLOUR = Pattern.compile("colours\\[(\\d+)]");
    private static final Pattern PART = Pattern.compile("parts\\[([^]]+)](\\.count)?");

    private final FaultWords words;
    private final Clock clock;

    OrderRows(FaultWords words, Clock clock) {
        this.words = words;
        this.clock = clock;
    }

    /**
     * @param known the orders that the file names and that are there, by reference
     * @param settled those of them whose pieces may not be changed any more
     */
    Run run(
            UnitSystem units,
            String source,
            PieceDesk.Sitting sitting,
            Map<String, CustomerOrder> known,
            Set<String> settled) {
        return new Run(units, source, sitting, known, settled);
    }

    /** One going through a file; a row may say again what a row before it said. */
    final class Run {
        private final UnitSystem units;
        private final String source;
        private final PieceDesk.Sitting sitting;
        private final Map<String, CustomerOrder> known;
        private final Set<String> settled;
        private final Map<String, Integer> lines = new HashMap<>();
        private final Map<String, Integer> additions = new HashMap<>();
        private final Map<String, ReadLine> seen = new HashMap<>();
        private final LocalDate today = LocalDate.now(clock);

        private Run(
                UnitSystem units,
                String source,
                PieceDesk.Sitting sitting,
                Map<String, CustomerOrder> known,
                Set<String> settled) {
            this.settled = settled;
            this.units = units;
            this.source = source;
            this.sitting = sitting;
            this.known = known;
        }

        Reading read(Cells row) {
            List<Fault> faults = new ArrayList<>();
            String reference = Texts.required(row.cell("reference"), "reference", 60, faults);
            String customer = Texts.required(row.cell("customer"), "customer", 120, faults);
            Optional<LocalDate> due = Texts.given(row.cell("due")).flatMap(t -> DueDate.read(t, today, "due", faults));
            int quantity = wholeNumber(row, "quantity", "quantity.unread", 0, faults);
            if (faults.stream().noneMatch(f -> f.field().equals("quantity"))) {
                faults.addAll(Orders.quantityFaults(quantity));
            }
            int next = lines.merge(reference, 1, Integer::sum);
            int number = row.cell("line").isEmpty() ? next : wholeNumber(row, "line", "line.unread", 1, faults);
            String note = Orders.note(row.cell("note"), faults);
            String orderNote = Orders.note(row.cell("order note"), faults);
            PieceChoices choices =
                    choices(row, sitting.hardwareSlots(row.cell("pattern").toLowerCase(Locale.ROOT)), faults);
            PieceDesk.Understood understood = sitting.understand(choices);
            understood.faults().forEach(f -> faults.add(new Fault(column(f.field()), f.code(), f.args())));
            Optional<CustomerOrder> order = Optional.ofNullable(known.get(reference));
            if (order.filter(o -> o.line(number).isEmpty()).isPresent()) {
                added(reference, order.get(), faults);
            }
            OrderHead head = new OrderHead(source, reference, customer, due.orElse(null), orderNote);
            Optional<ReadLine> line = faults.isEmpty()
                    ? understood
                            .spec()
                            .map(spec -> new ReadLine(
                                    number,
                                    spec,
                                    quantity,
                                    row.cell("matching").matches(YES),
                                    note,
                                    Orders.Effort.of(sitting.workOut(spec))))
                    : Optional.empty();
            List<Difference> differences =
                    line.map(l -> differences(order, head, l, row.cell("due"))).orElse(List.of());
            RowState state = line.map(l -> state(order, head, l, differences)).orElse(RowState.BAD);
            boolean look = state == RowState.BAD || state == RowState.DIFFERENT;
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
                    differences,
                    look ? row.byField() : Map.of(),
                    words.of(faults));
            return new Reading(view, head, line, order);
        }

        /** A line that its order does not have yet: not every order takes one more. */
        private void added(String reference, CustomerOrder order, List<Fault> faults) {
            if (settled.contains(reference)) {
                faults.add(Fault.of("reference", "file.settled", reference));
            }
            int all = order.lines().size() + additions.merge(reference, 1, Integer::sum);
            if (all > Orders.MOST_LINES) {
                faults.add(Fault.of("reference", "lines.range", all, Orders.MOST_LINES));
            }
        }

        private RowState state(
                Optional<CustomerOrder> order, OrderHead head, ReadLine line, List<Difference> differences) {
            ReadLine before = seen.putIfAbsent(head.reference() + "/" + line.number(), line);
            if (before != null) {
                return before.equals(line) ? RowState.KNOWN : RowState.DIFFERENT;
            }
            boolean there = order.flatMap(o -> o.line(line.number())).isPresent();
            return !there ? RowState.NEW : differences.isEmpty() ? RowState.KNOWN : RowState.DIFFERENT;
        }

        private List<Difference> differences(Optional<CustomerOrder> order, OrderHead head, ReadLine to, String day) {
            List<Difference> differences = new ArrayList<>();
            order.ifPresent(o -> o.line(to.number()).ifPresent(line -> {
                ReadLine now = line.read();
                differ("customer", o.head().customer(), head.customer(), differences);
                if (fixed(day)) {
                    differ("due", o.head().due(), head.due(), differences);
                }
                if (!head.note().isEmpty()) {
                    differ("order note", o.head().note(), head.note(), differences);
                }
                differ("quantity", now.quantity(), to.quantity(), differences);
                differ("matching", now.matching(), to.matching(), differences);
                differ("note", now.note(), to.note(), differences);
                if (!now.spec().sameAs(to.spec())) {
                    differences.add(new Difference("piece", shown(now), shown(to)));
                }
            }));
            return differences;
        }

        private static void differ(
                String field, @Nullable Object now, @Nullable Object then, List<Difference> differences) {
            if (!Objects.equals(now, then)) {
                differences.add(
                        new Difference(field, now == null ? "" : now.toString(), then == null ? "" : then.toString()));
            }
        }

        /** A row without a day asks for none; a day counted from the import is another one each time. Neither is a change. */
        private static boolean fixed(String day) {
            return !day.isBlank() && !day.toLowerCase(Locale.ROOT).startsWith("in ");
        }

        /** A piece in short. */
        private String shown(ReadLine line) {
            PieceChoices choices = sitting.choices(line.spec());
            List<String> all = new ArrayList<>(List.of(choices.pattern()));
            for (String text : new String[] {choices.size(), choices.wrist(), choices.length()}) {
                Texts.given(text).ifPresent(all::add);
            }
            all.addAll(choices.colours());
            if (choices.parts() != null) {
                choices.parts().forEach((slot, part) -> all.add(part.article()));
            }
            return String.join(" ", all);
        }

        private PieceChoices choices(Cells row, List<String> slots, List<Fault> faults) {
            List<String> colours = new ArrayList<>();
            for (int slot = 1; slot <= Columns.MOST_COLOURS; slot++) {
                colours.add(row.cell("colour " + slot));
            }
            while (!colours.isEmpty() && colours.get(colours.size() - 1).isEmpty()) {
                colours.remove(colours.size() - 1);
            }
            return new PieceChoices(
                    row.cell("pattern").toLowerCase(Locale.ROOT),
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

    /** A part is named by a column of its slot's name; how many of it by that name and "count", beads also by "beads". */
    private static Map<String, PartChoice> parts(Cells row, List<String> slots, List<Fault> faults) {
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

    private static int wholeNumber(Cells row, String cell, String code, int least, List<Fault> faults) {
        String text = row.cell(cell);
        if (text.matches("-?\\d{1,9}") && Integer.parseInt(text) >= least) {
            return Integer.parseInt(text);
        }
        faults.add(Fault.of(cell, code, text));
        return 0;
    }
}
