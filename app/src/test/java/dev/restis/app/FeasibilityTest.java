package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpMethod;
import tools.jackson.databind.JsonNode;

/** What is said at once about an order: other colours, lots, sets, true diameters, and the day it can be ready. */
class FeasibilityTest extends RestisTest {

    /** The three are bought for this test alone, in a material gauge that nothing else has. */
    private void colours(String prefix) throws Exception {
        addCord(prefix + "A", "#AA3344", "1.8 mm");
        addCord(prefix + "B", "#A53A48", "1.8 mm");
        addCord(prefix + "C", "#3355AA", "1.8 mm");
        addCord(prefix + "D", "#AA3344", "1.9 mm");
        receive(prefix + "B", "L1", "50 m", "");
        receive(prefix + "C", "L1", "50 m", "");
        receive(prefix + "D", "L1", "50 m", "");
    }

    @Test
    void aColourThatIsShortIsOfferedTheNearestOfItsGaugeWithTheDifferenceInWords() throws Exception {
        colours("SUB");
        JsonNode stock = check(trial("SUBA", "SUBA", 1, false, ""), "stock", "SUBA");
        assertThat(stock.path("verdict").asString()).isEqualTo("NO");
        List<String> offers = new ArrayList<>();
        stock.path("offers").forEach(o -> {
            assertThat(o.path("change").asString()).isEqualTo("COLOUR");
            assertThat(o.path("slot").asString()).isEqualTo("SUBA");
            offers.add(o.path("value").asString() + " "
                    + o.path("difference").path("degree").asString());
        });
        assertThat(offers).containsExactly("SUBB SLIGHT", "SUBC OTHER");
        assertThat(check(trial("SUBB", "SUBB", 1, false, ""), "stock", "SUBB")
                        .path("verdict")
                        .asString())
                .isEqualTo("GOOD");
    }

    /** Two lots of 4 m: enough for one snake bracelet each, for both only together. */
    @Test
    void aMatchingSetIsOfOneLotOrWaitsAsAWhole() throws Exception {
        addCord("SETA", "#446644", "2 mm");
        receive("SETA", "S-1", "4 m", "");
        receive("SETA", "S-2", "4 m", "");
        JsonNode apart = trial("SETA", "SETA", 2, false, "");
        long needed =
                check(apart, "lot", "SETA").path("lengthsUm").path("needed").asLong();
        assertThat(needed).isBetween(4_000_000L, 8_000_000L);
        assertThat(check(apart, "lot", "SETA").path("verdict").asString()).isEqualTo("TIGHT");
        JsonNode together = trial("SETA", "SETA", 2, true, "");
        assertThat(check(together, "lot.set", "SETA").path("verdict").asString())
                .isEqualTo("NO");

        long order = take("Brisa", "SETA", 2, true);
        long batch = batchOf(order, 2);
        JsonNode waiting = sheet(batch);
        assertThat(waiting.path("waiting").path(0).path("pieces").asInt()).isEqualTo(2);
        receive("SETA", "S-3", "20 m", "");
        JsonNode sheet = sheet(batch);
        assertThat(sheet.path("waiting")).isEmpty();
        assertThat(lots(sheet)).containsExactly("S-3");
    }

    /** The oldest lot would do for the second piece, but the first was cut from the other. */
    @Test
    void aSetThatIsBegunGoesOnWithItsLot() throws Exception {
        addCord("SETB", "#664466", "2 mm");
        receive("SETB", "T-1", "1 m", "");
        receive("SETB", "T-2", "12 m", "");
        long order = take("Corin", "SETB", 2, true);
        long first = batchOf(order, 1);
        assertThat(confirm(sheet(first))).isEqualTo(204);
        receive("SETB", "T-1", "12 m", "");
        JsonNode second = sheet(batchOf(order, 1));
        assertThat(lots(second)).containsExactly("T-2");
    }

    @Test
    void aLotThatMeasuresThickerIsReckonedWith() throws Exception {
        addCord("MEAS", "#556677", "2 mm");
        receive("MEAS", "M-1", "30 m", "");
        long before = needed("MEAS");
        receive("MEAS", "M-2", "30 m", "2.3 mm");
        JsonNode thicker = trial("MEAS", "MEAS", 1, false, "");
        JsonNode measured = check(thicker, "lot.measured", "MEAS");
        assertThat(measured.path("lengthsUm").path("measured").asLong()).isEqualTo(2_300);
        assertThat(needed("MEAS")).isGreaterThan(before);
        long lot = jdbc.sql("select id from lot where code = 'M-2'")
                .query(Long.class)
                .single();
        Answer bad = tell("/api/stock/lots/" + lot + "/measure", measure("20 mm"));
        assertThat(bad.field("measured").path("code").asString()).isEqualTo("length.range");
        assertThat(tell("/api/stock/lots/" + lot + "/measure", measure("")).status())
                .isEqualTo(204);
        assertThat(needed("MEAS")).isEqualTo(before);
        assertThat(tell("/api/stock/lots/987654/measure", measure("2 mm")).status())
                .isEqualTo(404);
    }

    /** A hole of 4.4 mm takes two strands of 2.2 mm (0.9 of it); of 2.3 mm only with tapered ends. */
    @Test
    void theHoleCheckGoesByTheLot() throws Exception {
        addCord("HOLE", "#557755", "2.2 mm");
        receive("HOLE", "H-1", "30 m", "");
        assertThat(hole()).isEqualTo("GOOD");
        receive("HOLE", "H-2", "30 m", "2.4 mm");
        assertThat(hole()).isEqualTo("TIGHT");
    }

