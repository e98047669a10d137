package dev.restis.app.platform;

import dev.restis.core.measure.Fault;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Reading of plain text fields. */
public final class Texts {

    private Texts() {}

    /** The text without surrounding blanks, or empty when there is none. */
    public static Optional<String> given(@Nullable String text) {
        return Optional.ofNullable(text).map(String::strip).filter(t -> !t.isEmpty());
    }

    /** The text, with a fault added when it is missing or too long; then an empty string. */
    public static String required(@Nullable String text, String field, int longest, List<Fault> faults) {
        Optional<String> given = given(text);
        if (given.isEmpty()) {
            faults.add(Fault.of(field, "missing"));
        } else if (given.get().length() > longest) {
            faults.add(Fault.of(field, "tooLong", longest));
        }
        return given.orElse("");
    }
}
