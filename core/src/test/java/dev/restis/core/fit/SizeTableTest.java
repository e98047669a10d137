package dev.restis.core.fit;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.fit.SizeTable.Row;
import dev.restis.core.measure.Length;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SizeTableTest {

    /** A form begins with it, whatever a house calls its sizes. */
    @ParameterizedTest
    @CsvSource({"one, one", "small large, large", "S M L, M", "a b c d, c"})
    void theMiddleSizeIsTheLargerOfTwo(String names, String middle) {
        List<Row> rows = Stream.of(names.split(" "))
                .map(name -> new Row(name, Length.ofMillimetres(100 + name.hashCode() % 7), Length.ofMillimetres(300)))
                .toList();
        assertThat(new SizeTable(rows).middle().name()).isEqualTo(middle);
    }
}
