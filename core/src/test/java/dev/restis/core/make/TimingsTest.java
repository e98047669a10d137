package dev.restis.core.make;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.restis.core.make.Timings.Grown;
import dev.restis.core.make.Timings.Timed;
import dev.restis.core.make.Timings.Took;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.PatternBook;
import dev.restis.core.piece.Examples;
import dev.restis.core.piece.Expected;
import dev.restis.core.piece.MakingTime;
import dev.restis.core.piece.WorkedPiece;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class TimingsTest {

    private static final WorkedPiece SNAKE = Examples.worked(Examples.usual(PatternBook.all().stream()
            .filter(p -> p.code().equals("snake"))
            .findFirst()
            .orElseThrow()));
    private static final WorkCard CARD = CardMaker.of(SNAKE);

    private static List<Integer> tying() {
        return IntStream.range(0, CARD.steps().size())
                .filter(s -> CARD.steps().get(s).kind() == StepKind.TIE
                        && CARD.steps().get(s).stitch().isPresent())
                .boxed()
                .toList();
    }

    @Test
    void whatWasTimedIsHeldAgainstAsMuchOfThatWork() {
        List<Integer> tying = tying();
        assertThat(tying.size()).isGreaterThan(1);
        int first = tying.get(0);
        List<Took> took = Timings.took(CARD, List.of(new Timed(first, 300, false), new Timed(first, 20, true)));
        double all = tying.stream()
                .mapToDouble(s -> CARD.steps().get(s).time().toSeconds())
                .sum();
        assertThat(took).singleElement().satisfies(t -> {
            assertThat(t.work()).isEqualTo("TIE snake-knot");
            assertThat(t.seconds()).isEqualTo(320);
            assertThat(t.interrupted()).isTrue();
            assertThat(t.share()).isCloseTo(CARD.steps().get(first).time().toSeconds() / all, within(1e-12));
            assertThat(Expected.ofWork(SNAKE, t.work(), t.share())
                            .orElseThrow()
                            .shares()
                            .get(0)
                            .amount())
                    .as("to the second of its share")
                    .isCloseTo(CARD.steps().get(first).time().toSeconds(), within(2.0));
        });
    }

    @Test
    void aPieceThatWasTimedInFullIsExpectedToTakeItsMinutes() {
        List<Timed> all = new ArrayList<>();
        for (int step = 0; step < CARD.steps().size(); step++) {
            all.add(new Timed(step, CARD.steps().get(step).time().toSeconds(), false));
        }
        List<Took> took = Timings.took(CARD, all);
        assertThat(took).allSatisfy(t -> assertThat(t.share()).isCloseTo(1, within(1e-12)));
        assertThat(took.stream().mapToLong(Took::seconds).sum())
                .isEqualTo(MakingTime.of(SNAKE).total().toSeconds());
        assertThat(took).extracting(Took::work).contains("PREPARE", "TIE snake-knot", "FINISH");
    }

    @Test
    void theLastLengthOfAStitchCounts() {
        List<Integer> checks = IntStream.range(0, CARD.steps().size())
                .filter(s -> CARD.steps().get(s).measure().isPresent()
                        && CARD.steps().get(s).repeats().isPresent())
                .boxed()
                .toList();
        assertThat(checks).hasSize(2);
        Length half = Length.ofMillimetres(80);
        List<Grown> grown = Timings.grown(CARD, Map.of(checks.get(0), Length.ofMillimetres(20), checks.get(1), half));
        int repeats = CARD.steps().get(checks.get(1)).repeats().orElseThrow().last();
        assertThat(grown).containsExactly(new Grown("snake-knot", repeats, half));
        assertThat(Expected.ofLength(SNAKE, "snake-knot", repeats)
                        .orElseThrow()
                        .shares()
                        .get(0)
                        .amount())
                .isCloseTo(
                        CARD.steps()
                                .get(checks.get(1))
                                .measure()
                                .orElseThrow()
                                .soFar()
                                .toMillimetres(),
                        within(0.1));
        assertThat(Expected.ofLength(SNAKE, "square", 10)).isEmpty();
    }
}
