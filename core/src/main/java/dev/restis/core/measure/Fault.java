package dev.restis.core.measure;

import java.util.List;

/**
 * Something a user typed that cannot be worked with.
 *
 * @param field the field as the API names it, e.g. {@code wrist} or {@code colours[1]}
 * @param code key of the message and of its remedy, e.g. {@code wrist.range}
 * @param args figures for the message, in the order it uses them
 */
public record Fault(String field, String code, List<Object> args) {

    public Fault {
        args = List.copyOf(args);
    }

    public static Fault of(String field, String code, Object... args) {
        return new Fault(field, code, List.of(args));
    }
}
