package dev.restis.e2e;

import java.io.IOException;
import java.io.InputStream;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.function.IntFunction;
import java.util.stream.IntStream;
import org.awaitility.Awaitility;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Very much data, asked for at a steady pace; run by bin/restis bench, which prints the figures. */
@Tag("bench")
class LoadTimes {

    private static final int ROWS = 10_000;
    private static final List<String> WORDS =
            List.of("snake", "snake oat", "customer 4711", "night tide", "marigold", "l-77", "l-999", "ha");
    private static final LocalDate YEAR_AGO = LocalDate.now().minusYears(1);
    private static final List<String> TALES = List.of("PATTERN", "MAKER", "MATERIAL");
    private static final List<String> CORDS = List.of("blue", "w0007", "green 2", "polyester", "red w0");

    /** Three sizes, or the one that is asked for. */
    static IntStream sizes() {
        Integer only = Integer.getInteger("restis.load.orders");
        return only == null ? IntStream.of(1_000, 10_000, 100_000) : IntStream.of(only);
    }

    /** With half as many holdings and ten times as many movements. */
    @ParameterizedTest
    @MethodSource("sizes")
    void orders(int orders) throws Exception {
        try (Server server = new Server(true, Server.NOTHING_TIED, Server.NOTHING_PLANNED)) {
            server.sql(sql().formatted(orders));
            // As PostgreSQL does by itself in a while: what is searched is merged, and what nobody changes is marked
            // so.
            server.sql("vacuum analyze");
            Load load = new Load(server.address(), String.format(Locale.ROOT, "%,d orders, ", orders));
            reads(load, server.jdbc());
            acts(load, server.jdbc());
            if (orders > ROWS) {
                importing(load);
            }
            System.gc();
            System.out.printf(
                    Locale.ROOT,
                    "%,d orders, memory in use after the load: %d MB of %d MB (bar: 512 MB)%n",
                    orders,
                    (Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory()) >> 20,
                    Runtime.getRuntime().maxMemory() >> 20);
        }
    }

    private static void reads(Load load, JdbcClient jdbc) throws Exception {
        List<Long> ids = some(jdbc, "select id from customer_order where source = 'LOAD'");
        List<Long> lists = some(jdbc, "select id from cut_list");
        List<Long> holdings = some(jdbc, "select id from holding where label like 'W%'");
        Map<String, IntFunction<String>> reads = new LinkedHashMap<>();
        reads.put("newest", n -> "/api/orders");
        reads.put("found by words", n -> "/api/orders?query=" + word(WORDS, n));
        reads.put("in work by day", n -> "/api/orders?states=ACCEPTED&sort=DUE");
        reads.put("by customer and word", n -> "/api/orders?sort=CUSTOMER&query=" + word(WORDS, n));
        reads.put("one order", n -> "/api/orders/" + at(ids, n));
        reads.put("plan", n -> "/api/plan");
        reads.put("batches", n -> "/api/plan/batches");
        reads.put("batches to cut", n -> "/api/cut/batches");
        reads.put("a cut list", n -> "/api/cut/lists/" + at(lists, n));
        reads.put("costs", n -> n % 3 == 0 ? "/api/costs" : n % 3 == 1 ? "/api/costs/totals" : "/api/costs/books");
        reads.put("the morning", n -> "/api/today");
        reads.put("what goes out", n -> "/api/finished");
        reads.put("what sells", n -> "/api/shelf/sells-well");
        reads.put("costs by pattern", n -> "/api/costs/sums?by=PATTERN&from=" + YEAR_AGO);
        reads.put("costs by month", n -> "/api/costs/sums?by=MONTH&from=" + YEAR_AGO);
        reads.put("what patterns earn", n -> "/api/costs/earnings?from=" + YEAR_AGO);
        reads.put("waste by month", n -> "/api/cut/waste?by=MONTH");
        reads.put("waste by list", n -> "/api/cut/waste?by=BATCH");
        reads.put("the wall", n -> "/api/stock/wall?size=20&each=6");
        reads.put("the wall, by words", n -> "/api/stock/wall?size=20&each=6&query=" + word(CORDS, n));
        reads.put(
                "the wall, near a colour",
                n -> "/api/stock/wall?size=20&each=6&near=%23"
                        + String.format(Locale.ROOT, "%06x", n * 7919 % 0xFFFFFF));
        reads.put("a holding's ledger", n -> "/api/stock/ledger?holding=" + at(holdings, n));
        reads.put(
                "a balance on a day",
                n -> "/api/stock/ledger/balance?until=" + LocalDate.now().minusDays(180) + "&holding="
                        + at(holdings, n));
        for (IntFunction<String> read : reads.values()) {
            load.warmUp(read);
        }
        load.oneByOne("what to buy", n -> "/api/stock/buy");
        for (Map.Entry<String, IntFunction<String>> read : reads.entrySet()) {
            load.measure(read.getKey(), read.getValue());
        }
    }

