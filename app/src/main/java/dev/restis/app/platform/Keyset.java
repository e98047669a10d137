package dev.restis.app.platform;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * A page of a list that is read on from where the page before ended, rather than from the so-manieth row: it takes no longer at
 * the end of a long list, and what is added meanwhile moves nothing.
 *
 * @param next what to ask for the rows after these; nothing when there are none
 */
public record Keyset<T>(List<T> rows, @Nullable String next) {

    private static final char BETWEEN = '~';

    /**
     * @param found the rows of the page and, where there are more, at least one after them
     * @param place what the list is sorted by, in its order; none but the last may hold a tilde
     */
    public static <T> Keyset<T> of(List<T> found, int size, Function<T, List<Object>> place) {
        List<T> rows = List.copyOf(found.subList(0, Math.min(size, found.size())));
        return new Keyset<>(rows, found.size() > size ? join(place.apply(rows.get(size - 1))) : null);
    }

    private static String join(List<Object> place) {
        return place.stream()
                .map(String::valueOf)
                .collect(java.util.stream.Collectors.joining(String.valueOf(BETWEEN)));
    }

    /** The parts of a place, or nothing when it is none of so many parts: then the list begins anew. */
    public static Optional<List<String>> read(@Nullable String after, String... forms) {
        if (after == null) {
            return Optional.empty();
        }
        List<String> parts = List.of(after.split(String.valueOf(BETWEEN), forms.length));
        boolean fits = parts.size() == forms.length;
        for (int i = 0; fits && i < forms.length; i++) {
            fits = parts.get(i).matches(forms[i]);
        }
        return fits ? Optional.of(parts) : Optional.empty();
    }
}
