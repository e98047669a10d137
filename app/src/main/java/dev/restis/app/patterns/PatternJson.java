package dev.restis.app.patterns;

import com.fasterxml.jackson.annotation.JsonFormat;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.LengthReader;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.pattern.Leg;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.Section;
import dev.restis.core.pattern.Section.Extent;
import dev.restis.core.pattern.Section.StopperKind;
import dev.restis.core.stitch.OwnStitch;
import dev.restis.core.stitch.PathElement;
import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.Stitches;
import dev.restis.core.stitch.Waypoint;
import java.util.Arrays;
import java.util.Collection;
import java.util.Map;
import java.util.stream.Collectors;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.exc.InvalidTypeIdException;
import tools.jackson.databind.exc.MismatchedInputException;
import tools.jackson.databind.exc.UnrecognizedPropertyException;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.module.SimpleModule;

/** Patterns as JSON: what files, the editor and the database hold. The format is described in docs/formats.md. */
final class PatternJson {

    private static final int LONGEST = 200_000;
    /** Stitches with their paths, also where they are the library's. */
    private static final JsonMapper PATHS = paths();

    private static final JsonMapper MAPPER = mapper();

    private PatternJson() {}

    static String write(Pattern pattern) {
        return MAPPER.writeValueAsString(pattern);
    }

    static String write(Stitch stitch) {
        return MAPPER.writeValueAsString(stitch);
    }

    /** With its path, also where it is one of the library's. */
    static String writePath(Stitch stitch) {
        return PATHS.writerWithDefaultPrettyPrinter().writeValueAsString(inFile(stitch));
    }

    /** A stitch as patterns hold it. */
    static Map<String, Object> tree(Stitch stitch) {
        return MAPPER.readValue(MAPPER.writeValueAsString(stitch), new TypeReference<>() {});
    }

    /** Reads a stitch that was kept. */
    static Stitch readStitch(String json) {
        return read(MAPPER, json, Stitch.class, "stitch");
    }

    /** Reads a stitch with a path of its own, or says where and why the text is none. */
    static Stitch readPath(String json) {
        return own(read(PATHS, json, Stitch.class, "stitch"));
    }

    /** In files the code of a stitch of one's own lacks the prefix. */
    private static Stitch inFile(Stitch stitch) {
        return stitch.named(OwnStitch.key(stitch));
    }

    private static Stitch own(Stitch inFile) {
        return inFile.named(OwnStitch.PREFIX + inFile.code());
    }

    static String writePretty(Pattern pattern) {
        return MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(pattern);
    }

    /** Reads a pattern, or says where and why the text is none. */
    static Pattern read(String json) {
        return read(MAPPER, json, Pattern.class, "pattern");
    }

    private static <T> T read(JsonMapper mapper, String json, Class<T> type, String field) {
        if (json.length() > LONGEST) {
            throw new Rejected(Fault.of(field, "tooLong", LONGEST));
        }
        try {
            JsonNode tree = mapper.readTree(json);
            T value = tree == null ? null : mapper.treeToValue(EarlierShapes.brought(tree), type);
            if (value == null) {
                throw new Rejected(Fault.of(field, "pattern.json", "it is empty"));
            }
            return value;
        } catch (JacksonException e) {
            throw new Rejected(fault(e, field));
        }
    }

    private static Fault fault(JacksonException e, String field) {
        String path = e.getPath().stream()
                .map(r -> r.getPropertyName() == null ? "[" + r.getIndex() + "]" : "." + r.getPropertyName())
                .collect(Collectors.joining())
                .replaceFirst("^\\.", "");
        return Fault.of(path.isEmpty() ? field : path, "pattern.json", reason(e));
    }

