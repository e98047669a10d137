package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;

import dev.restis.app.platform.database.Database;
import java.net.URI;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Every operation of the API with null, negative, huge, wrong-typed, unknown and hostile values in every field, parameter and
 * path, driven by its description: refused with a reason, and never broken. On a database of its own, because it changes whatever
 * it can. Three thousand requests here; more with {@code -Drestis.probe.requests}, and the same again with {@code
 * -Drestis.probe.seed}.
 */
@Execution(ExecutionMode.CONCURRENT)
class ProbeTest extends AskedTest {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final List<String> HOSTILE = List.of(
            "",
            " ",
            "\u0000",
            "a\u0000b",
            "x".repeat(5000),
            "-1",
            "9".repeat(40),
            "1e999",
            "NaN",
            "' or 1=1 --",
            "<b>&\"",
            "../../etc",
            "\uD800",
            "%00",
            "{}",
            "2026-13-45",
            "\n=1+1",
            "𝒳");
    private static final List<String> USUAL = List.of(
            "NT2",
            "OA2",
            "HB9",
            "snake",
            "square-bar",
            "16 cm",
            "2 mm",
            "30 m",
            "M",
            "Runa",
            "F-0001",
            "#336699",
            "5",
            "12.50",
            "polyester",
            "2031-05-01",
            "A1",
            "owner");

    private final int requests = Integer.getInteger("restis.probe.requests", 3000);
    private final long seed = Long.getLong("restis.probe.seed", 20261128L);
    private final Random random = new Random(seed);

    private record Operation(String path, HttpMethod method, JsonNode node) {}

    /** How often an operation was asked, and how often it was reached: done, or refused by the field that is wrong. */
    private static final class Reached {
        private int asked;
        private int reached;
    }

    @DynamicPropertySource
    static void database(DynamicPropertyRegistry properties) {
        Database database = TestServer.empty("probe");
        properties.add("spring.datasource.url", database::url);
        properties.add("spring.datasource.username", database::user);
        properties.add("spring.datasource.password", database::password);
    }

    @Test
    void nothingBreaks() throws Exception {
        assertThat(jdbc.sql("select current_database()").query(String.class).single())
                .isEqualTo("probe");
        JsonNode description = JSON.readTree(Files.readString(Path.of("../docs/openapi.json")));
        List<Operation> operations = operations(description);
        Map<String, Reached> byOperation = new TreeMap<>();
        List<String> broken = new ArrayList<>();
        for (int n = 0; n < requests; n++) {
            Operation operation = operations.get(n % operations.size());
            String path = path(operation);
            JsonNode schema = operation.node().at("/requestBody/content/application~1json/schema");
            JsonNode body = schema.isMissingNode() ? null : spoilt(value(description, schema, "", 0));
            MockHttpServletResponse answer = send(operation, path, body == null ? "" : JSON.writeValueAsString(body));
            String text = answer.getContentAsString(StandardCharsets.UTF_8);
            Reached reached =
                    byOperation.computeIfAbsent(operation.method() + " " + operation.path(), o -> new Reached());
            reached.asked++;
            if (answer.getStatus() < 300 || answer.getStatus() < 500 && text.contains("\"field\"")) {
                reached.reached++;
            }
            if (answer.getStatus() >= 500 && !text.contains("device.silent")) {
                broken.add(operation.method() + " " + path + " " + body + " answered " + text);
            }
            assertThat(text).doesNotContain("\tat ", "dev.restis", "org.postgresql");
        }
        int reached = byOperation.values().stream().mapToInt(r -> r.reached).sum();
        System.out.printf(
                Locale.ROOT, "Probe of %d requests with seed %d: %d reached the service%n", requests, seed, reached);
        byOperation.forEach(
                (operation, r) -> System.out.printf(Locale.ROOT, "  %-60s %d of %d%n", operation, r.reached, r.asked));
        assertThat(broken).as("seed %d", seed).isEmpty();
        assertThat(reached).as("of %d requests", requests).isGreaterThanOrEqualTo(requests / 2);
    }

    private static List<Operation> operations(JsonNode description) {
        List<Operation> operations = new ArrayList<>();
        description
                .path("paths")
                .properties()
                .forEach(path -> path.getValue().properties().forEach(method -> {
                    boolean file = !method.getValue()
                            .at("/requestBody/content/multipart~1form-data")
                            .isMissingNode();
                    if (!file && !path.getKey().equals("/api/feed")) {
                        operations.add(new Operation(
                                path.getKey(),
                                HttpMethod.valueOf(method.getKey().toUpperCase(Locale.ROOT)),
                                method.getValue()));
                    }
                }));
        return operations;
    }

