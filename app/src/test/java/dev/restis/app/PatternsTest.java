package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Patterns in and out, their versions, and what is refused. */
class PatternsTest extends RestisTest {

    private static final JsonMapper JSON = new JsonMapper();

    @Test
    void everyPatternOfTheBookGoesOutAndComesBackTheSame() throws Exception {
        JsonNode book = ask("/api/patterns").body();
        assertThat(book.size()).isGreaterThanOrEqualTo(43);
        for (JsonNode pattern : book) {
            String code = pattern.path("code").asString();
            String json = ask("/api/patterns/" + code + "/definition")
                    .body()
                    .path("json")
                    .asString();
            JsonNode trial = trial(json);
            assertThat(trial.path("problems")).as(code).isEmpty();
            assertThat(trial.path("sample").path("strands").size()).as(code).isPositive();
            ObjectNode copy = (ObjectNode) JSON.readTree(json);
            copy.put("code", "copy-of-" + code);
            keep(copy.toString(), 0);
            String again = ask("/api/patterns/copy-of-" + code + "/definition")
                    .body()
                    .path("json")
                    .asString();
            assertThat(JSON.readTree(again)).isEqualTo(copy);
        }
    }

    @Test
    void anOrderKeepsTheVersionItWasTakenWith() throws Exception {
        ObjectNode own = definition("square-bar");
        own.put("code", "own-bar").put("name", "Own bar");
        keep(own.toString(), 0);
        Answer order = tell("/api/orders", """
                {"customer": "Ilka", "lines": [{"quantity": 1, "choices":
                {"pattern": "own-bar", "wrist": "16.5 cm", "colours": ["NT2", "OA2"], "units": "METRIC"}}]}
                """);
        assertThat(order.status()).as(order.text()).isEqualTo(201);
        String path = "/api/orders/" + order.body().path("id").asLong();
        long before = sliderCut(path);
        ((ObjectNode) own.path("sections").path(1)).put("halfKnots", 20);
        keep(own.toString(), 1);
        assertThat(sliderCut(path)).isEqualTo(before);
        JsonNode versions = ask("/api/patterns/own-bar/versions").body();
        assertThat(versions.path("rows").path(0).path("version").asInt()).isEqualTo(2);
        assertThat(versions.path("rows").path(0).path("changed").toString()).isEqualTo("[\"SECTIONS\"]");
        assertThat(versions.path("rows").path(1).path("changed")).isEmpty();
        assertThat(ask("/api/patterns/own-bar/versions?before=2")
                        .body()
                        .path("rows")
                        .size())
                .isEqualTo(1);
        JsonNode first = ask("/api/patterns/own-bar/pattern.json?version=1").body();
        assertThat(first.path("sections").path(1).path("halfKnots").asInt()).isEqualTo(10);
    }

    private long sliderCut(String path) throws Exception {
        JsonNode strands = ask(path).body().path("lines").path(0).path("piece").path("strands");
        return strands.path(strands.size() - 1).path("cutUm").asLong();
    }

    @Test
    void twoWhoChangeOnePatternDoNotOverwriteEachOther() throws Exception {
        ObjectNode own = definition("snake");
        own.put("code", "shared-snake");
        keep(own.toString(), 0);
        keep(own.put("name", "Tove's").toString(), 1);
        Answer late = tell("/api/patterns", input(own.put("name", "Bram's").toString(), 1));
        assertThat(late.status()).isEqualTo(409);
        assertThat(late.body().path("code").asString()).isEqualTo("pattern.changed");
        assertThat(definition("shared-snake").path("name").asString()).isEqualTo("Tove's");
    }

