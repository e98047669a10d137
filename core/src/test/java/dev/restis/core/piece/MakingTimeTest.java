package dev.restis.core.piece;

import static dev.restis.core.piece.Examples.usual;
import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.measure.Length;
import dev.restis.core.pattern.PatternBook;
import dev.restis.core.stitch.Stitches;
import java.time.Duration;
import org.junit.jupiter.api.Test;

class MakingTimeTest {

    /** A half knot is a half turn and a bight of each strand: four movements of two seconds; a square knot twice that. */
    @Test
    void aRepeatTakesTwoSecondsForEachMovement() {
        assertThat(MakingTime.perRepeat(Stitches.HALF_KNOT)).isEqualTo(8);
        assertThat(MakingTime.perRepeat(Stitches.SQUARE_KNOT)).isEqualTo(16);
        assertThat(MakingTime.perRepeat(Stitches.PLAIN)).isZero();
    }

    /** 41 square knots are 656 s; four strands, the slider among them: 60 + 4 * 20; eight ends: 60 + 8 * 15. */
    @Test
    void aSquareKnotBarAddsUp() {
        WorkedPiece bar = Examples.worked(usual(PatternBook.SQUARE_BAR));
        MakingTime time = MakingTime.of(bar);
        assertThat(time.prepare()).isEqualTo(Duration.ofSeconds(140));
        assertThat(time.body()).isEqualTo(Duration.ofSeconds(656));
        assertThat(time.closure()).isEqualTo(Duration.ofSeconds(240));
        assertThat(time.finish()).isEqualTo(Duration.ofSeconds(180));
        assertThat(time.total()).isEqualTo(Duration.ofSeconds(1216));
    }

    @Test
    void aKitIsPreparedAndNotTied() {
        PieceRequest request = usual(PatternBook.SNAKE);
        PieceRequest kit = request.with(
                new PieceRequest.House(MarginPolicy.EVEN, Length.ofMillimetres(5L), Learned.NOTHING, true));
        MakingTime time = MakingTime.of(Examples.worked(kit));
        assertThat(time.total()).isEqualTo(time.prepare());
        assertThat(time.total())
                .isLessThan(MakingTime.of(Examples.worked(request)).total());
    }
}
