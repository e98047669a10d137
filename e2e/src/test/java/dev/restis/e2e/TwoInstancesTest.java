package dev.restis.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.app.costs.Verification;
import dev.restis.app.platform.database.Database;
import dev.restis.app.platform.database.LocalPostgres;
import dev.restis.app.platform.database.LocalPostgres.Durability;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import org.awaitility.Awaitility;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Two Restis as processes of their own on one database that neither of them started: they behave as one. */
class TwoInstancesTest {

    /** Enough that an instance is killed amid them. */
    private static final int KILLED_ROWS = 1500;

    private static LocalPostgres server;
    private static Database database;
    private static Path folder;
    private static Instance first;
    private static Instance second;

    @BeforeAll
    static void startTwo() throws Exception {
        folder = Server.folder("restis-two");
        server = LocalPostgres.start(folder.resolve("database"), Durability.FORGETFUL);
        database = server.database();
        Files.writeString(folder.resolve("password"), database.password());
        first = new Instance(folder, "first", 8640, database);
        await(Duration.ofMinutes(1), () -> count("select count(*) from customer_order") > 3);
        second = new Instance(folder, "second", 8660, database);
    }

    @AfterAll
    static void stopBoth() throws Exception {
        for (Instance one : new Instance[] {first, second}) {
            if (one != null) {
                one.kill();
            }
        }
        server.close();
    }

    private static JdbcClient jdbc() {
        return JdbcClient.create(new DriverManagerDataSource(database.url(), database.user(), database.password()));
    }

    private static long count(String sql) {
        return jdbc().sql(sql).query(Long.class).single();
    }

    private static void await(Duration within, Callable<Boolean> done) {
        Awaitility.await().atMost(within).pollInterval(Duration.ofMillis(100)).until(done);
    }

    @Test
    void theyBehaveAsOneAndEitherGoesOnWhenTheOtherIsKilled() throws Exception {
        Visitor tove = new Visitor().signedIn(first);
        assertThat(tove.read(second, "/api/session").path("name").asString())
                .as("signed in here, known there")
                .isEqualTo("Tove");
        importsAtOnce(tove);
        plansAtOnce(tove);
        plansDaysOfBoth(tove);
        killedAmidAll(tove);
        assertThat(new Verification(jdbc()).differences()).isEmpty();
        overtaken(tove);
    }

    /**
     * The first is killed while it plans a list, cuts another and reads a file in: the second plans, takes the spool and goes on, and
     * reads the file in whole.
     */
    private static void killedAmidAll(Visitor tove) throws Exception {
        JsonNode weights = tove.read(second, "/api/cut/weights");
        assertThat(tove.put(second, "/api/cut/weights", """
                        {"leftoverPercent": 80, "handling": "0.01", "ageing": "0.02", "seconds": 3, "revision": %d}
                        """.formatted(
                                weights.path("revision").asInt())))
                .isEqualTo(200);
        long list = planned(tove, second, batch(tove, second, "CUT", 100));
        long batch = batch(tove, second, "PLAN", 300);
        nothingBetterIsLookedFor();
        long spool = count("""
                select s.id from cut_spool s join cut_step t on t.cut_spool_id = s.id
                where s.cut_list_id = %d and t.kind = 'STRAND' group by s.id order by count(*) desc limit 1
                """.formatted(list));
        long file = tove.importing(first, "KILLED", KILLED_ROWS);
        await(
                Duration.ofSeconds(30),
                () -> count("select count(*) from job where state = 'RUNNING' and id = " + file) == 1);
        Set<Long> answered = ConcurrentHashMap.newKeySet();
        CompletableFuture<Void> bench = CompletableFuture.runAsync(() -> {
            while (cutNext(tove, first, list, spool, answered)) {}
        });
        await(Duration.ofSeconds(30), () -> answered.size() > 4);
        CompletableFuture<Long> cutOff = CompletableFuture.supplyAsync(() -> planned(tove, first, batch));
        await(
                Duration.ofSeconds(20),
                () -> cutOff.isDone()
                        || count(
                                        "select count(*) from pg_stat_activity where state = 'active' and query like '%holding%'")
                                > 0);
        assertThat(count("select count(*) from job where state = 'RUNNING' and id = " + file))
                .as("the file is still being read in")
                .isEqualTo(1);
        first.kill();
        bench.join();
        plannedByTheOther(tove, batch);
        cutByTheOther(tove, list, spool, answered);
        JsonNode ended = tove.ended(second, file, Duration.ofSeconds(60));
        assertThat(ended.path("state").asString()).as(ended.toString()).isEqualTo("DONE");
        assertThat(count("select count(*) from customer_order where reference like 'KILLED-%'"))
                .isEqualTo(KILLED_ROWS);
        assertThat(count("select count(*) from order_line l join customer_order o on o.id = l.order_id"
                        + " where o.reference like 'KILLED-%'"))
                .as("nothing twice")
                .isEqualTo(KILLED_ROWS);
    }