    /** A long list and a short one are cut at the bench, and a whole list with parts is confirmed at once. */
    private static void acts(Load load, JdbcClient jdbc) throws Exception {
        long beads = id(jdbc, "select id from article where code = 'HB9'");
        long cord = id(jdbc, "select id from article where code = 'NT2'");
        load.post("/api/stock/receipts", """
                {"lines": [{"article": %d, "lot": "LOAD", "putUps": 8, "each": "900 m", "price": "90.00", "units": "METRIC"},
                           {"article": %d, "lot": "LOAD", "putUps": 1, "each": "5000", "price": "900.00", "units": "METRIC"}]}
                """.formatted(cord, beads));
        // Before the others are planned: each list counts on all that lies there.
        long whole = planned(load, jdbc, 500);
        double millis = load.post("/api/cut/lists/" + whole + "/confirm", "");
        load.tell("%-40s %5.1f s (bar: 5 s)", "500 pieces with parts are confirmed", millis / 1000);
        long brief = planned(load, jdbc, 6);
        long lengthy = planned(load, jdbc, 1000);
        // As PostgreSQL does by itself within a minute of so many new rows.
        jdbc.sql("analyze").update();
        // A better plan that is found amid the cuts would be told, and not cut.
        Awaitility.await()
                .atMost(Duration.ofMinutes(3))
                .until(() ->
                        id(jdbc, "select count(*) from job where kind = 'cut-plan' and state in ('WAITING', 'RUNNING')")
                                == 0);
        ticks(load, jdbc, "a cut at the bench, short list", brief, 12);
        ticks(load, jdbc, "a cut at the bench, long list", lengthy, 80);
        load.measure("progress of a long list", n -> "/api/cut/lists/" + lengthy + "/progress");
        Iterator<Step> steps = steps(jdbc, lengthy).iterator();
        load.measureMixed("nine reads, one cut", n -> read(n, lengthy), () -> cut(lengthy, steps.next()));
        making(load, jdbc);
    }

    /** Ten thousand pieces lie begun on other benches. */
    private static void inOtherHands(JdbcClient jdbc, long like) {
        jdbc.sql("""
                        with begun as (update piece set stage = 'MAKING', batch_id = coalesce(batch_id, (select min(id) from batch))
                            where id in (
                            select p.id from piece p left join bench_piece b on b.piece_id = p.id
                            where b.piece_id is null and p.stage in ('OPEN', 'MADE', 'SENT') order by p.id limit 10000) returning id)
                        insert into bench_piece (piece_id, card_id, next_step, in_hand_of, taken_at)
                        select s.id, b.card_id, 1, 'Somebody', now() from begun s, bench_piece b where b.piece_id = ?
                        """).param(like).update();
        jdbc.sql("analyze").update();
    }

    /** Sixty alike pieces are taken in hand and worked through, step by step. */
    private static void making(Load load, JdbcClient jdbc) throws Exception {
        List<Long> pieces = jdbc.sql("""
                        select p.id from piece p join order_line l on l.id = p.line_id join customer_order o on o.id = l.order_id
                        where o.customer = 'Load' and p.stage = 'CUT' order by p.id limit 60
                        """).query(Long.class).list();
        double taken = load.post("/api/bench/take", "{\"pieces\": %s, \"over\": false}".formatted(pieces));
        load.tell("%-40s %5.1f s (bar: none)", "60 pieces are taken in hand", taken / 1000);
        inOtherHands(jdbc, pieces.get(0));
        long open = id(jdbc, "select count(*) from piece where stage in ('CUT', 'MAKING')");
        load.oneByOne("a card of 60 pieces", n -> "/api/bench/pieces/" + pieces.get(n % pieces.size()));
        List<Double> times = new ArrayList<>();
        for (int n = 0; n < 2 * pieces.size(); n++) {
            times.add(load.post("/api/bench/acts", """
                    {"key": "%s", "piece": %d, "act": "DONE", "step": %d, "seconds": 20}
                    """.formatted(
                            UUID.randomUUID(), pieces.get(n % pieces.size()), n / pieces.size())));
        }
        Collections.sort(times);
        load.tell(
                "%-40s median %4.0f ms, p95 %4.0f ms with %d pieces open (bar: 60 ms)",
                "a step at the bench", times.get(times.size() / 2), times.get((int) (times.size() * 0.95)), open);
        IntFunction<String> lists =
                n -> n % 3 == 0 ? "/api/bench/waiting" : n % 3 == 1 ? "/api/bench/in-work" : "/api/today";
        load.warmUp(lists);
        load.measure("what waits at the bench", n -> lists.apply(n % 2));
        load.measure("the morning", n -> lists.apply(2));
        load.oneByOne("how the pieces went", n -> "/api/bench/tales?by=" + TALES.get(n % TALES.size()));
    }

