package dev.restis.app.cut;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.sql.Types;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Where the cord that was cut went, summed from the ledger: what was taken back or given up counts for nothing. */
@Service
class CutWaste {

    /** What a row of the report stands for. */
    enum By {
        ARTICLE("article_id", "a.code", "a.name", "a.colour", "sum(s.cut_um) desc, 1"),
        MONTH("day", "to_char(s.part, 'YYYY-MM')", "''", "''", "1 desc"),
        BATCH("cut_list_id", """
                (select string_agg(b.name, ', ' order by b.id) from cut_list_batch cb
                 join batch b on b.id = cb.batch_id where cb.cut_list_id = s.part)""", "''", "''", "s.part desc");

        /** What is added up first: of very many sums that few must be named. */
        private final String part;

        private final String label;
        private final String name;
        private final String colour;
        private final String order;

        By(String part, String label, String name, String colour, String order) {
            this.part = part;
            this.label = label;
            this.name = name;
            this.colour = colour;
            this.order = order;
        }
    }

    /**
     * Cord in micrometres.
     *
     * @param label code of the article, the month as year and month, or the batches of the list
     * @param list the cut list, where the row stands for one
     * @param usedUm in finished pieces
     * @param tailsUm cut off after tying
     * @param scrapUm thrown away when it was cut
     * @param scrapPercent of all that came off
     * @param scrapValue in the house's currency
     * @param remnantsMade pieces of cord kept; their length in {@code remnantsMadeUm}
     * @param remnantsUsed remnants that strands were cut from, once for each list and day; {@code remnantsUsedUm} is what was cut from them
     * @param gapPercent how far the plan was from the best at most; of lists only
     */
    record WasteRow(
            String label,
            String name,
            String colour,
            @Nullable Long list,
            long usedUm,
            long tailsUm,
            long scrapUm,
            BigDecimal scrapPercent,
            BigDecimal scrapValue,
            int remnantsMade,
            long remnantsMadeUm,
            int remnantsUsed,
            long remnantsUsedUm,
            @Nullable BigDecimal gapPercent) {}

    private static final String GAP = """
            (select case when c.bound > 0 then greatest(0, (c.cost / c.bound - 1) * 100) end
             from cut_list c where c.id = s.part)""";

    /** Of a file; a screen has fewer lists. */
    static final int MOST_ROWS = 500;

    static final int MOST_SHOWN_LISTS = 100;
    private static final String BETWEEN = "day between coalesce(:from, '-infinity') and coalesce(:to, 'infinity')";
    private static final String SUMS = """
            day, used_um, cut_um, scrap_um, scrap_value, made, made_um, remnants, remnants_um""";
    private static final String SUMMED = """
            select cut_list_id, article_id, %s from cut_waste
            where cut_list_id <> all (:unsummed) and %s""".formatted(SUMS, BETWEEN);
    /** Days are summed with what was cut of lists that are being summed again. */
    private static final String DAYS = """
            select cast(null as bigint) as cut_list_id, cast(null as bigint) as article_id, %1$s from cut_waste_day where %2$s
            union all
            select null, null, day, -used_um, -cut_um, -scrap_um, -scrap_value, -made, -made_um, -remnants, -remnants_um
            from cut_waste where cut_list_id = any (:unsummed) and %2$s""".formatted(SUMS, BETWEEN);

    private static final String THESE = """
            select cut_list_id, article_id, %s from cut_waste
            where cut_list_id = any (:lists) and cut_list_id <> all (:unsummed) and %s""".formatted(SUMS, BETWEEN);
    private static final String NOW = """
            union all
            select cut_list_id, article_id, %s from cut_waste_now where cut_list_id = any (:unsummed) and %s""".formatted(SUMS, BETWEEN);
    /** The newest lists of those days, found without adding up all others. */
    private static final String NEWEST = """
            (select distinct cut_list_id from cut_waste where %s order by 1 desc limit :most)
            union select * from unnest(cast(:unsummed as bigint[])) order by 1 desc limit :most""".formatted(BETWEEN);

