package dev.restis.app.plan;

import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.plan.PlanController.AnewPage;
import dev.restis.app.plan.PlanController.AnewView;
import dev.restis.app.plan.PlanController.BatchView;
import dev.restis.app.plan.PlanController.ColourView;
import dev.restis.app.plan.PlanController.OpenLineView;
import dev.restis.app.plan.PlanController.PlanView;
import dev.restis.app.plan.PlanController.SetUpView;
import dev.restis.app.plan.PlanController.WaitingView;
import dev.restis.app.platform.Keyset;
import dev.restis.core.batch.SetUp;
import dev.restis.core.piece.Check.Verdict;
import dev.restis.core.stock.Unit;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Open work and batches, page by page, from what is kept with lines and batches: nothing is worked out for a look. */
@Service
class PlanReads {

    private static final int SET_UPS = 50;
    private static final int LINES = 60;
    private static final int BATCHES = 50;
    private static final int ANEW = 50;
    /** Where what nobody waits for stands among days. */
    private static final String NO_DAY = "9999-12-31";

    private static final String DAY = "\\d{4}-\\d{2}-\\d{2}";
    private static final String ANY = ".+";
    private static final String FLAG = "true|false";
    private static final String NUMBER = "\\d{1,18}";

    private final JdbcClient jdbc;
    private final PieceDesk desk;

    PlanReads(JdbcClient jdbc, PieceDesk desk) {
        this.jdbc = jdbc;
        this.desk = desk;
    }

    private record Head(String key, String first, int pieces, long cordUm, long gaugeUm, long line, int lines) {}

    /**
     * Set-ups with open pieces, the one that is wanted first first.
     *
     * @param order reference of an order whose set-ups alone are wanted; empty for all
     */
    @Transactional(readOnly = true)
    public PlanView openWork(@Nullable String after, String order) {
        Map<String, Object> params = new HashMap<>();
        params.put("order", order);
        params.put("most", SET_UPS + 1);
        String from = Keyset.read(after, DAY, ANY)
                .map(place -> {
                    params.put("day", place.get(0));
                    params.put("key", place.get(1));
                    return " having (min(open_due)::text, set_up) > (:day, :key)";
                })
                .orElse("");
        Keyset<Head> page = Keyset.of(
                jdbc.sql("""
                                select set_up as key, min(open_due)::text as first, sum(open)::int as pieces,
                                       sum(open * cord_um)::bigint as cord_um, max(gauge_um) as gauge_um, min(id) as line,
                                       count(*)::int as lines
                                from order_line where open > 0 and (:order = '' or set_up in (
                                    select ol.set_up from order_line ol join customer_order oo on oo.id = ol.order_id
                                    where oo.reference = :order))
                                group by set_up%s order by 2, 1 limit :most
                                """.formatted(from)).params(params).query(Head.class).list(),
                SET_UPS,
                h -> List.of(h.first(), h.key()));
        Map<String, List<OpenLineView>> lines =
                lines(page.rows().stream().map(Head::key).toList());
        Map<Long, List<ColourView>> colours =
                colours(page.rows().stream().map(Head::line).toList());
        PieceDesk.Sitting sitting = desk.sit();
        return new PlanView(
                page.rows().stream()
                        .map(h -> new SetUpView(
                                h.key(),
                                sitting.patternName(SetUp.patternOf(h.key())),
                                h.gaugeUm(),
                                colours.getOrDefault(h.line(), List.of()),
                                h.pieces(),
                                h.cordUm(),
                                h.first().equals(NO_DAY) ? null : LocalDate.parse(h.first()),
                                lines.getOrDefault(h.key(), List.of()),
                                h.lines()
                                        - lines.getOrDefault(h.key(), List.of()).size()))
                        .toList(),
                page.next());
    }

    /** What corrected formulas changed, of lines that still have pieces to cut, the newest first. */
    @Transactional(readOnly = true)
    public AnewPage anew(@Nullable String after) {
        record Row(
                long id,
                long order,
                String customer,
                int line,
                String pattern,
                String article,
                Unit unit,
                int pieces,
                long before,
                long after,
                Instant at) {}
        Map<String, Object> params = new HashMap<>();
        params.put("most", ANEW + 1);
        String from = Keyset.read(after, NUMBER)
                .map(place -> {
                    params.put("id", Long.valueOf(place.get(0)));
                    return " and id < :id";
                })
                .orElse("");
        params.put("learned", Changed.LEARNED);
        List<Row> found =
                jdbc.sql("""
                        select r.id, l.order_id as order, o.customer, l.number as line, l.pattern, a.code as article, a.unit,
                               r.pieces, r.before_quantity as before, r.after_quantity as after, r.at
                        from (select * from reckoned_anew_open where formulas <> :learned%s order by id desc limit :most) r
                            join order_line l on l.id = r.line_id join customer_order o on o.id = l.order_id
                            join article a on a.id = r.article_id
                        order by r.id desc
                        """.formatted(from)).params(params).query(Row.class).list();
        Keyset<Row> page = Keyset.of(found, ANEW, r -> List.of(r.id()));
        PieceDesk.Sitting sitting = desk.sit();
        return new AnewPage(
                page.rows().stream()
                        .map(r -> new AnewView(
                                r.order(),
                                r.customer(),
                                r.line(),
                                sitting.patternName(r.pattern()),
                                r.article(),
                                r.unit(),
                                r.pieces(),
                                r.before(),
                                r.after(),
                                r.at()))
                        .toList(),
                page.next());
    }

