package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.app.costs.Verification;
import java.math.BigDecimal;
import java.util.List;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Lists longer than their pages: every row once, and sums over all of them. */
class LongListsTest extends RestisTest {

    private static final int PIECES = 1203;

    /** Pieces of one line, all cut, at 0.10 used, 0.02 tails, 0.01 waste and 0.05 of parts each, estimated at 0.16. */
    private long cutBatch(String name, int pieces) {
        long batch = jdbc.sql("insert into batch (name, created_at, created_by) values (?, now(), 'Tove') returning id")
                .param(name)
                .query(Long.class)
                .single();
        jdbc.sql("""
                        with made as (
                            insert into piece (line_id, number, batch_id, stage)
                            select (select min(id) from order_line), :batch * 10000 + n, :batch, 'CUT' from generate_series(1, :pieces) n returning id),
                        thought as (
                            insert into piece_estimate (piece_id, used, tails, hardware) select id, 0.09, 0.02, 0.05 from made)
                        select count(*) from made
                        """)
                .param("batch", batch)
                .param("pieces", pieces)
                .query(Long.class)
                .single();
        jdbc.sql("""
                        insert into piece_actual (piece_id, used, tails, waste, hardware)
                        select id, 0.10, 0.02, 0.01, 0.05 from piece where batch_id = ?
                        """).param(batch).update();
        return batch;
    }

    private void forget(long batch) {
        for (String table : List.of("piece_actual", "piece_estimate")) {
            jdbc.sql("delete from " + table + " where piece_id in (select id from piece where batch_id = ?)")
                    .param(batch)
                    .update();
        }
        jdbc.sql("delete from piece where batch_id = ?").param(batch).update();
        assertThat(jdbc.sql("select pieces + cut + used from batch where id = ?")
                        .param(batch)
                        .query(BigDecimal.class)
                        .single())
                .as("what is gone counts no more")
                .isZero();
        jdbc.sql("delete from batch where id = ?").param(batch).update();
    }

    @Test
    void totalsAreOverEveryPieceAndEachIsOnOnePage() throws Exception {
        long batch = cutBatch("Long", PIECES);
        try {
            JsonNode totals = ask("/api/costs/totals?batch=" + batch).body();
            assertThat(totals.path("counted").asInt()).isEqualTo(PIECES);
            // 1,203 pieces of 0.10 + 0.02 + 0.01 + 0.05, thought to cost 0.09 + 0.02 + 0.05.
            assertThat(totals.path("actual").path("total").decimalValue()).isEqualByComparingTo("216.54");
            assertThat(totals.path("actual").path("waste").decimalValue()).isEqualByComparingTo("12.03");
            assertThat(totals.path("estimated").path("total").decimalValue()).isEqualByComparingTo("192.48");
            List<Long> pieces = all("/api/costs?batch=" + batch, "pieces").stream()
                    .map(p -> p.path("pieceId").asLong())
                    .toList();
            assertThat(pieces).hasSize(PIECES).doesNotHaveDuplicates().isSorted();
            assertThat(ask("/api/costs/pieces.csv?batch=" + batch).text().lines())
                    .hasSize(PIECES + 1);
            assertThat(ask("/api/costs?batch=" + batch + "&after=no+place")
                            .body()
                            .path("pieces"))
                    .as("what is no place begins anew")
                    .hasSize(50);
        } finally {
            forget(batch);
        }
    }

    @Test
    void aPieceThatIsNotCutYetIsInNoTotal() throws Exception {
        long batch = cutBatch("Begun", 3);
        try {
            jdbc.sql("update piece set stage = 'PLANNED' where batch_id = ? and number % 10000 = 1")
                    .param(batch)
                    .update();
            JsonNode totals = ask("/api/costs/totals?batch=" + batch).body();
            assertThat(totals.path("counted").asInt()).isEqualTo(2);
            assertThat(totals.path("actual").path("total").decimalValue()).isEqualByComparingTo("0.36");
            assertThat(totals.path("estimated").path("total").decimalValue()).isEqualByComparingTo("0.32");
        } finally {
            forget(batch);
        }
    }

    @Test
    void sumsOfBatchesFollowTheirPieces() {
        long one = cutBatch("One", 4);
        long other = cutBatch("Other", 2);
        jdbc.sql("update piece set batch_id = ? where batch_id = ? and number % 10000 = 2")
                .params(other, one)
                .update();
        jdbc.sql("update piece_actual set waste = 0.5 where piece_id in (select id from piece where batch_id = ?)")
                .param(other)
                .update();
        assertThat(new Verification(jdbc).differences())
                .filteredOn(d -> d.check().equals("sums of each batch"))
                .isEmpty();
        assertThat(jdbc.sql("select pieces || ' ' || cut || ' ' || used || ' ' || waste from batch where id = ?")
                        .param(other)
                        .query(String.class)
                        .single())
                .isEqualTo("3 3 0.3000 1.5000");
        forget(one);
        forget(other);
    }