    private static void nothingBetterIsLookedFor() {
        await(
                Duration.ofSeconds(40),
                () -> count("select count(*) from job where kind = 'cut-plan' and state in ('WAITING', 'RUNNING')")
                        == 0);
    }

    private static void plannedByTheOther(Visitor tove, long batch) {
        assertThat(count("select count(*) from cut_list_batch where batch_id = " + batch))
                .as("a plan is there or not, and not half of one")
                .isLessThanOrEqualTo(1);
        long list = planned(tove, second, batch);
        nothingBetterIsLookedFor();
        assertThat(count("select count(*) from cut_list_batch where batch_id = " + batch))
                .isEqualTo(1);
        assertThat(count("""
                select count(*) from strand n join piece p on p.id = n.piece_id
                    left join cut_step t on t.strand_id = n.id where t.id is null and p.batch_id = %d
                      and not exists (select 1 from cut_waiting w where w.piece_id = p.id)
                      and not exists (select 1 from cut_trimming r where r.strand_id = n.id)
                """.formatted(batch)))
                .as("every strand of list %d is planned", list)
                .isZero();
    }

    private static void cutByTheOther(Visitor tove, long list, long spool, Set<Long> answered) throws Exception {
        long before = answered.size();
        assertThat(tove.tell(second, "/api/cut/lists/" + list + "/spools/" + spool + "/take", "{\"over\": true}")
                        .statusCode())
                .isEqualTo(204);
        for (int n = 0; n < 3; n++) {
            assertThat(cutNext(tove, second, list, spool, answered)).isTrue();
        }
        assertThat(answered).hasSize((int) before + 3);
        for (long step : answered) {
            assertThat(count("select count(*) from ledger where movement = 'CUT' and cut_step_id = " + step))
                    .as("step %d is booked once", step)
                    .isEqualTo(1);
        }
    }

    /** Cuts the next strand of a spool; answers whether the instance said so. */
    private static boolean cutNext(Visitor tove, Instance at, long list, long spool, Set<Long> answered) {
        long step = count("""
                select id from cut_step where cut_spool_id = %d and done_at is null order by number limit 1
                """.formatted(spool));
        try {
            int status = tove.tell(
                            at,
                            "/api/cut/lists/" + list + "/spools/" + spool + "/cuts",
                            "{\"steps\": [%d]}".formatted(step))
                    .statusCode();
            return status == 204 && answered.add(step);
        } catch (Exception gone) {
            // What was not answered may be done or not; only halves are wrong.
            return false;
        }
    }

    private static long batch(Visitor tove, Instance at, String prefix, int pieces) throws Exception {
        long cord = count("select id from article where code = 'NT2'");
        tove.made(at, "/api/stock/receipts", """
                {"lines": [{"article": %d, "lot": "%s", "putUps": 6, "each": "300 m", "price": "30.00", "units": "METRIC"}]}
                """.formatted(cord, prefix));
        tove.made(at, "/api/orders", """
                {"customer": "%s", "lines": [{"quantity": %d, "choices":
                 {"pattern": "snake", "wrist": "16 cm", "colours": ["NT2", "NT2"], "units": "METRIC"}}]}
                """.formatted(prefix, pieces));
        return tove.made(
                at,
                "/api/plan/batches",
                "{\"picks\": [{\"line\": %d, \"count\": %d}]}"
                        .formatted(count("select max(id) from order_line"), pieces));
    }

    /** The same file at both: one takes it, the other finds it taken. */
    private static void importsAtOnce(Visitor tove) throws Exception {
        long here = tove.importing(first, "BOTH", 150);
        long there = tove.importing(second, "BOTH", 150);
        List<Integer> fresh = new ArrayList<>();
        for (long job : new long[] {here, there}) {
            JsonNode ended = tove.ended(second, job, Duration.ofMinutes(1));
            assertThat(ended.path("state").asString()).as(ended.toString()).isEqualTo("DONE");
            fresh.add(ended.path("result").path("fresh").asInt());
        }
        assertThat(fresh).containsExactlyInAnyOrder(150, 0);
        assertThat(count("select count(*) from customer_order where reference like 'BOTH-%'"))
                .isEqualTo(150);
    }