    private static String read(int n, long list) {
        return switch (n % 9) {
            case 0 -> "/api/orders";
            case 1 -> "/api/orders?query=" + word(WORDS, n);
            case 2 -> "/api/plan";
            case 3 -> "/api/stock/wall?size=20&each=6";
            case 4 -> "/api/costs";
            case 5 -> "/api/cut/batches";
            default -> "/api/cut/lists/" + list + "/progress";
        };
    }

    /** A cut list for so many pieces with a bead each. */
    private static long planned(Load load, JdbcClient jdbc, int pieces) throws Exception {
        load.post("/api/orders", """
                {"customer": "Load", "lines": [{"quantity": %d, "choices":
                 {"pattern": "square-bar", "wrist": "16 cm", "colours": ["NT2", "NT2"],
                  "parts": {"bead": {"article": "HB9", "count": 1}}, "units": "METRIC"}}]}
                """.formatted(pieces));
        long line = id(jdbc, """
                select l.id from order_line l join customer_order o on o.id = l.order_id
                where o.customer = 'Load' order by o.created_at desc limit 1
                """);
        double batch =
                load.post("/api/plan/batches", "{\"picks\": [{\"line\": %d, \"count\": %d}]}".formatted(line, pieces));
        double list =
                load.post("/api/cut/lists", "{\"batches\": [%d]}".formatted(id(jdbc, "select max(id) from batch")));
        load.tell(
                "%-40s %5.1f s to make the batch, %.1f s to plan its cuts (bar: none)",
                pieces + " pieces", batch / 1000, list / 1000);
        return id(jdbc, "select max(id) from cut_list");
    }

    private record Step(long spool, long id) {}

    private static List<Step> steps(JdbcClient jdbc, long list) {
        return jdbc.sql("""
                        select s.id as spool, t.id from cut_spool s join cut_step t on t.cut_spool_id = s.id
                        where s.cut_list_id = ? and t.done_at is null order by s.number, t.number
                        """).param(list).query(Step.class).list();
    }

    private static Load.Act cut(long list, Step step) {
        return new Load.Act(
                "/api/cut/lists/" + list + "/spools/" + step.spool() + "/cuts",
                "{\"steps\": [%d]}".formatted(step.id()));
    }

    private static void ticks(Load load, JdbcClient jdbc, String what, long list, int cuts) throws Exception {
        List<Step> steps = steps(jdbc, list);
        List<Double> times = new ArrayList<>();
        for (Step step : steps.subList(0, Math.min(cuts, steps.size() - 1))) {
            Load.Act act = cut(list, step);
            times.add(load.post(act.path(), act.body()));
        }
        Collections.sort(times);
        load.tell(
                "%-40s median %4.0f ms, p95 %4.0f ms over %d strands to cut (bar: 60 ms)",
                what, times.get(times.size() / 2), times.get((int) (times.size() * 0.95)), steps.size());
    }

    private static void importing(Load load) throws Exception {
        double millis = load.post(
                "/api/orders/import?mode=ALL",
                "multipart/form-data; boundary=part",
                file().getBytes(StandardCharsets.UTF_8));
        load.tell("%-40s %5.1f s (bar: 20 s)", "10,000 rows come in as 5,000 orders", millis / 1000);
    }

    private static String sql() throws IOException {
        try (InputStream text = LoadTimes.class.getResourceAsStream("load.sql")) {
            return new String(Objects.requireNonNull(text).readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    private static List<Long> some(JdbcClient jdbc, String ids) {
        return jdbc.sql("select id from (" + ids + ") x order by md5(id::text) limit 400")
                .query(Long.class)
                .list();
    }

    private static long at(List<Long> ids, int n) {
        return ids.get(n % ids.size());
    }

    private static long id(JdbcClient jdbc, String sql) {
        return jdbc.sql(sql).query(Long.class).single();
    }

    private static String word(List<String> words, int n) {
        return URLEncoder.encode(words.get(n % words.size()), StandardCharsets.UTF_8);
    }

    private static String file() {
        StringBuilder rows = new StringBuilder("reference,line,customer,quantity,pattern,size,colour 1,colour 2\n");
        for (int i = 0; i < ROWS; i++) {
            rows.append(String.format(
                    Locale.ROOT,
                    "F-%d,%d,Customer %d,%d,%s,%s,NT2,OA2%n",
                    i / 2,
                    1 + i % 2,
                    i % 900,
                    1 + i % 3,
                    i % 3 == 0 ? "square-bar" : "snake",
                    List.of("S", "M", "L").get(i % 3)));
        }
        return "--part\r\nContent-Disposition: form-data; name=\"file\"; filename=\"orders.csv\"\r\n"
                + "Content-Type: text/csv\r\n\r\n" + rows
                + "\r\n--part\r\nContent-Disposition: form-data; name=\"how\"\r\nContent-Type: application/json\r\n\r\n"
                + "{\"units\": \"METRIC\"}\r\n--part--\r\n";
    }
}
