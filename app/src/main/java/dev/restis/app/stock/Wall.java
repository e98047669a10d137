package dev.restis.app.stock;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.stock.StockReads.HoldingView;
import dev.restis.core.cord.Colour;
import dev.restis.core.cord.ColourDifference;
import dev.restis.core.measure.Fault;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.ToDoubleFunction;
import java.util.regex.Pattern;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The wall of spools and boxes, a stretch of it at a time. */
@Service
class Wall {

    /** In which order articles hang; cord always before parts. */
    enum Sort {
        NAME,
        COLOUR,
        MATERIAL
    }

    /**
     * What is asked for.
     *
     * @param query words, all of which must occur in an article's code, name or material
     * @param shelf only articles of which something lies on that shelf; empty for all
     * @param near {@code RRGGBB}, with or without #: the nearest colours first, whatever the sort; empty for none
     * @param from how many articles to pass over
     * @param size how many to show
     * @param each how many holdings of each article to show
     */
    record Filter(String query, String shelf, String near, Sort sort, int from, int size, int each) {
        boolean byColour() {
            return sort == Sort.COLOUR || !near.isEmpty();
        }
    }

    /** What is promised of an article: to batches that are not cut yet, and to orders beside them. */
    record ReservedView(long articleId, long toBatches, long toOrders) {}

    /**
     * A stretch of the wall.
     *
     * @param holdings those that are shown, by article, remnants first, then the oldest
     * @param held how many holdings each article has
     * @param total how many articles were found
     * @param longestUm the longest that any spool shown began with
     */
    record WallView(
            List<Article> articles,
            List<HoldingView> holdings,
            List<ReservedView> reserved,
            Map<Long, Integer> held,
            int total,
            long longestUm) {}

    /** An article and how far off it hangs when it is hung by colour. */
    private record Hung(long id, boolean part, double off, String code) {}

    private record Stretch(List<Long> ids, int total) {}

    private static final Pattern HEX = Pattern.compile("#?[0-9A-Fa-f]{6}");

    /** Colours duller than this have no hue that anybody would name. */
    private static final double GREY = 8;

    private static final int MOST_COLOURS = 10_000;

    private final JdbcClient jdbc;
    private final Articles articles;
    private final StockReads reads;
    /** What is written as sRGB, as the eye sees it. */
    private final Cache<String, Colour> colours =
            Caffeine.newBuilder().maximumSize(MOST_COLOURS).build();

    Wall(JdbcClient jdbc, Articles articles, StockReads reads) {
        this.jdbc = jdbc;
        this.articles = articles;
        this.reads = reads;
    }

    @Transactional(readOnly = true)
    public WallView look(Filter filter) {
        if (!filter.near().isEmpty() && !HEX.matcher(filter.near()).matches()) {
            throw new Rejected(Fault.of("near", "article.colour", filter.near()));
        }
        Stretch found = filter.byColour() ? byColour(filter) : byWords(filter);
        List<Long> ids = found.ids();
        Map<Long, Article> byId = new HashMap<>();
        articles.some(ids).forEach(a -> byId.put(a.id(), a));
        List<HoldingView> holdings = reads.holdings(ids, filter.each());
        return new WallView(
                ids.stream().map(byId::get).toList(),
                holdings,
                reserved(ids),
                held(ids),
                found.total(),
                holdings.stream()
                        .filter(h -> !h.kind().equals(HoldingRow.Kind.BOX.name()))
                        .mapToLong(HoldingView::fullQuantity)
                        .max()
                        .orElse(0));
    }

    private static String where(Filter filter, Map<String, Object> params) {
        List<String> all = new ArrayList<>();
        for (String word : filter.query().strip().toLowerCase(Locale.ROOT).split("\\s+")) {
            if (!word.isEmpty()) {
                String name = "word" + params.size();
                all.add("lower(a.code || ' ' || a.name || ' ' || coalesce(a.material, '')) like :" + name);
                params.put(name, "%" + word.replaceAll("([\\\\%_])", "\\\\$1") + "%");
            }
        }
        if (!filter.shelf().isBlank()) {
            all.add("""
                    a.id in (select lot.article_id from holding h join lot on lot.id = h.lot_id
                             where h.quantity > 0 and lower(h.shelf) = :shelf)
                    """);
            params.put("shelf", filter.shelf().strip().toLowerCase(Locale.ROOT));
        }
        return all.isEmpty() ? "" : " where " + String.join(" and ", all);
    }

    private Stretch byWords(Filter filter) {
        Map<String, Object> params = new HashMap<>();
        String where = where(filter, params);
        int total = jdbc.sql("select count(*) from article a" + where)
                .params(params)
                .query(Integer.class)
                .single();
        params.put("from", filter.from());
        params.put("size", filter.size());
        String material = filter.sort() == Sort.MATERIAL ? "a.material nulls first, " : "";
        List<Long> ids = jdbc.sql(
                        "select a.id from article a" + where + " order by a.kind <> 'CORD', a.kind = 'CONSUMABLE', "
                                + material + "lower(a.name), a.code offset :from limit :size")
                .params(params)
                .query(Long.class)
                .list();
        return new Stretch(ids, total);
    }

    private Stretch byColour(Filter filter) {
        Map<String, Object> params = new HashMap<>();
        ToDoubleFunction<Colour> off = off(filter);
        List<Hung> found = jdbc.sql("select a.id, a.kind, a.colour, a.code from article a" + where(filter, params))
                .params(params)
                .query((row, n) -> new Hung(
                        row.getLong(1),
                        !row.getString(2).equals("CORD"),
                        off.applyAsDouble(colours.get(row.getString(3), Colour::ofHex)),
                        row.getString(4)))
                .list();
        List<Long> ids = found.stream()
                .sorted(Comparator.comparing(Hung::part)
                        .thenComparingDouble(Hung::off)
                        .thenComparing(Hung::code))
                .skip(filter.from())
                .limit(filter.size())
                .map(Hung::id)
                .toList();
        return new Stretch(ids, found.size());
    }

    private static ToDoubleFunction<Colour> off(Filter filter) {
        if (filter.near().isEmpty()) {
            return Wall::rainbow;
        }
        Colour wanted = Colour.ofHex("#" + filter.near().replace("#", ""));
        return colour -> ColourDifference.between(wanted, colour).distance();
    }

    /** Around the circle of hues from red on, greys after it from dark to light. */
    private static double rainbow(Colour colour) {
        if (Math.hypot(colour.a(), colour.b()) < GREY) {
            return 360 + colour.lightness();
        }
        double hue = Math.toDegrees(Math.atan2(colour.b(), colour.a()));
        return hue < 0 ? hue + 360 : hue;
    }

    private Map<Long, Integer> held(List<Long> ids) {
        Map<Long, Integer> held = new TreeMap<>();
        jdbc.sql("""
                        select lot.article_id, count(*) from holding h join lot on lot.id = h.lot_id
                        where h.quantity > 0 and lot.article_id = any (?) group by lot.article_id
                        """).param(ids.toArray(Long[]::new)).query(row -> {
            held.put(row.getLong(1), row.getInt(2));
        });
        return held;
    }

    private List<ReservedView> reserved(List<Long> ids) {
        return jdbc.sql("""
                        select article_id, coalesce(sum(quantity) filter (where batch_id is not null), 0) as to_batches,
                               coalesce(sum(quantity) filter (where batch_id is null), 0) as to_orders
                        from article_reserved where article_id = any (?) group by article_id order by article_id
                        """)
                .param(ids.toArray(Long[]::new))
                .query(ReservedView.class)
                .list();
    }
}