    /** In the words of the format, not of the library that reads it. */
    private static String reason(JacksonException e) {
        Throwable cause = e;
        while (cause.getCause() != null && cause.getCause() != cause) {
            cause = cause.getCause();
        }
        if (cause instanceof UnrecognizedPropertyException unknown) {
            return "\"" + unknown.getPropertyName() + "\" has no place here";
        }
        if (cause instanceof InvalidTypeIdException unknown) {
            return unknown.getTypeId() == null
                    ? "its kind is missing"
                    : "there is no kind \"" + unknown.getTypeId() + "\" here";
        }
        if (cause instanceof MismatchedInputException mismatch) {
            return expected(mismatch);
        }
        if (cause instanceof JacksonException jackson) {
            return String.valueOf(jackson.getOriginalMessage())
                    .lines()
                    .findFirst()
                    .orElse("");
        }
        return cause instanceof NullPointerException ? "a part is missing" : String.valueOf(cause.getMessage());
    }

    private static String expected(MismatchedInputException mismatch) {
        Class<?> type = mismatch.getTargetType();
        if (String.valueOf(mismatch.getOriginalMessage()).startsWith("Null value")) {
            return "a part is missing";
        }
        if (type != null && type.isEnum()) {
            return "one of "
                    + Arrays.stream(type.getEnumConstants())
                            .map(String::valueOf)
                            .collect(Collectors.joining(", ")) + " is expected";
        }
        if (type != null && (type.isPrimitive() || Number.class.isAssignableFrom(type))) {
            return type == boolean.class ? "true or false is expected" : "a number in range is expected";
        }
        if (type != null && Collection.class.isAssignableFrom(type)) {
            return "a list is expected";
        }
        return "something else is expected here";
    }

    private static JsonMapper mapper() {
        SimpleModule module = new SimpleModule();
        module.addSerializer(Stitch.class, new StitchWriter());
        module.addDeserializer(Stitch.class, new StitchReader());
        return PATHS.rebuild().addModule(module).build();
    }