    @Test
    void shippedPatternsAndTakenKeysAreKeptSafe() throws Exception {
        String snake = definition("snake").toString();
        assertThat(tell("/api/patterns", input(snake, 0))
                        .field("code")
                        .path("code")
                        .asString())
                .isEqualTo("pattern.taken");
        assertThat(tell("/api/patterns", input(snake, 1))
                        .field("code")
                        .path("code")
                        .asString())
                .isEqualTo("pattern.shipped");
        ObjectNode odd = definition("snake");
        odd.put("code", "Über Cool!").put("name", " ");
        Answer answer = tell("/api/patterns", input(odd.toString(), 0));
        assertThat(answer.field("code").path("code").asString()).isEqualTo("pattern.code");
        assertThat(answer.field("name").path("code").asString()).isEqualTo("missing");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    {                                                       | pattern
                    []                                                      | pattern
                    null                                                    | pattern
                    {"name": "Soup", "price": 3}                            | name
                    {"code": 1, "cords": [{"code": "a", "gauge": "thick", "colour": "#000000"}]} | cords[0].gauge
                    {"cords": [{"code": "a", "gauge": "-2 mm", "colour": "#000000"}]} | cords[0].gauge
                    {"cords": [{"code": "a", "gauge": "90 mm", "colour": "#000000"}]} | cords[0]
                    {"sections": [{"section": "body", "stitch": "crochet"}]} | sections[0].stitch
                    {"sections": [{"section": "soup"}]}                     | sections[0]
                    {"roles": [{"code": "a", "slots": [0], "count": 0, "legs": ["CORE"]}]} | roles[0]
                    {"roles": [{"code": "a", "slots": [0], "count": 1, "legs": ["NECK"]}]} | roles[0].legs[0]
                    {"hardware": [{"code": "b", "optional": true, "chosenCount": 1, "usual": {"kind": "BEAD", "measures": {"HOLE": "2 mm"}}}]} | hardware[0].usual
                    """)
    void textThatIsNoPatternIsRefusedWhereItIsWrong(String json, String field) throws Exception {
        Answer answer = tell("/api/patterns/trial", input(json, 0));
        assertThat(answer.status()).as(answer.text()).isEqualTo(422);
        assertThat(answer.text()).doesNotContain("dev.restis").doesNotContain("Exception");
        assertThat(answer.body().path("fields").path(0).path("field").asString())
                .startsWith(field.equals("name") ? "" : field);
        assertThat(answer.body().path("fields").path(0).path("code").asString()).isEqualTo("pattern.json");
    }

    /** Twenty repeats of 1.9 mm worked cord: 76 mm of body are 2 d each, 380 mm of cord 10 d each. */
    @Test
    void aStitchOfOnesOwnLivesOnItsSwatchAlone() throws Exception {
        String swatch = """
                {"name": "Harbour chain", "strands": 2, "cores": 2, "material": "polyester", "working": "2 mm", "repeats": 20,
                 "body": "76 mm", "used": "%s", "thickness": "4 mm", "width": "8 mm", "units": "METRIC"}
                """;
        Answer shorter = tell("/api/measures/stitches", swatch.formatted("70 mm"));
        assertThat(shorter.field("used").path("code").asString()).isEqualTo("swatch.used");
        assertThat(tell("/api/measures/stitches", swatch.formatted("380 mm")).status())
                .isEqualTo(201);
        JsonNode own =
                ask("/api/patterns/vocabulary").body().path("ownStitches").path(0);
        assertThat(own.path("name").asString()).isEqualTo("Harbour chain");
        assertThat(own.path("stitch").path("use").asDouble())
                .isCloseTo(10, org.assertj.core.api.Assertions.within(1e-9));

        ObjectNode pattern = definition("square-bar");
        pattern.put("code", "chain-band").put("name", "Chain band");
        ((ObjectNode) pattern.path("sections").path(0)).set("stitch", own.path("stitch"));
        keep(pattern.toString(), 0);
        JsonNode body = trial(definition("chain-band").toString())
                .path("sample")
                .path("fit")
                .path("bodies")
                .path(0);
        assertThat(body.path("stitch").asString()).isEqualTo("own:harbour-chain");
        assertThat(body.path("pitchUm").asLong()).isEqualTo(3_800);
        Answer order = tell("/api/orders", """
                {"customer": "Ilka", "lines": [{"quantity": 1, "choices":
                {"pattern": "chain-band", "wrist": "16.5 cm", "colours": ["NT2", "OA2"], "units": "METRIC"}}]}
                """);
        assertThat(order.status()).as(order.text()).isEqualTo(201);
    }

    @Test
    void aPatternThatCannotBeMadeAsItIsShownIsNotKept() throws Exception {
        ObjectNode own = definition("spiral-fob");
        own.put("code", "stub-fob").put("usualLength", "41 mm");
        assertThat(trial(own.toString()).path("problems").toString()).contains("length.noBody");
        Answer refused = tell("/api/patterns", input(own.toString(), 0));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.field("length").path("code").asString()).isEqualTo("length.noBody");
        assertThat(ask("/api/patterns").text()).doesNotContain("stub-fob");
    }

    /** As when the house's sizes changed since: whoever asks for its picture is told, and the others stay in the book. */
    @Test
    void aPatternThatCannotBeMadeAnyMoreDoesNotCloseTheBook() throws Exception {
        jdbc.sql("""
                        insert into pattern_version (code, version, name, shipped, definition, created_at, created_by)
                        select 'stub-fob', 1, 'Stub', false, definition || '{"code": "stub-fob", "usualLength": "41 mm"}', now(), 'Tove'
                        from pattern_version where code = 'spiral-fob' and version = 1
                        """).update();
        Answer book = ask("/api/patterns");
        assertThat(book.status()).as(book.text()).isEqualTo(200);
        assertThat(book.text()).contains("stub-fob");
        assertThat(ask("/api/patterns/stub-fob/card.svg").status()).isEqualTo(422);
        send(org.springframework.http.HttpMethod.DELETE, "/api/patterns/stub-fob", "");
    }

    @Test
    void theHouseChoosesItsMargin() throws Exception {
        Answer unknown = keep("/api/measures/policies", "{\"policy\": \"BOLD\"}");
        assertThat(unknown.field("margin").path("code").asString()).isEqualTo("margin.unknown");
        long byCost = longestCut();
        keep("/api/measures/policies", "{\"policy\": \"GENEROUS\"}");
        assertThat(longestCut()).isGreaterThan(byCost);
        keep("/api/measures/policies", "{\"policy\": \"BY_COST\"}");
        assertThat(longestCut()).isEqualTo(byCost);
    }

    private long longestCut() throws Exception {
        Answer answer = tell("/api/patterns/work-out", """
                {"quantity": 1, "choices": {"pattern": "snake", "wrist": "16.5 cm", "colours": ["NT2", "OA2"], "units": "METRIC"}}
                """);
        long longest = 0;
        for (JsonNode strand : answer.body().path("piece").path("strands")) {
            longest = Math.max(longest, strand.path("cutUm").asLong());
        }
        return longest;
    }

    @Test
    void contradictionsAreNamedTogether() throws Exception {
        ObjectNode own = definition("square-bar");
        ((ObjectNode) own.path("roles").path(0)).put("count", 9);
        ((ObjectNode) own.path("sections").path(1)).put("halfKnots", 900);
        JsonNode problems = trial(own.toString()).path("problems");
        assertThat(problems.toString()).contains("pattern.cores").contains("pattern.count");
    }

    private ObjectNode definition(String code) throws Exception {
        String json =
                ask("/api/patterns/" + code + "/definition").body().path("json").asString();
        return (ObjectNode) JSON.readTree(json);
    }

    private JsonNode trial(String json) throws Exception {
        Answer answer = tell("/api/patterns/trial", input(json, 0));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.body();
    }

    private void keep(String json, int before) throws Exception {
        Answer answer = tell("/api/patterns", input(json, before));
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
    }

    private static String input(String json, int before) {
        return JSON.createObjectNode().put("json", json).put("before", before).toString();
    }
}