    private MockHttpServletResponse send(Operation operation, String path, String body) throws Exception {
        return mvc().perform(request(operation.method(), URI.create(path))
                        .with(user("Tove").roles("OWNER"))
                        .with(csrf())
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(body.getBytes(StandardCharsets.UTF_8)))
                .andReturn()
                .getResponse();
    }

    /** What there is, by the path that names it; a list's spools and steps are its own. */
    private static final Map<String, String> THERE = Map.ofEntries(
            Map.entry("/api/orders/{id}", "select id from customer_order"),
            Map.entry("/api/orders/lines/{line}", "select id from order_line"),
            Map.entry("/api/orders/N/lines/{line}", "select id from order_line where order_id = N"),
            Map.entry(
                    "/api/cut/lists/N/trimmings/{strand}", "select strand_id from cut_trimming where cut_list_id = N"),
            Map.entry("/api/cut/lists/{id}", "select id from cut_list"),
            Map.entry("/api/cut/lists/N/spools/{spool}", "select id from cut_spool where cut_list_id = N"),
            Map.entry("/api/cut/lists/N/leftovers/{step}", "select id from cut_step where kind <> 'STRAND'"),
            Map.entry("/api/plan/batches/{id}", "select id from batch"),
            Map.entry("/api/patterns/{code}", "select code from pattern_version"),
            Map.entry("/api/stitches/{code}", "select 'square-knot'"),
            Map.entry("/api/stock/articles/{code}", "select code from article"),
            Map.entry("/api/stock/articles/{id}", "select id from article"),
            Map.entry("/api/stock/holdings/{id}", "select id from holding where quantity > 0"),
            Map.entry("/api/stock/lots/{id}", "select id from lot"),
            Map.entry("/api/stock/ledger/{row}", "select id from ledger"),
            Map.entry("/api/stock/purchases/{id}", "select id from purchase"),
            Map.entry("/api/stock/stocktakes/{id}", "select id from stocktake"),
            Map.entry(
                    "/api/stock/stocktakes/N/holdings/{holding}",
                    "select holding_id from stocktake_line where stocktake_id = N"),
            Map.entry("/api/stock/suppliers/{id}", "select id from supplier"),
            Map.entry("/api/stock/put-ups/{id}", "select id from put_up"),
            Map.entry("/api/people/{id}", "select id from person"),
            Map.entry("/api/measures/swatches/{id}", "select id from swatch"),
            Map.entry("/api/jobs/{id}", "select id from job"),
            Map.entry("/api/deliveries/{id}", "select id from delivery"));

    /** Something that is there, three times in four. */
    private String there(String path, String name, String usual) {
        String before = path.substring(0, path.indexOf("{" + name + "}")) + "{" + name + "}";
        String number = before.replaceAll(".*/(\\d+)/.*", "$1");
        String sql = THERE.get(before.replaceAll("/\\d+/", "/N/"));
        if (sql == null || random.nextInt(4) == 0) {
            return usual;
        }
        return jdbc.sql("select t::text from (" + sql.replace("N", number)
                        + ") x (t) order by md5(t::text || ?) limit 1")
                .param(random.nextInt())
                .query(String.class)
                .optional()
                .orElse(usual);
    }

    private String path(Operation operation) {
        String path = operation.path();
        StringBuilder query = new StringBuilder();
        for (JsonNode parameter : operation.node().path("parameters")) {
            String name = parameter.path("name").asString();
            JsonNode schema = parameter.path("schema");
            boolean inPath = parameter.path("in").asString().equals("path");
            String value = random.nextInt(8) == 0
                    ? HOSTILE.get(random.nextInt(HOSTILE.size()))
                    : inPath ? there(path, name, usual(schema)) : usual(schema);
            String coded = URLEncoder.encode(value, StandardCharsets.UTF_8).replace("+", "%20");
            if (inPath) {
                path = path.replace("{" + name + "}", coded.isEmpty() ? "0" : coded);
            } else if (parameter.path("required").asBoolean() || random.nextBoolean()) {
                query.append(query.isEmpty() ? '?' : '&')
                        .append(name)
                        .append('=')
                        .append(coded);
            }
        }
        return path + query;
    }

