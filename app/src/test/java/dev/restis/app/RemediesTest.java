package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What is offered with a check that is not good, and that taking it up mends the check. */
class RemediesTest extends RestisTest {

    /** Six runs of 3 mm nylon worked at 2.76, hitched, lie 18.22 mm wide on a bar of 16; four lie 12.14 mm wide. */
    @Test
    void aBandTooWideForItsBuckleIsOfferedFewerRunsOrAWiderBuckle() throws Exception {
        String choices = """
                {"pattern": "%s", "wrist": "17 cm", "colours": ["PI3", "EM3"], "units": "METRIC",
                 "parts": {"buckle": {"article": "%s"}}}
                """;
        JsonNode bar = check(choices.formatted("figure-eight-6", "BK16"), "bar");
        assertThat(bar.path("verdict").asString()).isEqualTo("TIGHT");
        assertThat(offers(bar)).containsExactly("PATTERN figure-eight-4", "PART BK25");
        assertThat(verdict(choices.formatted("figure-eight-4", "BK16"), "bar")).isEqualTo("GOOD");
        assertThat(verdict(choices.formatted("figure-eight-6", "BK25"), "bar")).isEqualTo("GOOD");
    }

    /** Two strands of 2.5 mm solid braid make 4.5 mm: 1.02 of a hole of 4.4 mm. */
    @Test
    void aTightHoleIsOfferedTaperedEndsWhichAreThenThreadedFirst() throws Exception {
        String choices = """
                {"pattern": "square-bar", "wrist": "17 cm", "colours": ["HE25", "OA25"], "units": "METRIC",
                 "parts": {"bead": {"article": "HB9", "count": 1}}%s}
                """;
        JsonNode hole = check(choices.formatted(""), "hole");
        assertThat(hole.path("verdict").asString()).isEqualTo("TIGHT");
        assertThat(offers(hole)).startsWith("TAPER ");
        JsonNode tapered = piece(choices.formatted(", \"tapered\": true"));
        assertThat(tapered.path("checks").toString()).contains("hole.tapered").doesNotContain("TIGHT");
        assertThat(tapered.path("threading").path(0).path("code").asString()).isEqualTo("thread.taper");
    }

    @Test
    void aBandThatComesOutTooTightIsOfferedALooserFit() throws Exception {
        String choices = """
                {"pattern": "elastic-beads", "wrist": "14 cm", "hand": "22.5 cm", "ease": "%s", "colours": ["CL1"],
                 "parts": {"bead": {"article": "GL8"}, "cover bead": {"article": "CB10"}}, "units": "METRIC"}
                """;
        JsonNode stretches = check(choices.formatted("SNUG"), "stretches");
        assertThat(stretches.path("verdict").asString()).isEqualTo("TIGHT");
        assertThat(offers(stretches)).contains("EASE LOOSE");
        assertThat(verdict(choices.formatted("LOOSE"), "stretches")).isEqualTo("GOOD");
    }

    @Test
    void whoWearsItIsCheckedKeptAndReadFromFiles() throws Exception {
        String choices = """
                {"pattern": "neck-plain", "length": "90 cm", "colours": ["NT2", "OA2"], "units": "METRIC", "wearer": "%s",
                 "parts": {"breakaway": {"article": "BA7"}, "clip": {"article": "SC12"}}}
                """;
        assertThat(verdict(choices.formatted("ADULT"), "wearer.neck")).isEqualTo("GOOD");
        assertThat(verdict(choices.formatted("CHILD"), "wearer.neck")).isEqualTo("TIGHT");
        assertThat(verdict(choices.formatted("under three"), "wearer.neck")).isEqualTo("NO");
        Answer unknown = tell("/api/patterns/work-out", asked(choices.formatted("cat")));
        assertThat(unknown.body().path("problems").toString()).contains("wearer");
        long order = tell("/api/orders", order("Wende", 1, choices.formatted("CHILD")))
                .body()
                .path("id")
                .asLong();
        assertThat(ask("/api/orders/" + order).text()).contains("wearer.neck");
    }

    /** A cord in two lots: neither has enough for all pieces, though together they do. */
    @Test
    void piecesThatMustComeFromSeveralLotsAreTold() throws Exception {
        addCord("RML", "#6F4A2F", "2 mm");
        receive("RML", "RML-1", "20 m", "");
        receive("RML", "RML-2", "20 m", "");
        JsonNode article = found(
                ask("/api/stock/articles").body(),
                a -> a.path("code").asString().equals("RML"));
        String choices = """
                {"pattern": "square-bar", "wrist": "17 cm", "colours": ["%s", "%s"], "units": "METRIC"}
                """.formatted(
                        article.path("code").asString(), article.path("code").asString());
        JsonNode one = check(choices, "stock");
        long each = one.path("lengthsUm").path("needed").asLong();
        int all = (int) (article.path("onHand").asLong() / each);
        Answer many = tell("/api/patterns/work-out", "{\"quantity\": %d, \"choices\": %s}".formatted(all, choices));
        JsonNode lot = found(
                many.body().path("piece").path("checks"),
                c -> c.path("code").asString().equals("lot"));
        assertThat(lot.path("verdict").asString()).isEqualTo("TIGHT");
    }

    private static String asked(String choices) {
        return "{\"quantity\": 1, \"choices\": " + choices + "}";
    }

    private JsonNode piece(String choices) throws Exception {
        Answer answer = tell("/api/patterns/work-out", asked(choices));
        assertThat(answer.body().path("problems")).as(answer.text()).isEmpty();
        return answer.body().path("piece");
    }

    private JsonNode check(String choices, String code) throws Exception {
        return found(
                piece(choices).path("checks"), c -> c.path("code").asString().equals(code));
    }

    private static JsonNode found(JsonNode all, Predicate<JsonNode> which) {
        for (JsonNode each : all) {
            if (which.test(each)) {
                return each;
            }
        }
        throw new AssertionError("none such in " + all);
    }

    private String verdict(String choices, String code) throws Exception {
        return check(choices, code).path("verdict").asString();
    }

    private static List<String> offers(JsonNode check) {
        List<String> offers = new ArrayList<>();
        check.path("offers")
                .forEach(o -> offers.add(
                        o.path("change").asString() + " " + o.path("value").asString()));
        return offers;
    }
}
