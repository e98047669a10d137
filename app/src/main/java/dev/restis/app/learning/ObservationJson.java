package dev.restis.app.learning;

import dev.restis.core.learning.Use;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** What is kept of observations beside their figures; doubles are written so that they are read back to the last bit. */
final class ObservationJson {

    private static final JsonMapper JSON = JsonMapper.builder()
            // What a migration wrote says only what it must.
            .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
            .build();

    private ObservationJson() {}

    static String write(Object what) {
        return JSON.writeValueAsString(what);
    }

    static <T> T read(String json, Class<T> type) {
        return JSON.readValue(json, type);
    }

    static Use use(String json) {
        return JSON.readValue(json, Use.class);
    }
}