    private Map<String, List<OpenLineView>> lines(List<String> keys) {
        Map<String, List<OpenLineView>> lines = new HashMap<>();
        jdbc.sql("""
                        select l.*, o.reference, o.customer, o.due
                        from unnest(?) k (set_up) cross join lateral (
                            select l.id, l.order_id, l.number, l.open, l.open_due, l.size_name, l.wrist_um, l.length_um, l.verdict,
                                   l.set_up
                            from order_line l where l.set_up = k.set_up and l.open > 0
                            order by l.open_due, l.order_id, l.number limit ?) l
                            join customer_order o on o.id = l.order_id
                        order by l.set_up, l.open_due, l.order_id, l.number
                        """).params(keys.toArray(String[]::new), LINES).query(row -> {
            lines.computeIfAbsent(row.getString("set_up"), k -> new ArrayList<>())
                    .add(new OpenLineView(
                            row.getLong("id"),
                            row.getLong("order_id"),
                            row.getString("reference"),
                            row.getString("customer"),
                            row.getObject("due", LocalDate.class),
                            row.getInt("open"),
                            row.getString("size_name"),
                            row.getObject("wrist_um", Long.class),
                            row.getObject("length_um", Long.class),
                            Verdict.valueOf(row.getString("verdict"))));
        });
        return lines;
    }

    private Map<Long, List<ColourView>> colours(List<Long> lines) {
        Map<Long, List<ColourView>> colours = new HashMap<>();
        jdbc.sql("""
                        select c.line_id, a.code, a.name, a.colour from order_line_colour c join article a on a.id = c.article_id
                        where c.line_id = any (?) order by c.line_id, c.slot
                        """).param(lines.toArray(Long[]::new)).query(row -> {
            colours.computeIfAbsent(row.getLong(1), l -> new ArrayList<>())
                    .add(new ColourView(row.getString(2), row.getString(3), row.getString(4)));
        });
        return colours;
    }

    /** Batches that have something left to cut first, of each the newest first. */
    @Transactional(readOnly = true)
    public Keyset<BatchView> batches(@Nullable String after) {
        Map<String, Object> params = new HashMap<>();
        params.put("most", BATCHES + 1);
        String from = Keyset.read(after, FLAG, NUMBER)
                .map(place -> {
                    params.put("done", Boolean.valueOf(place.get(0)));
                    params.put("id", Long.valueOf(place.get(1)));
                    return " and ((cut = pieces) > :done or (cut = pieces) = :done and id < :id)";
                })
                .orElse("");
        List<BatchView> found = jdbc.sql("""
                        select b.id, b.name, b.created_at, b.created_by, b.pieces, b.cut,
                               (select min(o.due) from piece p join order_line l on l.id = p.line_id
                                    join customer_order o on o.id = l.order_id where p.batch_id = b.id) as first_due,
                               (select max(c.id) from cut_list c join cut_list_batch cb on cb.cut_list_id = c.id
                                where cb.batch_id = b.id and c.confirmed_at is null) as open_cut_list
                        from (select * from batch where pieces > 0%s order by (cut = pieces), id desc limit :most) b
                        order by (b.cut = b.pieces), b.id desc
                        """.formatted(from))
                .params(params)
                .query(BatchView.class)
                .list();
        return Keyset.of(found, BATCHES, b -> List.of(b.cut() == b.pieces(), b.id()));
    }

    /** What waits at the stages of the rail. */
    @Transactional(readOnly = true)
    public WaitingView waiting() {
        return jdbc.sql("""
                        select count(*) filter (where planned < pieces) as open_orders,
                               coalesce(sum(pieces - planned), 0) as open_pieces,
                               (select count(*) from batch where pieces > 0 and cut < pieces) as batches_to_cut,
                               (select count(*) from piece where stage = 'CUT' or stage = 'MAKING') as pieces_to_make,
                               (select count(*) from customer_order where made > dispatched and stage = 'ACCEPTED') as orders_to_send
                        from customer_order where stage = 'ACCEPTED' and making_left_s > 0
                        """).query(WaitingView.class).single();
    }
}
