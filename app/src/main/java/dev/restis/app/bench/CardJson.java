package dev.restis.app.bench;

import dev.restis.core.make.WorkCard;
import dev.restis.core.measure.Length;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Duration;
import java.util.HexFormat;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.deser.std.StdDeserializer;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.ser.std.StdSerializer;

/** Cards as they are kept: lengths in micrometres, times in seconds, everything else by its name. */
final class CardJson {

    private static final JsonMapper MAPPER = JsonMapper.builder()
            // Cards that were kept before something was added to them lack it.
            .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
            .addModule(new SimpleModule()
                    .addSerializer(Length.class, new Micrometres())
                    .addDeserializer(Length.class, new Lengths())
                    .addSerializer(Duration.class, new Seconds())
                    .addDeserializer(Duration.class, new Durations()))
            .build();

    private CardJson() {}

    static String write(WorkCard card) {
        return MAPPER.writeValueAsString(card);
    }

    static WorkCard read(String json) {
        return MAPPER.readValue(json, WorkCard.class);
    }

    /** The same for cards that say the same, and for no others. */
    static String digest(String json) {
        try {
            return HexFormat.of()
                    .formatHex(MessageDigest.getInstance("SHA-256").digest(json.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Impossible state: every Java has SHA-256", e);
        }
    }

    private static final class Micrometres extends StdSerializer<Length> {
        Micrometres() {
            super(Length.class);
        }

        @Override
        public void serialize(Length length, JsonGenerator out, SerializationContext context) {
            out.writeNumber(length.micrometres());
        }
    }

    private static final class Lengths extends StdDeserializer<Length> {
        Lengths() {
            super(Length.class);
        }

        @Override
        public Length deserialize(JsonParser in, DeserializationContext context) {
            return new Length(in.getLongValue());
        }
    }

    private static final class Seconds extends StdSerializer<Duration> {
        Seconds() {
            super(Duration.class);
        }

        @Override
        public void serialize(Duration time, JsonGenerator out, SerializationContext context) {
            out.writeNumber(time.toSeconds());
        }
    }

    private static final class Durations extends StdDeserializer<Duration> {
        Durations() {
            super(Duration.class);
        }

        @Override
        public Duration deserialize(JsonParser in, DeserializationContext context) {
            return Duration.ofSeconds(in.getLongValue());
        }
    }
}
