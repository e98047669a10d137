package dev.restis.app.orders;

import dev.restis.app.workshop.Workshop;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** Who did what to an order, and when. */
@Service
class History {

    /** What happened; its words stand in the message files. */
    enum What {
        TAKEN,
        CHANGED,
        QUOTED,
        REOPENED,
        ACCEPTED,
        CANCELLED,
        CANCELLED_REST,
        REVIVED,
        PLANNED,
        RELEASED,
        CUT,
        UNCUT,
        MADE,
        UNMADE,
        DISPATCHED,
        STARTED,
        CHECKED,
        PACKED,
        REDONE,
        CAME_BACK,
        GIVEN_UP,
        TAKEN_BACK,
        TAKEN_ANYWAY,
        NOT_TAKEN_ANYWAY,
        COPIED,
        SPLIT,
        PROMISED,
        PROMISE_MOVED,
        MUST_BE_IN_TIME,
        NEED_NOT_BE_IN_TIME,
        LEAVES,
        SHELVED,
        FOR_SHELF,
        FOR_CUSTOMER,
        FROM_SHELF,
        SHELF_LEFT,
        RESIZED
    }

    /**
     * One thing that happened.
     *
     * @param detail figures and names for its words
     */
    record EventView(long id, Instant at, String who, What what, Map<String, String> detail) {}

    private final JdbcClient jdbc;
    private final Clock clock;
    private final JsonMapper json = JsonMapper.builder().build();

    History(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    @Transactional(propagation = Propagation.MANDATORY)
    public void note(long order, What what, Map<String, ?> detail) {
        note(List.of(order), what, detail);
    }

    /** The same of many orders. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void note(List<Long> orders, What what, Map<String, ?> detail) {
        jdbc.sql("""
                        insert into order_event (order_id, at, who, what, detail)
                        select o.id, ?, ?, ?, cast(? as jsonb) from unnest(cast(? as bigint[])) with ordinality o (id, n) order by o.n
                        """)
                .params(
                        Timestamp.from(clock.instant()),
                        Workshop.whoever(),
                        what.name(),
                        written(detail),
                        orders.toArray(Long[]::new))
                .update();
    }

    /** One thing that happened to each of many orders, with details of its own. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void noteEach(What what, Map<Long, Map<String, ?>> details) {
        Long[] orders = details.keySet().toArray(Long[]::new);
        String[] words = details.values().stream().map(this::written).toArray(String[]::new);
        jdbc.sql("""
                        insert into order_event (order_id, at, who, what, detail)
                        select o.id, ?, ?, ?, cast(o.detail as jsonb)
                        from unnest(cast(? as bigint[]), cast(? as text[])) with ordinality o (id, detail, n) order by o.n
                        """)
                .params(Timestamp.from(clock.instant()), Workshop.whoever(), what.name(), orders, words)
                .update();
    }

    private String written(Map<String, ?> detail) {
        Map<String, String> words = new TreeMap<>();
        detail.forEach((name, value) -> words.put(name, String.valueOf(value)));
        return json.writeValueAsString(words);
    }

    /** Newest first. */
    @Transactional(readOnly = true)
    public List<EventView> of(long order) {
        return jdbc.sql(
                        "select id, at, who, what, detail from order_event where order_id = ? order by id desc limit 200")
                .param(order)
                .query((row, n) -> new EventView(
                        row.getLong("id"),
                        row.getTimestamp("at").toInstant(),
                        row.getString("who"),
                        What.valueOf(row.getString("what")),
                        words(row.getString("detail"))))
                .list();
    }

    private Map<String, String> words(String detail) {
        Map<String, String> words = new TreeMap<>();
        json.readTree(detail)
                .properties()
                .forEach(e -> words.put(e.getKey(), e.getValue().asString()));
        return words;
    }
}
