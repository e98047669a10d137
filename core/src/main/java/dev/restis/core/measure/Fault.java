package dev.restis.core.measure;

import java.util.List;
import java.util.Optional;

/**
 * Something a user typed that cannot be worked with.
 *
 * @param field the field as the API names it, e.g. {@code wrist} or {@code colours[1]}
 * @param code key of the message and of its remedy, e.g. {@code wrist.range}
 * @param args figures for the message, in the order it uses them
 * @param likely the length that was likely meant
 */
public record Fault(String field, String code, List<Object> args, Optional<Length> likely) {

    public Fault {
        args = List.copyOf(args);
    }

    public Fault(String field, String code, List<Object> args) {
        this(field, code, args, Optional.empty());
    }

    /** The same, with the length that was likely meant. */
    public Fault meant(Length length) {
        return new Fault(field, code, args, Optional.of(length));
    }

    public static Fault of(String field, String code, Object... args) {
        return new Fault(field, code, List.of(args));
    }
}
