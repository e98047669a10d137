package dev.restis.app.orders;

import dev.restis.app.platform.Texts;
import dev.restis.core.measure.Fault;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** Reads a date wanted: {@code 2026-12-24}, or {@code in 12 days}. */
final class DueDate {

    private static final Pattern IN_DAYS = Pattern.compile("in (\\d{1,3}) days?");

    private DueDate() {}

    /** As {@link #read}, for a field that is being typed in: what cannot be read is no day yet. */
    static @Nullable LocalDate readOrNone(@Nullable String text, LocalDate today) {
        return Texts.given(text)
                .flatMap(given -> read(given, today, "", new ArrayList<>()))
                .orElse(null);
    }

    static Optional<LocalDate> read(String text, LocalDate today, String field, List<Fault> faults) {
        Matcher inDays = IN_DAYS.matcher(text.strip().toLowerCase(Locale.ROOT));
        if (inDays.matches()) {
            return Optional.of(today.plusDays(Long.parseLong(inDays.group(1))));
        }
        try {
            return Optional.of(LocalDate.parse(text.strip()));
        } catch (DateTimeParseException e) {
            faults.add(Fault.of(field, "due.unread", text));
            return Optional.empty();
        }
    }
}
