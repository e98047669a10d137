package dev.restis.e2e;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** Very much data, asked for at a steady pace; run by bin/restis bench, which prints the figures. */
@Tag("bench")
class LoadTimes {

    private static final int ORDERS = 100_000;
    private static final int ROWS = 10_000;
    private static final List<String> WORDS =
            List.of("snake", "snake oat", "customer 4711", "night tide", "marigold", "l-77", "l-99999", "ha");

    @Test
    void orders() throws Exception {
        try (Server server = new Server(true)) {
            fill(server);
            Load load = new Load(server.address());
            load.warmUp(n -> "/api/orders?query=" + coded(WORDS.get(n % WORDS.size())));
            load.measure("100,000 orders, newest", n -> "/api/orders");
            load.measure(
                    "100,000 orders, found by words", n -> "/api/orders?query=" + coded(WORDS.get(n % WORDS.size())));
            load.measure("100,000 orders, in work by day", n -> "/api/orders?states=ACCEPTED&sort=DUE");
            load.measure(
                    "100,000 orders, by customer and word",
                    n -> "/api/orders?sort=CUSTOMER&query=" + coded(WORDS.get(n % WORDS.size())));
            double seconds = load.post(
                            "/api/orders/import?mode=ALL",
                            "multipart/form-data; boundary=part",
                            file().getBytes(StandardCharsets.UTF_8))
                    / 1000;
            System.out.printf(
                    Locale.ROOT, "%-44s %4.1f s (bar: 20 s)%n", "import of 10,000 rows as 5,000 orders", seconds);
        }
    }

    @Test
    void stock() throws Exception {
        try (Server server = new Server(true)) {
            hang(server);
            Load load = new Load(server.address());
            List<String> words = List.of("blue", "w07", "green 2", "polyester", "w1199", "red w0");
            load.warmUp(n -> "/api/stock/wall?size=20&each=6&query=" + coded(words.get(n % words.size())));
            load.measure("50,000 holdings, the wall", n -> "/api/stock/wall?size=20&each=6");
            load.measure(
                    "50,000 holdings, found by words",
                    n -> "/api/stock/wall?size=20&each=6&query=" + coded(words.get(n % words.size())));
            load.measure(
                    "50,000 holdings, near a colour",
                    n -> "/api/stock/wall?size=20&each=6&near=%23"
                            + String.format(Locale.ROOT, "%06x", n * 7919 % 0xFFFFFF));
            load.measure(
                    "1,000,000 movements, a holding's ledger",
                    n -> "/api/stock/ledger?holding=" + (1000 + n * 37 % 40_000));
            load.measure(
                    "1,000,000 movements, a balance on a day",
                    n -> "/api/stock/ledger/balance?until=2026-06-01&holding=" + (1000 + n * 37 % 40_000));
        }
    }

    /** 1,200 articles in 12,000 lots on 50,000 holdings, each with a receipt and nineteen cuts. */
    private static void hang(Server server) {
        server.sql("""
                set session_replication_role = replica;
                insert into article (code, kind, unit, name, colour, material, diameter_um, keep_um)
                    select 'W' || lpad(i::text, 4, '0'), 'CORD', 'METRE', (array['Blue', 'Green', 'Red', 'Grey', 'Gold'])[1 + i % 5] || ' ' || i,
                           '#' || lpad(to_hex((i * 7919) % 16777216), 6, '0'), 'polyester', 2000, 300000
                    from generate_series(1, 1200) i;
                insert into lot (article_id, code, received_on)
                    select a.id, 'L' || n, date '2026-01-01' + n from article a cross join generate_series(1, 10) n
                    where a.code like 'W%';
                insert into holding (lot_id, kind, label, shelf)
                    select lot.id, case when n > 2 then 'REMNANT' else 'SPOOL' end, 'W' || lot.id || '-' || n, 'W' || lot.id % 40
                    from lot cross join generate_series(1, 5) n where lot.code like 'L%' limit 50000;
                insert into ledger (at, who, movement, holding_id, quantity, value, reason)
                    select timestamptz '2026-01-01' + n * interval '9 days', 'Tove', case when n = 0 then 'RECEIVE' else 'CUT' end,
                           h.id, case when n = 0 then 100000000 else -4000000 end, case when n = 0 then 15 else -0.6 end, ''
                    from holding h cross join generate_series(0, 19) n where h.label like 'W%';
                update holding h set quantity = 24000000, value = 3.6, full_quantity = 100000000 where label like 'W%';
                update lot set quantity = s.quantity, value = s.value, received = s.full_quantity, paid = s.n * 15
                    from (select lot_id, sum(quantity) as quantity, sum(value) as value, sum(full_quantity) as full_quantity,
                                 count(*) as n from holding where label like 'W%' group by lot_id) s
                    where s.lot_id = lot.id;
                set session_replication_role = origin;
                analyze;
                """);
    }

