package dev.restis.core.measure;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads weights as people write them: {@code 280 g}, {@code 0,28 kg}, {@code 9.9 oz}; a bare number is grams, or ounces
 * where inches are in use. Exact: an ounce is 28.349523125 g, a pound 16 of them.
 */
public final class WeightReader {

    private static final Pattern WEIGHT = Pattern.compile("(\\d{1,7}(?:[.,]\\d{1,6})?)\\s*(mg|g|kg|oz|lb)?");
    private static final BigDecimal OUNCE = new BigDecimal("28349.523125");
    private static final Map<String, BigDecimal> MILLIGRAMS = Map.of(
            "mg", BigDecimal.ONE,
            "g", BigDecimal.valueOf(1000),
            "kg", BigDecimal.valueOf(1_000_000),
            "oz", OUNCE,
            "lb", OUNCE.multiply(BigDecimal.valueOf(16)));

    private WeightReader() {}

    /** The weight in milligrams, to the nearest; empty when it is no weight. */
    public static Optional<Long> read(String text, UnitSystem units) {
        Matcher matcher = WEIGHT.matcher(text.strip().toLowerCase(Locale.ROOT));
        if (!matcher.matches()) {
            return Optional.empty();
        }
        String unit = matcher.group(2) == null ? (units == UnitSystem.METRIC ? "g" : "oz") : matcher.group(2);
        return Optional.ofNullable(MILLIGRAMS.get(unit))
                .map(new BigDecimal(matcher.group(1).replace(',', '.'))::multiply)
                .map(mg -> mg.setScale(0, RoundingMode.HALF_UP).longValueExact());
    }
}
