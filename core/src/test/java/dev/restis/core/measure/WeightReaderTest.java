package dev.restis.core.measure;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class WeightReaderTest {

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            280 g     | METRIC   | 280000
            280       | METRIC   | 280000
            0,28 kg   | METRIC   | 280000
            1.5kg     | IMPERIAL | 1500000
            12 mg     | METRIC   | 12
            0.0004 g  | METRIC   | 0
            1 oz      | METRIC   | 28350
            10        | IMPERIAL | 283495
            1 LB      | METRIC   | 453592
            """)
    void weightsAreReadToTheMilligram(String text, UnitSystem units, long milligrams) {
        assertThat(WeightReader.read(text, units)).contains(milligrams);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "g", "-3 g", "3 m", "1e3", "12,3,4 g", "99999999", "ten grams", "3 g 2"})
    void whatIsNoWeightIsNotRead(String text) {
        assertThat(WeightReader.read(text, UnitSystem.METRIC)).isEmpty();
    }
}
