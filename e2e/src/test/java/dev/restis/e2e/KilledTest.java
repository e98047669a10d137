package dev.restis.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.app.RestisApplication;
import dev.restis.app.costs.Verification;
import dev.restis.app.platform.database.LocalPostgres;
import dev.restis.app.platform.database.LocalPostgres.Durability;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.locks.LockSupport;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/**
 * Restis as a process of its own, on a database that really writes, killed amid a stream of movements: what it said is done
 * is done once, and nothing is half done.
 */
class KilledTest {

    private static final int STREAMS = 4;
    private static final int MOVES_BEFORE_KILL = 25;
    private static final int CUTS_BEFORE_KILL = 3;
    private static final int KNOTS_BEFORE_KILL = 3;
    /** A piece is opened again when so many of its steps are done, so that there is always one to do. */
    private static final int STEPS_TIED = 12;

    private Path home;
    private Process process;
    private final AtomicInteger number = new AtomicInteger();
    /** Reasons of the movements, and lots of the receipts, that were answered as done. */
    private final Set<String> sold = ConcurrentHashMap.newKeySet();

    private final Set<String> received = ConcurrentHashMap.newKeySet();
    /** What was refused before anything was killed. */
    private final Set<String> refused = ConcurrentHashMap.newKeySet();

    private final AtomicBoolean killing = new AtomicBoolean();
    /** Steps of the cut list that were answered as cut. */
    private final Set<Long> cut = ConcurrentHashMap.newKeySet();
    /** Acts with steps of a card that were answered as done. */
    private final Set<UUID> tied = ConcurrentHashMap.newKeySet();

    @BeforeEach
    void start() throws Exception {
        home = Server.folder("restis-killed");
        launch();
    }

    @AfterEach
    void stop() throws InterruptedException {
        // It ends its database with it; one that it left behind when it was killed last is ours by now.
        process.destroy();
        process.waitFor();
        LocalPostgres.start(home, Durability.SAFE).close();
    }

    @Test
    void whatWasAnsweredIsThereOnceAndNothingIsHalfDone() throws Exception {
        planCuts();
        for (boolean database : new boolean[] {false, true}) {
            stream(database);
            launch();
            check();
            assertThat(refused).isEmpty();
        }
        assertThat(sold).hasSizeGreaterThan(10);
        assertThat(received).hasSizeGreaterThan(3);
        assertThat(cut).hasSizeGreaterThanOrEqualTo(2 * CUTS_BEFORE_KILL);
        assertThat(tied).hasSizeGreaterThanOrEqualTo(2 * KNOTS_BEFORE_KILL);
    }

    private void launch() throws Exception {
        Path address = home.resolve("address");
        Files.deleteIfExists(address);
        process = new ProcessBuilder(
                        ProcessHandle.current().info().command().orElse("java"),
                        "-XX:+UseSerialGC",
                        "-XX:TieredStopAtLevel=1",
                        "-Drestis.home=" + home,
                        "-Drestis.port=8620",
                        "-Drestis.demo=true",
                        "-Drestis.demo-bench=false",
                        "-Drestis.demo-plan=false",
                        "-cp",
                        System.getProperty("surefire.test.class.path", System.getProperty("java.class.path")),
                        RestisApplication.class.getName())
                .redirectErrorStream(true)
                .redirectOutput(home.resolve("log").toFile())
                .start();
        for (int i = 0; !Files.exists(address) || Files.readString(address).isBlank(); i++) {
            assertThat(process.isAlive() && i < 1200)
                    .as("Restis starts; its log is %s", home.resolve("log"))
                    .isTrue();
            TimeUnit.MILLISECONDS.sleep(100);
        }
    }

