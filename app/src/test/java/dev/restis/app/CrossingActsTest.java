package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.app.costs.Verification;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.Random;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpMethod;
import tools.jackson.databind.JsonNode;

/**
 * Acts that cross, side by side: orders are cancelled while they are cut, batches made while orders change, lists confirmed
 * beside each other, shelves counted under the scissors. Nobody waits in a circle, nothing breaks, and all that was answered as
 * done is found afterwards. Twenty seconds here; longer with {@code -Drestis.crossing.seconds}.
 */
class CrossingActsTest extends RestisTest {

    private static final int PEOPLE = 6;
    private static final int ORDERS = 14;
    private static final String[] CORDS = {"XA1", "XA2", "XA3"};

    private final long seconds = Long.getLong("restis.crossing.seconds", 20);
    private final List<Long> orders = new ArrayList<>();
    private final Queue<Long> batches = new ConcurrentLinkedQueue<>();
    private final Queue<Long> lists = new ConcurrentLinkedQueue<>();
    private final Map<String, Integer> answers = new ConcurrentHashMap<>();
    /** What was answered as done. */
    private final Queue<Long> cut = new ConcurrentLinkedQueue<>();

    private final Queue<Long> cancelled = new ConcurrentLinkedQueue<>();
    /** Pieces of which something was said, once for each time. */
    private final Queue<Long> acted = new ConcurrentLinkedQueue<>();

    private final Queue<Long> counted = new ConcurrentLinkedQueue<>();
    private final Queue<Long> flawed = new ConcurrentLinkedQueue<>();

    @BeforeEach
    void aBusyHouse() throws Exception {
        jdbc.sql("update workshop set checks = true, packs = true").update();
        for (String cord : CORDS) {
            addCord(cord, "#4455" + (cord.charAt(2) - '0') + "7", "2 mm");
            for (int spool = 0; spool < 4; spool++) {
                receive(cord, "X-" + spool, (20 + 15 * spool) + " m", "");
            }
        }
        // Rings of its own: those of the demo are counted on by others.
        receive("RG25", "X-rings", "400", "");
        for (int i = 0; i < ORDERS; i++) {
            String cord = CORDS[i % CORDS.length];
            String piece = i % 3 == 0 ? """
                    {"pattern": "spiral-fob", "length": "12 cm", "colours": ["%s", "%s"], "parts": {"ring": {"article": "RG25"}},
                     "units": "METRIC"}
                    """ : """
                    {"pattern": "snake", "wrist": "16 cm", "colours": ["%s", "%s"], "units": "METRIC"}
                    """;
            orders.add(tell(
                            "/api/orders",
                            order("Crossing " + i, 3, piece.formatted(cord, CORDS[(i + 1) % CORDS.length])))
                    .body()
                    .path("id")
                    .asLong());
        }
    }

    @AfterEach
    void theHouseIsQuietAgain() {
        forgetOrders("customer like 'Crossing %'");
        jdbc.sql("update workshop set checks = false, packs = false").update();
    }

    @Test
    void nobodyWaitsInACircleAndWhatWasDoneIsThere() throws Exception {
        int before = deadlocks().size();
        ExecutorService people = Executors.newFixedThreadPool(PEOPLE);
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(seconds);
        // A slow machine takes longer for as much.
        long last = end + TimeUnit.SECONDS.toNanos(4 * seconds);
        List<Future<?>> all = new ArrayList<>();
        for (int person = 0; person < PEOPLE; person++) {
            Random random = new Random(person);
            all.add(people.submit(() -> {
                while (System.nanoTime() < end || !enough() && System.nanoTime() < last) {
                    act(random);
                }
                return null;
            }));
        }
        for (Future<?> one : all) {
            one.get();
        }
        people.shutdown();
        System.out.println("Crossing acts in " + seconds + " s: " + answers);
        assertThat(answers.keySet()).as("nothing breaks").noneMatch(k -> k.contains(" 5"));
        assertThat(deadlocks().stream().skip(before))
                .as("deadlocks in PostgreSQL's log")
                .isEmpty();
        assertThat(new Verification(jdbc).differences()).isEmpty();
        assertThat(enough())
                .as("%d cuts, %d cancelled, %d counted", cut.size(), cancelled.size(), counted.size())
                .isTrue();
        assertThat(found("select cut_step_id from ledger where movement = 'CUT' and cut_step_id = any (?)", cut))
                .containsAll(cut);
        assertThat(found("select order_id from order_event where what = 'CANCELLED' and order_id = any (?)", cancelled))
                .hasSameSizeAs(cancelled);
        assertThat(found(
                        "select piece_id from piece_event where piece_id = any (?) and act in "
                                + "('START', 'FINISH', 'CHECK', 'PACK', 'SEND', 'REDO', 'COME_BACK', 'GIVE_UP')",
                        acted))
                .as("each act is a row")
                .containsExactlyInAnyOrderElementsOf(acted)
                .isNotEmpty();
        assertThat(found("select id from stocktake where booked_at is not null and id = any (?)", counted))
                .containsAll(counted);
        assertThat(found("select holding_id from holding_event where what = 'FLAWED' and holding_id = any (?)", flawed))
                .containsAll(flawed)
                .hasSizeGreaterThanOrEqualTo(flawed.size());
        assertThat(jdbc.sql("""
                        select p.holding_id from holding_planned p join holding h on h.id = p.holding_id
                            join lot on lot.id = h.lot_id join article a on a.id = lot.article_id and a.code like 'XA%'
                        group by p.holding_id, h.quantity having sum(p.planned_um) > h.quantity
                        """).query(Long.class).list())
                .as("no two lists count on the same metres")
                .isEmpty();
    }

