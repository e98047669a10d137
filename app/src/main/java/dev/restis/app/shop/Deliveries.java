package dev.restis.app.shop;

import static java.nio.charset.StandardCharsets.UTF_8;

import dev.restis.app.orders.OrderImport;
import dev.restis.app.orders.OrderImport.FileView;
import dev.restis.app.orders.OrderImport.Mode;
import dev.restis.app.orders.OrderImport.Request;
import dev.restis.app.orders.OrderImport.RowState;
import dev.restis.app.platform.Digests;
import dev.restis.app.platform.FaultWords;
import dev.restis.app.platform.FieldProblem;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.UnitSystem;
import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import jakarta.persistence.TypedQuery;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * What shops deliver. A delivery is an order file and is taken as one: whole and by itself when all of it is new or known;
 * otherwise nothing of it is, and it waits until somebody has looked at it.
 */
@Service
class Deliveries {

    /** What became of a delivery. */
    enum DeliveryState {
        TAKEN,
        /** All of it was there already. */
        REPEATED,
        /** A newer one of the same orders was taken before it arrived. */
        OUTDATED,
        /** Somebody must look at it. */
        WAITING,
        /** Somebody looked and did not want it. */
        SET_ASIDE
    }

    /**
     * Why a delivery waits.
     *
     * @param row of the delivery, from 1; 0 for all of it
     * @param reference the order that the row is of; may be empty
     */
    record Reason(int row, String reference, FieldProblem problem) {}

    /**
     * What the shop is told.
     *
     * @param fresh how many lines became lines of orders
     */
    record DeliveryAnswer(DeliveryState state, int fresh, List<Reason> reasons) {}

    /**
     * A delivery in the tray.
     *
     * @param times how often it arrived
     * @param superseded whether a newer delivery of one of its orders was taken meanwhile
     */
    record DeliveryView(
            long id,
            String source,
            Instant sentAt,
            Instant arrivedAt,
            int times,
            DeliveryState state,
            List<String> references,
            List<Reason> reasons,
            boolean superseded,
            @Nullable String settledBy,
            @Nullable Instant settledAt) {}

    private static final int MOST_SHOWN = 200;
    private static final int MOST_REASONS = 20;
    private static final int MOST_TEXT = 20_000;

    /** A row of the tray, as it is read. */
    private record Row(
            long id,
            String source,
            Instant sentAt,
            Instant arrivedAt,
            int times,
            DeliveryState state,
            String[] references,
            String reasons,
            @Nullable String settledBy,
            @Nullable Instant settledAt,
            boolean superseded) {}

    private static final String ROWS = """
            select d.id, d.source, d.sentAt, d.arrivedAt, d.times, d.state, d.orderReferences, d.reasons, d.settledBy,
                   d.settledAt,
                   exists (select 1 from DeliveryRow n where n.source = d.source and n.state in (TAKEN, REPEATED)
                           and array_intersects(n.orderReferences, d.orderReferences) and n.sentAt > d.sentAt)
            from DeliveryRow d
            """;

    private final EntityManager entities;
    private final ShopSql sql;
    private final OrderImport imports;
    private final FaultWords words;
    private final Clock clock;
    private final JsonMapper json = JsonMapper.builder().build();

    Deliveries(EntityManager entities, ShopSql sql, OrderImport imports, FaultWords words, Clock clock) {
        this.entities = entities;
        this.sql = sql;
        this.imports = imports;
        this.words = words;
        this.clock = clock;
    }

    private static Request request(String source, UnitSystem units) {
        return new Request(units, source, null, null, null);
    }

    /**
     * Takes a delivery that can be taken.
     *
     * @param sentAt when the shop sent it
     * @throws Rejected when it must wait; nothing of it is kept then
     */
    public DeliveryAnswer take(ShopFeeds.Feed feed, Instant sentAt, byte[] body) {
        return imports.inTurn(() -> taken(feed, sentAt, body));
    }

    private DeliveryAnswer taken(ShopFeeds.Feed feed, Instant sentAt, byte[] body) {
        Request request = request(feed.source(), feed.units());
        Set<String> references = imports.references(body, request);
        if (newerTaken(feed.source(), references, sentAt)) {
            note(feed, sentAt, body, references, DeliveryState.OUTDATED);
            return new DeliveryAnswer(DeliveryState.OUTDATED, 0, List.of());
        }
        FileView view = imports.takeInTurn(body, request, Mode.ALL);
        if (view.different() > 0) {
            throw new Rejected(Fault.of("file", "delivery.differs"));
        }
        DeliveryState state = view.fresh() > 0 ? DeliveryState.TAKEN : DeliveryState.REPEATED;
        note(feed, sentAt, body, references, state);
        return new DeliveryAnswer(state, view.fresh(), List.of());
    }

    /** Puts a delivery that cannot be taken into the tray; one that lies there already is counted. */
    public DeliveryAnswer keep(ShopFeeds.Feed feed, Instant sentAt, byte[] body, List<Fault> faults) {
        List<Reason> reasons = reasons(body, request(feed.source(), feed.units()), faults);
        sql.intoTray(
                feed,
                sentAt,
                clock.instant(),
                body,
                referencesOf(body, feed).toArray(String[]::new),
                json.writeValueAsString(reasons));
        return new DeliveryAnswer(DeliveryState.WAITING, 0, reasons);
    }

    private Set<String> referencesOf(byte[] body, ShopFeeds.Feed feed) {
        try {
            return imports.references(body, request(feed.source(), feed.units()));
        } catch (Rejected unreadable) {
            return Set.of();
        }
    }