    /** Two lists of one cord, planned and cut at the two instances at once: no metre is counted on twice, no strand cut twice. */
    private static void plansAtOnce(Visitor tove) throws Exception {
        List<Long> batches = new ArrayList<>();
        for (int n = 0; n < 2; n++) {
            long line = count("""
                    select l.id from order_line l join customer_order o on o.id = l.order_id join piece p on p.line_id = l.id
                    where o.reference like 'BOTH-%' and p.batch_id is null order by l.id limit 1
                    """);
            batches.add(tove.made(
                    first, "/api/plan/batches", "{\"picks\": [{\"line\": %d, \"count\": 1}]}".formatted(line)));
        }
        CompletableFuture<Long> there = CompletableFuture.supplyAsync(() -> planned(tove, second, batches.get(1)));
        long here = planned(tove, first, batches.get(0));
        List<Long> lists = List.of(here, there.get());
        assertThat(count("""
                select count(*) from (
                    select p.holding_id from holding_planned p join holding h on h.id = p.holding_id
                    group by p.holding_id, h.quantity having sum(p.planned_um) > h.quantity) x
                """)).isZero();
        for (int n = 0; n < 2; n++) {
            // What was cut of a spool with flaws moves them: the other list is planned on what is there now.
            assertThat(status(tove, second, "/api/cut/lists/" + lists.get(n) + "/plan"))
                    .isEqualTo(204);
            String confirm = "/api/cut/lists/" + lists.get(n) + "/confirm";
            CompletableFuture<Integer> also = CompletableFuture.supplyAsync(() -> status(tove, second, confirm));
            List<Integer> answers = List.of(status(tove, first, confirm), also.get());
            assertThat(answers).as("one list is confirmed once").containsExactlyInAnyOrder(204, 409);
        }
        assertThat(new Verification(jdbc()).differences()).isEmpty();
    }

    /** Days are planned at one instance and acted on at the other: both know one plan, and whoever saw an older one is told. */
    private static void plansDaysOfBoth(Visitor tove) throws Exception {
        ObjectNode rules = (ObjectNode) tove.read(first, "/api/workplan/rules");
        assertThat(tove.put(
                        second,
                        "/api/workplan/rules",
                        rules.put("planning", true).toString()))
                .isEqualTo(200);
        CompletableFuture<Integer> also =
                CompletableFuture.supplyAsync(() -> status(tove, second, "/api/workplan", "{\"better\": false}"));
        List<Integer> asked = List.of(status(tove, first, "/api/workplan", "{\"better\": false}"), also.get());
        assertThat(asked).as("one of two plans").containsExactlyInAnyOrder(202, 409);
        await(Duration.ofMinutes(1), () -> {
            JsonNode board = tove.read(second, "/api/workplan");
            return !board.hasNonNull("whoPlans") && board.hasNonNull("plan");
        });
        long plan = tove.read(second, "/api/workplan").path("plan").path("id").asLong();
        assertThat(tove.read(first, "/api/workplan").path("plan").path("id").asLong())
                .isEqualTo(plan);
        long parcel = count("select min(id) from plan_parcel where state = 'FREE' and plan_id = " + plan);
        String pin = "{\"plan\": %d, \"parcels\": [%d]}".formatted(plan, parcel);
        assertThat(status(tove, second, "/api/workplan/pin", pin)).isEqualTo(200);
        assertThat(status(tove, first, "/api/workplan/pin", pin)).isEqualTo(409);
        // What follows is about cutting: nobody mends beside it.
        ObjectNode again = (ObjectNode) tove.read(first, "/api/workplan/rules");
        assertThat(tove.put(
                        first,
                        "/api/workplan/rules",
                        again.put("planning", false).toString()))
                .isEqualTo(200);
    }

    private static int status(Visitor tove, Instance at, String path, String body) {
        try {
            return tove.tell(at, path, body).statusCode();
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }

    private static long planned(Visitor tove, Instance at, long batch) {
        try {
            return tove.made(at, "/api/cut/lists", "{\"batches\": [%d]}".formatted(batch));
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }

    private static int status(Visitor tove, Instance at, String path) {
        return status(tove, at, path, "");
    }

    /** A newer Restis brings the schema forward: this one stops serving, and says so. */
    private static void overtaken(Visitor tove) throws Exception {
        jdbc().sql("""
                        insert into flyway_schema_history (installed_rank, version, description, type, script, installed_by,
                            execution_time, success) values (900, '900', 'next year', 'SQL', 'V900__next_year.sql', 'x', 1, true)
                        """).update();
        await(Duration.ofSeconds(15), () -> tove.ask(second, "/api/session").statusCode() == 503);
        assertThat(tove.ask(second, "/orders").body()).contains("A newer Restis has taken the place");
        assertThat(second.log()).contains("stops serving");
    }
}
