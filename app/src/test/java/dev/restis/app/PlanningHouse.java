package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.locks.LockSupport;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import tools.jackson.databind.JsonNode;

/** A house that plans: two makers of six hours on every day, and orders of cord of their own beside those of the demo. */
abstract class PlanningHouse extends RestisTest {

    static final String EVERY_DAY =
            Arrays.stream(DayOfWeek.values()).map(day -> "\"" + day + "\": 360").collect(Collectors.joining(", "));

    long tove;
    long bram;

    @BeforeEach
    void theHousePlans() throws Exception {
        if (jdbc.sql("select count(*) from article where code = 'WPL'")
                        .query(Long.class)
                        .single()
                == 0) {
            addCord("WPL", "#3F5E73", "2 mm");
            addCord("WPM", "#9A5E73", "2 mm");
            receive("WPL", "WPL-1", "400 m", "");
            receive("WPM", "WPM-1", "400 m", "");
        }
        // The demo's own orders would have their say otherwise.
        jdbc.sql("update customer_order set making_left_s = -making_left_s where making_left_s > 0")
                .update();
        tove = person("Tove");
        bram = person("Bram");
        rules("");
        calendar("Tove", "");
        calendar("Bram", "");
    }

    @AfterEach
    void asItWas() throws Exception {
        jdbc.sql("update job set wanted = false where wanted and state in ('WAITING', 'RUNNING')")
                .update();
        settled();
        forgetOrders("customer like 'Sefa Plan%'");
        jdbc.sql("update customer_order set making_left_s = -making_left_s where making_left_s < 0")
                .update();
        jdbc.sql("update plan_book set head = null, published = null").update();
        jdbc.sql("update work_plan set before_id = null").update();
        jdbc.sql("delete from work_plan").update();
        jdbc.sql(
                        "update plan_rules set planning = false, whole_pieces = false, keep_free_percent = 10, publishes = null")
                .update();
        jdbc.sql("delete from maker_day").update();
        jdbc.sql("delete from maker_family").update();
    }

    long person(String name) {
        return jdbc.sql("select id from person where name = ?")
                .param(name)
                .query(Long.class)
                .single();
    }

    void rules(String more) throws Exception {
        assertThat(keep("/api/workplan/rules", """
                        {"planning": true, "wholePieces": false, "keepFreePercent": 0, "familySeconds": 480, "jigSeconds": 240,
                         "spoolSeconds": 90, "cutSeconds": 0, "checkSeconds": 0, "packSeconds": 0%s}
                        """.formatted(more)).status()).isEqualTo(200);
    }

    void calendar(String name, String days) throws Exception {
        assertThat(keep(
                                "/api/people/" + person(name) + "/calendar",
                                "{\"week\": {%s}, \"days\": [%s], \"families\": []}".formatted(EVERY_DAY, days))
                        .status())
                .isEqualTo(200);
    }

    /** Taken and accepted; wanted in so many days. */
    long take(String name, int pieces, String cord, int days) throws Exception {
        Answer taken = tell("/api/orders", """
                {"customer": "Sefa Plan %s", "due": "in %d days", "lines": [{"quantity": %d, "choices":
                  {"pattern": "snake", "wrist": "16 cm", "colours": ["%s", "%s"], "units": "METRIC"}}]}
                """.formatted(name, days, pieces, cord, cord));
        assertThat(taken.status()).as(taken.text()).isEqualTo(201);
        return taken.body().path("id").asLong();
    }

    JsonNode board() throws Exception {
        return ask("/api/workplan?days=28").body();
    }

    long plan() throws Exception {
        long job =
                tell("/api/workplan", "{\"better\": false}").body().path("id").asLong();
        assertThat(job(job).path("state").asString()).isEqualTo("DONE");
        settled();
        return board().path("plan").path("id").asLong();
    }

    /** Until no job waits or goes on. */
    void settled() {
        long end = System.nanoTime() + 60_000_000_000L;
        while (jdbc.sql(
                                "select count(*) from job where state in ('WAITING', 'RUNNING') and kind in ('plan-days', 'mend-plan')")
                        .query(Long.class)
                        .single()
                > 0) {
            assertThat(System.nanoTime()).isLessThan(end);
            LockSupport.parkNanos(20_000_000);
        }
    }

    record Block(long person, LocalDate day, JsonNode node) {
        List<Long> parcels() {
            List<Long> ids = new ArrayList<>();
            node.path("parcels").forEach(p -> ids.add(p.asLong()));
            return ids;
        }

        String state() {
            return node.path("state").asString();
        }

        boolean of(long order) {
            for (JsonNode one : node.path("orders")) {
                if (one.path("id").asLong() == order) {
                    return true;
                }
            }
            return false;
        }
    }

    List<Block> blocks(Predicate<Block> which) throws Exception {
        List<Block> blocks = new ArrayList<>();
        for (JsonNode maker : board().path("makers")) {
            for (JsonNode day : maker.path("days")) {
                for (JsonNode block : day.path("blocks")) {
                    blocks.add(new Block(
                            maker.path("person").asLong(),
                            LocalDate.parse(day.path("day").asString()),
                            block));
                }
            }
        }
        return blocks.stream().filter(which).toList();
    }

    Block block(long order) throws Exception {
        return blocks(b -> b.of(order)).get(0);
    }

    long head() throws Exception {
        return board().path("plan").path("id").asLong();
    }

    Answer act(String act, String body) throws Exception {
        return tell("/api/workplan/" + act, "{\"plan\": %d, %s}".formatted(head(), body));
    }

    Set<String> happened() throws Exception {
        Set<String> what = new HashSet<>();
        board().path("plan")
                .path("about")
                .forEach(h -> what.add(
                        h.path("what").asString() + " " + h.path("name").asString()));
        return what;
    }
}
