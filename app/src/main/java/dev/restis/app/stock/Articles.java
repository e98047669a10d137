package dev.restis.app.stock;

import dev.restis.app.measures.Materials;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.app.stock.Article.ArticleKind;
import dev.restis.core.cord.Cord;
import dev.restis.core.cord.Hardware.Measure;
import dev.restis.core.cord.Material;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.LengthReader;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.piece.Occasion;
import dev.restis.core.stock.Unit;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.RowMapper;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The articles the workshop uses. */
@Service
public class Articles {

    /**
     * An article as typed; lengths are text in any unit.
     *
     * @param diameter of a cord
     * @param keep the least length of a cord worth keeping
     * @param measures of a part, those that its kind has
     * @param unit what a consumable is counted in
     * @param uses how much of a consumable a piece takes at each occasion
     */
    public record NewArticle(
            String code,
            ArticleKind kind,
            String name,
            String colour,
            @Nullable String material,
            @Nullable String diameter,
            @Nullable String keep,
            @Nullable Map<Measure, String> measures,
            @Nullable Unit unit,
            @Nullable Map<Occasion, String> uses,
            UnitSystem units) {

        /** A cord or a part. */
        public NewArticle(
                String code,
                ArticleKind kind,
                String name,
                String colour,
                @Nullable String material,
                @Nullable String diameter,
                @Nullable String keep,
                @Nullable Map<Measure, String> measures,
                UnitSystem units) {
            this(code, kind, name, colour, material, diameter, keep, measures, null, null, units);
        }
    }

    /** How much of a consumable a piece takes each time the occasion arises in it. */
    public record ConsumableUse(long article, Occasion occasion, long quantity) {}

    private static final Pattern CODE = Pattern.compile("[A-Z0-9][A-Z0-9-]{0,11}");
    private static final Pattern COLOUR = Pattern.compile("#[0-9A-Fa-f]{6}");
    /** Articles with what is on hand; {@code %s} is which lots to look at. */
    private static final String WITH_STOCK = """
            with moved as (
                select article_id, sum(quantity) as quantity, max(quantity) as best_lot, sum(value) as value,
                       sum(received) as received, sum(paid) as paid,
                       max(measured_um) filter (where quantity > 0) as measured_um,
                       bool_or(measured_um is null) filter (where quantity > 0) as some_unmeasured
                from lot %s group by article_id)
            select a.id, a.code, a.kind, a.unit, a.name, a.colour, a.material, a.diameter_um, a.keep_um, a.length_um, a.hole_um,
                   a.inner_width_um, a.bar_um,
                   case when m.some_unmeasured then greatest(m.measured_um, a.diameter_um)
                        else coalesce(m.measured_um, a.diameter_um) end as thickest_um,
                   coalesce(m.quantity, 0) as on_hand, coalesce(m.best_lot, 0) as best_lot,
                   round(coalesce(case when m.quantity > 0 then m.value / m.quantity else m.paid / nullif(m.received, 0) end, 0)
                         * case a.unit when 'METRE' then 1000000 when 'PIECE' then 1 else 1000 end, 6) as unit_price
            from article a left join moved m on m.article_id = a.id
            """;

    private final ArticleStore store;
    private final ApplicationEventPublisher events;
    private final Materials materials;
    private final JdbcClient jdbc;

    Articles(ArticleStore store, Materials materials, ApplicationEventPublisher events, JdbcClient jdbc) {
        this.events = events;
        this.materials = materials;
        this.store = store;
        this.jdbc = jdbc;
    }

    @Transactional(readOnly = true)
    public List<Article> all() {
        return all(materials.book());
    }

    List<Article> all(Map<String, Material> book) {
        return jdbc.sql(WITH_STOCK.formatted("") + " order by a.kind, a.code")
                .query(row(book))
                .list();
    }

    /** All articles of a kind, by their codes. */
    List<Article> ofKind(ArticleKind kind, Map<String, Material> book) {
        return jdbc.sql(WITH_STOCK.formatted("where article_id in (select id from article where kind = :kind)")
                        + " where a.kind = :kind order by a.code")
                .param("kind", kind.name())
                .query(row(book))
                .list();
    }

    /** These articles, in no order. */
    @Transactional(readOnly = true)
    public List<Article> some(Collection<Long> ids) {
        return some(ids, materials.book());
    }

    List<Article> some(Collection<Long> ids, Map<String, Material> book) {
        return jdbc.sql(WITH_STOCK.formatted("where article_id = any (:ids)") + " where a.id = any (:ids)")
                .param("ids", ids.toArray(Long[]::new))
                .query(row(book))
                .list();
    }

