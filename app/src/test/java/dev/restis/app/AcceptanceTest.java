package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpMethod;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A neck lanyard without a breakaway joint: refused, and taken by the owner with a reason that is kept. */
class AcceptanceTest extends RestisTest {

    private static final JsonMapper JSON = new JsonMapper();

    private static final String CHOICES = """
            {"pattern": "neck-closed", "length": "90 cm", "colours": ["NT2", "OA2"], "units": "METRIC",
             "wearer": "%s", "parts": {"clip": {"article": "SC12"}}}
            """;

    @BeforeEach
    void aPatternWithoutAJoint() throws Exception {
        if (ask("/api/patterns/neck-closed/definition").status() == 200) {
            return;
        }
        ObjectNode pattern = (ObjectNode) JSON.readTree(
                ask("/api/patterns/neck-plain/definition").body().path("json").asString());
        pattern.put("code", "neck-closed");
        pattern.put("name", "Neck lanyard that stays shut");
        for (String list : new String[] {"hardware", "sections"}) {
            ArrayNode kept = JSON.createArrayNode();
            for (JsonNode each : pattern.path(list)) {
                if (!each.toString().contains("breakaway")) {
                    kept.add(each);
                }
            }
            pattern.set(list, kept);
        }
        ObjectNode input = JSON.createObjectNode();
        Answer made = tell(
                "/api/patterns",
                input.put("json", pattern.toString()).put("before", 0).toString());
        assertThat(made.status()).as(made.text()).isLessThan(300);
    }

    @AfterEach
    void goneAgain() {
        forgetOrders("customer = 'Ilka Shut'");
    }

    private long taken(String wearer) throws Exception {
        Answer order = tell("/api/orders", order("Ilka Shut", 2, CHOICES.formatted(wearer)));
        assertThat(order.status()).as(order.text()).isEqualTo(201);
        return order.body().path("id").asLong();
    }

    private JsonNode line(long order) throws Exception {
        return ask("/api/orders/" + order).body().path("lines").path(0);
    }

    private static String path(long order, JsonNode line) {
        return "/api/orders/" + order + "/lines/" + line.path("id").asLong() + "/accepted";
    }

    private Answer accept(long order, JsonNode line, String reason) throws Exception {
        return send(HttpMethod.PUT, path(order, line), "{\"reason\": \"%s\"}".formatted(reason));
    }

    private Answer plan(JsonNode line) throws Exception {
        return tell(
                "/api/plan/batches",
                "{\"picks\": [{\"line\": %d, \"count\": 2}]}"
                        .formatted(line.path("id").asLong()));
    }

    @Test
    void theOwnerTakesItWithAReasonAndMayChangeHerMind() throws Exception {
        long order = taken("ADULT");
        JsonNode line = line(order);
        assertThat(line.path("acceptable").asString()).isEqualTo("breakaway");
        assertThat(plan(line).status()).isEqualTo(422);
        assertThat(accept(order, line, "  ").field("reason").path("code").asString())
                .isNotEmpty();
        assertThat(accept(order, line, "For a tailor’s dummy, never worn").status())
                .isEqualTo(204);
        JsonNode now = line(order);
        assertThat(now.path("accepted").path("reason").asString()).isEqualTo("For a tailor’s dummy, never worn");
        assertThat(now.path("accepted").path("who").asString()).isEqualTo("Tove");
        assertThat(now.path("piece").path("checks").toString()).contains("breakaway.accepted");
        assertThat(accept(order, line, "again").status()).isEqualTo(409);
        assertThat(send(HttpMethod.DELETE, path(order, line), "").status()).isEqualTo(204);
        assertThat(plan(line).status()).isEqualTo(422);
        assertThat(accept(order, line, "A dummy all the same").status()).isEqualTo(204);
        Answer planned = plan(line);
        assertThat(planned.status()).as(planned.text()).isEqualTo(201);
        assertThat(send(HttpMethod.DELETE, path(order, line), "").status()).isEqualTo(409);
        assertThat(ask("/api/orders/" + order).body().path("history").toString())
                .contains("TAKEN_ANYWAY", "NOT_TAKEN_ANYWAY", "A dummy all the same");
    }

    @Test
    void forAChildNobodyTakesIt() throws Exception {
        long order = taken("CHILD");
        JsonNode line = line(order);
        assertThat(line.path("acceptable").isNull() || line.path("acceptable").isMissingNode())
                .isTrue();
        assertThat(accept(order, line, "It is what they want").status()).isEqualTo(409);
    }

    @Test
    void whoeverChoosesAnewDropsIt() throws Exception {
        long order = taken("ADULT");
        JsonNode line = line(order);
        assertThat(accept(order, line, "A dummy").status()).isEqualTo(204);
        ObjectNode to = (ObjectNode) line.path("choices").deepCopy();
        to.put("length", "95 cm");
        Answer changed = send(
                HttpMethod.PATCH,
                "/api/orders/" + order,
                "{\"lines\": [{\"line\": %d, \"choices\": {\"from\": %s, \"to\": %s}}]}"
                        .formatted(line.path("id").asLong(), line.path("choices"), to));
        assertThat(changed.status()).as(changed.text()).isEqualTo(200);
        assertThat(line(order).path("acceptable").asString()).isEqualTo("breakaway");
    }
}
