package dev.restis.core.order;

import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.Month;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Days as people write them, seen from today. A day without a year is the next such day, today among them. */
final class Days {

    private static final Pattern ISO = Pattern.compile("(\\d{4})-(\\d{1,2})-(\\d{1,2})");
    private static final Pattern DOTTED = Pattern.compile("(\\d{1,2})\\.(\\d{1,2})\\.?(\\d{4})?");
    private static final Pattern SLASHED = Pattern.compile("(\\d{1,2})/(\\d{1,2})(?:/(\\d{4}))?");
    private static final Pattern DAY_MONTH = Pattern.compile("(\\d{1,2})\\.? ?([a-z]{3,9})");
    private static final Pattern MONTH_DAY = Pattern.compile("([a-z]{3,9}) ?(\\d{1,2})");
    private static final Pattern AHEAD = Pattern.compile("(\\d{1,3}) ?(d|days?|w|weeks?)");
    private static final int SHORTEST_WORD = 3;

    private final LocalDate today;

    Days(LocalDate today) {
        this.today = today;
    }

    /** The days that may be meant: none, one, or two where day and month can be swapped. */
    List<LocalDate> read(String text) {
        String asked = text.toLowerCase(Locale.ROOT).strip();
        Optional<LocalDate> word = word(asked);
        if (word.isPresent()) {
            return List.of(word.get());
        }
        Matcher iso = ISO.matcher(asked);
        if (iso.matches()) {
            return day(iso.group(1), iso.group(2), iso.group(3)).stream().toList();
        }
        Matcher dotted = DOTTED.matcher(asked);
        if (dotted.matches()) {
            return day(dotted.group(3), dotted.group(2), dotted.group(1)).stream()
                    .toList();
        }
        Matcher slashed = SLASHED.matcher(asked);
        if (slashed.matches()) {
            List<LocalDate> both = new ArrayList<>();
            day(slashed.group(3), slashed.group(2), slashed.group(1)).ifPresent(both::add);
            day(slashed.group(3), slashed.group(1), slashed.group(2))
                    .filter(d -> !both.contains(d))
                    .ifPresent(both::add);
            return both;
        }
        return named(asked).stream().toList();
    }

    /** {@code 5d} or {@code 2 weeks} from today. */
    Optional<LocalDate> ahead(String text) {
        Matcher ahead = AHEAD.matcher(text.toLowerCase(Locale.ROOT).strip());
        if (!ahead.matches()) {
            return Optional.empty();
        }
        long count = Long.parseLong(ahead.group(1));
        return Optional.of(ahead.group(2).startsWith("w") ? today.plusWeeks(count) : today.plusDays(count));
    }

    private Optional<LocalDate> word(String asked) {
        if (asked.equals("today")) {
            return Optional.of(today);
        }
        if (asked.equals("tomorrow")) {
            return Optional.of(today.plusDays(1));
        }
        return begun(asked, DayOfWeek.values()).map(day -> today.with(TemporalAdjusters.next(day)));
    }

    private Optional<LocalDate> named(String asked) {
        Matcher dayFirst = DAY_MONTH.matcher(asked);
        if (dayFirst.matches()) {
            return begun(dayFirst.group(2), Month.values())
                    .flatMap(m -> day(null, String.valueOf(m.getValue()), dayFirst.group(1)));
        }
        Matcher monthFirst = MONTH_DAY.matcher(asked);
        return monthFirst.matches()
                ? begun(monthFirst.group(1), Month.values())
                        .flatMap(m -> day(null, String.valueOf(m.getValue()), monthFirst.group(2)))
                : Optional.empty();
    }

    /** The constant whose name begins so, by three letters or more. */
    private static <E extends Enum<E>> Optional<E> begun(String asked, E[] values) {
        if (asked.length() < SHORTEST_WORD) {
            return Optional.empty();
        }
        for (E value : values) {
            if (value.name().toLowerCase(Locale.ROOT).startsWith(asked)) {
                return Optional.of(value);
            }
        }
        return Optional.empty();
    }

    private Optional<LocalDate> day(@org.jspecify.annotations.Nullable String year, String month, String dayOfMonth) {
        try {
            int m = Integer.parseInt(month);
            int d = Integer.parseInt(dayOfMonth);
            if (year != null) {
                return Optional.of(LocalDate.of(Integer.parseInt(year), m, d));
            }
            // The 29th of February may be years ahead.
            for (int ahead = 0; ahead < 8; ahead++) {
                if (m == 2 && d == 29 && !java.time.Year.isLeap(today.getYear() + ahead)) {
                    continue;
                }
                LocalDate day = LocalDate.of(today.getYear() + ahead, m, d);
                if (!day.isBefore(today)) {
                    return Optional.of(day);
                }
            }
            return Optional.empty();
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }
}
