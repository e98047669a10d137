package dev.restis.app.platform;

import org.jspecify.annotations.Nullable;

/**
 * One field that cannot be worked with.
 *
 * @param field the field as the request names it
 * @param code stable key
 * @param message what is wrong
 * @param remedy what to do
 * @param meantUm the length that was likely meant
 */
public record FieldProblem(
        String field,
        String code,
        String message,
        String remedy,
        @Nullable Long meantUm) {}