    /** The article of that code, if there is one. */
    @Transactional(readOnly = true)
    public List<Article> coded(String code) {
        return coded(code, materials.book());
    }

    List<Article> coded(String code, Map<String, Material> book) {
        return jdbc.sql(WITH_STOCK.formatted("where article_id = (select id from article where code = :code)")
                        + " where a.code = :code")
                .param("code", code)
                .query(row(book))
                .list();
    }

    /** What accepted orders' uncut pieces take of articles, but for those of one order; nothing for what none takes. */
    @Transactional(readOnly = true)
    public Map<Long, Long> promised(Collection<Long> ids, @Nullable Long besides) {
        Map<Long, Long> promised = new HashMap<>();
        jdbc.sql("""
                        select article_id, sum(quantity) from article_reserved
                        where article_id = any (:articles) and (cast(:besides as bigint) is null or order_id <> :besides)
                        group by 1
                        """)
                .param("articles", ids.toArray(Long[]::new))
                .param("besides", besides)
                .query(row -> {
                    promised.put(row.getLong(1), row.getLong(2));
                });
        return promised;
    }

    /** An article of cord and the colour it has. */
    public record Tint(long id, String code, String colour) {}

    /** Other cords of the same material and gauge. */
    @Transactional(readOnly = true)
    public List<Tint> alike(Article cord) {
        return jdbc.sql("""
                        select id, code, colour from article
                        where kind = 'CORD' and material = :material and diameter_um = :diameter and id <> :id
                        """)
                .param("material", cord.material())
                .param("diameter", cord.diameterUm())
                .param("id", cord.id())
                .query((row, n) -> new Tint(row.getLong(1), row.getString(2), row.getString(3)))
                .list();
    }

    private static RowMapper<Article> row(Map<String, Material> book) {
        return (row, n) -> article(row, book);
    }

    private static Article article(ResultSet row, Map<String, Material> book) throws SQLException {
        String material = row.getString("material");
        return new Article(
                row.getLong("id"),
                row.getString("code"),
                ArticleKind.valueOf(row.getString("kind")),
                Unit.valueOf(row.getString("unit")),
                row.getString("name"),
                row.getString("colour"),
                material,
                row.getObject("diameter_um", Long.class),
                row.getObject("keep_um", Long.class),
                row.getObject("length_um", Long.class),
                row.getObject("hole_um", Long.class),
                row.getObject("inner_width_um", Long.class),
                row.getObject("bar_um", Long.class),
                row.getObject("thickest_um", Long.class),
                row.getLong("on_hand"),
                row.getLong("best_lot"),
                row.getBigDecimal("unit_price"),
                material == null ? null : book.get(material));
    }

    /** What pieces use up, of all consumables. */
    @Transactional(readOnly = true)
    public List<ConsumableUse> consumableUses() {
        return jdbc.sql("select article_id as article, occasion, quantity from consumable_use order by 1, 2")
                .query(ConsumableUse.class)
                .list();
    }

    public ArticleReading reading() {
        return new ArticleReading(this, materials);
    }

    @Transactional(readOnly = true)
    public Article byId(long id) {
        return some(List.of(id)).stream().findFirst().orElseThrow(() -> new NotFound("notFound"));
    }

