package dev.restis.app.orders;

import dev.restis.app.customers.Customers;
import dev.restis.app.orders.History.What;
import dev.restis.app.orders.Orders.NewLine;
import dev.restis.app.orders.Orders.ReadLine;
import dev.restis.app.patterns.PieceChoices;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.core.measure.Fault;
import dev.restis.core.order.OrderAct;
import dev.restis.core.order.OrderLife;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Changing orders. A change names what it saw and what it wants; what somebody else changed meanwhile is told, and
 * everything else is merged.
 */
@Service
class OrderChanges {

    /** A text that was seen, and what it shall be. */
    record TextChange(String from, String to) {}

    record NumberChange(int from, int to) {}

    record FlagChange(boolean from, boolean to) {}

    record ChoicesChange(PieceChoices from, PieceChoices to) {}

    /** What shall change about a line; what is missing stays. */
    record LineChange(
            long line,
            @Nullable ChoicesChange choices,
            @Nullable NumberChange quantity,
            @Nullable FlagChange matching,
            @Nullable TextChange note) {}

    /**
     * What shall change about an order; what is missing stays.
     *
     * @param due as a date field holds it
     * @param added lines that are new
     * @param removed lines to take away, by identity
     */
    record OrderChange(
            @Nullable TextChange customer,
            @Nullable TextChange due,
            @Nullable TextChange note,
            @Nullable List<LineChange> lines,
            @Nullable List<NewLine> added,
            @Nullable List<Long> removed) {

        /** Whether more than the head of the order shall change. */
        boolean ofPieces() {
            return !all(lines).isEmpty()
                    || !all(added).isEmpty()
                    || !all(removed).isEmpty();
        }
    }

    private static <T> List<T> all(@Nullable List<T> list) {
        return list == null ? List.of() : list;
    }

    private final OrderStore store;
    private final Orders orders;
    private final OrderActs acts;
    private final OrderLocks locks;
    private final Standing standing;
    private final History history;
    private final PieceDesk desk;
    private final Clock clock;
    private final Customers customers;

    OrderChanges(
            OrderStore store,
            Orders orders,
            OrderActs acts,
            OrderLocks locks,
            Standing standing,
            History history,
            PieceDesk desk,
            Clock clock,
            Customers customers) {
        this.locks = locks;
        this.store = store;
        this.orders = orders;
        this.acts = acts;
        this.standing = standing;
        this.history = history;
        this.desk = desk;
        this.clock = clock;
        this.customers = customers;
    }

    /**
     * Makes the change, or none of it.
     *
     * @throws Rejected with every field that cannot be so, or that somebody else changed meanwhile
     */
    @Transactional
    public void change(long id, OrderChange change) {
        if (change.ofPieces()) {
            locks.holdTogether(List.of(id));
        }
        CustomerOrder order = locks.hold(id);
        Edit edit = new Edit(order, change);
        Set<OrderAct> allowed = OrderLife.allowed(order.stage(), standing.of(id).progress());
        if (!allowed.contains(change.ofPieces() ? OrderAct.CHANGE_PIECES : OrderAct.CHANGE_HEAD)) {
            throw new Conflict("order.notNow");
        }
        edit.head();
        edit.lines();
        if (!edit.faults.isEmpty()) {
            throw new Rejected(edit.faults);
        }
        acts.takeOut(edit.leaving);
        edit.apply.forEach(Runnable::run);
        int lines = order.lines().size();
        if (lines == 0 || lines > Orders.MOST_LINES) {
            throw new Rejected(
                    lines == 0
                            ? Fault.of("lines", "lines.none")
                            : Fault.of("lines", "lines.range", lines, Orders.MOST_LINES));
        }
        order.search(SearchText.of(order, edit.sitting));
        store.flush();
        standing.refresh(List.of(id));
        if (!edit.named.isEmpty()) {
            history.note(id, What.CHANGED, Map.of("fields", String.join(", ", edit.named)));
        }
    }

    /** One change being judged: nothing is touched before all of it is found good. */
    private final class Edit {
        private final CustomerOrder order;
        private final OrderChange change;
        private final PieceDesk.Sitting sitting = desk.sit();
        private final List<Fault> faults = new ArrayList<>();
        private final List<Runnable> apply = new ArrayList<>();
        private final List<Piece> leaving = new ArrayList<>();
        private final Set<String> named = new LinkedHashSet<>();

        Edit(CustomerOrder order, OrderChange change) {
            this.order = order;
            this.change = change;
        }

