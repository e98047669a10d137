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
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.RowMapper;
import org.springframework.jdbc.core.simple.JdbcClient;
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

    private static final String NEWER = """
            exists (select 1 from delivery n where n.source = d.source and n.state in ('TAKEN', 'REPEATED')
                    and n.order_references && d.order_references and n.sent_at > d.sent_at)
            """;

    private final JdbcClient jdbc;
    private final OrderImport imports;
    private final FaultWords words;
    private final Clock clock;
    private final JsonMapper json = JsonMapper.builder().build();

    Deliveries(JdbcClient jdbc, OrderImport imports, FaultWords words, Clock clock) {
        this.jdbc = jdbc;
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
        jdbc.sql("""
                        insert into delivery (source, sent_at, arrived_at, digest, body, order_references, units, state, reasons)
                        values (?, ?, ?, ?, ?, ?, ?, 'WAITING', cast(? as jsonb))
                        on conflict (source, digest) where state in ('WAITING', 'SET_ASIDE')
                        do update set times = delivery.times + 1, sent_at = greatest(delivery.sent_at, excluded.sent_at)
                        """)
                .params(
                        feed.source(),
                        Timestamp.from(sentAt),
                        Timestamp.from(clock.instant()),
                        Digests.of(body),
                        body,
                        referencesOf(body, feed).toArray(String[]::new),
                        feed.units().name(),
                        json.writeValueAsString(reasons))
                .update();
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
        return jdbc.sql("""
                        select exists (select 1 from delivery where source = ? and state in ('TAKEN', 'REPEATED')
                                       and order_references && cast(? as text[]) and sent_at > ?)
                        """)
                .params(source, references.toArray(String[]::new), Timestamp.from(sentAt))
                .query(Boolean.class)
                .single();
    }

    private void note(ShopFeeds.Feed feed, Instant sentAt, byte[] body, Set<String> references, DeliveryState state) {
        jdbc.sql("""
                        insert into delivery (source, sent_at, arrived_at, digest, order_references, units, state)
                        values (?, ?, ?, ?, ?, ?, ?)
                        """)
                .params(
                        feed.source(),
                        Timestamp.from(sentAt),
                        Timestamp.from(clock.instant()),
                        Digests.of(body),
                        references.toArray(String[]::new),
                        feed.units().name(),
                        state.name())
                .update();
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
        return jdbc.sql("""
                        select d.id, d.source, d.sent_at, d.arrived_at, d.times, d.state, d.order_references, d.reasons,
                               d.settled_by, d.settled_at, %s as superseded
                        from delivery d %s order by d.id desc limit %d
                        """.formatted(NEWER, waiting ? "where d.state = 'WAITING'" : "", MOST_SHOWN))
                .query(row())
                .list();
    }

    @Transactional(readOnly = true)
    public DeliveryView one(long id) {
        return jdbc.sql("""
                        select d.id, d.source, d.sent_at, d.arrived_at, d.times, d.state, d.order_references, d.reasons,
                               d.settled_by, d.settled_at, %s as superseded
                        from delivery d where d.id = ?
                        """.formatted(NEWER))
                .param(id)
                .query(row())
                .optional()
                .orElseThrow(() -> new NotFound("notFound"));
    }

    /** What was sent, as far as it is kept; bytes that are no UTF-8 are shown as such. */
    @Transactional(readOnly = true)
    public String text(long id) {
        return jdbc.sql("select body from delivery where id = ?")
                .param(id)
                .query((row, n) -> {
                    byte[] body = row.getBytes("body");
                    return body == null ? "" : new String(body, 0, Math.min(body.length, MOST_TEXT), UTF_8);
                })
                .optional()
                .orElseThrow(() -> new NotFound("notFound"));
    }

    private RowMapper<DeliveryView> row() {
        return (row, n) -> {
            Timestamp settled = row.getTimestamp("settled_at");
            DeliveryState state = DeliveryState.valueOf(row.getString("state"));
            return new DeliveryView(
                    row.getLong("id"),
                    row.getString("source"),
                    row.getTimestamp("sent_at").toInstant(),
                    row.getTimestamp("arrived_at").toInstant(),
                    row.getInt("times"),
                    state,
                    List.of((String[]) row.getArray("order_references").getArray()),
                    json.readValue(row.getString("reasons"), new TypeReference<List<Reason>>() {}),
                    state == DeliveryState.WAITING && row.getBoolean("superseded"),
                    row.getString("settled_by"),
                    settled == null ? null : settled.toInstant());
        };
    }

    private record Kept(String source, UnitSystem units, byte[] body) {}

    private Kept waiting(long id) {
        one(id);
        return jdbc.sql("select source, units, body from delivery where id = ? and state = 'WAITING' for update")
                .param(id)
                .query((row, n) -> new Kept(
                        row.getString("source"), UnitSystem.valueOf(row.getString("units")), row.getBytes("body")))
                .optional()
                .orElseThrow(() -> new Conflict("delivery.settled"));
    }

    /** The same as asked for, of this delivery's source and in its units. */
    private static Request of(Kept kept, Request how) {
        return new Request(kept.units(), kept.source(), how.columns(), how.fixes(), how.accepted());
    }

    @Transactional
    public FileView preview(long id, Request how) {
        Kept kept = waiting(id);
        return imports.preview(kept.body(), of(kept, how));
    }

    /** Takes of a waiting delivery what can be taken; it goes on waiting while there is something left to settle. */
    public FileView settle(long id, Request how, Mode mode) {
        return imports.inTurn(() -> settled(id, how, mode));
    }

    private FileView settled(long id, Request how, Mode mode) {
        Kept kept = waiting(id);
        FileView view = imports.takeInTurn(kept.body(), of(kept, how), mode);
        boolean left = view.rows().stream()
                .anyMatch(r ->
                        r.state() == RowState.BAD || r.state() == RowState.DIFFERENT && !accepted(how, r.number()));
        if (left) {
            jdbc.sql("update delivery set reasons = cast(? as jsonb) where id = ?")
                    .params(json.writeValueAsString(reasons(view)), id)
                    .update();
        } else {
            settled(id, DeliveryState.TAKEN);
        }
        return view;
    }

    private static boolean accepted(Request how, long row) {
        return how.accepted() != null && how.accepted().contains(row);
    }

    /** Lays a waiting delivery aside, or a laid-aside one back. */
    @Transactional
    public void setAside(long id, boolean aside) {
        one(id);
        DeliveryState from = aside ? DeliveryState.WAITING : DeliveryState.SET_ASIDE;
        if (jdbc.sql("select 1 from delivery where id = ? and state = ? for update")
                .params(id, from.name())
                .query(Integer.class)
                .optional()
                .isEmpty()) {
            throw new Conflict("delivery.settled");
        }
        settled(id, aside ? DeliveryState.SET_ASIDE : DeliveryState.WAITING);
    }

    private void settled(long id, DeliveryState state) {
        boolean open = state == DeliveryState.WAITING;
        jdbc.sql("""
                        update delivery set state = :state, settled_by = :who, settled_at = :at,
                               body = case when :state = 'TAKEN' then null else body end
                        where id = :id
                        """)
                .param("state", state.name())
                .param("who", open ? null : Workshop.whoever())
                .param("at", open ? null : Timestamp.from(clock.instant()))
                .param("id", id)
                .update();
    }
}
