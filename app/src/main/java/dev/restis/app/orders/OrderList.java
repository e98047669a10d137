package dev.restis.app.orders;

import dev.restis.app.patterns.PieceDesk;
import dev.restis.core.order.OrderState;
import dev.restis.core.piece.Check.Verdict;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Lists of orders, a page at a time. */
@Service
class OrderList {

    /** In which order a list stands; each ends in the identity, so that the order is total. */
    enum Sort {
        NEWEST("o.id", "bigint", "desc", key -> key.matches("\\d{1,18}")),
        DUE("coalesce(o.due, date '9999-12-31')", "date", "asc", OrderList::isDay),
        CUSTOMER("lower(o.customer)", "text", "asc", key -> true);

        private final String key;
        private final String type;
        private final String direction;
        private final Predicate<String> keys;

        Sort(String key, String type, String direction, Predicate<String> keys) {
            this.keys = keys;
            this.key = key;
            this.type = type;
            this.direction = direction;
        }
    }

    /**
     * What is asked for.
     *
     * @param query words, all of which must occur somewhere in the order
     * @param states any of these; all when empty
     * @param from wanted on this day or later
     * @param to wanted on this day or earlier
     * @param after the {@link OrderPage#next} of the page before; empty for the first
     */
    record Filter(
            String query,
            List<OrderState> states,
            @Nullable LocalDate from,
            @Nullable LocalDate to,
            Sort sort,
            String after) {}

    record OrderRow(
            long id,
            String reference,
            String source,
            String customer,
            @Nullable LocalDate due,
            int pieces,
            int planned,
            int cut,
            int made,
            int dispatched,
            OrderState state,
            Verdict verdict,
            List<Long> lineIds) {}

    /**
     * A page of a list.
     *
     * @param total how many there are, counted to {@value #MOST_COUNTED} and one more, on the first page; else 0
     * @param next where the next page starts; nothing when there is none
     */
    record OrderPage(
            List<OrderRow> rows, long total, @Nullable String next) {}

    private record Summary(
            long id,
            String reference,
            String source,
            String customer,
            @Nullable LocalDate due,
            int pieces,
            int planned,
            int cut,
            int made,
            int dispatched,
            String state,
            String sortKey) {}

    static final int MOST_COUNTED = 1000;

    private final JdbcClient jdbc;
    private final OrderStore store;
    private final PieceDesk desk;

    OrderList(JdbcClient jdbc, OrderStore store, PieceDesk desk) {
        this.jdbc = jdbc;
        this.store = store;
        this.desk = desk;
    }

    @Transactional(readOnly = true)
    public OrderPage page(Filter filter, int size) {
        Map<String, Object> params = new HashMap<>();
        String where = where(filter, params);
        long total = filter.after().isEmpty() ? count(where, params) : 0;
        String page = where + after(filter, params);
        params.put("size", size + 1);
        Sort sort = filter.sort();
        // Names that are asked for lie together in the alphabet: going through it to find them would take long.
        String from = sort == Sort.CUSTOMER && params.containsKey("word0")
                ? "(select * from customer_order o%s offset 0) o".formatted(where)
                : "customer_order o";
        List<Summary> found = jdbc.sql("""
                        select o.id, o.reference, o.source, o.customer, o.due, o.pieces, o.planned, o.cut, o.made, o.dispatched,
                               o.state, cast(%s as text) as sort_key
                        from %s%s order by %s %s, o.id %s limit :size
                        """.formatted(sort.key, from, page, sort.key, sort.direction, sort.direction))
                .params(params)
                .query(Summary.class)
                .list();
        List<Summary> shown = found.subList(0, Math.min(size, found.size()));
        return new OrderPage(rows(shown), total, found.size() > size ? next(shown.get(size - 1)) : null);
    }

    private long count(String where, Map<String, Object> params) {
        return jdbc.sql("select count(*) from (select 1 from customer_order o%s limit %d) counted"
                        .formatted(where, MOST_COUNTED + 1))
                .params(params)
                .query(Long.class)
                .single();
    }

    private static String where(Filter filter, Map<String, Object> params) {
        List<String> all = new ArrayList<>();
        int word = 0;
        for (String text : filter.query().strip().toLowerCase(Locale.ROOT).split("\\s+")) {
            if (!text.isEmpty()) {
                String name = "word" + word++;
                all.add("o.search like :" + name);
                params.put(name, "%" + text.replaceAll("([\\\\%_])", "\\\\$1") + "%");
            }
        }
        if (!filter.states().isEmpty()) {
            all.add("o.state in (:states)");
            params.put("states", filter.states().stream().map(Enum::name).toList());
        }
        if (filter.from() != null) {
            all.add("o.due >= :from");
            params.put("from", filter.from());
        }
        if (filter.to() != null) {
            all.add("o.due <= :to");
            params.put("to", filter.to());
        }
        return all.isEmpty() ? "" : " where " + String.join(" and ", all);
    }

    /** Where the page before ended: its last row's sort key and identity. */
    private static String after(Filter filter, Map<String, Object> params) {
        int at = filter.after().lastIndexOf('~');
        if (at < 0 || !filter.after().substring(at + 1).matches("\\d{1,18}")) {
            return "";
        }
        Sort sort = filter.sort();
        String key = filter.after().substring(0, at);
        if (!sort.keys.test(key)) {
            return "";
        }
        params.put("key", key);
        params.put("id", Long.parseLong(filter.after().substring(at + 1)));
        return "%s (%s, o.id) %s (cast(:key as %s), :id)"
                .formatted(
                        params.size() > 2 ? " and" : " where",
                        sort.key,
                        sort.direction.equals("desc") ? "<" : ">",
                        sort.type);
    }

    private static boolean isDay(String key) {
        try {
            return !LocalDate.parse(key).isBefore(LocalDate.EPOCH);
        } catch (DateTimeParseException e) {
            return false;
        }
    }

    private static String next(Summary last) {
        return last.sortKey() + "~" + last.id();
    }

    private List<OrderRow> rows(List<Summary> found) {
        PieceDesk.Sitting sitting = desk.sit();
        Map<Long, List<OrderLine>> lines = new HashMap<>();
        store.withLines(found.stream().map(Summary::id).toList()).forEach(o -> lines.put(o.id(), o.lines()));
        return found.stream()
                .map(s -> row(s, lines.getOrDefault(s.id(), List.of()), sitting))
                .toList();
    }

    private static OrderRow row(Summary s, List<OrderLine> lines, PieceDesk.Sitting sitting) {
        Verdict worst = lines.stream()
                .map(l -> sitting.verdict(l.spec()))
                .max(Comparator.naturalOrder())
                .orElse(Verdict.GOOD);
        return new OrderRow(
                s.id(),
                s.reference(),
                s.source(),
                s.customer(),
                s.due(),
                s.pieces(),
                s.planned(),
                s.cut(),
                s.made(),
                s.dispatched(),
                OrderState.valueOf(s.state()),
                worst,
                lines.stream().map(OrderLine::id).toList());
    }
}
