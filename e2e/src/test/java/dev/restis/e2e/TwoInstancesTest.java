package dev.restis.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.app.RestisApplication;
import dev.restis.app.costs.Verification;
import dev.restis.app.platform.database.Database;
import dev.restis.app.platform.database.LocalPostgres;
import dev.restis.app.platform.database.LocalPostgres.Durability;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
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
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Two Restis as processes of their own on one database that neither of them started: they behave as one. */
class TwoInstancesTest {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    /** Enough that an instance is killed amid them. */
    private static final int KILLED_ROWS = 1500;

    private static LocalPostgres server;
    private static Database database;
    private static Path folder;
    private static Instance first;
    private static Instance second;

    /** A Restis as a process, and a browser's memory to ask it with. */
    private static final class Instance {
        private final Path home;
        private final Process process;
        private final String address;

        Instance(String name, int port) throws Exception {
            home = Files.createDirectories(folder.resolve(name));
            ProcessBuilder builder = new ProcessBuilder(
                            ProcessHandle.current().info().command().orElse("java"),
                            "-Xmx512m",
                            "-XX:+UseSerialGC",
                            "-XX:TieredStopAtLevel=1",
                            "-Drestis.home=" + home,
                            "-Drestis.port=" + port,
                            "-Drestis.demo=true",
                            "-Drestis.demo-bench=false",
                            "-Drestis.demo-plan=false",
                            "-cp",
                            System.getProperty("surefire.test.class.path", System.getProperty("java.class.path")),
                            RestisApplication.class.getName())
                    .redirectErrorStream(true)
                    .redirectOutput(home.resolve("log").toFile());
            builder.environment()
                    .put("RESTIS_DATABASE", database.host() + ":" + database.port() + "/" + database.name());
            builder.environment().put("RESTIS_DATABASE_USER", database.user());
            builder.environment()
                    .put(
                            "RESTIS_DATABASE_PASSWORD_FILE",
                            folder.resolve("password").toString());
            Path written = home.resolve("address");
            Files.deleteIfExists(written);
            process = builder.start();
            await(
                    Duration.ofMinutes(2),
                    () -> Files.exists(written) && !read(written).isBlank());
            address = read(written).strip();
        }

        void kill() throws InterruptedException {
            process.destroyForcibly().waitFor();
        }
    }

    /** Somebody with a browser; signed in at one instance, they are signed in at the other. */
    private static final class Visitor {
        private final CookieManager cookies = new CookieManager();
        private final HttpClient http =
                HttpClient.newBuilder().cookieHandler(cookies).build();

        HttpResponse<String> ask(Instance at, String path) throws Exception {
            return http.send(
                    HttpRequest.newBuilder(URI.create(at.address + path))
                            .timeout(Duration.ofMinutes(1))
                            .build(),
                    HttpResponse.BodyHandlers.ofString());
        }

        JsonNode read(Instance at, String path) throws Exception {
            HttpResponse<String> answer = ask(at, path);
            assertThat(answer.statusCode()).as(path + ": " + answer.body()).isEqualTo(200);
            return JSON.readTree(answer.body());
        }

        HttpResponse<String> tell(Instance at, String path, String body) throws Exception {
            return tell(at, path, "application/json", body);
        }

        int put(Instance at, String path, String body) throws Exception {
            return send(at, path, "application/json", body, "PUT").statusCode();
        }

        HttpResponse<String> tell(Instance at, String path, String type, String body) throws Exception {
            return send(at, path, type, body, "POST");
        }

        private HttpResponse<String> send(Instance at, String path, String type, String body, String method)
                throws Exception {
            String token = cookies.getCookieStore().getCookies().stream()
                    .filter(c -> c.getName().equals("XSRF-TOKEN"))
                    .map(HttpCookie::getValue)
                    .findFirst()
                    .orElse("");
            return http.send(
                    HttpRequest.newBuilder(URI.create(at.address + path))
                            .timeout(Duration.ofMinutes(1))
                            .header("Content-Type", type)
                            .header("X-XSRF-TOKEN", token)
                            .method(method, HttpRequest.BodyPublishers.ofString(body))
                            .build(),
                    HttpResponse.BodyHandlers.ofString());
        }

        Visitor signedIn(Instance at) throws Exception {
            ask(at, "/api/session");
            HttpResponse<String> answer =
                    tell(at, "/api/sign-in", "{\"name\": \"Tove\", \"password\": \"harbour-lantern\"}");
            assertThat(answer.statusCode()).as(answer.body()).isEqualTo(200);
            ask(at, "/api/session");
            return this;
        }

        long made(Instance at, String path, String body) throws Exception {
            HttpResponse<String> answer = tell(at, path, body);
            assertThat(answer.statusCode()).as(path + ": " + answer.body()).isBetween(200, 202);
            return JSON.readTree(answer.body()).path("id").asLong();
        }

        long importing(Instance at, String prefix, int rows) throws Exception {
            StringBuilder file = new StringBuilder("reference,customer,quantity,pattern,wrist,colour 1,colour 2\n");
            for (int i = 0; i < rows; i++) {
                file.append(String.format(Locale.ROOT, "%s-%d,Runa,1,snake,16 cm,NT2,OA2%n", prefix, i));
            }
            HttpResponse<String> answer = tell(
                    at,
                    "/api/orders/import?mode=ALL",
                    "multipart/form-data; boundary=part",
                    "--part\r\nContent-Disposition: form-data; name=\"file\"; filename=\"o.csv\"\r\n"
                            + "Content-Type: text/csv\r\n\r\n" + file
                            + "\r\n--part\r\nContent-Disposition: form-data; name=\"how\"\r\n"
                            + "Content-Type: application/json\r\n\r\n{\"units\": \"METRIC\"}\r\n--part--\r\n");
            assertThat(answer.statusCode()).as(answer.body()).isEqualTo(202);
            return JSON.readTree(answer.body()).path("id").asLong();
        }

        JsonNode ended(Instance at, long job, Duration within) {
            JsonNode[] last = new JsonNode[1];
            await(within, () -> {
                last[0] = read(at, "/api/jobs/" + job);
                return !List.of("WAITING", "RUNNING")
                        .contains(last[0].path("state").asString());
            });
            return last[0];
        }
    }

    @BeforeAll
    static void startTwo() throws Exception {
        folder = Server.folder("restis-two");
        server = LocalPostgres.start(folder.resolve("database"), Durability.FORGETFUL);
        database = server.database();
        Files.writeString(folder.resolve("password"), database.password());
        first = new Instance("first", 8640);
        await(Duration.ofMinutes(1), () -> count("select count(*) from customer_order") > 3);
        second = new Instance("second", 8660);
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

    private static String read(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
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
        assertThat(new String(Files.readAllBytes(second.home.resolve("log")), StandardCharsets.UTF_8))
                .contains("stops serving");
    }
}
