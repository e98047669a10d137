package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** The front end's types are generated from docs/openapi.json; it must say what the server does. */
class ApiDescriptionTest extends RestisTest {

    private static final Path KEPT = Path.of("../docs/openapi.json");

    private final JsonMapper json = JsonMapper.builder()
            .enable(SerializationFeature.INDENT_OUTPUT)
            .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
            .build();

    @Test
    void theKeptDescriptionIsTheServers() throws Exception {
        Answer now = ask("/api/openapi");
        if (Boolean.getBoolean("restis.api.write")) {
            Object sorted = json.treeToValue(now.body(), Object.class);
            Files.writeString(KEPT, json.writeValueAsString(sorted) + "\n");
        }
        assertThat(json.readTree(Files.readString(KEPT)))
                .as("docs/openapi.json is out of date; run bin/restis api")
                .isEqualTo(now.body());
    }
}
