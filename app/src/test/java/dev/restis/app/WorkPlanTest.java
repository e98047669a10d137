package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpMethod;
import tools.jackson.databind.JsonNode;

/** What hands do with the plan. */
class WorkPlanTest extends PlanningHouse {
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
}
