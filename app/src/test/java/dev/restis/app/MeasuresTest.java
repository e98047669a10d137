package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.http.HttpMethod;
import tools.jackson.databind.JsonNode;

/** The house's sizes, fits, swatches and margin: what cannot be is refused by field, and what is kept changes the next piece. */
class MeasuresTest extends RestisTest {

    private static final String EASES = "{\"SNUG\": \"5 mm\", \"COMFORTABLE\": \"12 mm\", \"LOOSE\": \"22 mm\"}";

    private static String sizes(String rows, String eases) {
        return "{\"sizes\": [" + rows + "], \"eases\": " + eases + ", \"units\": \"METRIC\"}";
    }

    private static String row(String name, String wrist, String hand) {
        return "{\"name\": \"%s\", \"wrist\": \"%s\", \"hand\": \"%s\"}".formatted(name, wrist, hand);
    }

    @ParameterizedTest
    @CsvSource({
        "M, 16 cm, 12 cm, L, 18 cm, 22 cm, sizes[0].hand, hand.smaller",
        "M, 16 cm, 20 cm, m, 18 cm, 22 cm, sizes[1].name, pattern.twice",
        "M, 18 cm, 22 cm, S, 16 cm, 20 cm, sizes[1].wrist, sizes.order",
        "M, 2 cm, 20 cm, L, 18 cm, 22 cm, sizes[0].wrist, length.range",
        "M, 16 cm, 9 m, L, 18 cm, 22 cm, sizes[0].hand, length.range",
        "M, wide, 20 cm, L, 18 cm, 22 cm, sizes[0].wrist, length.unread",
        "'', 16 cm, 20 cm, L, 18 cm, 22 cm, sizes[0].name, missing",
        "extraordinarily, 16 cm, 20 cm, L, 18 cm, 22 cm, sizes[0].name, tooLong"
    })
    void aSizeTableThatCannotBeIsRefusedWhereItIsWrong(
            String n1, String w1, String h1, String n2, String w2, String h2, String field, String code)
            throws Exception {
        String before = ask("/api/measures/sizes").body().path("sizes").toString();
        Answer answer = keep("/api/measures/sizes", sizes(row(n1, w1, h1) + "," + row(n2, w2, h2), EASES));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.field(field).path("code").asString()).isEqualTo(code);
        assertThat(answer.field(field).path("remedy").asString()).isNotBlank();
        assertThat(ask("/api/measures/sizes").body().path("sizes").toString()).isEqualTo(before);
    }

    @Test
    void aTableWithoutSizesOrWithNegativeEaseIsRefused() throws Exception {
        assertThat(keep("/api/measures/sizes", sizes("", EASES))
                        .field("sizes")
                        .path("code")
                        .asString())
                .isEqualTo("sizes.range");
        String negative = EASES.replace("\"5 mm\"", "\"-5 mm\"");
        Answer answer = keep("/api/measures/sizes", sizes(row("M", "16 cm", "20 cm"), negative));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.text()).contains("eases.SNUG");
    }

    /** A looser house fit by 10 mm makes the next band 10 mm longer, within a repeat; orders taken before keep theirs. */
    @Test
    void theHousesEaseReachesTheNextPiece() throws Exception {
        String before = ask("/api/measures/sizes").body().path("sizes").toString();
        JsonNode table = ask("/api/measures/sizes").body();
        StringBuilder rows = new StringBuilder();
        for (JsonNode size : table.path("sizes")) {
            rows.append(rows.isEmpty() ? "" : ",")
                    .append(row(
                            size.path("name").asString(),
                            size.path("wristUm").asLong() / 1000.0 + " mm",
                            size.path("handUm").asLong() / 1000.0 + " mm"));
        }
        long usual = target();
        try {
            String looser = EASES.replace("12 mm", "22 mm").replace("\"LOOSE\": \"22 mm\"", "\"LOOSE\": \"32 mm\"");
            Answer kept = keep("/api/measures/sizes", sizes(rows.toString(), looser));
            assertThat(kept.status()).as(kept.text()).isEqualTo(200);
            assertThat(target() - usual).isEqualTo(10_000);
        } finally {
            keep("/api/measures/sizes", sizes(rows.toString(), EASES));
        }
        assertThat(ask("/api/measures/sizes").body().path("sizes").toString()).isEqualTo(before);
    }

    private long target() throws Exception {
        return tell("/api/patterns/work-out", "{\"quantity\": 1, \"choices\": " + snake("16 cm") + "}")
                .body()
                .path("piece")
                .path("fit")
                .path("target")
                .path("totalUm")
                .asLong();
    }

    private static String swatch(String stitch, int cores, int repeats, String body, String used) {
        return """
                {"stitch": "%s", "material": "polyester", "maker": "Tove", "working": "2 mm", "core": "2 mm", "cores": %d,
                 "repeats": %d, "body": "%s", "used": "%s", "units": "METRIC"}
                """.formatted(stitch, cores, repeats, body, used);
    }

    /** Twenty square knots in 1.9 mm worked cord over two cores: 82.1 mm of body, 434 mm of cord. */
    @ParameterizedTest
    @CsvSource({
        "macaroni, 2, 20, 82 mm, 434 mm, stitch, swatch.stitch",
        "plain, 2, 20, 82 mm, 434 mm, stitch, swatch.stitch",
        "square-knot, 12, 20, 82 mm, 434 mm, cores, swatch.cores",
        "square-knot, 2, 1, 82 mm, 434 mm, repeats, swatch.repeats",
        "square-knot, 2, 9000, 82 mm, 434 mm, repeats, swatch.repeats",
        "square-knot, 2, 20, 8.2 mm, 434 mm, body, swatch.far",
        "square-knot, 2, 20, 82 mm, 43 mm, used, length.range",
        "square-knot, 2, 20, 82 mm, 140 mm, used, swatch.far",
        "square-knot, 2, 20, '', 434 mm, body, missing",
        "square-knot, 2, 20, 82 mm, much, used, length.unread"
    })
    void aSwatchThatCannotBeBelievedIsRefused(
            String stitch, int cores, int repeats, String body, String used, String field, String code)
            throws Exception {
        long kept = count("swatch");
        Answer answer = tell("/api/measures/swatches", swatch(stitch, cores, repeats, body, used));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.field(field).path("code").asString())
                .isEqualTo(code.equals("length.range") ? "swatch.far" : code);
        assertThat(count("swatch")).isEqualTo(kept);
    }

    /**
     * A tenth more cord on the swatch, of which 0.0178/0.0227 is the stitch's, the path's and the material's, whoever ties it:
     * exp(0.7841 ln 1.1) = 1.0776; withdrawn, it counts no more.
     */
    @Test
    void aSwatchIsLearnedFromUntilItIsWithdrawn() throws Exception {
        forgetWhatWasLearned();
        long geometry = bodyEach();
        Answer made = tell("/api/measures/swatches", swatch("square-knot", 2, 20, "82.08 mm", "477.57 mm"));
        assertThat(made.status()).as(made.text()).isEqualTo(201);
        assertThat((double) bodyEach() / geometry).isBetween(1.0766, 1.0786);
        send(
                HttpMethod.DELETE,
                "/api/measures/swatches/" + made.body().path("id").asLong(),
                "");
        assertThat(bodyEach()).isEqualTo(geometry);
    }

    private long bodyEach() throws Exception {
        String choices = """
                {"quantity": 1, "choices": {"pattern": "square-bar", "wrist": "16.5 cm", "colours": ["NT2", "OA2"], "units": "METRIC"}}
                """;
        JsonNode strands =
                tell("/api/patterns/work-out", choices).body().path("piece").path("strands");
        for (JsonNode strand : strands) {
            for (JsonNode term : strand.path("sum").path("terms")) {
                if (term.path("code").asString().equals("body.square-knot")) {
                    return term.path("eachUm").asLong();
                }
            }
        }
        throw new AssertionError("no square knots in " + strands);
    }

    private static String material(String code, int version, String name, String tension, String hole) {
        return """
                {%s "version": %d, "name": "%s", "tensionFactor": "%s", "holeCompression": "%s", "stiff": false,
                 "heatSealable": true, "frays": false, "frayAllowance": "3 mm", "units": "METRIC"}
                """.formatted(code.isEmpty() ? "" : "\"code\": \"" + code + "\",", version, name, tension, hole);
    }

    private long strands(String cord) throws Exception {
        return tell("/api/patterns/work-out", """
                        {"choices": {"pattern": "snake", "wrist": "17 cm", "colours": ["%s", "%s"], "units": "METRIC"},
                         "quantity": 1}
                        """.formatted(cord, cord))
                .body()
                .path("piece")
                .path("strands")
                .path(0)
                .path("usedUm")
                .asLong();
    }

    /** A cord that thins less when knots are set makes longer repeats of a longer strand; two who change it at once are told. */
    @Test
    void aMaterialsFactorsChangeThePiecesOfItsCord() throws Exception {
        Answer made = send(HttpMethod.PUT, "/api/measures/materials", material("", 0, "Sea silk", "0,9", "0.85"));
        assertThat(made.body().path("code").asString()).isEqualTo("sea-silk");
        assertThat(tell("/api/stock/articles", """
                        {"code": "SEA2", "kind": "CORD", "name": "Sea", "colour": "#224466", "material": "sea-silk",
                         "diameter": "2 mm", "keep": "30 cm", "units": "METRIC"}
                        """).status()).isEqualTo(201);
        long before = strands("SEA2");
        assertThat(send(HttpMethod.PUT, "/api/measures/materials", material("sea-silk", 0, "Sea silk", "1.05", "0.85"))
                        .status())
                .isEqualTo(200);
        assertThat(strands("SEA2")).isNotEqualTo(before).isPositive();
        assertThat(send(HttpMethod.PUT, "/api/measures/materials", material("sea-silk", 0, "Sea silk", "1", "0.85"))
                        .status())
                .isEqualTo(409);
        Answer refused = send(HttpMethod.PUT, "/api/measures/materials", material("", 0, "Polyester", "2", "0.4"));
        assertThat(refused.text()).contains("\"name\"", "tensionFactor", "holeCompression");
    }
}
