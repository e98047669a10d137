package dev.restis.app.costs;

import dev.restis.app.bench.BenchReplay;
import dev.restis.app.pieces.StageReplay;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;

/**
 * Adds up the whole database from its single rows and compares what is kept beside them: balances, the identity of cost,
 * costs of batches, counts of orders.
 */
public final class Verification {

    /** Something that does not add up. */
    public record Difference(String check, String what) {}

    /** Each answers one row of text for whatever does not add up. */
    private static final Map<String, String> CHECKS = checks();

    /** What a workshop has, counted and added up; each answers rows of a name and a figure. */
    private static final String TOTALS = """
            select 'orders, ' || lower(state), count(*)::text from customer_order group by state
            union all select 'pieces', count(*)::text from piece
            union all select 'pieces planned', count(batch_id)::text from piece
            union all select 'pieces cut', (count(*) filter (where stage >= 'CUT'))::text from piece
            union all select 'pieces made', (count(*) filter (where stage between 'MADE' and 'SENT'))::text from piece
            union all select 'pieces sent', (count(*) filter (where stage = 'SENT'))::text from piece
            union all select 'prices agreed', coalesce(sum(gross), 0)::text from quote where accepted_at is not null
            union all select 'on hand, ' || lower(a.unit), sum(h.quantity)::text
                from holding h join lot on lot.id = h.lot_id join article a on a.id = lot.article_id group by a.unit
            union all select 'worth on hand', coalesce(sum(value), 0)::text from holding
            union all select 'movements, ' || lower(movement), count(*) || ' worth ' || sum(value) from ledger group by movement
            union all select 'promised', coalesce(sum(quantity), 0)::text from article_reserved
            union all select 'cost of pieces', coalesce(sum(used + tails + waste + hardware), 0)::text from piece_actual
            union all select 'cost of pieces, estimated', coalesce(sum(used + tails + hardware), 0)::text from piece_estimate
            union all select 'cuts made', count(done_at)::text from cut_step
            union all select 'cuts to make', (count(*) - count(done_at))::text from cut_step
            union all select 'deliveries', count(*)::text from receipt
            union all select 'patterns and their versions', count(*)::text from pattern_version
            union all select 'swatches', count(*)::text from swatch
            union all select 'people', count(*)::text from person
            union all select 'acts at the bench, ' || lower(act), count(*)::text from bench_act group by act
            union all select 'pieces at the bench', count(*)::text from bench_piece
            union all select 'left over, ' || lower(fate), count(*) || ' of ' || sum(left_um) from left_over_now group by fate
            union all select 'cost of pieces, scrap', coalesce(sum(scrap), 0)::text from piece_actual
            union all select 'measurements, ' || lower(source), count(*)::text from observation where standing = 'STANDS' group by source
            order by 1
            """;

    private static final String STAGES = "stage of each piece, replayed from its rows";

    private static final String STEPS = "step of each piece at the bench, replayed from its acts";

    private final JdbcClient jdbc;

