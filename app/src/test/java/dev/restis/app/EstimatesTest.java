package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpMethod;
import tools.jackson.databind.JsonNode;

/** What was learned, looked at: estimates, the measurements behind them, reports, and knowledge that moves house. */
class EstimatesTest extends AtTheBench {

    @BeforeEach
    void learnedSoFar() {
        folding.now();
    }

    @Test
    void aSlipIsLeftOutUntilSomebodySaysThatItIsRight() throws Exception {
        begunAndLogged("Tove", pieces.get(0), 1.02);
        begunAndLogged("Tove", pieces.get(1), 1.01);
        folding.now();
        double before = factor("Tove", "STITCH", "");
        int doubted = doubted().size();
        // A tenth of what was left: three times as much was used as can be.
        take("Tove", List.of(pieces.get(2)), false);
        JsonNode strand =
                ask("/api/bench/pieces/" + pieces.get(2) + "/left-over").body().path(1);
        long used = (strand.path("cutUm").asLong() - strand.path("expectedUm").asLong()) / 3;
        String slipped = """
                {"strand": 1, "left": "%s mm", "how": "MEASURED", "units": "METRIC", "believed": %s}
                """;
        double left = (strand.path("cutUm").asLong() - used) / 1000.0;
        Answer asked = leftOver(pieces.get(2), slipped.formatted(left, false));
        assertThat(asked.status()).isEqualTo(422);
        assertThat(asked.field("left").path("code").asString()).isEqualTo("leftOver.STRANGE");
        assertThat(asked.field("left").path("message").asString()).contains("were expected to be left");
        assertThat(leftOver(pieces.get(2), slipped.formatted(left, true)).status())
                .isEqualTo(204);
        folding.now();
        assertThat(factor("Tove", "STITCH", "")).as("it was not learned from").isEqualTo(before);
        List<JsonNode> now = doubted();
        assertThat(now).hasSize(doubted + 1);
        JsonNode slip = now.get(0);
        assertThat(slip.path("value").asDouble()).isCloseTo(used / 1000.0, within(0.1));
        assertThat(slip.path("value").asDouble()).isLessThan(slip.path("low").asDouble());
        assertThat(slip.path("reference").asString()).isNotEmpty();
        long id = slip.path("id").asLong();

        assertThat(say(id, "confirm").status()).isEqualTo(204);
        assertThat(ask("/api/learning/standing").body().path("waits").asBoolean())
                .isTrue();
        folding.now();
        assertThat(factor("Tove", "STITCH", "")).as("it is believed").isLessThan(before - 0.05);
        assertThat(doubted()).hasSize(doubted);
        assertThat(say(id, "back").status()).isEqualTo(204);
        folding.now();
        assertThat(factor("Tove", "STITCH", "")).isEqualTo(before);
        assertThat(say(id, "drop").status()).isEqualTo(204);
        folding.now();
        assertThat(doubted()).hasSize(doubted);
        assertThat(factor("Tove", "STITCH", "")).isEqualTo(before);
        assertThat(say(999_999_999, "drop").status()).isEqualTo(404);
    }

    /** Makers see their own, an owner all of them, and nobody a ranking. */
    @Test
    void makersSeeTheirOwnHand() throws Exception {
        begunAndLogged("Bram", pieces.get(0), 1.08);
        begunAndLogged("Tove", pieces.get(1), 0.99);
        folding.now();
        assertThat(makers("Tove")).contains("Bram", "Tove").isSorted();
        assertThat(makers("Bram")).containsOnly("Bram");
        assertThat(factor("Tove", "MAKER", "Bram")).isGreaterThan(factor("Tove", "MAKER", "Tove"));
        JsonNode points = points("Bram", "stitch snake-knot");
        assertThat(points)
                .isNotEmpty()
                .allSatisfy(p -> assertThat(p.path("maker").asString()).isEqualTo("Bram"));
        long ofTove = points("Tove", "maker Tove").path(0).path("id").asLong();
        assertThat(send("Bram", HttpMethod.POST, "/api/learning/points/" + ofTove + "/drop", "{}")
                        .status())
                .isEqualTo(409);
        JsonNode moments =
                ask("/api/learning/history?subject=CORD&feature=maker Bram").body();
        assertThat(moments).hasSameSizeAs(points("Tove", "maker Bram"));
        JsonNode last = moments.path(moments.size() - 1);
        assertThat(last.path("factor").asDouble()).isCloseTo(factor("Tove", "MAKER", "Bram"), within(0.01));
        assertThat(last.path("low").asDouble()).isLessThan(last.path("factor").asDouble());
    }

