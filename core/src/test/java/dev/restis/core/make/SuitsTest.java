package dev.restis.core.make;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.PatternBook;
import dev.restis.core.piece.Examples;
import dev.restis.core.piece.WorkedPiece;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

class SuitsTest {

    private static Pattern pattern(String code) {
        return PatternBook.all().stream()
                .filter(p -> p.code().equals(code))
                .findFirst()
                .orElseThrow();
    }

    private static WorkedPiece band(String code, double wrist) {
        return Examples.worked(Examples.bracelet(pattern(code), 2, wrist));
    }

    @Test
    void theSamePieceSuits() {
        WorkedPiece one = band("snake", 165);
        assertThat(Suits.of(one, one).map(Suits::longer)).contains(Length.ZERO);
    }

    @Test
    void aBandThatSlidesSuitsWhomItClosesToAndOpensOver() {
        assertThat(Suits.of(band("snake", 165), band("snake", 168))).isPresent();
        assertThat(Suits.of(band("snake", 165), band("snake", 215)))
                .as("it does not open over so large a hand")
                .isEmpty();
        assertThat(Suits.of(band("snake", 190), band("snake", 150)))
                .as("it does not close to so small a wrist")
                .isEmpty();
    }

    @Test
    void anotherPatternNeverSuits() {
        assertThat(Suits.of(band("snake", 165), band("square-bar", 165))).isEmpty();
    }

    @Test
    void whatDoesNotSlideMustBeAsNearAsOneThatIsMadeForThem() {
        WorkedPiece fob = Examples.worked(Examples.fob(2, 120));
        assertThat(Suits.of(Examples.worked(Examples.fob(2, 122)), fob)).isPresent();
        assertThat(Suits.of(Examples.worked(Examples.fob(2, 140)), fob)).isEmpty();
    }

    @Test
    void whatIsLongerOneWayIsShorterTheOther() {
        Random random = new Random(3);
        for (int n = 0; n < 200; n++) {
            WorkedPiece one = band("snake", 150 + random.nextInt(40));
            WorkedPiece other = band("snake", 150 + random.nextInt(40));
            Optional<Suits> there = Suits.of(one, other);
            Optional<Suits> back = Suits.of(other, one);
            if (there.isPresent() && back.isPresent()) {
                assertThat(there.get().longer().micrometres())
                        .isEqualTo(-back.get().longer().micrometres());
            }
        }
    }
}
