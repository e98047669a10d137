package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.app.costs.Verification;
import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.ApplicationContext;
import org.springframework.http.HttpMethod;
import org.springframework.test.util.ReflectionTestUtils;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** What the house settles for everybody, changed by one and by two at once. */
class SettingsTest extends RestisTest {

    private static final int AT_ONCE = 6;

    @Autowired
    private ApplicationContext context;

    /** Where a setting is kept, and the same as it stands, typed again. */
    static List<Arguments> settings() {
        return List.of(
                Arguments.of("/api/house", "{'name': 'Ullin Bench', 'currency': 'EUR', 'zone': 'Europe/Copenhagen'}"),
                Arguments.of("/api/measures/policies", "{'policy': 'BY_COST'}"),
                Arguments.of(
                        "/api/people/1/calendar",
                        "{'week': {'MONDAY': 180, 'TUESDAY': 180, 'WEDNESDAY': 180, 'THURSDAY': 180, 'FRIDAY': 180}, 'days': []}"),
                Arguments.of(
                        "/api/orders/price-rules",
                        "{'labourPerHour': '14', 'marginPercent': '35', 'feePercent': '0', 'feePerPiece': '0', 'step': '0.5', "
                                + "'taxPercent': '0', 'taxIncluded': true, 'breaks': [{'from': 5, 'percentOff': '6'}], "
                                + "'validDays': 14}"),
                Arguments.of(
                        "/api/measures/sizes",
                        "{'sizes': [{'name': 'M', 'wrist': '16 cm', 'hand': '20 cm'}], "
                                + "'eases': {'SNUG': '5 mm', 'COMFORTABLE': '12 mm', 'LOOSE': '22 mm'}, 'units': 'METRIC'}"),
                Arguments.of(
                        "/api/cut/weights",
                        "{'leftoverPercent': 80, 'handling': '0.01', 'ageing': '0.02', 'seconds': 0}"));
    }

    @ParameterizedTest
    @MethodSource("settings")
    void ofSeveralWhoChangeWhatTheySawOneIsHeardAndAllOthersAreTold(String path, String typed) throws Exception {
        Answer before = ask(path);
        int seen = before.body().path("revision").asInt();
        String body = typed.replace('\'', '"').replaceFirst("}$", ", \"revision\": " + seen + "}");
        List<Answer> answers = atOnce(Collections.nCopies(AT_ONCE, () -> send(HttpMethod.PUT, path, body)));
        try {
            assertThat(answers.stream().filter(a -> a.status() == 200))
                    .as(answers.toString())
                    .hasSize(1)
                    .allMatch(a -> a.body().path("revision").asInt() == seen + 1);
            assertThat(answers.stream().filter(a -> a.status() != 200))
                    .allMatch(a -> a.status() == 409
                            && a.body().path("code").asString().equals("changedMeanwhile"));
            assertThat(ask(path).body().path("revision").asInt()).isEqualTo(seen + 1);
            Answer late = send(HttpMethod.PUT, path, body);
            assertThat(late.status()).isEqualTo(409);
            assertThat(late.body().path("detail").asString()).contains("Reload");
        } finally {
            restore(path, before.body());
        }
    }

    @Test
    void aHouseKeepsItsNameItsCurrencyAndItsDays() throws Exception {
        JsonNode before = ask("/api/house").body();
        try {
            assertThat(keep("/api/house", house("Ullin & Co", "sek", "Pacific/Kiritimati"))
                            .status())
                    .isEqualTo(200);
            JsonNode session = ask("/api/session").body();
            assertThat(session.path("workshop").asString()).isEqualTo("Ullin & Co");
            assertThat(session.path("currency").asString()).isEqualTo("SEK");
            assertThat(session.path("zone").asString()).isEqualTo("Pacific/Kiritimati");
        } finally {
            restore("/api/house", before);
        }
    }

    /** At any moment it is another day 14 hours east of Greenwich than 11 hours west of it. */
    @Test
    void todayIsTheDayWhereTheHouseIs() throws Exception {
        JsonNode before = ask("/api/house").body();
        try {
            keep("/api/house", house("Ullin Bench", "EUR", "Pacific/Kiritimati"));
            String east = tomorrow();
            keep("/api/house", house("Ullin Bench", "EUR", "Pacific/Pago_Pago"));
            assertThat(tomorrow()).isLessThan(east);
        } finally {
            restore("/api/house", before);
        }
    }

