package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.locks.LockSupport;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpMethod;
import tools.jackson.databind.JsonNode;

/** Two makers of six hours on every day, and orders of cord of their own beside those of the demo. */
class WorkPlanTest extends RestisTest {

    private static final String EVERY_DAY =
            Arrays.stream(DayOfWeek.values()).map(day -> "\"" + day + "\": 360").collect(Collectors.joining(", "));

    private long tove;
    private long bram;

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

    private long person(String name) {
        return jdbc.sql("select id from person where name = ?")
                .param(name)
                .query(Long.class)
                .single();
    }

    private void rules(String more) throws Exception {
        assertThat(keep("/api/workplan/rules", """
                        {"planning": true, "wholePieces": false, "keepFreePercent": 0, "familySeconds": 480, "jigSeconds": 240,
                         "spoolSeconds": 90, "cutSeconds": 0, "checkSeconds": 0, "packSeconds": 0%s}
                        """.formatted(more)).status()).isEqualTo(200);
    }

    private void calendar(String name, String days) throws Exception {
        assertThat(keep(
                                "/api/people/" + person(name) + "/calendar",
                                "{\"week\": {%s}, \"days\": [%s], \"families\": []}".formatted(EVERY_DAY, days))
                        .status())
                .isEqualTo(200);
    }

    /** Taken and accepted; wanted in so many days. */
    private long take(String name, int pieces, String cord, int days) throws Exception {
        Answer taken = tell("/api/orders", """
                {"customer": "Sefa Plan %s", "due": "in %d days", "lines": [{"quantity": %d, "choices":
                  {"pattern": "snake", "wrist": "16 cm", "colours": ["%s", "%s"], "units": "METRIC"}}]}
                """.formatted(name, days, pieces, cord, cord));
        assertThat(taken.status()).as(taken.text()).isEqualTo(201);
        return taken.body().path("id").asLong();
    }

    private JsonNode board() throws Exception {
        return ask("/api/workplan?days=28").body();
    }

    private long plan() throws Exception {
        long job =
                tell("/api/workplan", "{\"better\": false}").body().path("id").asLong();
        assertThat(job(job).path("state").asString()).isEqualTo("DONE");
        settled();
        return board().path("plan").path("id").asLong();
    }