    @Test
    void theDayFollowsFromTheOpenMinutesAndTheWorkTakenOn() throws Exception {
        openEveryDay(30);
        // Work of a far day, which all that is wanted sooner may overtake.
        long patient = tell("/api/orders", """
                {"customer": "Patient Taker", "due": "%s", "lines": [{"quantity": 20, "choices": %s}]}
                """.formatted(LocalDate.now().plusYears(2), snake("17 cm")))
                .body()
                .path("id")
                .asLong();
        JsonNode alone = trial("NT2", "OA2", 1, false, "").path("promise");
        assertThat(alone.path("verdict").asString()).isEqualTo("UNKNOWN");
        long work =
                alone.path("workMinutes").asLong() + alone.path("aheadMinutes").asLong();
        LocalDate last = LocalDate.parse(alone.path("last").asString());
        assertThat(last)
                .isBetween(
                        LocalDate.now().plusDays(work / 30 - 1), LocalDate.now().plusDays(work / 30 + 1));

        assertThat(promise(last)).isEqualTo("GOOD");
        assertThat(promise(last.minusDays(1))).isEqualTo("TIGHT");
        assertThat(promise(LocalDate.now())).isEqualTo("NO");
        JsonNode soon = trial(
                        "NT2", "OA2", 1, false, LocalDate.now().plusDays(1).toString())
                .path("promise");
        assertThat(LocalDate.parse(soon.path("inTurn").asString())).isBefore(last);

        long late = take("Late Taker", "NT2", 20, false);
        JsonNode behind = trial("NT2", "OA2", 1, false, "").path("promise");
        assertThat(LocalDate.parse(behind.path("last").asString())).isAfter(last);
        for (long taken : new long[] {patient, late}) {
            assertThat(send(HttpMethod.DELETE, "/api/orders/" + taken, "").status())
                    .isEqualTo(204);
        }
        openEveryDay(0);
        assertThat(trial("NT2", "OA2", 1, false, "")
                        .path("promise")
                        .path("verdict")
                        .asString())
                .isEqualTo("NO");
        openEveryDay(420);
        Answer refused = keep(calendarOf("Tove"), "{\"week\": {\"MONDAY\": -5}, \"days\": []}");
        assertThat(refused.field("week.MONDAY").path("code").asString()).isEqualTo("minutes.range");
    }

    private String promise(LocalDate due) throws Exception {
        return trial("NT2", "OA2", 1, false, due.toString())
                .path("promise")
                .path("verdict")
                .asString();
    }

    private void openEveryDay(int minutes) throws Exception {
        StringBuilder days = new StringBuilder();
        for (java.time.DayOfWeek day : java.time.DayOfWeek.values()) {
            days.append(days.isEmpty() ? "" : ", ").append("\"%s\": %d".formatted(day, minutes));
        }
        assertThat(keep(calendarOf("Tove"), "{\"week\": {" + days + "}, \"days\": []}")
                        .status())
                .isEqualTo(200);
        assertThat(keep(calendarOf("Bram"), "{\"week\": {}, \"days\": []}").status())
                .isEqualTo(200);
    }

    private String calendarOf(String name) {
        return "/api/people/"
                + jdbc.sql("select id from person where name = ?")
                        .param(name)
                        .query(Long.class)
                        .single()
                + "/calendar";
    }

    private String hole() throws Exception {
        String choices = """
                {"pattern": "square-bar", "wrist": "17 cm", "colours": ["HOLE", "HOLE"], "units": "METRIC",
                 "parts": {"bead": {"article": "HB9", "count": 1}}}
                """;
        Answer answer = tell("/api/orders/trial", "{\"quantity\": 1, \"choices\": %s}".formatted(choices));
        return check(answer.body(), "hole", "HB9").path("verdict").asString();
    }

    private long needed(String cord) throws Exception {
        return check(trial(cord, cord, 1, false, ""), "stock", cord)
                .path("lengthsUm")
                .path("needed")
                .asLong();
    }

    private JsonNode trial(String first, String second, int quantity, boolean matching, String due) throws Exception {
        Answer answer = tell("/api/orders/trial", """
                {"quantity": %d, "matching": %s, "due": "%s", "choices":
                 {"pattern": "snake", "wrist": "17 cm", "colours": ["%s", "%s"], "units": "METRIC"}}
                """.formatted(quantity, matching, due, first, second));
        assertThat(answer.body().path("problems")).as(answer.text()).isEmpty();
        return answer.body();
    }

    private static JsonNode check(JsonNode trial, String code, String subject) {
        for (JsonNode check : trial.path("piece").path("checks")) {
            if (check.path("code").asString().equals(code)
                    && check.path("subject").asString().startsWith(subject)) {
                return check;
            }
        }
        throw new AssertionError("no check " + code + " of " + subject + " in "
                + trial.path("piece").path("checks"));
    }

    private long take(String customer, String cord, int quantity, boolean matching) throws Exception {
        return tell("/api/orders", """
                {"customer": "%s", "lines": [{"quantity": %d, "matching": %s, "choices":
                 {"pattern": "snake", "wrist": "17 cm", "colours": ["%s", "%s"], "units": "METRIC"}}]}
                """.formatted(customer, quantity, matching, cord, cord))
                .body()
                .path("id")
                .asLong();
    }

    private static List<String> lots(JsonNode sheet) {
        List<String> lots = new ArrayList<>();
        sheet.path("spools").forEach(s -> lots.add(s.path("lot").asString()));
        return lots.stream().distinct().toList();
    }

    private static String measure(String diameter) {
        return "{\"measured\": \"%s\", \"units\": \"METRIC\"}".formatted(diameter);
    }
}