    /** What was summed by the days of before is summed by the days of now, and verify finds nothing. */
    @Test
    void withAnotherZoneWhatWasSummedByDaysIsSummedAgain() throws Exception {
        JsonNode before = ask("/api/house").body();
        try {
            summed();
            assertThat(jdbc.sql("select count(*) from cut_list where summed")
                            .query(Long.class)
                            .single())
                    .isPositive();
            keep("/api/house", house("Ullin Bench", "EUR", "Pacific/Kiritimati"));
            assertThat(new Verification(jdbc).differences()).isEmpty();
            summed();
            assertThat(new Verification(jdbc).differences()).isEmpty();
            assertThat(jdbc.sql("""
                                    select count(*) from cut_list c where c.summed and not exists (
                                        select 1 from cut_waste w where w.cut_list_id = c.id)
                                    """).query(Long.class).single()).isZero();
            assertThat(keep("/api/house", house("Ullin Bench", "EUR", "SystemV/PST8PDT"))
                            .field("zone")
                            .path("code")
                            .asString())
                    .as("browsers and the database know no such zone")
                    .isEqualTo("zone.unknown");
        } finally {
            restore("/api/house", before);
        }
    }

    private void summed() {
        for (String by : List.of("cutWasteSums", "usageDays")) {
            ReflectionTestUtils.invokeMethod(context.getBean(by), "sum");
        }
    }

    @Test
    void aHouseThatCannotBeIsRefusedByField() throws Exception {
        Answer refused = keep("/api/house", house(" ", "shells", "Mars/Olympus"));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.field("name").path("code").asString()).isEqualTo("missing");
        assertThat(refused.field("currency").path("remedy").asString()).contains("EUR");
        assertThat(refused.field("zone").path("message").asString()).contains("Mars/Olympus");
    }

    private String tomorrow() throws Exception {
        return tell("/api/orders/read", "{\"text\": \"snake m by tomorrow\", \"units\": \"METRIC\"}")
                .body()
                .path("due")
                .asString();
    }

    private static String house(String name, String currency, String zone) {
        return "{\"name\": \"" + name + "\", \"currency\": \"" + currency + "\", \"zone\": \"" + zone + "\"}";
    }

    /** As it was, for the tests that come after. */
    private void restore(String path, JsonNode before) throws Exception {
        ObjectNode typed = (ObjectNode) before.deepCopy();
        switch (path) {
            case "/api/measures/policies" -> typed.put("policy", "BY_COST");
            case "/api/orders/price-rules" -> {
                typed.setAll((ObjectNode) before.path("price"));
            }
            case "/api/measures/sizes" -> typed = sizes(before);
            case "/api/cut/weights" ->
                typed = (ObjectNode) before.path("weights").deepCopy();
            default -> {}
        }
        assertThat(keep(path, typed.toString()).status()).isEqualTo(200);
    }

    private static ObjectNode sizes(JsonNode view) {
        ObjectNode typed = (ObjectNode) view.deepCopy();
        for (JsonNode size : typed.path("sizes")) {
            ((ObjectNode) size).put("wrist", mm(size.path("wristUm"))).put("hand", mm(size.path("handUm")));
        }
        ObjectNode eases = typed.objectNode();
        view.path("eases").forEach(e -> eases.put(e.path("ease").asString(), mm(e.path("um"))));
        typed.set("eases", eases);
        return typed.put("units", "METRIC");
    }

    private static String mm(JsonNode um) {
        return um.asLong() / 1000.0 + " mm";
    }

    @Test
    void howSomebodyWorksIsTheirOwnAndGoesWithThem() throws Exception {
        try {
            assertThat(send(HttpMethod.PUT, "/api/session/habits", """
                            {"hand": "LEFT", "language": "NL", "units": "IMPERIAL"}
                            """).status())
                    .isEqualTo(204);
            assertThat(ask("/api/session").body().path("habits"))
                    .isEqualTo(JsonMapper.builder().build().readTree("""
                            {"hand": "LEFT", "language": "nl", "units": "IMPERIAL"}
                            """));
            assertThat(jdbc.sql("select hand || ' ' || units from person where name = 'Bram'")
                            .query(String.class)
                            .single())
                    .as("another's")
                    .isEqualTo("RIGHT METRIC");
            assertThat(send(HttpMethod.PUT, "/api/session/habits", """
                            {"hand": "LEFT", "language": "no such tongue", "units": "METRIC"}
                            """).field("language"))
                    .isNotNull();
            assertThat(ask("/api/session").body().path("habits").path("units").asString())
                    .isEqualTo("IMPERIAL");
        } finally {
            send(HttpMethod.PUT, "/api/session/habits", """
                    {"hand": "RIGHT", "language": "", "units": "METRIC"}
                    """);
        }
    }
}