    private final JdbcClient jdbc;

    CutWaste(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * Newest or largest first.
     *
     * @param from first day, or from the beginning
     * @param to last day, or until now
     * @param lists the newest so many lists, where rows stand for lists
     */
    @Transactional(readOnly = true)
    public List<WasteRow> rows(By by, @Nullable LocalDate from, @Nullable LocalDate to, int lists) {
        Long[] unsummed = jdbc.sql("select id from cut_list where not summed")
                .query(Long.class)
                .list()
                .toArray(Long[]::new);
        Long[] newest = by == By.BATCH ? newest(unsummed, from, to, lists) : unsummed;
        Set<Long> wanted = Set.of(newest);
        Long[] now = Stream.of(unsummed).filter(wanted::contains).toArray(Long[]::new);
        return jdbc.sql("""
                        with w as (%s),
                        s as (
                            select w.%s as part, sum(w.used_um) as used_um, sum(w.cut_um) as cut_um, sum(w.scrap_um) as scrap_um,
                                   sum(w.scrap_value) as scrap_value, sum(w.made) as made, sum(w.made_um) as made_um,
                                   sum(w.remnants) as remnants, sum(w.remnants_um) as remnants_um
                            from w group by 1)
                        select %s as label, %s as name, %s as colour, %s as list,
                               sum(s.used_um) as used_um, sum(s.cut_um) as cut_um, sum(s.scrap_um) as scrap_um,
                               sum(s.scrap_value) as scrap_value, sum(s.made) as made, sum(s.made_um) as made_um,
                               sum(s.remnants) as used, sum(s.remnants_um) as remnants_um, %s as gap
                        from s %s
                        group by %s having sum(s.cut_um) + sum(s.scrap_um) > 0 order by %s limit :most
                        """.formatted(
                                switch (by) {
                                            case ARTICLE -> SUMMED;
                                            case MONTH -> DAYS;
                                            case BATCH -> THESE;
                                        }
                                        + NOW,
                                by.part,
                                by.label,
                                by.name,
                                by.colour,
                                by == By.BATCH ? "s.part" : "cast(null as bigint)",
                                by == By.BATCH ? GAP : "cast(null as numeric)",
                                by == By.ARTICLE ? "join article a on a.id = s.part" : "",
                                by == By.MONTH ? "1" : by == By.ARTICLE ? "a.id" : "s.part",
                                by.order))
                .param("unsummed", now)
                .param("from", from, Types.DATE)
                .param("to", to, Types.DATE)
                .param("lists", newest)
                .param("most", MOST_ROWS)
                .query((row, n) -> {
                    long cut = row.getLong("cut_um");
                    long scrap = row.getLong("scrap_um");
                    BigDecimal gap = row.getBigDecimal("gap");
                    return new WasteRow(
                            row.getString("label"),
                            row.getString("name"),
                            row.getString("colour"),
                            row.getObject("list", Long.class),
                            row.getLong("used_um"),
                            cut - row.getLong("used_um"),
                            scrap,
                            BigDecimal.valueOf(scrap * 100)
                                    .divide(BigDecimal.valueOf(cut + scrap), 2, RoundingMode.HALF_UP),
                            row.getBigDecimal("scrap_value"),
                            row.getInt("made"),
                            row.getLong("made_um"),
                            row.getInt("used"),
                            row.getLong("remnants_um"),
                            gap == null ? null : gap.setScale(2, RoundingMode.UP));
                })
                .list();
    }

    private Long[] newest(Long[] unsummed, @Nullable LocalDate from, @Nullable LocalDate to, int most) {
        return jdbc.sql(NEWEST)
                .param("unsummed", unsummed)
                .param("from", from, Types.DATE)
                .param("to", to, Types.DATE)
                .param("most", most)
                .query(Long.class)
                .list()
                .toArray(Long[]::new);
    }
}
