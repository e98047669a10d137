package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpMethod;
import tools.jackson.databind.JsonNode;

/** What happens to a plan, what it rests on, and what would help it. */
class PlanMendsTest extends PlanningHouse {
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
        JsonNode unplanned = ask("/api/workplan/unplanned").body().path("setUps");
        assertThat(unplanned).anySatisfy(one -> {
            assertThat(one.path("cords").path(0).path("code").asString()).isEqualTo("WPN");
            assertThat(one.path("pieces").asInt()).isEqualTo(4);
        });
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
        assertThat(board().path("plan").path("leastLateDays").asLong())
                .isLessThanOrEqualTo(board().path("plan").path("lateDays").asLong());
        assertThat(board().path("plan").hasNonNull("leastLateDays")).isTrue();
        List<JsonNode> troubled = all("/api/workplan/orders?", "rows");
        assertThat(troubled).isNotEmpty();
        double last = 1;
        for (JsonNode order : troubled) {
            assertThat(order.path("lateChance").asDouble()).isBetween(0.1, last);
            last = order.path("lateChance").asDouble();
            JsonNode rescue = ask("/api/workplan/orders/" + order.path("order").asLong() + "/rescue")
                    .body();
            for (JsonNode overtime : rescue.path("overtime")) {
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
    void ownStitchesAreCountedToAFamily() throws Exception {
        jdbc.sql("""
                        insert into own_stitch (code, name, strands, cores, use_d, pitch_d, thickness_d, width_d, at, who)
                        values ('wpl-wave', 'Wave of the plan', 2, 0, 3, 2, 1, 2, now(), 'Tove')
                        """).update();
        assertThat(send(HttpMethod.PUT, "/api/measures/families/wpl-wave", "{\"family\": \"WEAVE\"}")
                        .status())
                .isEqualTo(204);
        assertThat(ask("/api/measures/families").text()).contains("\"name\":\"Wave of the plan\",\"family\":\"WEAVE\"");
        assertThat(send(HttpMethod.PUT, "/api/measures/families/none", "{\"family\": \"WEAVE\"}")
                        .status())
                .isEqualTo(404);
        jdbc.sql("delete from own_stitch where code = 'wpl-wave'").update();
    }

    @Test
    void setUpsThatWereTimedCount() throws Exception {
        long red = take("Red", 3, "WPL", 9);
        plan();
        int before = board().path("plan").path("setUpSeconds").asInt();
        String setUp = jdbc.sql("select set_up from order_line where order_id = ?")
                .param(red)
                .query(String.class)
                .single();
        for (long person : new long[] {tove, bram}) {
            jdbc.sql("""
                            insert into bench_set_up (id, key, batch_id, set_up, seconds, at, person_id, who)
                            values (nextval('bench_set_up_number'), gen_random_uuid(), 1, ?, 1620, now(), ?, 'Tove')
                            """).params(setUp, person).update();
        }
        plan();
        // Both were from an empty bench, and took twice the 810 s: with ten as expected (3,240 + 8,100) / (1,620 +
        // 8,100) = 7/6.
        assertThat(board().path("plan").path("setUpSeconds").asInt()).isBetween(before * 7 / 6 - 2, before * 7 / 6 + 2);
    }

    @Test
    void whatWasNotDoneYesterdayIsTodays() throws Exception {
        long red = take("Red", 30, "WPL", 9);
        plan();
        jdbc.sql("update work_plan set from_day = from_day - 1").update();
        jdbc.sql("update plan_parcel set from_day = from_day - 1").update();
        assertThat(blocks(b -> b.of(red)).stream()
                        .mapToInt(b -> b.node().path("pieces").asInt())
                        .sum())
                .as("some of it was yesterday's")
                .isLessThan(30);
        // Somebody does something with an order; the hours would do the same.
        assertThat(send(HttpMethod.PUT, "/api/orders/" + red + "/must", "{\"must\": true}")
                        .status())
                .isEqualTo(204);
        settled();
        assertThat(happened()).contains("DAY ");
        assertThat(blocks(b -> b.of(red)).stream()
                        .mapToInt(b -> b.node().path("pieces").asInt())
                        .sum())
                .isEqualTo(30);
    }

    @Test
    void aSetOfOneHandIsNotSharedOut() throws Exception {
        long red = take("Red", 50, "WPL", 1);
        plan();
        assertThat(blocks(b -> b.of(red)).stream().map(b -> b.person()).distinct())
                .hasSize(2);
        long line = ask("/api/orders/" + red)
                .body()
                .path("lines")
                .path(0)
                .path("id")
                .asLong();
        String path = "/api/orders/" + red + "/lines/" + line + "/one-hand";
        assertThat(send(HttpMethod.PUT, path, "{\"oneHand\": true}").status()).isEqualTo(204);
        assertThat(ask("/api/orders/" + red)
                        .body()
                        .path("lines")
                        .path(0)
                        .path("oneHand")
                        .asBoolean())
                .isTrue();
        plan();
        assertThat(blocks(b -> b.of(red)).stream().map(b -> b.person()).distinct())
                .hasSize(1);
        assertThat(send(HttpMethod.PUT, "/api/orders/" + red + "/lines/999999/one-hand", "{\"oneHand\": true}")
                        .status())
                .isEqualTo(404);
    }

    @Test
    void whereNobodyIsAtTheBenchNothingIsPlannedAndThatIsSaid() throws Exception {
        long red = take("Red", 3, "WPL", 9);
        for (long person : new long[] {tove, bram}) {
            assertThat(keep("/api/people/" + person + "/calendar", "{\"week\": {}, \"days\": []}")
                            .status())
                    .isEqualTo(200);
        }
        plan();
        assertThat(board().path("makers")).isEmpty();
        JsonNode left = all("/api/workplan/orders?", "rows").get(0);
        assertThat(left.path("order").asLong()).isEqualTo(red);
        assertThat(left.path("leftOut").asString()).isEqualTo("NOBODY_TIES");
    }
}
