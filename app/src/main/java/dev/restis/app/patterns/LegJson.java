package dev.restis.app.patterns;

import dev.restis.core.pattern.Course;
import dev.restis.core.pattern.Course.Turn;
import dev.restis.core.pattern.Leg;
import dev.restis.core.stitch.Seat;
import java.util.Optional;
import java.util.stream.Stream;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;

/** A leg as JSON: the seat it runs in, or, where it turns round, the list of its courses. */
final class LegJson {

    /** What a turn is called. */
    enum TurnKind {
        PART,
        EAR,
        BACK
    }

    /**
     * A course.
     *
     * @param turn how it goes over into the next; nothing for the last
     * @param hardware the part that it turns at
     */
    record CourseText(Seat seat, Optional<TurnKind> turn, Optional<String> hardware) {

        static CourseText of(Course course) {
            if (course.turn() instanceof Turn.AtPart part) {
                return new CourseText(course.seat(), Optional.of(TurnKind.PART), Optional.of(part.hardware()));
            }
            Optional<TurnKind> turn = course.last()
                    ? Optional.empty()
                    : Optional.of(course.turn() instanceof Turn.Ear ? TurnKind.EAR : TurnKind.BACK);
            return new CourseText(course.seat(), turn, Optional.empty());
        }

        Course course() {
            return new Course(
                    seat,
                    turn.<Turn>map(kind -> switch (kind) {
                                case PART -> new Turn.AtPart(hardware.orElse(""));
                                case EAR -> new Turn.Ear();
                                case BACK -> new Turn.Back();
                            })
                            .orElse(Course.END));
        }
    }

    private LegJson() {}

    static final class Writer extends ValueSerializer<Leg> {
        @Override
        public void serialize(Leg value, JsonGenerator json, SerializationContext context) {
            if (value.courses().size() == 1) {
                json.writeString(value.first().name());
            } else {
                context.writeValue(
                        json, value.courses().stream().map(CourseText::of).toList());
            }
        }
    }

    static final class Reader extends ValueDeserializer<Leg> {
        @Override
        public Leg deserialize(JsonParser json, DeserializationContext context) {
            if (json.currentToken() == JsonToken.START_ARRAY) {
                return new Leg(Stream.of(context.readValue(json, CourseText[].class))
                        .map(CourseText::course)
                        .toList());
            }
            return Leg.in(context.readValue(json, Seat.class));
        }
    }
}
