package dev.restis.core.measure;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads a length as people type it: {@code 7 1/4}, {@code 18,5}, {@code 1.2m}, {@code 6ft 3}, {@code 410 mm}.
 *
 * <p>A number without a unit is in the reader's own unit (centimetres or inches); a bare fraction is always inches,
 * because nobody writes centimetres in fractions; a bare number after feet is inches, after metres centimetres. Comma
 * and point both mark decimals; thousands separators are not read. Cost is linear in the text.
 */
public final class LengthReader {

    private static final int LONGEST_TEXT = 40;
    private static final double INCH = 25_400.0;
    private static final Map<String, Double> UNITS = Map.ofEntries(
            Map.entry("mm", 1_000.0),
            Map.entry("cm", 10_000.0),
            Map.entry("m", 1_000_000.0),
            Map.entry("in", INCH),
            Map.entry("inch", INCH),
            Map.entry("inches", INCH),
            Map.entry("\"", INCH),
            Map.entry("ft", 12 * INCH),
            Map.entry("foot", 12 * INCH),
            Map.entry("feet", 12 * INCH),
            Map.entry("'", 12 * INCH));
    private static final Pattern TERM = Pattern.compile(
            "(?:(\\d+)\\s+)?(\\d+)\\s*/\\s*(\\d+)\\s*([a-z\"']*)|(\\d*[.,]?\\d+|\\d+[.,])\\s*([a-z\"']*)");

    private LengthReader() {}

    /** The length that {@code text} means, or empty when it is no length or below zero. */
    public static Optional<Length> read(String text, UnitSystem system) {
        if (text.length() > LONGEST_TEXT) {
            return Optional.empty();
        }
        String rest = normalise(text);
        double total = 0;
        double previousUnit = Double.MAX_VALUE;
        boolean any = false;
        while (!rest.isEmpty()) {
            Matcher matcher = TERM.matcher(rest);
            if (!matcher.lookingAt()) {
                return Optional.empty();
            }
            Optional<Double> unit = unitOf(matcher, previousUnit, system);
            if (unit.isEmpty() || unit.get() >= previousUnit) {
                return Optional.empty();
            }
            double number = numberOf(matcher);
            if (!Double.isFinite(number)) {
                return Optional.empty();
            }
            total += number * unit.get();
            previousUnit = unit.get();
            any = true;
            rest = rest.substring(matcher.end()).strip();
        }
        return any && total < 1e12 ? Optional.of(new Length(Math.round(total))) : Optional.empty();
    }

    private static String normalise(String text) {
        return text.strip()
                .toLowerCase(Locale.ROOT)
                .replace("½", " 1/2")
                .replace("¼", " 1/4")
                .replace("¾", " 3/4")
                .replace("⅛", " 1/8")
                .replace("⅜", " 3/8")
                .replace("⅝", " 5/8")
                .replace("⅞", " 7/8")
                .replace('″', '"')
                .replace('′', '\'')
                .replace('”', '"')
                .replace('’', '\'')
                .strip();
    }

    private static Optional<Double> unitOf(Matcher matcher, double previousUnit, UnitSystem system) {
        boolean fraction = matcher.group(3) != null;
        String name = fraction ? matcher.group(4) : matcher.group(6);
        if (!name.isEmpty()) {
            return Optional.ofNullable(UNITS.get(name));
        }
        if (fraction || previousUnit == 12 * INCH) {
            return Optional.of(INCH);
        }
        if (previousUnit == 1_000_000.0) {
            return Optional.of(10_000.0);
        }
        return previousUnit == Double.MAX_VALUE ? Optional.of(system.bareUnitMicrometres()) : Optional.empty();
    }

    private static double numberOf(Matcher matcher) {
        if (matcher.group(3) != null) {
            double whole = matcher.group(1) == null ? 0 : Double.parseDouble(matcher.group(1));
            return whole + Double.parseDouble(matcher.group(2)) / Double.parseDouble(matcher.group(3));
        }
        return Double.parseDouble(matcher.group(5).replace(',', '.'));
    }
}
