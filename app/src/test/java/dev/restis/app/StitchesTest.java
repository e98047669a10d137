package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Stitches with a path of one's own: written, reckoned, pulled tight in the background, and used in a pattern. */
class StitchesTest extends RestisTest {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final Duration PATIENCE = Duration.ofSeconds(120);
    /** Between two looks; asking without a pause would take the processor from what is waited for. */
    private static final long POLL_NANOS = 100_000_000;

    @Test
    void aPathOfOnesOwnIsPulledTightInTheBackgroundAndComposedIntoAPattern() throws Exception {
        ObjectNode path = path("square-knot", "harbour-flat");
        JsonNode first =
                tell("/api/stitches/trial", input("Harbour flat", path)).body();
        assertThat(first.path("stitch").path("pitch").asDouble()).isEqualTo(2.16);
        assertThat(first.path("stitch").path("pulling").path(0).path("stitch").asString())
                .as("drawn from its rough path at first")
                .isEqualTo("own:harbour-flat");
        String rough = first.path("svg").asString();
        JsonNode pulled = whenPulled(path);
        assertThat(pulled.path("stitch").path("pulling")).isEmpty();
        assertThat(pulled.path("svg").asString()).isNotEqualTo(rough).contains("<svg");

        assertThat(tell("/api/stitches", input("Harbour flat", path)).status()).isEqualTo(201);
        JsonNode own = ask("/api/patterns/vocabulary").body().path("ownStitches");
        assertThat(own.toString()).contains("\"code\":\"harbour-flat\"");
        assertThat(ask("/api/stitches/own:harbour-flat/stitch.json").body()).isEqualTo(path);
        assertThat(ask("/api/stitches/own:harbour-flat/picture.svg").text())
                .isEqualTo(pulled.path("svg").asString());

        ObjectNode pattern = (ObjectNode) JSON.readTree(
                ask("/api/patterns/square-bar/definition").body().path("json").asString());
        pattern.put("code", "harbour-band").put("name", "Harbour band");
        ((ObjectNode) pattern.path("sections").path(0)).set("stitch", path);
        Answer kept = tell(
                "/api/patterns",
                json().put("json", pattern.toString()).put("before", 0).toString());
        assertThat(kept.status()).as(kept.text()).isEqualTo(201);
        JsonNode mine = sample("harbour-band");
        JsonNode shipped = sample("square-bar");
        assertThat(mine.path("strands").findValues("cutUm"))
                .as("the same path takes the same cord")
                .isEqualTo(shipped.path("strands").findValues("cutUm"));
    }

    /** A bow that only leans out to the side ties nothing: pulled, it runs straight. */
    @Test
    void aPathThatSlipsApartIsReportedAsNoKnot() throws Exception {
        ObjectNode path = path("snake-knot", "loose-bow");
        for (JsonNode strand : path.path("paths")) {
            int side = strand.path("next").asInt() == 0 ? 1 : -1;
            ArrayNode stretches = (ArrayNode) strand.path("stretches");
            stretches.removeAll();
            stretches.add(JSON.readTree(
                    "{\"element\": {\"element\": \"measured\", \"diameters\": 8}, \"through\": [[0, %d, 0], [0.3, %f, 0], [0.6, %f, 0]]}"
                            .formatted(side, side * 2.5, side * 1.2)));
        }
        JsonNode pulled = whenPulled(path);
        JsonNode pulling = pulled.path("stitch").path("pulling").path(0);
        assertThat(pulling.path("state").asString()).isEqualTo("NO_KNOT");
        assertThat(pulling.path("reason").asString()).isEqualTo("slips");
    }

    /** 2.5 mm cord over a core of 2 mm: no lines are shipped for that, so the piece's picture asks for them. */
    @Test
    void aPieceInUnlikeGaugesIsDrawnAtOnceAndPulledTightAfterwards() throws Exception {
        String choices = """
                {"quantity": 1, "choices": {"pattern": "square-bar", "wrist": "17 cm", "colours": ["NT2", "OA25"], "units": "METRIC"}}
                """;
        JsonNode picture =
                tell("/api/patterns/work-out", choices).body().path("piece").path("picture");
        assertThat(picture.path("svg").asString()).contains("<svg");
        Instant until = Instant.now().plus(PATIENCE);
        while (!picture.path("pulling").isEmpty() && Instant.now().isBefore(until)) {
            assertThat(picture.path("pulling").path(0).path("state").asString()).isIn("WAITING", "RUNNING");
            java.util.concurrent.locks.LockSupport.parkNanos(POLL_NANOS);
            picture =
                    tell("/api/patterns/work-out", choices).body().path("piece").path("picture");
        }
        assertThat(picture.path("pulling")).isEmpty();
    }