    /** Whether so much was done that finding all of it means something. */
    private boolean enough() {
        return cut.size() > 15 && cancelled.size() > 3 && !counted.isEmpty() && acted.size() > 5;
    }

    private List<Long> found(String sql, Queue<Long> ids) {
        return jdbc.sql(sql).param(ids.toArray(Long[]::new)).query(Long.class).list();
    }

    /** Each with the lines that say who waited for whom, and with which statements. */
    private static List<String> deadlocks() {
        List<String> log = TestServer.server().log();
        return IntStream.range(0, log.size())
                .filter(i -> log.get(i).contains("deadlock detected"))
                .mapToObj(i -> String.join("\n", log.subList(i, Math.min(log.size(), i + 12))))
                .toList();
    }

    private void act(Random random) throws Exception {
        switch (random.nextInt(27)) {
            case 0 -> cancel(random);
            case 1 -> change(random);
            case 2, 3, 6 -> batch(random);
            case 4 -> note("dissolve", late(batches, random), id -> tell("/api/plan/batches/" + id + "/dissolve", ""));
            case 5 -> plan(random);
            case 7 -> note("confirm", any(lists, random), id -> tell("/api/cut/lists/" + id + "/confirm", ""));
            case 8 -> count(random);
            case 9 -> note("replan", any(lists, random), id -> tell("/api/cut/lists/" + id + "/plan", ""));
            case 10 -> receive(CORDS[random.nextInt(CORDS.length)], "X-" + random.nextInt(4), "9 m", "");
            case 11, 12, 13 -> make(random);
            default -> atTheBench(random);
        }
    }

    /** Says of a piece or two what may be said of them, or takes what was said last of one back. */
    private void make(Random random) throws Exception {
        long order = any(orders, random);
        JsonNode rows = ask("/api/orders/" + order + "/pieces").body().path("rows");
        JsonNode piece = rows.path(random.nextInt(Math.max(1, rows.size()))).path("piece");
        if (random.nextInt(3) == 0) {
            long event = piece.path("last").path("event").asLong();
            note("take back", event, id -> tell("/api/pieces/take-back", "{\"events\": [%d]}".formatted(id)));
            return;
        }
        JsonNode acts = piece.path("acts");
        if (acts.isEmpty()) {
            return;
        }
        String act = acts.path(random.nextInt(acts.size())).asString();
        List<Long> named = new ArrayList<>();
        ask("/api/orders/%d/pieces/next?act=%s&count=%d".formatted(order, act, 1 + random.nextInt(2)))
                .body()
                .path("pieces")
                .forEach(p -> named.add(p.path("piece").path("piece").asLong()));
        Answer said = note(
                act,
                named.isEmpty() ? 0 : 1,
                id -> tell(
                        "/api/pieces/acts",
                        "{\"act\": \"%s\", \"pieces\": %s, \"reason\": \"uneven\"}".formatted(act, named)));
        if (said.status() == 204) {
            named.forEach(p -> acted.add(p));
        }
    }

    private interface Ask {
        Answer of(long id) throws Exception;
    }

    private Answer note(String what, long id, Ask ask) throws Exception {
        Answer answer = id == 0 ? new Answer(0, "", ask("/api/session").body()) : ask.of(id);
        answers.merge(what + " " + answer.status(), 1, Integer::sum);
        if (answer.status() >= 500) {
            answers.merge(what + " " + answer.text(), 1, Integer::sum);
        }
        return answer;
    }

    private static long any(Iterable<Long> ids, Random random) {
        List<Long> all = StreamSupport.stream(ids.spliterator(), false).toList();
        return all.isEmpty() ? 0 : all.get(random.nextInt(all.size()));
    }

    /** One of the last few: of those before them, most is cancelled or replaced by now. */
    private static long late(Iterable<Long> ids, Random random) {
        List<Long> all = StreamSupport.stream(ids.spliterator(), false).toList();
        return any(all.subList(Math.max(0, all.size() - 5), all.size()), random);
    }

