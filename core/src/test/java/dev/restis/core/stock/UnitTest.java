package dev.restis.core.stock;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.measure.UnitSystem;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

class UnitTest {

    /** An ounce is 28.349523125 g, a US fluid ounce 29.5735295625 ml. */
    @ParameterizedTest
    @CsvSource({
        "METRE, 12.4 m, METRIC, 12400000",
        "METRE, 3 in, METRIC, 76200",
        "PIECE, 37, METRIC, 37",
        "PIECE, ' 250 ', IMPERIAL, 250",
        "MILLILITRE, '0,05', METRIC, 50",
        "MILLILITRE, 20 ml, IMPERIAL, 20000",
        "MILLILITRE, 0.5 l, METRIC, 500000",
        "MILLILITRE, 1 fl oz, METRIC, 29574",
        "GRAM, 1.5, METRIC, 1500",
        "GRAM, 1, IMPERIAL, 28350",
    })
    void readsWhatItCounts(Unit unit, String text, UnitSystem units, long quantity) {
        assertThat(unit.read(text, units)).contains(quantity);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "-3", "3.5", "2 boxes", "12345678"})
    void piecesAreWhole(String text) {
        assertThat(Unit.PIECE.read(text, UnitSystem.METRIC)).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "-1 ml", "3 g", "ml", "1e3", "1 000 ml"})
    void aVolumeIsNothingElse(String text) {
        assertThat(Unit.MILLILITRE.read(text, UnitSystem.METRIC)).isEmpty();
    }

    @ParameterizedTest
    @EnumSource
    void whatIsWrittenIsReadAgain(Unit unit) {
        Random random = new Random(3);
        for (int i = 0; i < 500; i++) {
            long quantity = 1 + (long) (random.nextDouble() * (unit.most() - 1));
            assertThat(unit.read(unit.write(quantity), UnitSystem.IMPERIAL)).contains(quantity);
        }
    }
}