    public Verification(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    private static Map<String, String> checks() {
        Map<String, String> checks = new LinkedHashMap<>();
        checks.put("balance of each holding", """
                select h.label || ' keeps ' || h.quantity || ' worth ' || h.value || ', its ledger sums to '
                       || coalesce(s.quantity, 0) || ' worth ' || coalesce(s.value, 0)
                from holding h left join (select holding_id, sum(quantity) as quantity, sum(value) as value
                                          from ledger group by holding_id) s on s.holding_id = h.id
                where h.quantity <> coalesce(s.quantity, 0) or h.value <> coalesce(s.value, 0)
                """);
        checks.put("balance of each lot", """
                select 'lot ' || lot.code || ' keeps ' || lot.quantity || ' worth ' || lot.value || ', its holdings sum to '
                       || coalesce(s.quantity, 0) || ' worth ' || coalesce(s.value, 0)
                from lot left join (select lot_id, sum(quantity) as quantity, sum(value) as value
                                    from holding group by lot_id) s on s.lot_id = lot.id
                where lot.quantity <> coalesce(s.quantity, 0) or lot.value <> coalesce(s.value, 0)
                """);
        checks.put("nothing below zero, nothing empty that is worth something", """
                select h.label || ' has ' || h.quantity || ' worth ' || h.value from holding h
                where h.quantity < 0 or h.value < 0 or (h.quantity = 0 and h.value <> 0)
                """);
        checks.put("receipts = on hand + pieces + binned, sold, sent back and set right", """
                select 'received ' || b.receipts || ', on hand ' || b.on_hand || ', pieces ' || b.pieces || ', else ' || b.others
                       || ': a difference of ' || (b.receipts - b.on_hand - b.pieces - b.others)
                from (select coalesce((select sum(value) from ledger where movement = 'RECEIVE'), 0) as receipts,
                             coalesce((select sum(value) from ledger), 0) as on_hand,
                             coalesce((select sum(used + tails + waste + hardware) from piece_actual), 0)
                                 + (select coalesce(sum(waste_alone), 0) from cut_list) as pieces,
                             coalesce((select -sum(value) from ledger where batch_id is null and cut_step_id is null
                                       and movement in ('BIN', 'ADJUST', 'SELL', 'SEND_BACK', 'COUNT')), 0) as others) b
                where b.receipts <> b.on_hand + b.pieces + b.others
                """);
        checks.put("what is left over is learned from", """
                select 'what was left of strand ' || l.strand_id || ' of piece ' || l.piece_id || ' is no measurement'
                from left_over l join strand n on n.id = l.strand_id and n.cut_um > l.left_um
                where l.takes_back is null and not exists (select 1 from left_over b where b.takes_back = l.id)
                    and not exists (select 1 from observation o where o.source = 'STRAND' and o.sources @> array[l.id])
                """);
        checks.put("cost of each batch", """
                select 'batch ' || b.name || ' took ' || coalesce(l.taken, 0) || ' from the shelves, its pieces cost '
                       || coalesce(p.cost, 0)
                from batch b
                    left join (select batch_id, -sum(value) as taken from ledger where movement <> 'BIN' group by batch_id) l on l.batch_id = b.id
                    left join (select p.batch_id, sum(a.used + a.tails + a.hardware) as cost
                               from piece_actual a join piece p on p.id = a.piece_id group by p.batch_id) p on p.batch_id = b.id
                where coalesce(l.taken, 0) <> coalesce(p.cost, 0)
                """);
        checks.put("sums of each batch", """
                select 'batch ' || b.name || ' keeps ' || b.pieces || ' pieces, ' || b.cut || ' cut, at ' || (b.used + b.tails + b.waste + b.hardware)
                       || '; it has ' || s.pieces || ', ' || s.cut || ', ' || (s.used + s.tails + s.waste + s.hardware)
                from batch b join batch_sums s on s.id = b.id
                where (b.pieces, b.cut, b.estimated_used, b.estimated_tails, b.estimated_hardware, b.used, b.tails, b.waste, b.hardware)
                      is distinct from (s.pieces, s.cut, s.estimated_used, s.estimated_tails, s.estimated_hardware, s.used, s.tails,
                                        s.waste, s.hardware)
                """);
        checks.put("waste of cut lists", """
                select 'cut lists threw away ' || w.thrown || ', their pieces bear ' || w.borne
                from (select (select coalesce(-sum(value), 0) from ledger
                              where movement = 'BIN' and (batch_id is not null or cut_step_id is not null)) as thrown,
                             (select coalesce(sum(waste), 0) from piece_actual)
                                 + (select coalesce(sum(waste_alone), 0) from cut_list) as borne) w
                where w.thrown <> w.borne
                """);
        checks.put("sums of waste of each cut list", """
                select 'cut list ' || c.id || ' keeps ' || k.sums || ', its cuts come to ' || n.sums
                from cut_list c
                    left join lateral (select array_agg((w.article_id, w.day, w.used_um, w.cut_um, w.scrap_um, w.scrap_value, w.made,
                                           w.made_um, w.remnants, w.remnants_um)::text order by w.article_id, w.day)::text as sums
                                       from cut_waste w where w.cut_list_id = c.id) k on true
                    left join lateral (select array_agg((w.article_id, w.day, w.used_um, w.cut_um, w.scrap_um, w.scrap_value, w.made,
                                           w.made_um, w.remnants, w.remnants_um)::text order by w.article_id, w.day)::text as sums
                                       from cut_waste_now w where w.cut_list_id = c.id) n on true
                where c.summed and k.sums is distinct from n.sums
                """);
        checks.put("sums of waste of each day", """
                select 'day ' || coalesce(d.day, k.day) || ' keeps ' || d.cut_um || ', its lists come to ' || k.cut_um
                from cut_waste_day d
                    full join (select day, sum(used_um) as used_um, sum(cut_um) as cut_um, sum(scrap_um) as scrap_um,
                                      sum(scrap_value) as scrap_value, sum(made) as made, sum(made_um) as made_um,
                                      sum(remnants) as remnants, sum(remnants_um) as remnants_um
                               from cut_waste group by day) k on k.day = d.day
                where (coalesce(d.used_um, 0), coalesce(d.cut_um, 0), coalesce(d.scrap_um, 0), coalesce(d.scrap_value, 0),
                       coalesce(d.made, 0), coalesce(d.made_um, 0), coalesce(d.remnants, 0), coalesce(d.remnants_um, 0))
                      is distinct from
                      (coalesce(k.used_um, 0), coalesce(k.cut_um, 0), coalesce(k.scrap_um, 0), coalesce(k.scrap_value, 0),
                       coalesce(k.made, 0), coalesce(k.made_um, 0), coalesce(k.remnants, 0), coalesce(k.remnants_um, 0))
                """);
        checks.put("account of the shelf", """
                select 'piece ' || p.id || ' is ' || case when t.there then '' else 'not ' end || 'on the shelf at ' || t.cost
                       || '; its account says ' || coalesce(s.pieces, 0) || ' at ' || coalesce(s.value, 0)
                from piece p join order_line l on l.id = p.line_id join customer_order o on o.id = l.order_id
                    left join piece_actual a on a.piece_id = p.id
                    left join (select piece_id, sum(pieces) as pieces, sum(value) as value from shelf_entry group by 1) s on s.piece_id = p.id
                    cross join lateral (select (o.for_shelf or p.shelved)
                                               and p.stage >= 'MADE' and p.stage < 'SENT' as there,
                                               coalesce(a.used + a.tails + a.waste + a.hardware, 0) as cost) t
                where coalesce(s.pieces, 0) <> t.there::int or coalesce(s.value, 0) <> case when t.there then t.cost else 0 end
                """);
        checks.put("changes of what pieces cost", """
                select 'piece ' || coalesce(j.piece_id, a.piece_id) || ' changed to ' || coalesce(j.cost, 0) || ' but costs ' || coalesce(a.cost, 0)
                from (select piece_id, sum(used + tails + waste + hardware) as cost, sum(trimmed) as trimmed, sum(scrap) as scrap
                      from piece_cost where piece_id is not null group by 1) j
                    full join (select piece_id, used + tails + waste + hardware as cost, trimmed, scrap from piece_actual) a using (piece_id)
                where (coalesce(j.cost, 0), coalesce(j.trimmed, 0), coalesce(j.scrap, 0))
                      <> (coalesce(a.cost, 0), coalesce(a.trimmed, 0), coalesce(a.scrap, 0))
                union all select 'cut list ' || c.id || ' changed to ' || coalesce(j.waste, 0) || ' thrown away alone but keeps ' || c.waste_alone
                from cut_list c left join (select cut_list_id, sum(waste) as waste from piece_cost
                                           where cut_list_id is not null group by 1) j on j.cut_list_id = c.id
                where coalesce(j.waste, 0) <> c.waste_alone
                """);
        checks.put("strands that are cut", """
                select 'strand ' || t.strand_id || ' is cut but ' || coalesce(l.quantity, 0) || ' of it left the shelves'
                from cut_step t join strand n on n.id = t.strand_id
                    left join (select cut_step_id, -sum(quantity) as quantity from ledger where movement in ('CUT', 'RETURN')
                               group by cut_step_id) l on l.cut_step_id = t.id
                where t.done_at is not null and coalesce(l.quantity, 0) <> t.length_um
                """);
        checks.put("movements that were taken back", """
                select 'row ' || r.id || ' takes back row ' || l.id || ' but is not its opposite'
                from ledger r join ledger l on l.id = r.reverses
                where r.quantity <> -l.quantity or r.value <> -l.value or r.holding_id <> l.holding_id
                """);
        checks.put("counts of each order", """
                select 'order ' || o.reference || ' keeps ' || o.pieces || ' pieces, ' || o.cut || ' cut, ' || o.made || ' made; it has '
                       || c.pieces || ', ' || c.cut || ', ' || c.made
                from customer_order o
                    join (select l.order_id, count(p.id) as pieces, count(p.id) filter (where p.stage >= 'PLANNED') as planned,
                                 count(p.id) filter (where p.stage >= 'CUT') as cut,
                                 count(p.id) filter (where p.stage >= 'MADE') as made,
                                 count(p.id) filter (where p.stage = 'SENT' or p.stage >= 'MADE' and (p.shelved or b.for_shelf)) as dispatched
                          from order_line l join customer_order b on b.id = l.order_id
                              left join piece p on p.line_id = l.id and p.stage <> 'GIVEN_UP' group by l.order_id) c on c.order_id = o.id
                where (o.pieces, o.planned, o.cut, o.made, o.dispatched)
                      is distinct from (c.pieces, c.planned, c.cut, c.made, c.dispatched)
                """);
        checks.put("customer of each order", """
                select 'order ' || o.reference || ' is for ' || o.customer || ', its customer is called ' || c.name
                from customer_order o join customer c on c.id = o.customer_id
                where o.customer <> c.name
                """);
        checks.put("open pieces of each line", """
                select 'line ' || l.id || ' keeps ' || l.open || ' open pieces for ' || l.open_due || '; it has ' || c.open || ' for ' || c.due
                from order_line l
                    join (select l.id, coalesce(o.due, '9999-12-31') as due,
                                 case when o.stage = 'ACCEPTED' then count(p.id) filter (where p.stage = 'OPEN') else 0 end as open
                          from customer_order o join order_line l on l.order_id = o.id left join piece p on p.line_id = l.id
                          group by l.id, o.id) c on c.id = l.id
                where l.open <> c.open or l.open > 0 and l.open_due <> c.due
                """);
        checks.put("what is promised", """
                select 'order ' || o.reference || ' is promised ' || coalesce(r.quantity, 0) || ' of ' || a.code || ', it needs '
                       || coalesce(n.quantity, 0)
                from (select order_id, article_id, sum(quantity) as quantity from article_reserved group by 1, 2) r
                    full join (select order_id, article_id, sum(quantity) as quantity from article_needed group by 1, 2) n
                        using (order_id, article_id)
                    join customer_order o on o.id = order_id join article a on a.id = article_id
                where r.quantity is distinct from n.quantity
                """);
        return checks;
    }

    /** The checks there are, in words. */
    public static List<String> names() {
        List<String> names = new ArrayList<>(CHECKS.keySet());
        names.add(STAGES);
        names.add(STEPS);
        return List.copyOf(names);
    }

    public List<Difference> differences() {
        List<Difference> differences = new ArrayList<>();
        CHECKS.forEach((check, sql) ->
                jdbc.sql(sql).query(String.class).list().forEach(what -> differences.add(new Difference(check, what))));
        new StageReplay(jdbc).differences().forEach(what -> differences.add(new Difference(STAGES, what)));
        new BenchReplay(jdbc).differences().forEach(what -> differences.add(new Difference(STEPS, what)));
        return differences;
    }

    /** Names in the books that are nobody's, with how often each stands where; they are kept, and nobody is guessed. */
    public List<String> namesOfNobody() {
        return jdbc.sql("select place || ': ' || name || ', ' || times from names_of_nobody() order by 1")
                .query(String.class)
                .list();
    }

    /** What there is, by name, in the order of names; to be compared with a backup, or with what there was before an update. */
    public Map<String, String> totals() {
        Map<String, String> totals = new LinkedHashMap<>();
        jdbc.sql(TOTALS).query(row -> {
            totals.put(row.getString(1), row.getString(2));
        });
        return totals;
    }
}
