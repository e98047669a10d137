package dev.restis.core.stock;

import dev.restis.core.measure.Length;
import dev.restis.core.measure.LengthReader;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.measure.VolumeReader;
import dev.restis.core.measure.WeightReader;
import java.math.BigDecimal;
import java.util.Optional;

/** What an article is bought and priced by; the books count it in whole parts of it, so that sums stay exact. */
public enum Unit {
    /** Of micrometres. */
    METRE(1_000_000, 2_000L),
    PIECE(1, 100_000L),
    /** Of microlitres. */
    MILLILITRE(1_000, 100_000L),
    /** Of milligrams. */
    GRAM(1_000, 100_000L);

    private final long parts;
    private final long most;

    Unit(long parts, long most) {
        this.parts = parts;
        this.most = most * parts;
    }

    /** How many of what the books count make one of it. */
    public long parts() {
        return parts;
    }

    /** The most that one put-up may hold, as the books count. */
    public long most() {
        return most;
    }

    /** An amount as typed, as the books count it; empty when it is none. */
    public Optional<Long> read(String text, UnitSystem units) {
        return switch (this) {
            case METRE -> LengthReader.read(text, units).map(Length::micrometres);
            case PIECE ->
                Optional.of(text.strip()).filter(t -> t.matches("\\d{1,7}")).map(Long::parseLong);
            case MILLILITRE -> VolumeReader.read(text);
            case GRAM -> WeightReader.read(text, units);
        };
    }

    /** An amount as {@link #read} takes it. */
    public String write(long quantity) {
        return switch (this) {
            case METRE -> new Length(quantity).toString();
            case PIECE -> Long.toString(quantity);
            case MILLILITRE -> decimal(quantity) + " ml";
            case GRAM -> decimal(quantity) + " g";
        };
    }

    private String decimal(long quantity) {
        return BigDecimal.valueOf(quantity)
                .divide(BigDecimal.valueOf(parts))
                .stripTrailingZeros()
                .toPlainString();
    }
}