    @Test
    void batchesComeInPagesThoseToCutFirst() throws Exception {
        jdbc.sql(
                        "insert into batch (name, created_at, created_by) select 'Page ' || n, now(), 'Tove' from generate_series(1, 120) n")
                .update();
        jdbc.sql("""
                        insert into piece (line_id, number, batch_id, stage)
                        select (select min(id) from order_line), 900000 + row_number() over (order by id), id,
                               (case when id % 3 = 0 then 'PLANNED' else 'CUT' end)::piecestage
                        from batch where name like 'Page %'
                        """).update();
        try {
            for (String path : List.of("/api/plan/batches?", "/api/cut/batches?")) {
                List<JsonNode> rows = all(path, "rows");
                List<Boolean> done = rows.stream()
                        .map(b -> b.path("cut").asInt() == b.path("pieces").asInt())
                        .toList();
                assertThat(done).as("those to cut first").isSorted();
                assertThat(rows.stream().map(b -> b.path("name").asString()).filter(n -> n.startsWith("Page ")))
                        .hasSize(120)
                        .doesNotHaveDuplicates();
            }
        } finally {
            jdbc.sql("delete from piece where number > 900000 and number < 901000")
                    .update();
            jdbc.sql("delete from batch where name like 'Page %'").update();
        }
    }

    @Test
    void openWorkComesInSetUpsWithoutWorkingAnyPieceOut() throws Exception {
        long line = jdbc.sql(
                        "select min(l.id) from order_line l join piece p on p.line_id = l.id and p.batch_id is null")
                .query(Long.class)
                .single();
        long order = jdbc.sql("""
                        insert into customer_order (source, reference, customer, customer_id, due, created_at, created_by, stage, state)
                        values ('PAGES', 'PG-1', 'Runa', (select id from customer where name = 'Runa'), date '2031-01-01', now(), 'Tove', 'ACCEPTED', 'ACCEPTED') returning id
                        """).query(Long.class).single();
        jdbc.sql("""
                        insert into order_line (order_id, number, pattern, pattern_version, hand_assumed, ease, units, quantity, note,
                                kit, wearer, tapered, matching, making_s, wrist_um, set_up, gauge_um, cord_um, verdict, open, open_due)
                        select :order, n, 'snake', 1, true, 'COMFORTABLE', 'METRIC', 2, '', false, 'ADULT', false, false, 60, 160000,
                               'snake|' || (1000 + n %% 70), 2000000, 500000, 'GOOD', 2, date '2031-01-01'
                        from generate_series(1, 200) n
                        """.replace("%%", "%")).param("order", order).update();
        jdbc.sql("""
                        insert into piece (line_id, number) select l.id, n from order_line l cross join generate_series(1, 2) n
                        where l.order_id = ?
                        """).param(order).update();
        try {
            List<JsonNode> setUps = all("/api/plan?", "open");
            List<JsonNode> mine = setUps.stream()
                    .filter(s -> s.path("key").asString().matches("snake\\|10\\d\\d"))
                    .toList();
            assertThat(mine).hasSize(70);
            assertThat(new TreeSet<>(
                            setUps.stream().map(s -> s.path("key").asString()).toList()))
                    .hasSameSizeAs(setUps);
            assertThat(mine.stream().mapToInt(s -> s.path("pieces").asInt()).sum())
                    .isEqualTo(400);
            // 400 pieces of half a metre.
            assertThat(mine.stream().mapToLong(s -> s.path("cordUm").asLong()).sum())
                    .isEqualTo(200_000_000);
            assertThat(setUps.stream()
                            .map(s -> s.path("firstDue").asString("9999-12-31"))
                            .toList())
                    .isSorted();
            List<JsonNode> one = all("/api/plan?order=PG-1", "open");
            assertThat(one).hasSize(70);
            assertThat(one.get(0).path("lines").path(0).path("open").asInt()).isEqualTo(2);
            assertThat(line).isPositive();
        } finally {
            jdbc.sql("delete from piece where line_id in (select id from order_line where order_id = ?)")
                    .param(order)
                    .update();
            jdbc.sql("delete from order_line where order_id = ?").param(order).update();
            jdbc.sql("delete from customer_order where id = ?").param(order).update();
        }
    }
}
