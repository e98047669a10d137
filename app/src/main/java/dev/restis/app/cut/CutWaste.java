package dev.restis.app.cut;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.sql.Types;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Where the cord that was cut went, summed from the ledger: what was taken back or given up counts for nothing. */
@Service
class CutWaste {

    /** What a row of the report stands for. */
    enum By {
        ARTICLE("w.article_id", "min(w.code)", "min(w.name)", "min(w.colour)"),
        MONTH("w.month", "w.month", "''", "''"),
        BATCH("w.cut_list_id", """
                (select string_agg(b.name, ', ' order by b.id) from cut_list_batch cb
                 join batch b on b.id = cb.batch_id where cb.cut_list_id = w.cut_list_id)""", "''", "''");

        private final String key;
        private final String label;
        private final String name;
        private final String colour;

        By(String key, String label, String name, String colour) {
            this.key = key;
            this.label = label;
            this.name = name;
            this.colour = colour;
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
     * @param remnantsUsed remnants that strands were cut from; {@code remnantsUsedUm} is what was cut from them
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
             from cut_list c where c.id = w.cut_list_id)""";

    private static final int MOST_ROWS = 500;

    private final JdbcClient jdbc;
    private final Clock clock;

    CutWaste(JdbcClient jdbc, Clock clock) {
        this.clock = clock;
        this.jdbc = jdbc;
    }

    /**
     * Newest or largest first.
     *
     * @param from first day, or from the beginning
     * @param to last day, or until now
     */
    @Transactional(readOnly = true)
    public List<WasteRow> rows(By by, @Nullable LocalDate from, @Nullable LocalDate to) {
        ZoneId zone = clock.getZone();
        return jdbc.sql("""
                        with w as (
                            select t.id, to_char(t.done_at at time zone :zone, 'YYYY-MM') as month, s.cut_list_id, h.id as holding_id, h.kind, lot.article_id, a.code, a.name,
                                   a.colour, n.used_um,
                                   coalesce(-sum(g.quantity) filter (where g.movement in ('CUT', 'RETURN')), 0) as cut_um,
                                   coalesce(-sum(g.quantity) filter (where g.movement = 'BIN'), 0) as scrap_um,
                                   coalesce(-sum(g.value) filter (where g.movement = 'BIN'), 0) as scrap_value,
                                   coalesce(-sum(g.quantity) filter (where g.movement = 'SPLIT' and g.holding_id = s.holding_id), 0)
                                       as kept_um
                            from cut_step t join cut_spool s on s.id = t.cut_spool_id join holding h on h.id = s.holding_id
                                join lot on lot.id = h.lot_id join article a on a.id = lot.article_id
                                join ledger g on g.cut_step_id = t.id left join strand n on n.id = t.strand_id
                            where t.done_at is not null
                                  and t.done_at >= coalesce(cast(:from as timestamptz), '-infinity')
                                  and t.done_at < coalesce(cast(:until as timestamptz), 'infinity')
                            group by t.id, s.id, h.id, lot.id, a.id, n.id)
                        select %s as label, %s as name, %s as colour, %s as list,
                               sum(case when w.cut_um > 0 then coalesce(w.used_um, w.cut_um) else 0 end) as used_um,
                               sum(w.cut_um) as cut_um, sum(w.scrap_um) as scrap_um, sum(w.scrap_value) as scrap_value,
                               count(*) filter (where w.kept_um > 0) as made, sum(w.kept_um) as made_um,
                               count(distinct w.holding_id) filter (where w.cut_um > 0 and w.kind in ('REMNANT', 'CUT')) as used,
                               coalesce(sum(w.cut_um) filter (where w.kind in ('REMNANT', 'CUT')), 0) as remnants_um,
                               %s as gap
                        from w group by %s having sum(w.cut_um) + sum(w.scrap_um) > 0 order by %s limit :most
                        """.formatted(
                                by.label,
                                by.name,
                                by.colour,
                                by == By.BATCH ? "w.cut_list_id" : "cast(null as bigint)",
                                by == By.BATCH ? GAP : "cast(null as numeric)",
                                by.key,
                                by == By.ARTICLE ? "sum(w.cut_um) desc, 1" : by.key + " desc"))
                .param("zone", zone.getId())
                .param("from", begin(from, zone), Types.TIMESTAMP_WITH_TIMEZONE)
                .param("until", begin(to == null ? null : to.plusDays(1), zone), Types.TIMESTAMP_WITH_TIMEZONE)
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

    private static @Nullable OffsetDateTime begin(@Nullable LocalDate day, ZoneId zone) {
        return day == null ? null : day.atStartOfDay(zone).toOffsetDateTime();
    }
}
