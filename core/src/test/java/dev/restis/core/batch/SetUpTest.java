package dev.restis.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.restis.core.measure.Length;
import dev.restis.core.pattern.PatternBook;
import dev.restis.core.piece.Check.Verdict;
import dev.restis.core.piece.Examples;
import dev.restis.core.piece.WorkedPiece;
import java.util.List;
import org.junit.jupiter.api.Test;

class SetUpTest {

    private static final Length TWO = Length.ofMillimetres(2);

    private static SetUp of(String pattern, Long... cords) {
        return new SetUp(pattern, List.of(cords), TWO, Length.ofMillimetres(3570), Verdict.GOOD);
    }

    @Test
    void piecesShareASetUpWhenPatternAndCordsInTheirPlacesAreTheSame() {
        assertThat(of("snake", 7L, 12L).key()).isEqualTo("snake|7,12");
        assertThat(of("snake", 12L, 7L).key()).as("colours change places").isNotEqualTo("snake|7,12");
        assertThat(of("snake-few", 7L, 12L).key()).isNotEqualTo("snake|7,12");
        assertThat(of("snake", 71L, 2L).key()).isNotEqualTo(of("snake", 7L, 12L).key());
        assertThat(SetUp.patternOf(of("snake", 7L, 12L).key())).isEqualTo("snake");
    }

    @Test
    void aPieceTakesTheCordOfAllItsStrands() {
        WorkedPiece piece =
                Examples.worked(Examples.usual(PatternBook.byCode("snake").orElseThrow()));
        SetUp setUp = SetUp.of(piece, List.of(7L, 12L), TWO);
        assertThat(setUp.pattern()).isEqualTo("snake");
        assertThat(setUp.cord().micrometres())
                .isEqualTo(piece.strands().stream()
                        .mapToLong(s -> s.cutLength().micrometres())
                        .sum())
                .isPositive();
        assertThat(setUp.verdict()).isEqualTo(piece.verdict());
    }

    @Test
    void aSetUpWithoutCordsOrWithAPatternThatWouldBeReadWronglyIsNone() {
        assertThatThrownBy(() -> of("snake")).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> of("snake|", 7L)).isInstanceOf(IllegalArgumentException.class);
    }
}
