package dev.restis.app.finished;

import dev.restis.app.customers.Customers;
import dev.restis.app.customers.Customers.Contact;
import dev.restis.app.finished.Letters.LetterView;
import dev.restis.app.finished.Parcels.ParcelView;
import dev.restis.app.orders.OrderFacts;
import dev.restis.app.orders.OrderFacts.Facts;
import dev.restis.app.orders.OrderFacts.LineFacts;
import dev.restis.app.orders.Payments;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.platform.Keyset;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.work.Onward;
import dev.restis.core.work.Onward.Alike;
import dev.restis.core.work.PieceAct;
import dev.restis.core.work.PieceStage;
import dev.restis.core.work.PieceState;
import dev.restis.core.work.WorkSteps;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import jakarta.persistence.TypedQuery;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is made, by order: what can go, and what the rest waits for. */
@Service
class FinishedReads {

    /**
     * What comes next for an order.
     *
     * @param next what can be done now; nothing while the order waits
     * @param count with how many pieces
     * @param missing pieces that are not made yet
     * @param here made, and not sent
     * @param drying those of them that are not dry
     * @param dryUntil when the last of them is
     * @param sendable those of what is here that can go now
     */
    record OnwardView(
            @Nullable PieceAct next,
            int count,
            int missing,
            int here,
            int drying,
            @Nullable Instant dryUntil,
            int sent,
            int sendable) {
        static OnwardView of(Onward onward) {
            return new OnwardView(
                    onward.act().orElse(null),
                    onward.pieces(),
                    onward.missing(),
                    onward.here(),
                    onward.drying(),
                    onward.dryUntil().orElse(null),
                    onward.sent(),
                    onward.sendable());
        }
    }

    /** A set whose pieces must match: whether all of it is made. */
    enum SetState {
        WHOLE,
        PART
    }

    /**
     * An order of which something is made.
     *
     * @param line one of its lines, for its picture
     * @param due the day on which it must leave
     * @param late whether that day is over
     * @param open what of the price is not paid; nothing where none was agreed
     * @param set nothing where no pieces must match
     */
    record FinishedRow(
            long order,
            String reference,
            String customer,
            long line,
            String patternName,
            @Nullable LocalDate due,
            boolean late,
            @Nullable LocalDate arrives,
            String way,
            OnwardView onward,
            @Nullable SetState set,
            @Nullable BigDecimal open) {}

    /**
     * A line of such an order.
     *
     * @param stages how many pieces stand where
     */
    record FinishedLine(
            long id,
            int number,
            String patternName,
            @Nullable String sizeName,
            @Nullable Long wristUm,
            @Nullable Long lengthUm,
            List<String> colours,
            String note,
            Map<PieceStage, Integer> stages,
            OnwardView onward,
            @Nullable SetState set) {}

    /** @param due the day on which it must leave */
    record FinishedOrder(
            long order,
            String reference,
            String customer,
            String address,
            String email,
            @Nullable LocalDate due,
            @Nullable LocalDate arrives,
            @Nullable LocalDate promised,
            String way,
            int wayDays,
            String note,
            OnwardView onward,
            List<FinishedLine> lines,
            List<ParcelView> parcels,
            List<LetterView> letters) {}

    private static final int PAGE = 50;
    private static final LocalDate NEVER = LocalDate.of(9999, 12, 31);

    /** Pieces of a line that stand alike. */
    private record Stand(long order, long line, boolean matching, Alike alike) {}

    private final EntityManager entities;
    private final OrderFacts orders;
    private final Customers customers;
    private final Payments payments;
    private final Parcels parcels;
    private final Letters letters;
    private final PieceDesk desk;
    private final Workshop workshop;
    private final Clock clock;

    FinishedReads(
            EntityManager entities,
            OrderFacts orders,
            Customers customers,
            Payments payments,
            Parcels parcels,
            Letters letters,
            PieceDesk desk,
            Workshop workshop,
            Clock clock) {
        this.entities = entities;
        this.orders = orders;
        this.customers = customers;
        this.payments = payments;
        this.parcels = parcels;
        this.letters = letters;
        this.desk = desk;
        this.workshop = workshop;
        this.clock = clock;
    }

    /** Orders of which something lies here, those that must leave first at the top. */
    @Transactional(readOnly = true)
    public Keyset<FinishedRow> page(String query, @Nullable String after) {
        List<String> words = List.of(query.strip().toLowerCase(Locale.ROOT).split("\\s+")).stream()
                .filter(w -> !w.isEmpty())
                .toList();
        Optional<List<String>> place = Keyset.read(after, "\\d{4}-\\d{2}-\\d{2}", "\\d{1,18}");
        StringBuilder hql = new StringBuilder("""
                select o.id as order, o.reference as reference, o.customer as customer, o.due as due, o.way as way,
                       o.wayDays as days, (select min(l.id) from OrderLine l where l.order = o) as line
                from CustomerOrder o where o.made > o.dispatched and o.stage = ACCEPTED
                """);
        for (int i = 0; i < words.size(); i++) {
            hql.append(" and o.search like :word").append(i);
        }
        if (place.isPresent()) {
            hql.append(" and (coalesce(o.due, :never) > :day or coalesce(o.due, :never) = :day and o.id > :last)");
        }
        TypedQuery<Tuple> asked = entities.createQuery(hql + " order by coalesce(o.due, :never), o.id", Tuple.class)
                .setParameter("never", NEVER)
                .setMaxResults(PAGE + 1);
        for (int i = 0; i < words.size(); i++) {
            asked.setParameter("word" + i, "%" + words.get(i).replaceAll("([\\\\%_])", "\\\\$1") + "%");
        }
        place.ifPresent(
                p -> asked.setParameter("day", LocalDate.parse(p.get(0))).setParameter("last", Long.valueOf(p.get(1))));
        return rows(asked.getResultList());
    }

