package dev.restis.app.platform.database;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.restis.app.TestServer;
import dev.restis.app.costs.Verification;
import dev.restis.app.platform.CannotStart;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.beans.factory.support.StaticListableBeanFactory;
import org.springframework.jdbc.core.simple.JdbcClient;

/**
 * Workshops as earlier versions left them, each a backup of the demo with what it added up to then: they are brought up to
 * date, add up, and have what they had.
 */
@Execution(ExecutionMode.CONCURRENT)
class OldHomesTest {

    @TempDir
    private Path folder;

    private final Backup backup = new Backup(Clock.systemUTC());

    static Stream<Path> dumps() throws Exception {
        Path dumps = Path.of(Objects.requireNonNull(OldHomesTest.class.getResource("/dumps"), "dumps")
                .toURI());
        try (Stream<Path> files = Files.list(dumps)) {
            return files.filter(f -> f.toString().endsWith(".dump")).sorted().toList().stream();
        }
    }

    @ParameterizedTest
    @MethodSource("dumps")
    void isBroughtUpToDateAndHasWhatItHad(Path dump) throws IOException {
        Database old = restored(dump, dump.getFileName().toString().replace(".dump", "_home"));
        Flyway flyway = flyway(old);
        boolean older = flyway.info().pending().length > 0;
        migration(old).migrate(flyway);
        assertThat(flyway.info().pending()).isEmpty();
        Verification verification = new Verification(TestServer.client(old));
        assertThat(verification.differences()).isEmpty();
        Path then = dump.resolveSibling(dump.getFileName().toString().replace(".dump", ".totals"));
        assertThat(verification.totals().entrySet().stream().map(e -> e.getKey() + ": " + e.getValue()))
                .containsAll(Files.readAllLines(then, StandardCharsets.UTF_8));
        // What was there before the update was put by, and an update that has nothing to do puts nothing by.
        try (Stream<Path> put = Files.list(Files.createDirectories(Migration.backups(folder)))) {
            assertThat(put).hasSize(older ? 1 : 0);
        }
    }

    @Test
    void aBackupHoldsEverythingAndIsRestoredToTheLetter() throws Exception {
        Database here = restored(dumps().reduce((a, b) -> b).orElseThrow(), "whole_home");
        flyway(here).migrate();
        Path file = backup.make(folder.resolve("all.dump"), here);
        Database there = TestServer.empty("restored_home");
        backup.restore(file, there, folder);
        Map<String, String> before = everything(TestServer.client(here));
        assertThat(before).hasSizeGreaterThan(40);
        assertThat(everything(TestServer.client(there))).isEqualTo(before);
        assertThatThrownBy(() -> backup.restore(file, there, folder)).hasMessageContaining("is not empty");
    }

    /**
     * Pieces got a row for each act that was known, by whoever was named; the minutes of the house went to its two makers; whoever
     * ordered is a customer.
     */
    @Test
    void livesCalendarsAndCustomersAreTakenOver() throws Exception {
        Path before = dumps().filter(d -> d.endsWith("v39.dump")).findFirst().orElseThrow();
        Database database = restored(before, "taken_over_home");
        flyway(database).migrate();
        JdbcClient home = TestServer.client(database);
        assertThat(home.sql("select distinct act from piece_event order by 1")
                        .query(String.class)
                        .list())
                .contains("CUT", "CUT_INTO", "PLAN");
        assertThat(home.sql("select count(*) from piece_event where person_id is null")
                        .query(Integer.class)
                        .single())
                .as("acts of nobody")
                .isZero();
        assertThat(home.sql("select sum(minutes) from maker_minutes where day = 'MONDAY'")
                        .query(Integer.class)
                        .single())
                .isEqualTo(420);
        assertThat(home.sql("select count(*) from person where minutes_shared")
                        .query(Integer.class)
                        .single())
                .isEqualTo(2);
        assertThat(home.sql("select name from customer order by 1")
                        .query(String.class)
                        .list())
                .isNotEmpty()
                .isEqualTo(home.sql("select distinct customer from customer_order order by 1")
                        .query(String.class)
                        .list());
    }

    @Test
    void aTornFileIsNoBackup() throws Exception {
        byte[] whole = Files.readAllBytes(dumps().findFirst().orElseThrow());
        Path torn = Files.write(folder.resolve("torn.dump"), java.util.Arrays.copyOf(whole, whole.length / 2));
        Database empty = TestServer.empty("torn_home");
        assertThatThrownBy(() -> backup.restore(torn, empty, folder)).hasMessageContaining("no whole backup");
        assertThat(everything(TestServer.client(empty))).isEmpty();
    }

    @Test
    void aSchemaThatIsNewerIsLeftAlone() throws Exception {
        Database newer = restored(dumps().findFirst().orElseThrow(), "newer_home");
        flyway(newer).migrate();
        TestServer.client(newer).sql("""
                        insert into flyway_schema_history (installed_rank, version, description, type, script, installed_by,
                            execution_time, success) values (900, '900', 'next year', 'SQL', 'V900__next_year.sql', 'x', 1, true)
                        """).update();
        Flyway flyway = flyway(newer);
        assertThatThrownBy(() -> migration(newer).migrate(flyway))
                .isInstanceOf(CannotStart.class)
                .hasMessageContainingAll("newer Restis", "900");
    }

    private Database restored(Path dump, String name) {
        Database database = TestServer.empty(name);
        backup.restore(dump, database, folder);
        return database;
    }

    private Migration migration(Database database) {
        StaticListableBeanFactory beans = new StaticListableBeanFactory();
        beans.addBean("database", database);
        return new Migration(beans.getBeanProvider(Database.class), backup, folder);
    }

    private static Flyway flyway(Database database) {
        return Flyway.configure()
                .dataSource(database.url(), database.user(), database.password())
                .load();
    }

    /** Every table with the digest of all its rows, and where every sequence stands. */
    private static Map<String, String> everything(JdbcClient database) {
        Map<String, String> digests = new LinkedHashMap<>();
        List<String> tables = database.sql("select tablename from pg_tables where schemaname = 'public' order by 1")
                .query(String.class)
                .list();
        for (String table : tables) {
            digests.put(
                    table,
                    database.sql("select md5(coalesce(string_agg(t::text, '|' order by t::text), '')) from " + table
                                    + " t")
                            .query(String.class)
                            .single());
        }
        database.sql("select sequencename, last_value::text from pg_sequences where schemaname = 'public' order by 1")
                .query(row -> {
                    digests.put(row.getString(1), String.valueOf(row.getString(2)));
                });
        return digests;
    }
}
