package dev.restis.app.orders;

import dev.restis.core.measure.Fault;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads a date wanted: {@code 2026-12-24}, or {@code in 12 days}. */
final class DueDate {

    private static final Pattern IN_DAYS = Pattern.compile("in (\\d{1,3}) days?");

    private DueDate() {}

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
