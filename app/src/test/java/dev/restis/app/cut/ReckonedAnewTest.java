package dev.restis.app.cut;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.restis.app.RestisApplication;
import dev.restis.app.TestServer;
import dev.restis.app.costs.Verification;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.database.Backup;
import dev.restis.app.platform.database.Database;
import dev.restis.core.piece.Formulas;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.simple.JdbcClient;

/** A home of before the formulas were corrected, with an open cut list that is half cut. */
@Execution(ExecutionMode.CONCURRENT)
class ReckonedAnewTest {

    @TempDir
    private Path folder;

    /** Everything that is not cut is planned 5 cm shorter than it is now, as a shorter formula would have it. */
    private static final String SHORTER = """
            create temporary table shorter as
                select t.id, t.cut_spool_id, t.strand_id from cut_step t
                where t.kind = 'STRAND' and t.done_at is null;
            update cut_step t set length_um = length_um + 50000 * (select count(*) from shorter s where s.cut_spool_id = t.cut_spool_id)
                where t.kind = 'REST' and t.done_at is null;
            update cut_step t set length_um = length_um - 50000 where t.id in (select id from shorter);
            update strand set cut_um = cut_um - 50000, used_um = used_um - 50000
                where piece_id in (select id from piece where cut_at is null)
                  and not exists (select 1 from cut_step t where t.strand_id = strand.id and t.done_at is not null);
            update order_line_need set quantity = quantity - 50000
                where article_id in (select id from article where kind = 'CORD');
            update cut_spool set in_hand_of = null
            """;

    @Test
    void whatIsNotCutIsWorkedOutAnewAndABegunListStops() throws Exception {
        Database database = TestServer.empty("reckoned_home");
        Path dump = Path.of(Objects.requireNonNull(getClass().getResource("/dumps/v29.dump"))
                .toURI());
        new Backup(Clock.systemUTC()).restore(dump, database, folder);
        JdbcClient jdbc = TestServer.client(database);
        jdbc.sql(SHORTER).update();
        try (ConfigurableApplicationContext context = started(database)) {
            for (int tries = 0; version(jdbc) < Formulas.VERSION && tries < 600; tries++) {
                TimeUnit.MILLISECONDS.sleep(50);
            }
            assertThat(version(jdbc)).isEqualTo(Formulas.VERSION);
            assertThat(count(jdbc, "select count(*) from reckoned_anew_open where after_quantity > before_quantity"))
                    .isPositive();
            assertThat(new Verification(jdbc).differences()).isEmpty();
            assertThat(count(jdbc, "select count(*) from pattern_version where version > 1 and shipped"))
                    .as("patterns that are tied otherwise now")
                    .isGreaterThan(10);
            assertThat(count(
                            jdbc, "select count(*) from pattern_version where version > 1 and shipped and why is null"))
                    .as("and do not say why")
                    .isZero();
            long list = count(jdbc, """
                    select max(c.id) from cut_list c join cut_spool s on s.cut_list_id = c.id
                        join cut_step t on t.cut_spool_id = s.id where c.confirmed_at is null and t.done_at is not null
                    """);
            CutBench bench = context.getBean(CutBench.class);
            assertThatThrownBy(() -> bench.confirm(list))
                    .isInstanceOf(Conflict.class)
                    .hasMessage("cut.longerNow");
            assertThat(new Verification(jdbc).differences()).isEmpty();
            context.getBean(CutPlanning.class).planRest(list);
            assertThat(count(jdbc, """
                            select count(*) from cut_step t join cut_spool s on s.id = t.cut_spool_id join strand n on n.id = t.strand_id
                            where s.cut_list_id = %d and t.done_at is null and t.length_um <> n.cut_um
                            """.formatted(list))).isZero();
            bench.confirm(list);
            assertThat(new Verification(jdbc).differences()).isEmpty();
        }
    }

    private static ConfigurableApplicationContext started(Database database) {
        SpringApplication application = new SpringApplication(RestisApplication.class);
        application.setDefaultProperties(Map.of(
                "server.port", 0,
                "spring.datasource.url", database.url(),
                "spring.datasource.username", database.user(),
                "spring.datasource.password", database.password()));
        return application.run("--restis.demo=false");
    }

    private static int version(JdbcClient jdbc) {
        return (int) count(jdbc, "select formulas from reckoned");
    }

    private static long count(JdbcClient jdbc, String sql) {
        return jdbc.sql(sql).query(Long.class).single();
    }
}
