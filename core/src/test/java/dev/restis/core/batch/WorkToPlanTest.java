package dev.restis.core.batch;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.batch.Blocks.Block;
import dev.restis.core.batch.Blocks.Tied;
import dev.restis.core.batch.CordRelease.Arrival;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.PatternBook;
import dev.restis.core.stitch.Family;
import dev.restis.core.stitch.Stitches;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** How work becomes parcels, when its cord is there, and how a line is read as batches. */
class WorkToPlanTest {

    @Test
    void parcelsAreEvenAndNoLongerThanTwoHours() {
        assertThat(Parcelling.sizes(10, 1800)).containsExactly(4, 3, 3);
        assertThat(Parcelling.sizes(4, 1800)).containsExactly(4);
        assertThat(Parcelling.sizes(1, 60)).containsExactly(1);
        // Longer than two hours a piece: each is one.
        assertThat(Parcelling.sizes(3, 9000)).containsExactly(1, 1, 1);
        for (int pieces = 1; pieces < 60; pieces++) {
            assertThat(Parcelling.sizes(pieces, 700).stream()
                            .mapToInt(Integer::intValue)
                            .sum())
                    .isEqualTo(pieces);
        }
    }

    @Test
    void scarceCordGoesToWhoeverIsServedFirst() {
        List<OptionalInt> days = CordRelease.days(
                List.of(Map.of(1L, 30L), Map.of(1L, 50L, 2L, 1L), Map.of(1L, 500L), Map.of(1L, 20L), Map.of(3L, 0L)),
                Map.of(1L, 40L, 2L, 5L),
                List.of(new Arrival(1, 9, 100), new Arrival(1, 4, 40)));
        // 30 of 40 are there. 10 are left and 40 come on day 4. 500 never come, and take nothing from the next, for
        // whom 100 come.
        assertThat(days)
                .containsExactly(
                        OptionalInt.of(0),
                        OptionalInt.of(4),
                        OptionalInt.empty(),
                        OptionalInt.of(9),
                        OptionalInt.of(0));
    }

    @Test
    void whatHasComeIsUsedBeforeWhatIsOnItsWay() {
        assertThat(CordRelease.days(
                        List.of(Map.of(1L, 10L), Map.of(1L, 10L)), Map.of(1L, 15L), List.of(new Arrival(1, 3, 5))))
                .containsExactly(OptionalInt.of(0), OptionalInt.of(3));
        // More is promised than lies here.
        assertThat(CordRelease.days(List.of(Map.of(1L, 1L)), Map.of(1L, -5L), List.of()))
                .containsExactly(OptionalInt.empty());
    }

    @Test
    void aBatchIsWhatIsTiedTogetherOnADay() {
        List<Block> blocks = Blocks.of(List.of(
                new Tied("a", 4, 0, List.of(900), 300, false),
                new Tied("a", 2, 0, List.of(600, 400), 90, false),
                new Tied("b", 1, 1, List.of(500), 240, false),
                new Tied("b", 1, 1, List.of(500), 0, true),
                new Tied("b", 39, 3, List.of(100), 0, false),
                new Tied("b", 2, 3, List.of(100), 0, false)));
        assertThat(blocks)
                .containsExactly(
                        // Four, and of the other two one: 510 of 910 s that are tied are more than half, and not all.
                        new Block(0, 0, 1, 5, 1500, 390),
                        // What runs over the night is of both days.
                        new Block(1, 1, 1, 1, 400, 0),
                        new Block(1, 2, 2, 1, 500, 240),
                        new Block(1, 3, 3, 1, 500, 0),
                        new Block(3, 4, 4, 39, 100, 0),
                        new Block(3, 5, 5, 2, 100, 0));
        assertThat(Blocks.of(List.of())).isEmpty();
    }

    @Test
    void aDayOffBetweenIsOfNoBatch() {
        assertThat(Blocks.of(List.of(new Tied("a", 1, 0, List.of(60, 0, 30), 0, false))))
                .containsExactly(new Block(0, 0, 0, 0, 60, 0), new Block(2, 0, 0, 1, 30, 0));
    }

    /** Twenty set-ups of 600 s that took 900: with ten as expected beside them (18,000 + 6,000) / (12,000 + 6,000) = 4/3. */
    @Test
    void theBenchTeachesWhatSettingUpTakes() {
        SetUpTimes learned = SetUpTimes.USUAL.learned(Collections.nCopies(20, new SetUpTimes.Timed(600, 900)));
        assertThat(learned).isEqualTo(new SetUpTimes(640, 320, 120));
        assertThat(SetUpTimes.USUAL.learned(List.of())).isEqualTo(SetUpTimes.USUAL);
        // One alone says little: (900 + 6,000) / (600 + 6,000).
        assertThat(SetUpTimes.USUAL
                        .learned(List.of(new SetUpTimes.Timed(600, 900)))
                        .family())
                .isEqualTo(502);
    }

    @Test
    void everyStitchHasAFamily() {
        assertThat(Stitches.all())
                .allSatisfy(s -> assertThat(Family.of(s.code())).isPresent());
        assertThat(Family.of("own:wave")).isEmpty();
    }

    @Test
    void everyPatternLiesOnSomeBench() {
        PatternBook.all()
                .forEach(pattern -> Benches.main(pattern)
                        .ifPresent(
                                stitch -> assertThat(Family.of(stitch.code())).isPresent()));
        assertThat(Benches.main(PatternBook.SQUARE_BAR)).isPresent();
        Bench bench = Benches.of(
                PatternBook.SQUARE_BAR, Family.SNAKE, Length.ofMillimetres(2), List.of(9L, 4L), List.of(1L, 2L, 1L));
        assertThat(bench.family()).isEqualTo("SNAKE 2");
        assertThat(Benches.familyOf(bench.family())).isEqualTo(Family.SNAKE);
        assertThat(bench.jig()).startsWith("BRACELET ").endsWith(" 4,9");
        assertThat(bench.cords()).isEqualTo(Set.of(1L, 2L));
        assertThat(Benches.family(Family.SNAKE, Length.ofMillimetres(5))).isEqualTo("SNAKE 5");
        assertThat(Benches.words(Family.SNAKE)).hasSize(5).contains("SNAKE 1", "SNAKE 5");
    }
}