    private Keyset<FinishedRow> rows(List<Tuple> found) {
        List<Long> ids =
                found.stream().limit(PAGE).map(t -> t.get("order", Long.class)).toList();
        Map<Long, List<Stand>> stands = stands(ids).stream().collect(Collectors.groupingBy(Stand::order));
        Map<Long, BigDecimal> open = payments.open(ids);
        Map<Long, String> patterns = patterns(
                found.stream().limit(PAGE).map(t -> t.get("line", Long.class)).toList());
        WorkSteps steps = workshop.steps();
        PieceDesk.Sitting sitting = desk.sit();
        LocalDate today = LocalDate.now(clock);
        Keyset<Tuple> page = Keyset.of(
                found,
                PAGE,
                t -> List.of(Optional.ofNullable(t.get("due", LocalDate.class)).orElse(NEVER), t.get("order")));
        List<FinishedRow> rows = new ArrayList<>();
        for (Tuple t : page.rows()) {
            long order = t.get("order", Long.class);
            LocalDate due = t.get("due", LocalDate.class);
            List<Stand> own = stands.getOrDefault(order, List.of());
            rows.add(new FinishedRow(
                    order,
                    t.get("reference", String.class),
                    t.get("customer", String.class),
                    t.get("line", Long.class),
                    sitting.patternName(patterns.getOrDefault(t.get("line", Long.class), "")),
                    due,
                    due != null && due.isBefore(today),
                    due == null ? null : due.plusDays(t.get("days", Integer.class)),
                    t.get("way", String.class),
                    onward(own, steps),
                    set(own),
                    open.get(order)));
        }
        return new Keyset<>(rows, page.next());
    }

    private Map<Long, String> patterns(Collection<Long> lines) {
        return entities.createQuery("select l.id, l.pattern from OrderLine l where l.id in :lines", Object[].class)
                .setParameter("lines", lines)
                .getResultStream()
                .collect(Collectors.toMap(row -> (Long) row[0], row -> (String) row[1]));
    }

    private OnwardView onward(List<Stand> stands, WorkSteps steps) {
        return OnwardView.of(Onward.of(stands.stream().map(Stand::alike).toList(), steps, clock.instant()));
    }

    private static @Nullable SetState set(List<Stand> stands) {
        List<Stand> matching = stands.stream().filter(Stand::matching).toList();
        return matching.isEmpty()
                ? null
                : matching.stream().allMatch(s -> s.alike().state().stage().made()) ? SetState.WHOLE : SetState.PART;
    }

    private List<Stand> stands(Collection<Long> ids) {
        return ids.isEmpty()
                ? List.of()
                : entities.createQuery("""
                                select p.line.order.id as order, p.line.id as line, p.line.matching as matching, p.stage as stage,
                                       p.dryUntil as dry, count(p.id) as pieces
                                from Piece p where p.line.order.id in :orders and p.stage <> GIVEN_UP and not p.shelved
                                group by p.line.order.id, p.line.id, p.line.matching, p.stage, p.dryUntil
                                """, Tuple.class)
                        .setParameter("orders", ids)
                        .getResultStream()
                        .map(t -> new Stand(
                                t.get("order", Long.class),
                                t.get("line", Long.class),
                                t.get("matching", Boolean.class),
                                new Alike(
                                        new PieceState(
                                                t.get("stage", PieceStage.class),
                                                Optional.ofNullable(t.get("dry", Instant.class))),
                                        t.get("pieces", Long.class).intValue())))
                        .toList();
    }

    @Transactional(readOnly = true)
    public FinishedOrder order(long id) {
        Facts facts = orders.of(id);
        Contact contact = customers.contact(facts.customerId());
        WorkSteps steps = workshop.steps();
        List<Stand> stands = stands(List.of(id));
        Map<Long, List<Stand>> byLine = stands.stream().collect(Collectors.groupingBy(Stand::line));
        PieceDesk.Sitting sitting = desk.sit();
        sitting.ready(facts.lines().stream().map(LineFacts::spec));
        return new FinishedOrder(
                id,
                facts.reference(),
                facts.customer(),
                contact.address(),
                contact.email(),
                facts.due(),
                facts.arrives(),
                facts.promised(),
                facts.way(),
                facts.wayDays(),
                facts.note(),
                onward(stands, steps),
                facts.lines().stream()
                        .map(l -> line(l, byLine.getOrDefault(l.id(), List.of()), sitting, steps))
                        .toList(),
                parcels.of(id),
                letters.of(id));
    }

    private FinishedLine line(LineFacts line, List<Stand> own, PieceDesk.Sitting sitting, WorkSteps steps) {
        return new FinishedLine(
                line.id(),
                line.number(),
                sitting.patternName(line.spec().pattern()),
                line.spec().sizeName(),
                line.spec().wristUm(),
                line.spec().lengthUm(),
                sitting.cordNames(line.spec()),
                line.note(),
                own.stream()
                        .map(Stand::alike)
                        .collect(Collectors.toMap(a -> a.state().stage(), Alike::pieces, Integer::sum)),
                onward(own, steps),
                set(own));
    }
}