    private static JsonMapper paths() {
        SimpleModule module = new SimpleModule();
        module.addSerializer(Length.class, new LengthWriter());
        module.addDeserializer(Length.class, new LengthTextReader());
        module.addSerializer(Leg.class, new LegJson.Writer());
        module.addDeserializer(Leg.class, new LegJson.Reader());
        return JsonMapper.builder()
                .addModule(module)
                .addMixIn(Section.class, SectionKinds.class)
                .addMixIn(Extent.class, ExtentKinds.class)
                .addMixIn(StopperKind.class, StopperKinds.class)
                .addMixIn(PathElement.class, ElementKinds.class)
                .addMixIn(Waypoint.class, PointOfThree.class)
                .changeDefaultPropertyInclusion(i -> i.withValueInclusion(JsonInclude.Include.NON_ABSENT))
                .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
                .enable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
                .enable(DeserializationFeature.FAIL_ON_NULL_CREATOR_PROPERTIES)
                .build();
    }

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "section")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Section.Mount.class, name = "mount"),
        @JsonSubTypes.Type(value = Section.Eye.class, name = "eye"),
        @JsonSubTypes.Type(value = Section.Body.class, name = "body"),
        @JsonSubTypes.Type(value = Section.Knot.class, name = "knot"),
        @JsonSubTypes.Type(value = Section.Threaded.class, name = "threaded"),
        @JsonSubTypes.Type(value = Section.Slider.class, name = "slider"),
        @JsonSubTypes.Type(value = Section.SlideBead.class, name = "slide-bead"),
        @JsonSubTypes.Type(value = Section.SlidingKnots.class, name = "sliding-knots"),
        @JsonSubTypes.Type(value = Section.Noose.class, name = "noose"),
        @JsonSubTypes.Type(value = Section.Stopper.class, name = "stopper"),
        @JsonSubTypes.Type(value = Section.Buttonhole.class, name = "buttonhole"),
        @JsonSubTypes.Type(value = Section.TuckBack.class, name = "tuck-back"),
        @JsonSubTypes.Type(value = Section.Wrapped.class, name = "wrapped"),
        @JsonSubTypes.Type(value = Section.Fringe.class, name = "fringe"),
        @JsonSubTypes.Type(value = Section.EndBeads.class, name = "end-beads"),
        @JsonSubTypes.Type(value = Section.Attached.class, name = "attached")
    })
    private interface SectionKinds {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "extent")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Extent.Rest.class, name = "rest"),
        @JsonSubTypes.Type(value = Extent.Repeats.class, name = "repeats")
    })
    private interface ExtentKinds {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "stopper")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = StopperKind.Knotted.class, name = "knot"),
        @JsonSubTypes.Type(value = StopperKind.Part.class, name = "part")
    })
    private interface StopperKinds {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "element")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = PathElement.AroundCore.class, name = "around-core"),
        @JsonSubTypes.Type(value = PathElement.AroundGroup.class, name = "around-group"),
        @JsonSubTypes.Type(value = PathElement.AroundCoreAnd.class, name = "around-core-and"),
        @JsonSubTypes.Type(value = PathElement.AroundPartner.class, name = "around-partner"),
        @JsonSubTypes.Type(value = PathElement.AroundSide.class, name = "around-side"),
        @JsonSubTypes.Type(value = PathElement.AroundOuterCore.class, name = "around-outer-core"),
        @JsonSubTypes.Type(value = PathElement.AroundWorking.class, name = "around-working"),
        @JsonSubTypes.Type(value = PathElement.AcrossSide.class, name = "across-side"),
        @JsonSubTypes.Type(value = PathElement.Bight.class, name = "bight"),
        @JsonSubTypes.Type(value = PathElement.Across.class, name = "across"),
        @JsonSubTypes.Type(value = PathElement.Weave.class, name = "weave"),
        @JsonSubTypes.Type(value = PathElement.Measured.class, name = "measured"),
        @JsonSubTypes.Type(value = PathElement.Along.class, name = "along")
    })
    private interface ElementKinds {}

    /** Along, across and level, in this order. */
    @JsonFormat(shape = JsonFormat.Shape.ARRAY)
    @JsonPropertyOrder({"along", "across", "level"})
    private interface PointOfThree {}

    private static final class LengthWriter extends ValueSerializer<Length> {
        @Override
        public void serialize(Length value, JsonGenerator json, SerializationContext context) {
            json.writeString(value.toString());
        }
    }

    private static final class LengthTextReader extends ValueDeserializer<Length> {
        @Override
        public Length deserialize(JsonParser json, DeserializationContext context) {
            String text = json.getValueAsString("");
            return "0 mm".equals(text)
                    ? Length.ZERO
                    : LengthReader.read(text, UnitSystem.METRIC)
                            .orElseThrow(() -> new IllegalArgumentException("\"" + text + "\" is not a length"));
        }
    }

    private static final class StitchWriter extends ValueSerializer<Stitch> {
        @Override
        public void serialize(Stitch value, JsonGenerator json, SerializationContext context) {
            if (Stitches.byCode(value.code()).isPresent()) {
                json.writeString(value.code());
            } else {
                OwnStitch.of(value)
                        .ifPresentOrElse(
                                own -> context.writeValue(json, own),
                                () -> json.writePOJO(PATHS.<JsonNode>valueToTree(inFile(value))));
            }
        }
    }

    private static final class StitchReader extends ValueDeserializer<Stitch> {
        @Override
        public Stitch deserialize(JsonParser json, DeserializationContext context) {
            if (json.currentToken() == JsonToken.START_OBJECT) {
                JsonNode node = context.readTree(json);
                return node.has("paths")
                        ? own(PATHS.treeToValue(node, Stitch.class))
                        : context.readTreeAsValue(node, OwnStitch.class).stitch();
            }
            String code = json.getValueAsString("");
            return Stitches.byCode(code)
                    .orElseThrow(() -> new IllegalArgumentException("there is no stitch \"" + code + "\"; there are "
                            + Stitches.all().stream().map(Stitch::code).collect(Collectors.joining(", "))));
        }
    }
}