    /** A list of some hundred cuts, so that each round goes on where the last was killed. */
    private void planCuts() throws Exception {
        Load load = new Load(Files.readString(home.resolve("address")).strip());
        long cord = id("select id from article where code = 'NT2'");
        post(load, "/api/stock/receipts", """
                {"lines": [{"article": %d, "lot": "CUTS", "putUps": 1, "each": "900 m", "price": "90.00", "units": "METRIC"}]}
                """.formatted(cord));
        post(load, "/api/orders", """
                {"customer": "Killed", "lines": [{"quantity": 150, "choices":
                 {"pattern": "snake", "wrist": "16 cm", "colours": ["NT2", "NT2"], "units": "METRIC"}}]}
                """);
        post(load, "/api/plan/batches", """
                {"picks": [{"line": %d, "count": 150}]}
                """.formatted(id("select max(id) from order_line")));
        post(load, "/api/cut/lists", "{\"batches\": [%d]}".formatted(id("select max(id) from batch")));
    }

    private static void post(Load load, String path, String body) throws Exception {
        load.post(path, "application/json", body.getBytes(StandardCharsets.UTF_8));
    }

    private long id(String sql) {
        return database().sql(sql).query(Long.class).single();
    }

    /** The bench: asks for the next cut and makes it, one after the other. */
    private void cutOn(Load load, JdbcClient database) throws Exception {
        record Next(long list, long spool, long step) {}
        Next next = database.sql("""
                        select s.cut_list_id as list, s.id as spool, t.id as step
                        from cut_step t join cut_spool s on s.id = t.cut_spool_id join cut_list c on c.id = s.cut_list_id
                        where t.done_at is null and c.confirmed_at is null order by c.id desc, s.number, t.number limit 1
                        """).query(Next.class).single();
        post(
                load,
                "/api/cut/lists/" + next.list() + "/spools/" + next.spool() + "/cuts",
                "{\"steps\": [%d]}".formatted(next.step()));
        cut.add(next.step());
    }

    /** A maker: does the next step of a piece that is in hand. */
    private void tieOn(Load load, JdbcClient database) throws Exception {
        long piece = database.sql("select id from piece where stage in ('CUT', 'MAKING') order by id limit 1")
                .query(Long.class)
                .single();
        int next = database.sql("select next_step from bench_piece where piece_id = ?")
                .param(piece)
                .query(Integer.class)
                .optional()
                .orElse(-1);
        if (next < 0) {
            post(load, "/api/bench/take", "{\"pieces\": [%d], \"over\": false}".formatted(piece));
            return;
        }
        UUID key = UUID.randomUUID();
        boolean far = next >= STEPS_TIED;
        post(load, "/api/bench/acts", """
                {"key": "%s", "piece": %d, "act": "%s", "step": %d, "seconds": 5, "reason": "killed"}
                """.formatted(key, piece, far ? "BACK_TO" : "DONE", far ? 0 : next));
        tied.add(key);
    }

    /** Somebody who goes on doing one thing after the other. */
    private interface Worker {
        void goOn(Load load, JdbcClient database) throws Exception;
    }

    private Thread at(Worker worker, String address, AtomicBoolean on) {
        return new Thread(() -> {
            try {
                Load load = new Load(address);
                JdbcClient database = database();
                while (on.get()) {
                    try {
                        worker.goOn(load, database);
                    } catch (AssertionError told) {
                        lookAgain(told);
                    }
                }
            } catch (Exception | AssertionError ended) {
                ended(ended);
            }
        });
    }

    /** A better plan that was found meanwhile takes the place of the one that was looked at. */
    private static void lookAgain(AssertionError told) {
        if (!String.valueOf(told.getMessage()).contains("cut.planChanged")) {
            throw told;
        }
    }

    /** What was not answered may be done or not; only halves are wrong. But nothing is refused until something is killed. */
    private void ended(Throwable how) {
        if (!killing.get()) {
            refused.add(String.valueOf(how.getMessage()));
        }
    }

    private JdbcClient database() {
        // The server runs already, so this only finds it.
        LocalPostgres database = LocalPostgres.start(home, Durability.SAFE);
        return JdbcClient.create(new DriverManagerDataSource(database.url(), database.user(), database.password()));
    }

