package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpMethod;
import tools.jackson.databind.JsonNode;

/** Days that are promised from the plan, and how sure they are. */
class PlannedDaysTest extends PlanningHouse {

    private JsonNode tried(int pieces, int days) throws Exception {
        Answer tried =
                tell("/api/orders/trial", """
                {"choices": {"pattern": "snake", "wrist": "16 cm", "colours": ["WPL", "WPL"], "units": "METRIC"},
                 "quantity": %d, "matching": false, "due": "%s"}
                """.formatted(pieces, LocalDate.now().plusDays(days)));
        assertThat(tried.status()).as(tried.text()).isEqualTo(200);
        return tried.body().path("promise");
    }

    @Test
    void aDayIsQuotedFromThePlanWithItsChances() throws Exception {
        take("Red", 10, "WPL", 9);
        plan();
        JsonNode few = tried(2, 20);
        assertThat(few.path("planned").asBoolean()).isTrue();
        assertThat(few.path("verdict").asString()).isEqualTo("GOOD");
        LocalDate even = LocalDate.parse(few.path("inTurn").asString());
        LocalDate sure = LocalDate.parse(few.path("last").asString());
        assertThat(even).isBetween(LocalDate.now(), LocalDate.now().plusDays(3));
        assertThat(sure).isAfterOrEqualTo(even);
        JsonNode many = tried(120, 2);
        assertThat(LocalDate.parse(many.path("last").asString())).isAfter(sure);
        assertThat(many.path("verdict").asString()).isEqualTo("NO");
        // Nobody is moved for somebody who only asks.
        assertThat(blocks(b -> true)).isNotEmpty();
        assertThat(board().path("plan").path("act").asString()).isEqualTo("PLANNED");
    }

    @Test
    void withoutAPlanDaysComeFromMinutes() throws Exception {
        assertThat(tried(2, 20).path("planned").asBoolean()).isFalse();
    }

    @Test
    void aPromiseIsKeptWithItsDayAndMovedOnlyWithAReason() throws Exception {
        long red = take("Red", 4, "WPL", 9);
        plan();
        String path = "/api/orders/" + red + "/promise";
        LocalDate day = LocalDate.now().plusDays(6);
        assertThat(send("Bram", HttpMethod.PUT, path, "{\"day\": \"%s\"}".formatted(day))
                        .status())
                .isEqualTo(403);
        assertThat(send(
                                HttpMethod.PUT,
                                path,
                                "{\"day\": \"%s\"}".formatted(LocalDate.now().minusDays(1)))
                        .field("day")
                        .path("code")
                        .asString())
                .isEqualTo("promise.day");
        assertThat(send(HttpMethod.PUT, path, "{\"day\": \"%s\"}".formatted(day))
                        .status())
                .isEqualTo(204);
        assertThat(ask("/api/orders/" + red).body().path("promised").asString()).isEqualTo(day.toString());
        assertThat(send(HttpMethod.PUT, path, "{\"day\": \"%s\"}".formatted(day.plusDays(1)))
                        .field("reason")
                        .path("code")
                        .asString())
                .isEqualTo("promise.reason");
        assertThat(send(
                                HttpMethod.PUT,
                                path,
                                "{\"day\": \"%s\", \"reason\": \"Cord came late\"}".formatted(day.plusDays(1)))
                        .status())
                .isEqualTo(204);
        JsonNode last = ask("/api/orders/" + red).body().path("history").path(0);
        assertThat(last.path("what").asString()).isEqualTo("PROMISE_MOVED");
        assertThat(last.path("detail").path("reason").asString()).isEqualTo("Cord came late");
        assertThat(last.path("detail").path("before").asString()).isEqualTo(day.toString());
        // The plan goes by what is promised.
        settled();
        assertThat(happened()).anyMatch(h -> h.startsWith("CHANGED_ORDER"));
    }

    @Test
    void aPromiseThatThePlanCannotKeepIsNamed() throws Exception {
        long red = take("Red", 12, "WPL", 9);
        plan();
        assertThat(send(
                                HttpMethod.PUT,
                                "/api/orders/" + red + "/promise",
                                "{\"day\": \"%s\"}".formatted(LocalDate.now().plusDays(2)))
                        .status())
                .isEqualTo(204);
        settled();
        for (String name : new String[] {"Tove", "Bram"}) {
            calendar(
                    name,
                    "{\"day\": \"%s\", \"minutes\": 0}, {\"day\": \"%s\", \"minutes\": 0}, {\"day\": \"%s\", \"minutes\": 0}"
                            .formatted(
                                    LocalDate.now(),
                                    LocalDate.now().plusDays(1),
                                    LocalDate.now().plusDays(2)));
            settled();
        }
        String reference = ask("/api/orders/" + red).body().path("reference").asString();
        assertThat(happened()).contains("PROMISE_BROKEN " + reference);
        JsonNode row = all("/api/orders?query=" + reference, "rows").get(0);
        assertThat(row.path("lateChance").asDouble()).isGreaterThan(0.9);
    }

    /** Nothing of that family waits yet: a plan knows its makers all the same. */
    @Test
    void theFirstOfAFamilyIsQuotedToo() throws Exception {
        take("Red", 4, "WPL", 9);
        plan();
        Answer tried = tell("/api/orders/trial", """
                {"choices": {"pattern": "square-bar", "wrist": "16 cm", "colours": ["WPL", "WPM"],
                  "parts": {"bead": {"article": "HB9", "count": 1}}, "units": "METRIC"},
                 "quantity": 2, "matching": false, "due": "%s"}
                """.formatted(LocalDate.now().plusDays(20)));
        assertThat(tried.body().path("promise").path("planned").asBoolean())
                .as(tried.text())
                .isTrue();
    }
}
