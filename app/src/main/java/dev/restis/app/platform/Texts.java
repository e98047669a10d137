package dev.restis.app.platform;

import dev.restis.core.measure.Fault;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Arrays;
import java.util.IllformedLocaleException;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.context.MessageSource;

/** Reading of plain text fields. */
public final class Texts {

    private static final Pattern MONEY = Pattern.compile("\\d{1,9}([.,]\\d{1,4})?");

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEEE, d MMMM yyyy", Locale.ENGLISH);

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

    /** The text, or an empty one; with a fault added when it is too long. */
    public static String optional(@Nullable String text, String field, int longest, List<Fault> faults) {
        String given = given(text).orElse("");
        if (given.length() > longest) {
            faults.add(Fault.of(field, "tooLong", longest));
        }
        return given;
    }

    /** A language's tag as it is usually written, or an empty one; nothing when it is none. */
    public static Optional<String> language(@Nullable String text) {
        String given = given(text).orElse("");
        try {
            return Optional.of(
                    given.isEmpty()
                            ? given
                            : new Locale.Builder().setLanguageTag(given).build().toLanguageTag());
        } catch (IllformedLocaleException e) {
            return Optional.empty();
        }
    }

    /** An amount of money as typed, to four decimals; 0 with a fault when it cannot be read. */
    public static BigDecimal money(@Nullable String typed, String field, List<Fault> faults) {
        String text = given(typed).orElse("");
        if (!MONEY.matcher(text).matches()) {
            faults.add(Fault.of(field, "price.unread", text));
            return BigDecimal.ZERO;
        }
        return new BigDecimal(text.replace(',', '.'));
    }

    /** The text, cut off with dots where it is longer. */
    public static String shortened(String text, int longest) {
        return text.length() <= longest ? text : text.substring(0, longest - 1).stripTrailing() + "…";
    }

    /** Words of the message files with figures as they are, without grouping. */
    public static String words(MessageSource messages, String code, @Nullable Object... figures) {
        Object[] plain = Arrays.stream(figures).map(String::valueOf).toArray();
        return messages.getMessage(code, plain, Locale.ENGLISH);
    }

    /** Words of the message files in a language, with figures as they are; in English where there are none in it. */
    public static String words(MessageSource messages, Locale language, String code, @Nullable Object... figures) {
        Object[] plain = Arrays.stream(figures).map(String::valueOf).toArray();
        return messages.getMessage(code, plain, language);
    }

    /** A day as sheets have it, in a language. */
    public static String day(LocalDate day, Locale language) {
        return DAY.withLocale(language).format(day);
    }

    /** A day as sheets have it. */
    public static String day(LocalDate day) {
        return DAY.format(day);
    }
}
