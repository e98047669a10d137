package dev.restis.e2e;

import java.time.Duration;
import java.util.Locale;
import org.awaitility.Awaitility;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** Fifty thousand measurements, learned from, taken back and started anew; run by bin/restis bench, which prints the figures. */
@Tag("bench")
class LearnedTimes {

    private static final int MEASUREMENTS = 50_000;
    /** Not the newest, and no state was kept since. */
    private static final int BACK = 450;

    @Test
    void fiftyThousandMeasurements() throws Exception {
        try (Server server = new Server(true, Server.NOTHING_PLANNED)) {
            settle(server);
            double few = firstAnswer(server);
            long before = count(server, "select last_number from learning_book");
            server.sql("""
                    insert into observation (id, key, subject, source, sources, piece_id, maker, day, value, reading, bound, about,
                        cut_um, formulas, use, geometry_um)
                    select nextval('observation_number'), gen_random_uuid(), o.subject, 'IMPORT', '{}', -n / 3, o.maker, o.day,
                           o.value * exp(0.04 * (random() + random() + random() - 1.5)), o.reading, o.bound, '{}',
                           o.cut_um, o.formulas, o.use, o.geometry_um
                    from generate_series(1, %d) n join lateral (
                        select o.*, row_number() over (order by id) as place, count(*) over () as whole from observation o
                        where o.outcome = 'LEARNED' and o.source = 'STRAND' and n > 0) o on o.place = n %% o.whole + 1
                    order by n
                    """.formatted(MEASUREMENTS));
            server.sql("analyze observation");
            server.startAgain();
            long start = System.nanoTime();
            settle(server);
            double seconds = (System.nanoTime() - start) / 1e9;
            long folded = count(server, "select last_number from learning_book") - before;
            print("a measurement, as one of %,d: %.2f ms (bar: 2 ms)", folded, 1000 * seconds / folded);

            Load load = new Load(server.address());
            long taken = count(
                    server,
                    "select id from observation where standing = 'STANDS' and number <= "
                            + "(select last_number - %d from learning_book) order by number desc limit 1"
                                    .formatted(BACK));
            start = System.nanoTime();
            load.post("/api/learning/points/" + taken + "/drop", "{}");
            settle(server);
            print("one of the last 500 taken back: %.1f s (bar: 3 s)", (System.nanoTime() - start) / 1e9);

            double many = firstAnswer(server);
            print("first answer after a start: %.0f ms with %,d, %.0f ms with few (bar: as fast)", many, folded, few);
        }
    }

    /** Milliseconds until what is believed is told, by a server that has just started and was asked nothing. */
    private static double firstAnswer(Server server) throws Exception {
        server.startAgain();
        Load load = new Load(server.address());
        long start = System.nanoTime();
        load.ask("/api/learning/estimates?subject=CORD");
        return (System.nanoTime() - start) / 1e6;
    }

    private static void settle(Server server) {
        Awaitility.await()
                .atMost(Duration.ofMinutes(10))
                .pollInterval(Duration.ofMillis(50))
                .until(() -> count(server, """
                        select count(*) from observation where changed or number is null and standing = 'STANDS'
                        """) == 0
                        && count(
                                        server,
                                        "select count(*) from job where state in ('WAITING', 'RUNNING') and kind = 'learn'")
                                == 0);
    }

    private static long count(Server server, String sql) {
        return server.jdbc().sql(sql).query(Long.class).single();
    }

    private static void print(String what, Object... figures) {
        System.out.println("learning, " + String.format(Locale.ROOT, what, figures));
    }
}
