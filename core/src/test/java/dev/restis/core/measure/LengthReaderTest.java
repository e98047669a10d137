package dev.restis.core.measure;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class LengthReaderTest {

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', textBlock = """
                    18,5      | 185000
                    18.5      | 185000
                    18        | 180000
                    410 mm    | 410000
                    410mm     | 410000
                    1.2m      | 1200000
                    1,2 M     | 1200000
                    1m 20     | 1200000
                    2 m 5 cm  | 2050000
                    .5 cm     | 5000
                    7 1/4     | 184150
                    7 1/4 in  | 184150
                    7¼        | 184150
                    7 ¼"      | 184150
                    1/2"      | 12700
                    7 inches  | 177800
                    6ft 3     | 1905000
                    6' 3 1/2" | 1917700
                    6′ 3″     | 1905000
                    2 feet    | 609600
                    """)
    void readsWhatPeopleType(String text, long micrometres) {
        assertThat(LengthReader.read(text, UnitSystem.METRIC)).contains(new Length(micrometres));
    }

    @ParameterizedTest
    @CsvSource({"7.25, 184150", "7 1/4, 184150", "18 cm, 180000", "'7,25', 184150"})
    void readsBareNumbersAsInchesForPeopleWhoWorkInInches(String text, long micrometres) {
        assertThat(LengthReader.read(text, UnitSystem.IMPERIAL)).contains(new Length(micrometres));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                " ",
                "abc",
                "-5",
                "18 19",
                "18cmm",
                "3 in 6 ft",
                "5 cm 4 cm",
                "7 1/0",
                "1.2.3",
                "1,000,000",
                "=18",
                "18 cm<b>",
                "NaN",
                "1e3",
                "99999999999999999999m",
                "٣٤x",
                "this text is far too long to be any length at all"
            })
    void refusesWhatIsNoLength(String text) {
        assertThat(LengthReader.read(text, UnitSystem.METRIC)).isEmpty();
    }
}