    /** Sells and receives from several sides until the process, or its database, is killed. */
    private void stream(boolean killDatabase) throws Exception {
        killing.set(false);
        String address = Files.readString(home.resolve("address")).strip();
        long spool = database().sql("""
                        select h.id from holding h join lot on lot.id = h.lot_id join article a on a.id = lot.article_id
                        where a.kind = 'CORD' order by h.quantity desc limit 1
                        """).query(Long.class).single();
        long article = database()
                .sql("select id from article where code = 'PB6'")
                .query(Long.class)
                .single();
        AtomicBoolean on = new AtomicBoolean(true);
        List<Thread> threads = new ArrayList<>();
        for (int i = 0; i < STREAMS; i++) {
            boolean sells = i % 2 == 0;
            Thread thread = new Thread(() -> {
                try {
                    Load load = new Load(address);
                    while (on.get()) {
                        String name = "K" + number.incrementAndGet();
                        if (sells) {
                            load.post("/api/stock/holdings/" + spool + "/away/SELL", "application/json", """
                                            {"quantity": "1 mm", "units": "METRIC", "reason": "%s"}
                                            """.formatted(
                                            name)
                                    .getBytes(StandardCharsets.UTF_8));
                            sold.add(name);
                        } else {
                            load.post("/api/stock/receipts", "application/json", """
                                            {"lines": [{"article": %d, "lot": "%s", "putUps": 3, "each": "10", "price": "1.00",
                                             "units": "METRIC"}]}
                                            """.formatted(article, name)
                                    .getBytes(StandardCharsets.UTF_8));
                            received.add(name);
                        }
                    }
                } catch (Exception | AssertionError ended) {
                    ended(ended);
                }
            });
            threads.add(thread);
            thread.start();
        }
        int before = cut.size();
        int knots = tied.size();
        for (Worker worker : List.<Worker>of(this::cutOn, this::tieOn)) {
            Thread thread = at(worker, address, on);
            threads.add(thread);
            thread.start();
        }
        // A server that has just started takes its time for the first of them; it is killed among them, not before.
        int moved = sold.size() + received.size();
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(60);
        while (cut.size() < before + CUTS_BEFORE_KILL
                || tied.size() < knots + KNOTS_BEFORE_KILL
                || sold.size() + received.size() < moved + MOVES_BEFORE_KILL) {
            assertThat(System.nanoTime())
                    .as("the streams flow; refused: %s", refused)
                    .isLessThan(end);
            LockSupport.parkNanos(TimeUnit.MILLISECONDS.toNanos(20));
        }
        killing.set(true);
        if (killDatabase) {
            killDatabase();
        }
        process.destroyForcibly().waitFor();
        on.set(false);
        for (Thread thread : threads) {
            thread.join();
        }
    }

    private void killDatabase() throws IOException {
        long postmaster = Long.parseLong(Files.readAllLines(home.resolve("postgres/postmaster.pid"))
                .get(0)
                .strip());
        List<ProcessHandle> all = new ArrayList<>();
        ProcessHandle.of(postmaster).ifPresent(p -> {
            p.descendants().forEach(all::add);
            all.add(p);
        });
        all.forEach(ProcessHandle::destroyForcibly);
        all.forEach(p -> p.onExit().orTimeout(20, TimeUnit.SECONDS).join());
    }

    private void check() {
        JdbcClient database = database();
        List<String> there = database.sql("select reason from ledger where movement = 'SELL' and reason like 'K%'")
                .query(String.class)
                .list();
        assertThat(there).doesNotHaveDuplicates().containsAll(sold);
        List<String> halves = database.sql("""
                        select lot.code from lot left join holding h on h.lot_id = lot.id left join ledger l on l.holding_id = h.id
                        where lot.code like 'K%' group by lot.code
                        having count(distinct h.id) <> 3 or count(l.id) <> 3 or sum(l.value) <> 1
                        """).query(String.class).list();
        assertThat(halves).isEmpty();
        assertThat(database.sql("select code from lot where code like 'K%'")
                        .query(String.class)
                        .list())
                .containsAll(received);
        assertThat(database.sql("select id from cut_step where done_at is not null")
                        .query(Long.class)
                        .list())
                .containsAll(cut);
        assertThat(database.sql("select key from bench_act").query(UUID.class).list())
                .as("no act at the bench is lost")
                .containsAll(tied);
        assertThat(new Verification(database).differences()).isEmpty();
    }
}
