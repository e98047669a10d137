package dev.restis.core.piece;

import static dev.restis.core.piece.Examples.usual;
import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.PatternBook;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class OccasionTest {

    /** Four strands of polyester, the slider's among them, have eight ends. */
    @Test
    void polyesterIsSealedAtEachEndAndTheSliderTiedOnce() {
        assertThat(Occasion.of(Examples.worked(usual(PatternBook.SQUARE_BAR))))
                .isEqualTo(Map.of(Occasion.PIECE, 1, Occasion.END_SEALED, 8, Occasion.SLIDER, 1));
    }

    @Test
    void whatBurnsIsGlued() {
        PieceRequest bar = usual(PatternBook.SQUARE_BAR);
        PieceRequest cotton = new PieceRequest(
                bar.pattern(),
                bar.cords().stream()
                        .map(c -> Examples.cord("cotton", c.diameter().toMillimetres()))
                        .toList(),
                bar.size(),
                bar.parts(),
                bar.house());
        assertThat(Occasion.of(Examples.worked(cotton)))
                .isEqualTo(Map.of(Occasion.PIECE, 1, Occasion.END_GLUED, 8, Occasion.SLIDER, 1));
    }

    @Test
    void aKitIsLeftToTheCustomerButForItsBag() {
        PieceRequest kit = usual(PatternBook.SNAKE)
                .with(new PieceRequest.House(MarginPolicy.EVEN, Length.ofMillimetres(5L), Learned.NOTHING, true));
        assertThat(Occasion.of(Examples.worked(kit))).isEqualTo(Map.of(Occasion.PIECE, 1));
    }

    /** A closure that the book names must have an occasion, or its glue would be forgotten. */
    @Test
    void everyClosureIsAnOccasion() {
        for (Pattern pattern : List.copyOf(PatternBook.all())) {
            Map<Occasion, Integer> times = Occasion.of(Examples.worked(usual(pattern)));
            if (pattern.closure() != Pattern.Closure.NONE) {
                assertThat(times).containsKey(Occasion.valueOf(pattern.closure().name()));
            }
        }
        assertThat(Arrays.stream(Occasion.values()).map(Enum::name))
                .containsAll(Arrays.stream(Pattern.Closure.values())
                        .filter(c -> c != Pattern.Closure.NONE)
                        .map(Enum::name)
                        .toList());
    }
}