    private void cancel(Random random) throws Exception {
        long order = any(orders, random);
        if (note("cancel", order, id -> tell("/api/orders/" + id + "/acts/CANCEL", "{}"))
                        .status()
                == 204) {
            cancelled.add(order);
        }
        note("revive", order, id -> tell("/api/orders/" + id + "/acts/REVIVE", "{}"));
        note("accept", order, id -> tell("/api/orders/" + id + "/acts/ACCEPT", "{}"));
    }

    private void change(Random random) throws Exception {
        long order = any(orders, random);
        JsonNode line = ask("/api/orders/" + order).body().path("lines").path(0);
        note(
                "change",
                order,
                id -> send(HttpMethod.PATCH, "/api/orders/" + id, """
                {"lines": [{"line": %d, "quantity": {"from": %d, "to": %d}}]}
                """.formatted(
                                line.path("id").asLong(), line.path("quantity").asInt(), 1 + random.nextInt(5))));
    }

    private void batch(Random random) throws Exception {
        List<String> picks = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            JsonNode line = ask("/api/orders/" + any(orders, random))
                    .body()
                    .path("lines")
                    .path(0);
            picks.add("{\"line\": %d, \"count\": %d}".formatted(line.path("id").asLong(), 1 + random.nextInt(2)));
        }
        Answer made = note("batch", 1, id -> tell("/api/plan/batches", "{\"picks\": " + picks + "}"));
        if (made.status() == 201) {
            batches.add(made.body().path("id").asLong());
        }
    }

    private void plan(Random random) throws Exception {
        long other = late(batches, random);
        Answer planned = note(
                "plan",
                late(batches, random),
                id -> tell("/api/cut/lists", "{\"batches\": [%d, %d]}".formatted(id, other)));
        if (planned.status() == 201) {
            lists.add(planned.body().path("id").asLong());
        }
    }

    private void count(Random random) throws Exception {
        Answer begun = note(
                "stocktake",
                1,
                id -> tell(
                        "/api/stock/stocktakes",
                        "{\"article\": \"%s\", \"blind\": false}".formatted(CORDS[random.nextInt(CORDS.length)])));
        if (begun.status() != 201) {
            return;
        }
        long stocktake = begun.body().path("id").asLong();
        String path = "/api/stock/stocktakes/" + stocktake;
        List<String> reasons = new ArrayList<>();
        int n = 0;
        for (JsonNode line : ask(path).body().path("lines")) {
            long holding = line.path("holdingId").asLong();
            if (n++ < 4) {
                long there = Math.max(1, line.path("expected").asLong() / 1000 - random.nextInt(3));
                note("count", holding, id -> tell(path + "/holdings/" + id, """
                        {"amount": "%d mm", "how": "LENGTH", "units": "METRIC"}
                        """.formatted(there)));
            }
            reasons.add("{\"holding\": %d, \"reason\": \"counted\"}".formatted(holding));
        }
        if (note("book", 1, id -> tell(path + "/book", "{\"reasons\": " + reasons + "}"))
                        .status()
                == 204) {
            counted.add(stocktake);
        }
    }

    private void atTheBench(Random random) throws Exception {
        long id = late(lists, random);
        Answer asked = id == 0 ? null : ask("/api/cut/lists/" + id);
        if (asked == null
                || asked.status() != 200
                || asked.body().path("spools").isEmpty()) {
            plan(random);
            return;
        }
        JsonNode spools = asked.body().path("spools");
        JsonNode spool = spools.path(random.nextInt(spools.size()));
        String path = "/api/cut/lists/" + id + "/spools/" + spool.path("id").asLong() + "/";
        switch (random.nextInt(8)) {
            case 0 -> note("undo", id, x -> tell(path + "undo", ""));
            case 1 -> {
                String at = (200 + random.nextInt(5000)) + " mm";
                Answer answer = note(
                        "flaw",
                        id,
                        x -> tell(
                                path + "flaw",
                                "{\"at\": \"%s\", \"units\": \"METRIC\", \"join\": false}".formatted(at)));
                // The flaw is marked and then planned around; an overtaken plan leaves the mark.
                if (answer.status() == 204) {
                    flawed.add(spool.path("holdingId").asLong());
                }
            }
            case 2 ->
                note(
                        "wrong",
                        id,
                        x -> tell(path + "wrong", """
                    {"length": "%d mm", "units": "METRIC", "keep": %b}
                    """.formatted(100 + random.nextInt(300), random.nextBoolean())));
            default -> tick(path, id, spool);
        }
    }

    private void tick(String path, long list, JsonNode spool) throws Exception {
        for (JsonNode step : spool.path("steps")) {
            if (!step.hasNonNull("doneAt")) {
                long made = step.path("id").asLong();
                int status = note("tick", list, x -> tell(path + "cuts", "{\"steps\": [%d]}".formatted(made)))
                        .status();
                if (status == 204 && step.path("kind").asString().equals("STRAND")) {
                    cut.add(made);
                }
                if (status != 204) {
                    return;
                }
            }
        }
    }
}