    @Test
    void whatCannotBeAStitchIsRefusedWhereItIsWrong() throws Exception {
        ObjectNode flat = path("square-knot", "no-body");
        ((ObjectNode) flat.path("pitch")).put("perWorking", 0);
        assertThat(trial(flat)).contains("stitch.body").contains("\"field\":\"pitch\"");
        ObjectNode cores = path("square-knot", "many");
        ((ObjectNode) cores.path("cores")).put("most", 40);
        assertThat(trial(cores)).contains("stitch.cores");
        ObjectNode far = path("square-knot", "far");
        ((ArrayNode) far.path("paths")
                        .path(0)
                        .path("stretches")
                        .path(0)
                        .path("through")
                        .path(0))
                .set(1, JSON.valueToTree(99));
        assertThat(trial(far)).contains("stitch.far").contains("paths[0]");
        ObjectNode short1 = path("snake-knot", "short");
        ((ObjectNode) short1.path("pitch")).put("perWorking", 20);
        assertThat(trial(short1)).contains("stitch.use");
        ObjectNode led = path("square-knot", "led");
        ((ObjectNode) led.path("paths").path(0)).put("next", 1);
        Answer twice = tell("/api/stitches/trial", input("Led", led));
        assertThat(twice.status()).isEqualTo(422);
        assertThat(twice.text()).contains("each path of led must be followed once");
        assertThat(tell("/api/stitches/trial", input("Odd", json().put("code", "odd")))
                        .status())
                .isEqualTo(422);
        ObjectNode leaderless = path("square-knot", "leaderless");
        leaderless.put("leader", 2);
        assertThat(tell("/api/stitches/trial", input("Leaderless", leaderless)).text())
                .contains("the leader of leaderless must be one of its paths but is 2");
        ObjectNode seatless = path("square-knot", "seatless");
        ((ObjectNode) seatless.path("paths").path(0)).remove("seat");
        assertThat(tell("/api/stitches/trial", input("Seatless", seatless)).text())
                .contains("a part is missing");
        Answer nameless = tell("/api/stitches", input("", path("square-knot", "UPPER")));
        assertThat(nameless.field("name").path("code").asString()).isEqualTo("missing");
        assertThat(nameless.field("code").path("code").asString()).isEqualTo("pattern.code");
        assertThat(ask("/api/stitches").text()).doesNotContain("own:no-body");
    }

    @Test
    void aStitchIsNotWrittenOverByAnotherOfItsKey() throws Exception {
        assertThat(tell("/api/stitches", input("Quay bar", path("ladder", "quay-bar")))
                        .status())
                .isEqualTo(201);
        Answer other = tell("/api/stitches", input("Pier bar", path("square-knot", "quay-bar")));
        assertThat(other.field("code").path("code").asString()).isEqualTo("stitch.taken");
        assertThat(other.field("code").path("message").asString()).contains("Quay bar");
        assertThat(ask("/api/stitches/own:quay-bar/stitch.json").body()).isEqualTo(path("ladder", "quay-bar"));
        assertThat(tell("/api/stitches", input("quay bar", path("square-knot", "quay-bar")))
                        .status())
                .as("under its own name it is described anew")
                .isEqualTo(201);

        String swatch = """
                {"name": "%s", "strands": 2, "cores": 2, "material": "polyester", "working": "2 mm", "repeats": 20,
                 "body": "76 mm", "used": "380 mm", "thickness": "4 mm", "width": "8 mm", "units": "METRIC"}
                """;
        assertThat(tell("/api/measures/stitches", swatch.formatted("Quay bar"))
                        .field("name")
                        .path("code")
                        .asString())
                .isEqualTo("stitch.taken");
        assertThat(tell("/api/measures/stitches", swatch.formatted("Mole chain"))
                        .status())
                .isEqualTo(201);
        assertThat(tell("/api/stitches", input("Mole chain", path("ladder", "mole-chain")))
                        .field("code")
                        .path("code")
                        .asString())
                .as("a measured swatch is not lost")
                .isEqualTo("stitch.taken");
    }

    /** All its points are one: nothing to pull, and nothing that may stay undecided. */
    @Test
    void aPathWithoutExtentComesToAnEnd() throws Exception {
        ObjectNode path = path("snake-knot", "dot");
        for (JsonNode strand : path.path("paths")) {
            ArrayNode stretches = (ArrayNode) strand.path("stretches");
            stretches.removeAll();
            stretches.add(
                    JSON.readTree(
                            "{\"element\": {\"element\": \"measured\", \"diameters\": 8}, \"through\": [[0, 1, 0], [0, 1, 0], [0, 1, 0]]}"));
        }
        JsonNode pulled = whenPulled(path);
        assertThat(pulled.path("stitch").path("pulling").path(0).path("state").asString())
                .isEqualTo("NO_KNOT");
        assertThat(pulled.path("svg").asString()).doesNotContain("NaN");
    }

    private static ObjectNode json() {
        return JSON.createObjectNode();
    }

    private ObjectNode path(String stitch, String code) throws Exception {
        Answer answer = ask("/api/stitches/" + stitch + "/stitch.json");
        assertThat(answer.status()).isEqualTo(200);
        return ((ObjectNode) answer.body()).put("code", code);
    }

    private static String input(String name, ObjectNode path) {
        return json().put("name", name).put("json", path.toString()).toString();
    }

    private String trial(ObjectNode path) throws Exception {
        Answer answer = tell("/api/stitches/trial", input("Trial", path));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.body().path("problems").toString();
    }

    private JsonNode sample(String code) throws Exception {
        return ask("/api/patterns/" + code + "/sample").body();
    }

    /** Asks until nothing is waiting or running any more. */
    private JsonNode whenPulled(ObjectNode path) throws Exception {
        Instant until = Instant.now().plus(PATIENCE);
        while (true) {
            JsonNode trial = tell("/api/stitches/trial", input("Trial", path)).body();
            String pulling = trial.path("stitch").path("pulling").toString();
            if (!pulling.contains("WAITING") && !pulling.contains("RUNNING")) {
                return trial;
            }
            assertThat(Instant.now()).as(pulling).isBefore(until);
            java.util.concurrent.locks.LockSupport.parkNanos(POLL_NANOS);
        }
    }
}