    private String usual(JsonNode schema) {
        if (schema.path("type").asString("").equals("array")) {
            return usual(schema.path("items"));
        }
        if (schema.has("enum")) {
            return schema.path("enum")
                    .path(random.nextInt(schema.path("enum").size()))
                    .asString();
        }
        if (schema.path("format").asString("").equals("date")) {
            return "2031-05-0" + (1 + random.nextInt(9));
        }
        return switch (schema.path("type").asString("")) {
            case "integer" -> String.valueOf(1 + random.nextInt(40));
            case "boolean" -> String.valueOf(random.nextBoolean());
            default -> USUAL.get(random.nextInt(USUAL.size()));
        };
    }

    /** A value as the description wants it. */
    private JsonNode value(JsonNode description, JsonNode schema, String name, int depth) {
        if (schema.has("$ref")) {
            String ref = schema.path("$ref").asString();
            return value(description, description.at(ref.substring(1)), name, depth);
        }
        if (schema.has("allOf") || schema.has("anyOf") || schema.has("oneOf")) {
            JsonNode all = schema.has("allOf")
                    ? schema.path("allOf")
                    : schema.has("anyOf") ? schema.path("anyOf") : schema.path("oneOf");
            return value(description, all.path(0), name, depth);
        }
        String type = schema.path("type").asString("object");
        if (schema.has("enum")) {
            return JSON.getNodeFactory().stringNode(usual(schema));
        }
        return switch (type) {
            case "integer" -> JSON.getNodeFactory().numberNode(1 + random.nextInt(20));
            case "number" -> JSON.getNodeFactory().numberNode(random.nextInt(2000) / 100.0);
            case "boolean" -> JSON.getNodeFactory().booleanNode(random.nextBoolean());
            case "string" -> JSON.getNodeFactory().stringNode(usual(schema));
            case "array" -> array(description, schema, name, depth);
            default -> object(description, schema, depth);
        };
    }

    private ArrayNode array(JsonNode description, JsonNode schema, String name, int depth) {
        ArrayNode array = JSON.createArrayNode();
        for (int n = depth > 4 ? 0 : 1 + random.nextInt(2); n > 0; n--) {
            array.add(value(description, schema.path("items"), name, depth + 1));
        }
        return array;
    }

    private ObjectNode object(JsonNode description, JsonNode schema, int depth) {
        ObjectNode object = JSON.createObjectNode();
        List<String> required = new ArrayList<>();
        schema.path("required").forEach(r -> required.add(r.asString()));
        schema.path("properties").properties().forEach(p -> {
            if (required.contains(p.getKey()) || random.nextInt(3) > 0) {
                object.set(p.getKey(), value(description, p.getValue(), p.getKey(), depth + 1));
            }
        });
        if (schema.path("additionalProperties").isObject()) {
            object.set(
                    USUAL.get(random.nextInt(USUAL.size())),
                    value(description, schema.path("additionalProperties"), "", depth + 1));
        }
        return object;
    }

    /** The same with one value of it spoilt, two times in three. */
    private JsonNode spoilt(JsonNode body) {
        if (random.nextInt(3) > 0) {
            spoilOne(body);
        }
        return body;
    }

    private void spoilOne(JsonNode node) {
        if (node instanceof ObjectNode object && !object.isEmpty()) {
            List<String> names = new ArrayList<>(object.propertyNames());
            String name = names.get(random.nextInt(names.size()));
            JsonNode inner = object.path(name);
            if (inner.isContainer() && !inner.isEmpty() && random.nextInt(4) > 0) {
                spoilOne(inner);
            } else {
                object.set(name, hostile());
            }
        } else if (node instanceof ArrayNode array && !array.isEmpty()) {
            int at = random.nextInt(array.size());
            if (array.path(at).isContainer() && random.nextInt(4) > 0) {
                spoilOne(array.path(at));
            } else {
                array.set(at, hostile());
            }
        }
    }

    private @Nullable JsonNode hostile() {
        return switch (random.nextInt(8)) {
            case 0 -> JSON.getNodeFactory().nullNode();
            case 1 -> JSON.getNodeFactory().numberNode(-1);
            case 2 -> JSON.getNodeFactory().numberNode(Long.MAX_VALUE);
            case 3 -> JSON.getNodeFactory().numberNode(Integer.MIN_VALUE);
            case 4 -> JSON.createObjectNode().put("a", 1);
            case 5 -> JSON.createArrayNode().add(JSON.getNodeFactory().nullNode());
            default -> JSON.getNodeFactory().stringNode(HOSTILE.get(random.nextInt(HOSTILE.size())));
        };
    }
}
