package dev.restis.core.measure;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads volumes as people write them: {@code 20 ml}, {@code 0,5 l}, {@code 2 fl oz}; a bare number is millilitres. A fluid
 * ounce is the US one, exactly 29.5735295625 ml.
 */
public final class VolumeReader {

    private static final Pattern VOLUME = Pattern.compile("(\\d{1,7}(?:[.,]\\d{1,6})?)\\s*(µl|ml|cl|l|fl oz)?");
    private static final Map<String, BigDecimal> MICROLITRES = Map.of(
            "µl", BigDecimal.ONE,
            "ml", BigDecimal.valueOf(1000),
            "cl", BigDecimal.valueOf(10_000),
            "l", BigDecimal.valueOf(1_000_000),
            "fl oz", new BigDecimal("29573.5295625"));

    private VolumeReader() {}

    /** The volume in microlitres, to the nearest; empty when it is no volume. */
    public static Optional<Long> read(String text) {
        Matcher matcher = VOLUME.matcher(text.strip().toLowerCase(Locale.ROOT));
        if (!matcher.matches()) {
            return Optional.empty();
        }
        return Optional.ofNullable(MICROLITRES.get(matcher.group(2) == null ? "ml" : matcher.group(2)))
                .map(new BigDecimal(matcher.group(1).replace(',', '.'))::multiply)
                .map(ul -> ul.setScale(0, RoundingMode.HALF_UP).longValueExact());
    }
}