    @Test
    void reportsAddUpWhatWasMeasured() throws Exception {
        JsonNode before = ask("/api/learning/report").body();
        begunAndLogged("Tove", pieces.get(0), 1.0);
        leftOver(pieces.get(0), """
                {"strand": 0, "left": "2 mm", "how": "MEASURED", "units": "METRIC", "believed": true}
                """);
        begunAndLogged("Tove", pieces.get(1), 1.0);
        folding.now();
        JsonNode after = ask("/api/learning/report").body();
        JsonNode ranShort = after.path("ranShort");
        assertThat(ranShort.path("pieces").asInt())
                .isEqualTo(before.path("ranShort").path("pieces").asInt() + 2);
        assertThat(ranShort.path("ranShort").asInt())
                .isEqualTo(before.path("ranShort").path("ranShort").asInt() + 1);
        assertThat(ranShort.path("planned").asInt()).isGreaterThanOrEqualTo(2);
        assertThat(ranShort.path("promised").asDouble()).isBetween(0.5, 20.0);
        assertThat(after.path("saved").path("strands").asInt())
                .isEqualTo(before.path("saved").path("strands").asInt() + 6);
        double saved = after.path("saved").path("savedUm").asDouble()
                - before.path("saved").path("savedUm").asDouble();
        assertThat(saved).as("a swatch was learned from already").isPositive();
        assertThat(after.path("saved").path("saved").asDouble()
                        - before.path("saved").path("saved").asDouble())
                .as("5.00 a spool of 60 m")
                .isCloseTo(saved * 5 / 60e6, within(0.0003));
        int cord = 0;
        for (JsonNode row : after.path("calibration")) {
            cord += row.path("subject").asString().equals("CORD") ? 1 : 0;
            assertThat(row.path("within").asInt())
                    .isLessThanOrEqualTo(row.path("measured").asInt());
        }
        assertThat(cord).isEqualTo(3);
        assertThat(ask("/api/learning/report.csv").text()).contains("short,of_100_promised", "within_95,CORD");
        assertThat(send("Bram", HttpMethod.GET, "/api/learning/report", "")
                        .body()
                        .path("ranShort")
                        .path("ranShort")
                        .asInt())
                .as("of one's own pieces")
                .isZero();
    }

    /** What one house wrote another learns from, once. */
    @Test
    void knowledgeMovesHouse() throws Exception {
        begunAndLogged("Tove", pieces.get(0), 1.04);
        begunAndLogged("Tove", pieces.get(1), 1.05);
        folding.now();
        double known = factor("Tove", "STITCH", "");
        String csv = ask("/api/learning/knowledge.csv").text();
        String json = ask("/api/learning/knowledge.json").text();
        assertThat(send("Bram", HttpMethod.GET, "/api/learning/knowledge.csv", "")
                        .status())
                .isEqualTo(403);
        List<String> features = jdbc.sql(
                        "select use from observation where standing = 'STANDS' and source = 'STRAND' order by id")
                .query(String.class)
                .list();

        assertThat(read(csv).body().path("added").asInt()).as("it is known").isZero();
        // As in a house that measured nothing of it.
        jdbc.sql("""
                        update observation set standing = 'DROPPED', changed = true, key = gen_random_uuid()
                        where source = 'STRAND' and standing = 'STANDS'
                        """).update();
        folding.now();
        assertThat(factor("Tove", "STITCH", "")).isNotEqualTo(known);
        Answer taken = read(json);
        assertThat(taken.status()).as(taken.text()).isEqualTo(200);
        assertThat(taken.body().path("added").asInt()).isEqualTo(features.size());
        folding.now();
        assertThat(factor("Tove", "STITCH", ""))
                .as("but for the order in which it was learned")
                .isCloseTo(known, within(1e-3));
        assertThat(jdbc.sql("select use from observation where standing = 'STANDS' and source = 'IMPORT' order by id")
                        .query(String.class)
                        .list())
                .isEqualTo(features);

        Answer broken = read(csv.replaceFirst("EXACT", "NEARLY").replaceFirst("stitch ", "witch "));
        assertThat(broken.status()).isEqualTo(422);
        assertThat(broken.text()).contains("rows[1].", "EXACT, AT_LEAST, AT_MOST", "What was expected cannot be read");
    }

    private Answer read(String file) throws Exception {
        return upload("/api/learning/knowledge", file.getBytes(StandardCharsets.UTF_8));
    }

    private Answer say(long point, String what) throws Exception {
        return tell("/api/learning/points/" + point + "/" + what, "{}");
    }

    private List<JsonNode> doubted() throws Exception {
        return all("/api/learning/points?", "rows");
    }

    private JsonNode points(String who, String feature) throws Exception {
        return send(who, HttpMethod.GET, "/api/learning/points?subject=CORD&feature=" + feature, "")
                .body()
                .path("rows");
    }

    private List<String> makers(String who) throws Exception {
        return estimates(who).stream()
                .filter(row -> row.path("kind").asString().equals("MAKER"))
                .map(row -> row.path("maker").asString())
                .toList();
    }

    private double factor(String who, String kind, String maker) throws Exception {
        return estimates(who).stream()
                .filter(row -> row.path("kind").asString().equals(kind)
                        && row.path("maker").asString().equals(maker)
                        && (!kind.equals("STITCH")
                                || row.path("what").asString().equals("snake-knot")))
                .findFirst()
                .map(row -> row.path("factor").asDouble())
                .orElse(1.0);
    }

    private List<JsonNode> estimates(String who) throws Exception {
        JsonNode page = send(who, HttpMethod.GET, "/api/learning/estimates?subject=CORD", "")
                .body();
        assertThat(page.has("next")).isFalse();
        return page.path("rows").valueStream().toList();
    }

    private void begunAndLogged(String who, long piece, double factor) throws Exception {
        take(who, List.of(piece), true);
        log(piece, factor);
    }
}