    private static String coded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    /** Copies of the demo's lines, one an order; one in twenty is still open. */
    private static void fill(Server server) {
        server.sql("""
                create temp table model as select row_number() over (order by id) - 1 as n, * from order_line;
                insert into customer_order (source, reference, customer, due, created_at, created_by, stage, state, pieces, planned,
                        cut, made, dispatched, search, making_left_s)
                    select 'LOAD', 'L-' || i, 'Customer ' || i %% 9000, date '2026-01-01' + i %% 400,
                           timestamptz '2026-01-01' + i * interval '1 minute', 'Tove', 'ACCEPTED',
                           case when i %% 20 = 0 then 'ACCEPTED' else 'DISPATCHED' end, m.quantity, 0,
                           case when i %% 20 = 0 then 0 else m.quantity end, case when i %% 20 = 0 then 0 else m.quantity end,
                           case when i %% 20 = 0 then 0 else m.quantity end,
                           lower('L-' || i || ' customer ' || i %% 9000 || ' ' || m.pattern || ' ' || m.note || ' ' || (
                               select string_agg(a.code || ' ' || a.name, ' ') from order_line_colour c
                               join article a on a.id = c.article_id where c.line_id = m.id)),
                           case when i %% 20 = 0 then m.making_s * m.quantity else 0 end
                    from generate_series(1, %1$d) i join model m on m.n = i %% (select count(*) from model) order by i;
                create temp table made as
                    select o.id as order_id, m.id as model, nextval(pg_get_serial_sequence('order_line', 'id')) as id
                    from customer_order o join model m
                        on m.n = cast(substr(o.reference, 3) as int) %% (select count(*) from model)
                    where o.source = 'LOAD';
                insert into order_line (id, order_id, number, pattern, pattern_version, size_name, wrist_um, hand_um, hand_assumed,
                        ease, length_um, units, quantity, note, kit, wearer, tapered, matching, making_s)
                    select d.id, d.order_id, 1, m.pattern, m.pattern_version, m.size_name, m.wrist_um, m.hand_um, m.hand_assumed,
                           m.ease, m.length_um, m.units, m.quantity, m.note, m.kit, m.wearer, m.tapered, m.matching, m.making_s
                    from made d join order_line m on m.id = d.model;
                insert into order_line_colour (line_id, slot, article_id)
                    select d.id, c.slot, c.article_id from made d join order_line_colour c on c.line_id = d.model;
                insert into order_line_part (line_id, slot, article_id, count)
                    select d.id, p.slot, p.article_id, p.count from made d join order_line_part p on p.line_id = d.model;
                insert into order_line_need (line_id, article_id, quantity)
                    select d.id, n.article_id, n.quantity from made d join order_line_need n on n.line_id = d.model;
                insert into batch (name, created_at, created_by) values ('Load', now(), 'Tove');
                insert into piece (line_id, number, batch_id, cut_at, made_at, dispatched_at)
                    select l.id, n, case when o.dispatched > 0 then (select id from batch where name = 'Load') end,
                           case when o.dispatched > 0 then now() end, case when o.dispatched > 0 then now() end,
                           case when o.dispatched > 0 then now() end
                    from made d join order_line l on l.id = d.id join customer_order o on o.id = d.order_id
                        cross join generate_series(1, l.quantity) n;
                insert into article_reserved (order_id, article_id, batch_id, quantity)
                    select n.order_id, n.article_id, n.batch_id, n.quantity
                    from article_needed n join customer_order o on o.id = n.order_id where o.source = 'LOAD';
                analyze;
                """.formatted(ORDERS));
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