    @Transactional
    public long add(NewArticle input) {
        List<Fault> faults = new ArrayList<>();
        ArticleRow row = read(input, knownMaterials(), faults);
        if (store.existsByCode(row.code())) {
            faults.add(Fault.of("code", "article.taken", row.code()));
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        return store.saveAndFlush(row).id();
    }

    int version(long id) {
        return jdbc.sql("select version from article where id = ?")
                .param(id)
                .query(Integer.class)
                .single();
    }

    /**
     * Makes an article what is typed; it stays of its kind.
     *
     * @throws Conflict when it is no longer of that version
     */
    @Transactional
    void change(NewArticle input, int version) {
        ArticleRow there = store.findByCode(input.code()).orElseThrow(() -> new NotFound("notFound"));
        if (there.version() != version) {
            throw new Conflict("changedMeanwhile");
        }
        change(input);
    }

    /** Makes an article what is typed; it stays of its kind. */
    @Transactional
    void change(NewArticle input) {
        List<Fault> faults = new ArrayList<>();
        ArticleRow row = read(input, knownMaterials(), faults);
        ArticleRow there = store.findByCode(row.code()).orElseThrow(() -> new NotFound("notFound"));
        if (there.kind() != row.kind()) {
            faults.add(Fault.of("kind", "article.kindStays", there.code()));
        } else if (there.unit() != row.unit()) {
            faults.add(Fault.of("unit", "article.unitStays", there.code()));
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        takeOver(there, row);
        store.flush();
    }

    /** Makes an article what was read; nothing stands in the way of it. */
    void takeOver(ArticleRow there, ArticleRow row) {
        boolean renamed = !there.name().equals(row.name());
        there.takeOver(row);
        if (renamed) {
            events.publishEvent(new ArticleRenamed(there.id()));
        }
    }

    /** The codes of materials that a cord can be of. */
    Set<String> knownMaterials() {
        return materials.book().keySet();
    }

    /**
     * An article as typed, with a fault for every field that cannot be read.
     *
     * @param known the {@linkplain #knownMaterials known materials}
     */
    static ArticleRow read(NewArticle input, Set<String> known, List<Fault> faults) {
        String code = Texts.required(input.code(), "code", 12, faults).toUpperCase(Locale.ROOT);
        if (!code.isEmpty() && !CODE.matcher(code).matches()) {
            faults.add(Fault.of("code", "article.code", code));
        }
        String name = Texts.required(input.name(), "name", 60, faults);
        if (!COLOUR.matcher(input.colour()).matches()) {
            faults.add(Fault.of("colour", "article.colour", input.colour()));
        }
        ArticleRow row = new ArticleRow(code, input.kind(), unit(input, faults), name, input.colour());
        Measures measures = new Measures(input, faults);
        if (input.kind() == ArticleKind.CORD) {
            if (!known.contains(String.valueOf(input.material()))) {
                faults.add(Fault.of("material", "article.material", String.valueOf(input.material())));
            }
            row.material = input.material();
            row.diameterUm = measures.read("diameter", input.diameter(), Cord.THINNEST, Cord.THICKEST);
            row.keepUm = measures.read("keep", input.keep(), mm(50), mm(5000));
        } else if (input.kind() == ArticleKind.CONSUMABLE) {
            row.uses().putAll(uses(input, row.unit(), faults));
        } else {
            Map<Measure, String> given = input.measures() == null ? Map.of() : input.measures();
            for (Measure measure : input.kind().hardware().measures()) {
                row.keep(
                        measure,
                        measures.read("measures." + measure, given.get(measure), measure.least(), measure.most()));
            }
        }
        return row;
    }

    private static Unit unit(NewArticle input, List<Fault> faults) {
        if (input.kind() == ArticleKind.CONSUMABLE && input.unit() == null) {
            faults.add(Fault.of("unit", "missing"));
        }
        if (input.kind() == ArticleKind.CONSUMABLE && input.unit() != null) {
            return input.unit();
        }
        return input.kind() == ArticleKind.CORD ? Unit.METRE : Unit.PIECE;
    }

    private static Map<Occasion, Long> uses(NewArticle input, Unit unit, List<Fault> faults) {
        Map<Occasion, Long> uses = new EnumMap<>(Occasion.class);
        Map<Occasion, String> typed = input.uses() == null ? Map.of() : input.uses();
        typed.forEach((occasion, text) -> Texts.given(text).ifPresent(given -> {
            Optional<Long> amount = unit.read(given, input.units());
            if (amount.filter(a -> a > 0 && a <= unit.most()).isEmpty()) {
                faults.add(
                        Fault.of("uses." + occasion, "amount.unread", given, unit.write(1), unit.write(unit.most())));
            }
            uses.put(occasion, amount.orElse(0L));
        }));
        return uses;
    }

    private static Length mm(long millimetres) {
        return Length.ofMillimetres(millimetres);
    }

    private record Measures(NewArticle input, List<Fault> faults) {
        @Nullable
        Long read(String field, @Nullable String text, Length least, Length most) {
            Optional<String> given = Texts.given(text);
            if (given.isEmpty()) {
                faults.add(Fault.of(field, "missing"));
                return null;
            }
            Optional<Length> length = LengthReader.read(given.get(), input.units());
            if (length.isEmpty()) {
                faults.add(Fault.of(field, "length.unread", given.get()));
                return null;
            }
            if (length.get().isLessThan(least) || most.isLessThan(length.get())) {
                faults.add(Fault.of(field, "length.range", length.get(), least, most));
            }
            return length.get().micrometres();
        }
    }
}
