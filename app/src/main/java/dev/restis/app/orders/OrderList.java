package dev.restis.app.orders;

import dev.restis.app.orders.LineSpecs.LineSpec;
import dev.restis.app.orders.PlannedDays.Outlook;
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
import java.util.Objects;
import java.util.Optional;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
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
     * @param customers numbers of the names of whose they are; anybody's when empty
     * @param after the {@link OrderPage#next} of the page before; empty for the first
     */
    record Filter(
            String query,
            List<OrderState> states,
            @Nullable LocalDate from,
            @Nullable LocalDate to,
            List<Long> customers,
            Sort sort,
            String after) {

        /** An empty word among the states, as an address may well have one, stands for none. */
        Filter {
            states = states.stream().filter(Objects::nonNull).toList();
        }
    }

    /** @param lateChance how likely it is late, 0 to 1; nothing for one that is in no plan */
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
            @Nullable Double lateChance,
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
            String state) {}

    static final int MOST_COUNTED = 500;
    /** More than this are so common that going through the list finds a page of them sooner than sorting them all. */
    private static final int MOST_SORTED = 2000;

    private final JdbcClient jdbc;
    private final LineSpecs specs;
    private final PieceDesk desk;
    private final ObjectProvider<PlannedDays> plan;

    OrderList(JdbcClient jdbc, LineSpecs specs, PieceDesk desk, ObjectProvider<PlannedDays> plan) {
        this.plan = plan;
        this.jdbc = jdbc;
        this.specs = specs;
        this.desk = desk;
    }

    /** Where an order stands in a list. */
    private record Place(long id, String sortKey) {}

    @Transactional(readOnly = true)
    public OrderPage page(Filter filter, int size) {
        Map<String, Object> params = new HashMap<>();
        String where = where(filter, params);
        Sort sort = filter.sort();
        boolean first = filter.after().isEmpty();
        String from = "customer_order o";
        boolean throughAll = false;
        if (sort == Sort.CUSTOMER && params.containsKey("word0")) {
            // Few that are found may lie anywhere in the alphabet: finding them first is quicker than going through it.
            List<Long> some = some(where, params);
            throughAll = some.size() > MOST_SORTED;
            if (!throughAll) {
                from = "(select * from customer_order where id = any (:some)) o";
                params.put("some", some.toArray(Long[]::new));
            }
        }
        String page = where + after(filter, params);
        params.put("size", first ? Math.max(size, MOST_COUNTED) + 1 : size + 1);
        if (throughAll) {
            // Words that go together look rarer to the database than they are; left to itself it would sort all it
            // finds.
            bitmaps("off");
        }
        // Going through the list once both counts it, as far as it is counted, and finds its first page.
        List<Place> found = jdbc.sql("""
                        select o.id, cast(%s as text) as sort_key from %s%s order by %s %s, o.id %s limit :size
                        """.formatted(sort.key, from, page, sort.key, sort.direction, sort.direction))
                .params(params)
                .query(Place.class)
                .list();
        if (throughAll) {
            bitmaps("on");
        }
        List<Place> shown = found.subList(0, Math.min(size, found.size()));
        long total = first ? Math.min(found.size(), MOST_COUNTED + 1) : 0;
        return new OrderPage(rows(shown), total, found.size() > size ? next(shown.get(size - 1)) : null);
    }

    private void bitmaps(String on) {
        jdbc.sql("set local enable_bitmapscan = " + on).update();
    }

    private List<Long> some(String where, Map<String, Object> params) {
        return jdbc.sql("select o.id from customer_order o%s limit %d".formatted(where, MOST_SORTED + 1))
                .params(params)
                .query(Long.class)
                .list();
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
        if (!filter.customers().isEmpty()) {
            all.add("o.customer_id in (:customers)");
            params.put("customers", filter.customers());
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

    private static String next(Place last) {
        return last.sortKey() + "~" + last.id();
    }

    private List<OrderRow> rows(List<Place> shown) {
        List<Long> ids = shown.stream().map(Place::id).toList();
        Map<Long, Summary> summaries = new HashMap<>();
        jdbc.sql("""
                        select id, reference, source, customer, due, pieces, planned, cut, made, dispatched, state
                        from customer_order where id = any (?)
                        """)
                .param(ids.toArray(Long[]::new))
                .query(Summary.class)
                .list()
                .forEach(s -> summaries.put(s.id(), s));
        PieceDesk.Sitting sitting = desk.sit();
        Map<Long, List<LineSpec>> lines = specs.of(ids);
        sitting.ready(lines.values().stream().flatMap(List::stream).map(LineSpec::spec));
        PlannedDays days = plan.getIfAvailable();
        Map<Long, Outlook> outlooks = days == null ? Map.of() : days.outlooks(ids);
        return ids.stream()
                .flatMap(id -> Optional.ofNullable(summaries.get(id)).stream())
                .map(s -> row(s, lines.getOrDefault(s.id(), List.of()), sitting, outlooks.get(s.id())))
                .toList();
    }

    private static OrderRow row(Summary s, List<LineSpec> lines, PieceDesk.Sitting sitting, @Nullable Outlook outlook) {
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
                outlook == null ? null : outlook.lateChance(),
                lines.stream().map(LineSpec::id).toList());
    }
}