        void head() {
            CustomerOrder.OrderHead now = order.head();
            String customer = now.customer();
            long whose = order.customerId();
            LocalDate due = now.due();
            String note = now.note();
            if (change.customer() != null && fresh("customer", change.customer(), customer)) {
                customer = Texts.required(change.customer().to(), "customer", 120, faults);
                named.add("customer");
                if (faults.isEmpty()) {
                    whose = customers.named(Set.of(customer)).getOrDefault(customer, whose);
                }
            }
            if (change.due() != null && fresh("due", change.due(), due == null ? "" : due.toString())) {
                due = Texts.given(change.due().to())
                        .flatMap(text -> DueDate.read(text, LocalDate.now(clock), "due", faults))
                        .orElse(null);
                named.add("due");
            }
            if (change.note() != null && fresh("note", change.note(), note)) {
                note = Orders.note(change.note().to(), faults);
                named.add("note");
            }
            CustomerOrder.OrderHead head =
                    new CustomerOrder.OrderHead(now.source(), now.reference(), customer, due, note);
            long customerId = whose;
            apply.add(() -> order.head(head, customerId));
        }

        void lines() {
            Set<Long> once = new HashSet<>();
            for (LineChange wanted : all(change.lines())) {
                if (once.add(wanted.line())) {
                    line(wanted);
                } else {
                    // Both would begin from what the line is now, and the second would undo the first unseen.
                    faults.add(Fault.of("lines[" + wanted.line() + "]", "line.twice"));
                }
            }
            for (long id : all(change.removed())) {
                OrderLine line = line(id);
                if (line.everything().stream().anyMatch(Piece::cut)) {
                    faults.add(Fault.of("lines[" + id + "]", "line.cut"));
                }
                leaving.addAll(line.pieces().stream().filter(p -> !p.open()).toList());
                apply.add(() -> order.lines().remove(line));
                named.add("lines");
            }
            List<NewLine> added = all(change.added());
            if (!added.isEmpty()) {
                List<ReadLine> read = orders.readLines(added, order.nextNumber(), sitting, "added", faults);
                apply.add(() -> read.forEach(line -> Orders.addLine(order, line)));
                named.add("lines");
            }
        }

        private void line(LineChange wanted) {
            OrderLine line = line(wanted.line());
            String at = "lines[" + line.id() + "].";
            ReadLine now = line.read();
            ReadLine to = now;
            if (wanted.note() != null && fresh(at + "note", wanted.note(), now.note())) {
                to = to.with(Orders.note(wanted.note().to(), faults));
            }
            if (wanted.matching() != null
                    && fresh(
                            at + "matching",
                            wanted.matching().from(),
                            wanted.matching().to(),
                            now.matching())) {
                to = to.with(wanted.matching().to());
            }
            if (wanted.quantity() != null
                    && fresh(
                            at + "quantity",
                            wanted.quantity().from(),
                            wanted.quantity().to(),
                            now.quantity())) {
                to = to.with(quantity(line, wanted.quantity().to(), at));
            }
            if (wanted.choices() != null
                    && fresh(
                            at + "choices",
                            wanted.choices().from(),
                            wanted.choices().to(),
                            sitting.choices(now.spec()))) {
                to = to.with(choices(wanted.choices().to(), at).orElse(now));
            }
            if (to.equals(now)) {
                return;
            }
            named.add("line " + line.number());
            ReadLine result = to;
            if (!result.spec().equals(now.spec())) {
                leaving.addAll(line.pieces().stream()
                        .filter(p -> !p.open() && !p.cut())
                        .toList());
            }
            apply.add(() -> Orders.changeLine(order, line, result));
        }

        private int quantity(OrderLine line, int wanted, String at) {
            faults.addAll(Orders.quantityFaults(wanted).stream()
                    .map(f -> new Fault(at + f.field(), f.code(), f.args()))
                    .toList());
            long cut = line.pieces().stream().filter(Piece::cut).count();
            if (wanted < cut) {
                faults.add(Fault.of(at + "quantity", "quantity.cut", wanted, cut));
            }
            leaving.addAll(line.surplus(wanted).stream().filter(p -> !p.open()).toList());
            return wanted;
        }

        private Optional<ReadLine> choices(PieceChoices choices, String at) {
            PieceDesk.Understood understood = sitting.understand(choices);
            understood.faults().forEach(f -> faults.add(new Fault(at + "choices." + f.field(), f.code(), f.args())));
            return understood
                    .spec()
                    .map(spec -> new ReadLine(0, spec, 0, false, "", Orders.Effort.of(sitting.workOut(spec))));
        }

        private OrderLine line(long id) {
            return order.lines().stream()
                    .filter(l -> l.id() == id)
                    .findFirst()
                    .orElseThrow(() -> new Conflict("changedMeanwhile"));
        }

        private boolean fresh(String field, TextChange wanted, String now) {
            return fresh(field, wanted.from().strip(), wanted.to().strip(), now);
        }

        /** Whether the change is wanted still; a fault when somebody made it something else meanwhile. */
        private <T> boolean fresh(String field, T from, T to, T now) {
            if (Objects.equals(to, now)) {
                return false;
            }
            if (!Objects.equals(from, now)) {
                faults.add(Fault.of(field, "changed.meanwhile", shown(now)));
                return false;
            }
            return true;
        }

        private static String shown(Object value) {
            return value instanceof PieceChoices choices
                    ? choices.pattern() + " " + String.join(", ", choices.colours())
                    : value.toString();
        }
    }
}