    private boolean newerTaken(String source, Set<String> references, Instant sentAt) {
        return entities.createQuery("""
                        select count(*) from DeliveryRow d where d.source = :source and d.state in (TAKEN, REPEATED)
                            and array_intersects(d.orderReferences, :references) and d.sentAt > :sent
                        """, Long.class)
                        .setParameter("source", source)
                        .setParameter("references", references.toArray(String[]::new))
                        .setParameter("sent", sentAt)
                        .getSingleResult()
                > 0;
    }

    private void note(ShopFeeds.Feed feed, Instant sentAt, byte[] body, Set<String> references, DeliveryState state) {
        entities.persist(new DeliveryRow(
                feed, sentAt, clock.instant(), Digests.of(body), references.toArray(String[]::new), state));
    }

    /** Of a file that can be read, what is wrong with its rows; else what is wrong with the file. */
    private List<Reason> reasons(byte[] body, Request request, List<Fault> faults) {
        FileView view;
        try {
            view = imports.preview(body, request);
        } catch (Rejected unreadable) {
            return whole(unreadable.faults());
        }
        List<Reason> reasons = reasons(view);
        return reasons.isEmpty() ? whole(faults) : reasons;
    }

    private List<Reason> whole(List<Fault> faults) {
        return faults.stream().map(f -> new Reason(0, "", words.of(f))).toList();
    }

    private List<Reason> reasons(FileView view) {
        List<Reason> reasons = new ArrayList<>();
        for (OrderImport.RowView row : view.rows()) {
            row.problems().forEach(p -> reasons.add(new Reason((int) row.number(), row.reference(), p)));
            row.differences()
                    .forEach(d -> reasons.add(new Reason(
                            (int) row.number(),
                            row.reference(),
                            words.of(Fault.of(d.field(), "delivery.difference", d.now(), d.then())))));
        }
        return reasons.stream().limit(MOST_REASONS).toList();
    }

    /** Newest first. */
    @Transactional(readOnly = true)
    public List<DeliveryView> list(boolean waiting) {
        return views(entities.createQuery(
                        ROWS + (waiting ? "where d.state = WAITING" : "") + " order by d.id desc", Row.class)
                .setMaxResults(MOST_SHOWN));
    }

    @Transactional(readOnly = true)
    public DeliveryView one(long id) {
        return views(entities.createQuery(ROWS + "where d.id = :id", Row.class).setParameter("id", id)).stream()
                .findFirst()
                .orElseThrow(() -> new NotFound("notFound"));
    }

    /** What was sent, as far as it is kept; bytes that are no UTF-8 are shown as such. */
    @Transactional(readOnly = true)
    public String text(long id) {
        byte[] body = row(id).body();
        return new String(body, 0, Math.min(body.length, MOST_TEXT), UTF_8);
    }

    private DeliveryRow row(long id) {
        return Optional.ofNullable(entities.find(DeliveryRow.class, id)).orElseThrow(() -> new NotFound("notFound"));
    }

    private List<DeliveryView> views(TypedQuery<Row> rows) {
        return rows.getResultList().stream()
                .map(row -> new DeliveryView(
                        row.id(),
                        row.source(),
                        row.sentAt(),
                        row.arrivedAt(),
                        row.times(),
                        row.state(),
                        List.of(row.references()),
                        json.readValue(row.reasons(), new TypeReference<List<Reason>>() {}),
                        row.state() == DeliveryState.WAITING && row.superseded(),
                        row.settledBy(),
                        row.settledAt()))
                .toList();
    }

    /** Held until the transaction ends, in the state in which it must be. */
    private DeliveryRow held(long id, DeliveryState state) {
        DeliveryRow row = row(id);
        entities.refresh(row, LockModeType.PESSIMISTIC_WRITE);
        if (row.state() != state) {
            throw new Conflict("delivery.settled");
        }
        return row;
    }

    /** The same as asked for, of this delivery's source and in its units. */
    private static Request of(DeliveryRow kept, Request how) {
        return new Request(kept.units(), kept.source(), how.columns(), how.fixes(), how.accepted());
    }

    @Transactional
    public FileView preview(long id, Request how) {
        DeliveryRow kept = held(id, DeliveryState.WAITING);
        return imports.preview(kept.body(), of(kept, how));
    }

    /** Takes of a waiting delivery what can be taken; it goes on waiting while there is something left to settle. */
    public FileView settle(long id, Request how, Mode mode) {
        return imports.inTurn(() -> settled(id, how, mode));
    }

    private FileView settled(long id, Request how, Mode mode) {
        DeliveryRow kept = held(id, DeliveryState.WAITING);
        FileView view = imports.takeInTurn(kept.body(), of(kept, how), mode);
        boolean left = view.rows().stream()
                .anyMatch(r ->
                        r.state() == RowState.BAD || r.state() == RowState.DIFFERENT && !accepted(how, r.number()));
        // A long file is written in many goes, and nothing that was read before is known after it.
        DeliveryRow now = row(id);
        if (left) {
            now.reasons = json.writeValueAsString(reasons(view));
        } else {
            now.settled(DeliveryState.TAKEN, Workshop.whoever(), clock.instant());
        }
        return view;
    }

    private static boolean accepted(Request how, long row) {
        return how.accepted() != null && how.accepted().contains(row);
    }

    /** Lays a waiting delivery aside, or a laid-aside one back. */
    @Transactional
    public void setAside(long id, boolean aside) {
        DeliveryRow row = held(id, aside ? DeliveryState.WAITING : DeliveryState.SET_ASIDE);
        if (aside) {
            row.settled(DeliveryState.SET_ASIDE, Workshop.whoever(), clock.instant());
        } else {
            row.waitsAgain();
        }
    }
}
