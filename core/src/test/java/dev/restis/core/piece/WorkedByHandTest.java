package dev.restis.core.piece;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.measure.Length;
import dev.restis.core.measure.Sum;
import dev.restis.core.pattern.PatternBook;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Every strand of every shipped pattern against arithmetic done apart from this code. */
class WorkedByHandTest {

    static Stream<String> rows() throws IOException {
        try (InputStream in = WorkedByHandTest.class.getResourceAsStream("worked-by-hand.txt")) {
            assertThat(in).isNotNull();
            List<String> rows = new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .filter(row -> !row.startsWith("#"))
                    .toList();
            return rows.stream();
        }
    }

    @ParameterizedTest
    @MethodSource("rows")
    void everyStrandComesOutAsByHand(String row) {
        String[] cells = row.split("\\|");
        WorkedPiece piece = Examples.worked(
                Examples.usual(PatternBook.byCode(cells[0].strip()).orElseThrow()));
        assertThat(piece.fit().repeats()).isEqualTo(Integer.parseInt(cells[1].strip()));
        Map<String, Length> byHand = new LinkedHashMap<>();
        for (String strand : cells[2].split(";")) {
            int space = strand.lastIndexOf(' ');
            byHand.put(
                    strand.substring(0, space).strip(),
                    Length.ofMillimetres(
                            Long.parseLong(strand.substring(space + 1).strip())));
        }
        assertThat(piece.strands())
                .allSatisfy(strand ->
                        assertThat(withPlainMargin(strand)).as(strand.role()).isEqualTo(byHand.get(strand.role())));
        assertThat(piece.strands()).extracting(WorkedStrand::role).containsAll(byHand.keySet());
    }

    /**
     * The figures by hand add 0.12 * 2.0537 of all that is tied, as a check that every term is there and is tied or not; what is
     * cut follows from the same terms by the law of docs/learning.md, which has tests of its own.
     */
    private static Length withPlainMargin(WorkedStrand strand) {
        Length plain = Length.ZERO;
        for (Sum leg : strand.legs()) {
            Length spread = leg.terms().stream()
                    .filter(t -> t.tie().isPresent())
                    .map(t -> t.total().times(0.12))
                    .reduce(Length.ZERO, Length::plus);
            plain = plain.plus(leg.total()).plus(spread.times(2.0537));
        }
        return plain.roundUpTo(Length.ofMillimetres(5));
    }

    @Test
    void noPatternIsLeftOut() throws IOException {
        assertThat(rows().map(row -> row.split("\\|")[0].strip()))
                .containsExactlyInAnyOrderElementsOf(
                        PatternBook.all().stream().map(p -> p.code()).toList());
    }
}