    /** Until no job waits or goes on. */
    private void settled() {
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

    private record Block(long person, LocalDate day, JsonNode node) {
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

    private List<Block> blocks(Predicate<Block> which) throws Exception {
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

    private Block block(long order) throws Exception {
        return blocks(b -> b.of(order)).get(0);
    }

    private long head() throws Exception {
        return board().path("plan").path("id").asLong();
    }

    private Answer act(String act, String body) throws Exception {
        return tell("/api/workplan/" + act, "{\"plan\": %d, %s}".formatted(head(), body));
    }

    @Test
    void aPlanIsMadeShownAndPublished() throws Exception {
        long red = take("Red", 12, "WPL", 9);
        long blue = take("Blue", 8, "WPM", 9);
        assertThat(board().path("plan").isMissingNode() || board().path("plan").isNull())
                .isTrue();
        plan();
        JsonNode plan = board().path("plan");
        assertThat(plan.path("act").asString()).isEqualTo("PLANNED");
        assertThat(plan.path("growing").asBoolean()).isFalse();
        assertThat(plan.path("lateDays").asInt()).isZero();
        assertThat(plan.path("published").asBoolean())
                .as("two people: the owner publishes")
                .isFalse();
        assertThat(plan.path("setUpSeconds").asInt())
                .isGreaterThanOrEqualTo(plan.path("leastSetUpSeconds").asInt());
        assertThat(blocks(b -> b.of(red)).stream()
                        .mapToInt(b -> b.node().path("pieces").asInt())
                        .sum())
                .isGreaterThanOrEqualTo(12);
        // No batch of a day takes longer than the maker is there.
        for (JsonNode maker : board().path("makers")) {
            for (JsonNode day : maker.path("days")) {
                assertThat(day.path("usedSeconds").asInt())
                        .isLessThanOrEqualTo(day.path("openSeconds").asInt());
            }
        }
        assertThat(ask("/api/workplan?published=true")
                        .body()
                        .path("plan")
                        .path("id")
                        .asLong())
                .isZero();
        assertThat(send("Bram", HttpMethod.POST, "/api/workplan/publish", "{\"plan\": %d}".formatted(head()))
                        .status())
                .isEqualTo(403);
        assertThat(act("publish", "\"x\": 0").status()).isEqualTo(204);
        assertThat(board().path("plan").path("published").asBoolean()).isTrue();
        assertThat(ask("/api/workplan?published=true")
                        .body()
                        .path("plan")
                        .path("id")
                        .asLong())
                .isEqualTo(head());
        assertThat(ask("/api/workplan/diff").body().path("pieces").asInt()).isZero();
        assertThat(blocks(b -> b.of(blue))).isNotEmpty();
    }

    @Test
    void batchesAreMovedAndGoBack() throws Exception {
        long red = take("Red", 6, "WPL", 9);
        long before = plan();
        Block block = block(red);
        long other = block.person() == tove ? bram : tove;
        LocalDate day = LocalDate.now().plusDays(4);
        Answer moved =
                act("move", "\"parcels\": %s, \"person\": %d, \"day\": \"%s\"".formatted(block.parcels(), other, day));
        assertThat(moved.status()).as(moved.text()).isEqualTo(200);
        // Nothing comes before it on that line, so that it is pinned to be tied on that day.
        assertThat(block(red).person()).isEqualTo(other);
        assertThat(block(red).day()).isEqualTo(day);
        assertThat(block(red).state()).isEqualTo("PINNED");
        assertThat(board().path("plan").path("act").asString()).isEqualTo("MOVED");
        assertThat(board().path("plan").path("about").path(0).path("count").asInt())
                .isEqualTo(6);
        Answer released = act("release", "\"parcels\": %s".formatted(block(red).parcels()));
        assertThat(released.status()).isEqualTo(200);
        assertThat(block(red).state()).isEqualTo("FREE");
        assertThat(block(red).day()).isBefore(day);
        // Whoever still sees the first plan is told.
        Answer late = tell("/api/workplan/pin", "{\"plan\": %d, \"parcels\": %s}".formatted(before, block.parcels()));
        assertThat(late.status()).isEqualTo(409);
        assertThat(late.body().path("title").asString()).contains("Tove");
        assertThat(act("back", "\"x\": 0").status()).isEqualTo(200);
        assertThat(block(red).state()).isEqualTo("PINNED");
        assertThat(send("Bram", HttpMethod.POST, "/api/workplan/back", "{\"plan\": %d}".formatted(head()))
                        .status())
                .as("makers take back what they did themselves")
                .isEqualTo(409);
        assertThat(act("back", "\"x\": 0").status()).isEqualTo(200);
        assertThat(head()).isEqualTo(before);
        assertThat(act("back", "\"x\": 0").status()).isEqualTo(409);
    }

    @Test
    void aDayThatIsFullRefusesWithItsFigures() throws Exception {
        long red = take("Red", 6, "WPL", 9);
        calendar(
                "Bram",
                "{\"day\": \"%s\", \"minutes\": 30}".formatted(LocalDate.now().plusDays(3)));
        plan();
        Answer full = act(
                "pin",
                "\"parcels\": %s, \"person\": %d, \"day\": \"%s\""
                        .formatted(block(red).parcels(), bram, LocalDate.now().plusDays(3)));
        assertThat(full.status()).isEqualTo(422);
        assertThat(full.field("day").path("message").asString()).contains("the day has 30 min left");
        assertThat(act("pin", "\"parcels\": [1]").field("parcels").path("code").asString())
                .isEqualTo("plan.nothingWaits");
        assertThat(act(
                                "move",
                                "\"parcels\": %s, \"person\": 99999"
                                        .formatted(block(red).parcels()))
                        .field("person")
                        .path("code")
                        .asString())
                .isEqualTo("plan.notAtTheBench");
    }

    @Test
    void batchesAreSplitMergedAndLocked() throws Exception {
        long red = take("Red", 9, "WPL", 9);
        plan();
        int whole = blocks(b -> b.of(red)).size();
        Block block = block(red);
        int pieces = block.node().path("pieces").asInt();
        assertThat(act("split", "\"parcels\": %s, \"count\": %d".formatted(block.parcels(), pieces))
                        .status())
                .isEqualTo(422);
        assertThat(act("split", "\"parcels\": %s, \"count\": 2".formatted(block.parcels()))
                        .status())
                .isEqualTo(200);
        List<Block> parted = blocks(b -> b.of(red) && b.day().equals(block.day()) && b.person() == block.person());
        assertThat(parted).hasSize(2);
        assertThat(parted.get(0).node().path("pieces").asInt()).isEqualTo(2);
        assertThat(act(
                                "merge",
                                "\"parcels\": %s, \"with\": %s"
                                        .formatted(
                                                parted.get(0).parcels(),
                                                parted.get(1).parcels()))
                        .status())
                .isEqualTo(200);
        assertThat(blocks(b -> b.of(red))).hasSize(whole);
        Answer locked = act(
                "lock-day", "\"day\": \"%s\", \"person\": %d, \"locked\": true".formatted(block.day(), block.person()));
        assertThat(locked.status()).as(locked.text()).isEqualTo(200);
        assertThat(block(red).state()).isEqualTo("PINNED");
        plan();
        assertThat(blocks(b -> b.of(red) && b.day().equals(block.day()) && b.person() == block.person()))
                .as("a new plan keeps what is pinned")
                .allSatisfy(b -> assertThat(b.state()).isEqualTo("PINNED"))
                .isNotEmpty();
        assertThat(act("lock-day", "\"day\": \"%s\", \"locked\": false".formatted(block.day()))
                        .status())
                .isEqualTo(200);
        assertThat(blocks(b -> b.state().equals("PINNED"))).isEmpty();
    }

    @Test
    void whyItStandsThereIsTrueToTheSecond() throws Exception {
        long red = take("Red", 10, "WPL", 2);
        long blue = take("Blue", 10, "WPM", 2);
        take("Green", 6, "WPL", 3);
        plan();
        int asked = 0;
        for (Block block : blocks(b -> b.of(red) || b.of(blue))) {
            JsonNode plan = board().path("plan");
            JsonNode why = ask("/api/workplan/reason?plan=" + head() + "&parcels="
                            + block.parcels().stream().map(String::valueOf).collect(Collectors.joining(",")))
                    .body();
            assertThat(why.path("fromNothingSeconds").asInt()).isGreaterThanOrEqualTo(810);
            JsonNode elsewhere = why.path("elsewhere");
            if (!elsewhere.isObject()) {
                continue;
            }
            asked++;
            String before = elsewhere.hasNonNull("before")
                    ? ", \"before\": " + elsewhere.path("before").asLong()
                    : "";
            assertThat(act(
                                    "move",
                                    "\"parcels\": %s, \"person\": %d%s"
                                            .formatted(
                                                    block.parcels(),
                                                    elsewhere.path("person").asLong(),
                                                    before))
                            .status())
                    .isEqualTo(200);
            JsonNode moved = board().path("plan");
            assertThat(moved.path("lateDays").asInt())
                    .isEqualTo(plan.path("lateDays").asInt()
                            + elsewhere.path("lateDays").asInt());
            assertThat(moved.path("lateOrders").asInt())
                    .isEqualTo(plan.path("lateOrders").asInt()
                            + elsewhere.path("lateOrders").asInt());
            assertThat(effort(moved))
                    .isEqualTo(effort(plan) + elsewhere.path("effortSeconds").asLong());
            assertThat(act("back", "\"x\": 0").status()).isEqualTo(200);
        }
        assertThat(asked).isPositive();
    }

    private long effort(JsonNode plan) {
        return jdbc.sql("select effort from work_plan where id = ?")
                .param(plan.path("id").asLong())
                .query(Long.class)
                .single();
    }

    @Test
    void aBatchIsTakenAndStaysWhereItIs() throws Exception {
        long red = take("Red", 5, "WPL", 9);
        plan();
        Block block = block(red);
        Answer taken = act("take", "\"parcels\": %s".formatted(block.parcels()));
        assertThat(taken.status()).as(taken.text()).isEqualTo(201);
        long batch = taken.body().path("id").asLong();
        assertThat(jdbc.sql("select count(*) from piece where batch_id = ?")
                        .param(batch)
                        .query(Long.class)
                        .single())
                .isEqualTo(block.node().path("pieces").asLong());
        assertThat(block(red).state()).isEqualTo("PINNED");
        assertThat(block(red).day()).isEqualTo(block.day());
        assertThat(block(red).person()).isEqualTo(block.person());
        assertThat(block(red).node().path("batch").asLong()).isEqualTo(batch);
        assertThat(act("take", "\"parcels\": %s".formatted(block(red).parcels()))
                        .status())
                .isEqualTo(422);
        settled();
        assertThat(board().path("plan").path("act").asString())
                .as("nothing had to be mended")
                .isEqualTo("TAKEN");
    }

    @Test
    void theSecondWhoPlansIsTold() throws Exception {
        take("Red", 5, "WPL", 9);
        jdbc.sql("""
                        insert into job (kind, subject, asked_by, asked_at, state, done, whole)
                        values ('plan-days', 'house', 'Bram', now(), 'RUNNING', 1, 4)
                        """).update();
        try {
            Answer second = tell("/api/workplan", "{\"better\": false}");
            assertThat(second.status()).isEqualTo(409);
            assertThat(second.body().path("title").asString()).isEqualTo("Bram is making a plan");
            assertThat(board().path("whoPlans").asString()).isEqualTo("Bram");
            assertThat(board().path("share").asDouble()).isEqualTo(0.25);
        } finally {
            jdbc.sql("delete from job where asked_by = 'Bram' and kind = 'plan-days'")
                    .update();
        }
    }

    @Test
    void twoWhoActAtOnceDoNotBothAct() throws Exception {
        long red = take("Red", 5, "WPL", 9);
        plan();
        String pin =
                "{\"plan\": %d, \"parcels\": %s}".formatted(head(), block(red).parcels());
        List<CompletableFuture<Integer>> both = LongStream.range(0, 2)
                .mapToObj(i -> CompletableFuture.supplyAsync(() -> {
                    try {
                        return tell("/api/workplan/pin", pin).status();
                    } catch (Exception e) {
                        throw new IllegalStateException(e);
                    }
                }))
                .toList();
        assertThat(both.stream().map(CompletableFuture::join)).containsExactlyInAnyOrder(200, 409);
    }

    private Set<String> happened() throws Exception {
        Set<String> what = new HashSet<>();
        board().path("plan")
                .path("about")
                .forEach(h -> what.add(
                        h.path("what").asString() + " " + h.path("name").asString()));
        return what;
    }

    @Test
    void thePlanMendsItselfWhenLifeHappens() throws Exception {
        long red = take("Red", 8, "WPL", 4);
        long blue = take("Blue", 8, "WPM", 4);
        plan();
        assertThat(act("publish", "\"x\": 0").status()).isEqualTo(204);
        Block pinned = block(red);
        assertThat(act("pin", "\"parcels\": %s".formatted(pinned.parcels())).status())
                .isEqualTo(200);
        // Away on the day of the pin: it is let go, and all of it goes elsewhere.
        String name = pinned.person() == tove ? "Tove" : "Bram";
        calendar(name, "{\"day\": \"%s\", \"minutes\": 0}".formatted(pinned.day()));
        settled();
        assertThat(board().path("plan").path("act").asString()).isEqualTo("MENDED");
        assertThat(happened()).contains("UNPINNED ");
        if (pinned.day().isAfter(LocalDate.now())) {
            assertThat(happened()).contains("CALENDAR " + name);
        }
        assertThat(blocks(b -> b.person() == pinned.person() && b.day().equals(pinned.day())))
                .isEmpty();
        assertThat(ask("/api/workplan/diff").body().path("pieces").asInt()).isPositive();
        // A new order that is wanted at once, and one that is given up.
        long urgent = take("Urgent", 4, "WPL", 1);
        settled();
        assertThat(happened()).anyMatch(h -> h.startsWith("NEW_ORDER"));
        assertThat(blocks(b -> b.of(urgent))).isNotEmpty();
        assertThat(tell("/api/orders/" + blue + "/acts/CANCEL", "").status()).isEqualTo(204);
        settled();
        assertThat(happened()).anyMatch(h -> h.startsWith("GONE_ORDER"));
        assertThat(blocks(b -> b.of(blue))).isEmpty();
        // It must be in time before others, which is a change of its weight.
        assertThat(send(HttpMethod.PUT, "/api/orders/" + red + "/must", "{\"must\": true}")
                        .status())
                .isEqualTo(204);
        settled();
        assertThat(happened()).anyMatch(h -> h.startsWith("CHANGED_ORDER"));
        long before = head();
        settled();
        assertThat(head()).as("nothing happened, nothing is mended").isEqualTo(before);
    }

    @Test
    void orderedCordIsWaitedForAndWhatNeverComesIsNamed() throws Exception {
        if (jdbc.sql("select count(*) from article where code = 'WPN'")
                        .query(Long.class)
                        .single()
                == 0) {
            addCord("WPN", "#5E9A73", "2 mm");
        }
        long green = take("Green", 4, "WPN", 9);
        plan();
        assertThat(blocks(b -> b.of(green))).isEmpty();
        JsonNode left = all("/api/workplan/orders?", "rows").get(0);
        assertThat(left.path("order").asLong()).isEqualTo(green);
        assertThat(left.path("leftOut").asString()).isEqualTo("NO_CORD");
        long article = jdbc.sql("select id from article where code = 'WPN'")
                .query(Long.class)
                .single();
        LocalDate day = LocalDate.now().plusDays(5);
        long purchase = jdbc.sql("""
                        insert into purchase (supplier_id, at, who, expected_on) select min(id), now(), 'Tove', ? from supplier returning id
                        """).param(day).query(Long.class).single();
        jdbc.sql("""
                        insert into purchase_line (purchase_id, article_id, quantity, price, code, count)
                        values (?, ?, 400000000, 5, 'x', 1)
                        """).params(purchase, article).update();
        assertThat(send(
                                HttpMethod.PUT,
                                "/api/stock/purchases/" + purchase + "/expected",
                                "{\"day\": \"%s\"}".formatted(day))
                        .status())
                .isEqualTo(204);
        settled();
        assertThat(happened()).anyMatch(h -> h.startsWith("CORD_SOONER"));
        assertThat(block(green).day()).isEqualTo(day);
        LocalDate later = day.plusDays(2);
        assertThat(send(
                                HttpMethod.PUT,
                                "/api/stock/purchases/" + purchase + "/expected",
                                "{\"day\": \"%s\"}".formatted(later))
                        .status())
                .isEqualTo(204);
        settled();
        assertThat(happened()).anyMatch(h -> h.startsWith("CORD_LATER"));
        assertThat(block(green).day()).isEqualTo(later);
        jdbc.sql("update purchase set closed_at = now(), closed_by = 'Tove' where id = ?")
                .param(purchase)
                .update();
    }

    @Test
    void aLateOrderSaysWhatWouldRescueIt() throws Exception {
        long first = take("Urgent", 6, "WPL", 0);
        take("Other", 30, "WPM", 1);
        plan();
        List<JsonNode> troubled = all("/api/workplan/orders?", "rows");
        assertThat(troubled).isNotEmpty();
        double last = 1;
        for (JsonNode order : troubled) {
            assertThat(order.path("lateChance").asDouble()).isBetween(0.1, last);
            last = order.path("lateChance").asDouble();
            JsonNode rescue = ask("/api/workplan/orders/" + order.path("order").asLong() + "/rescue")
                    .body();
            if (rescue.path("overtime").isObject()) {
                JsonNode overtime = rescue.path("overtime");
                assertThat(tell(
                                        "/api/people/" + overtime.path("person").asLong() + "/calendar/longer",
                                        "{\"day\": \"%s\", \"minutes\": %d}"
                                                .formatted(
                                                        overtime.path("day").asString(),
                                                        overtime.path("minutes").asInt()))
                                .status())
                        .isEqualTo(200);
                settled();
            }
        }
        assertThat(ask("/api/workplan/orders/" + first + "/rescue").status()).isEqualTo(200);
        assertThat(tell("/api/workplan/orders/" + first + "/first", "{\"plan\": %d}".formatted(head()))
                        .status())
                .isIn(200, 422);
        assertThat(ask("/api/workplan/orders/99999999/rescue").status()).isEqualTo(404);
    }

    @Test
    void rulesSayWhatIsWrongWithThem() throws Exception {
        Answer refused = keep("/api/workplan/rules", """
                {"planning": true, "wholePieces": false, "keepFreePercent": 60, "familySeconds": -1, "jigSeconds": 240,
                 "spoolSeconds": 90, "cutSeconds": 0, "checkSeconds": 0, "packSeconds": 0}
                """);
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.field("keepFreePercent").path("message").asString()).contains("60");
        assertThat(refused.field("familySeconds").path("remedy").asString()).contains("86,400");
        assertThat(send(HttpMethod.PUT, "/api/workplan/rules", """
                {"planning": false, "wholePieces": false, "keepFreePercent": 5, "familySeconds": 1, "jigSeconds": 240,
                 "spoolSeconds": 90, "cutSeconds": 0, "checkSeconds": 0, "packSeconds": 0, "revision": -1}
                """).status()).isEqualTo(409);
        rules(", \"publishes\": true");
        take("Red", 3, "WPL", 9);
        plan();
        assertThat(board().path("plan").path("published").asBoolean()).isTrue();
    }

    @Test
    void whoeverTiesNoSnakesGetsNone() throws Exception {
        long red = take("Red", 8, "WPL", 9);
        assertThat(keep(
                                "/api/people/" + bram + "/calendar",
                                "{\"week\": {%s}, \"days\": [], \"families\": [\"BRAID\"]}".formatted(EVERY_DAY))
                        .status())
                .isEqualTo(200);
        plan();
        assertThat(blocks(b -> b.of(red)))
                .allSatisfy(b -> assertThat(b.person()).isEqualTo(tove));
        Answer refused = act(
                "pin",
                "\"parcels\": %s, \"person\": %d, \"day\": \"%s\""
                        .formatted(block(red).parcels(), bram, LocalDate.now().plusDays(1)));
        assertThat(refused.field("day").path("code").asString()).isEqualTo("plan.notTied");
        // Nobody ties them: then they are named.
        assertThat(keep(
                                "/api/people/" + tove + "/calendar",
                                "{\"week\": {%s}, \"days\": [], \"families\": [\"WEAVE\"]}".formatted(EVERY_DAY))
                        .status())
                .isEqualTo(200);
        plan();
        assertThat(all("/api/workplan/orders?", "rows").get(0).path("leftOut").asString())
                .isEqualTo("NOBODY_TIES");
    }
}
