package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Patterns and stitches from elsewhere, with parts missing, doubled, negative, absurd or of another kind: each is worked out
 * or refused with the place and the reason, never with an error of the server, and nothing is kept.
 */
class FuzzedDefinitionsTest extends RestisTest {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final List<String> ODD = List.of(
            "null",
            "-1",
            "0",
            "1e308",
            "500",
            "9999999999999",
            "\"\"",
            "\"-3 mm\"",
            "\"2 km\"",
            "\"<b>\"",
            "[]",
            "{}",
            "true",
            "\"CORE\"",
            "\"=1+1\"");

    @Test
    void patternsFromElsewhereAreWorkedOutOrExplained() throws Exception {
        List<String> codes =
                List.of("square-bar", "centrepiece", "falls-tab", "leather", "alternating", "neck-square-drop");
        Random random = new Random(2026);
        long versions = count("pattern_version");
        int refused = 0;
        int made = 0;
        for (int run = 0; run < 300; run++) {
            Answer definition = ask("/api/patterns/" + codes.get(run % codes.size()) + "/definition");
            if (definition.status() == 404) {
                continue;
            }
            String text = mutated(definition.body().path("json").asString(), random, 1 + run % 3);
            Answer answer = tell(
                    "/api/patterns/trial",
                    json().put("json", text).put("before", 0).toString());
            assertThat(answer.status()).as("%s%n%s", text, answer.text()).isIn(200, 422);
            if (answer.status() == 200 && answer.body().has("sample")) {
                made++;
            } else {
                refused++;
                explained(answer, answer.status() == 200 ? "problems" : "fields", text);
            }
        }
        assertThat(made).isGreaterThan(10);
        assertThat(refused).isGreaterThan(100);
        assertThat(count("pattern_version")).isEqualTo(versions);
    }

    @Test
    void stitchesFromElsewhereAreReckonedOrExplained() throws Exception {
        List<String> codes = List.of("square-knot", "ladder", "hitched-diamond", "snake-knot", "wrapped-falls");
        Random random = new Random(11);
        long kept = count("own_stitch");
        int refused = 0;
        for (int run = 0; run < 200; run++) {
            String path = ask("/api/stitches/" + codes.get(run % codes.size()) + "/stitch.json")
                    .text();
            String text = mutated(path, random, 1 + run % 3);
            Answer answer = tell(
                    "/api/stitches/trial",
                    json().put("name", "x").put("json", text).toString());
            assertThat(answer.status()).as("%s%n%s", text, answer.text()).isIn(200, 422);
            if (answer.status() == 422 || !answer.body().has("stitch")) {
                refused++;
                explained(answer, answer.status() == 200 ? "problems" : "fields", text);
            }
        }
        assertThat(refused).isGreaterThan(60);
        assertThat(count("own_stitch")).isEqualTo(kept);
    }

    private static void explained(Answer answer, String list, String text) {
        JsonNode problems = answer.body().path(list);
        assertThat(problems).as(text + answer.text()).isNotEmpty();
        problems.forEach(p -> {
            assertThat(p.path("message").asString())
                    .as(answer.text())
                    .isNotBlank()
                    .doesNotContain("fault.", "java.");
            assertThat(p.path("remedy").asString())
                    .as(answer.text())
                    .isNotBlank()
                    .doesNotContain("fault.");
        });
    }

    private static ObjectNode json() {
        return JSON.createObjectNode();
    }

    private static String mutated(String text, Random random, int times) {
        JsonNode tree = JSON.readTree(text);
        for (int i = 0; i < times; i++) {
            List<JsonNode> holders = new ArrayList<>();
            gather(tree, holders);
            mutate(holders.get(random.nextInt(holders.size())), random);
        }
        return tree.toString();
    }

    private static void gather(JsonNode node, List<JsonNode> holders) {
        if (node.isContainer() && !node.isEmpty()) {
            holders.add(node);
            node.forEach(child -> gather(child, holders));
        }
    }

    private static void mutate(JsonNode holder, Random random) {
        JsonNode odd = JSON.readTree(ODD.get(random.nextInt(ODD.size())));
        if (holder instanceof ObjectNode object) {
            List<String> names = List.copyOf(object.propertyNames());
            String name = names.get(random.nextInt(names.size()));
            switch (random.nextInt(3)) {
                case 0 -> object.remove(name);
                case 1 -> object.set(name, odd);
                default -> object.set("surplus", odd);
            }
        } else if (holder instanceof ArrayNode array) {
            int at = random.nextInt(array.size());
            switch (random.nextInt(3)) {
                case 0 -> array.remove(at);
                case 1 -> array.set(at, odd);
                default -> array.insert(at, array.get(at));
            }
        }
    }
}
