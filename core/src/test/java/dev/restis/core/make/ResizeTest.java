package dev.restis.core.make;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.data.Offset.offset;

import dev.restis.core.make.Resize.Fate;
import dev.restis.core.make.Resize.OfStrand;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.PatternBook;
import dev.restis.core.piece.Examples;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ResizeTest {

    private static WorkCard band(String code, double wrist) {
        Pattern pattern = PatternBook.all().stream()
                .filter(p -> p.code().equals(code))
                .findFirst()
                .orElseThrow();
        return CardMaker.of(Examples.worked(Examples.bracelet(pattern, 2, wrist)));
    }

    private static List<Length> asWorkedOut(WorkCard card) {
        return card.strands().stream().map(CardStrand::used).toList();
    }

    private static Resize resize(String code, double from, double to) {
        WorkCard was = band(code, from);
        return Resize.of(was, band(code, to), asWorkedOut(was), Optional.empty())
                .orElseThrow();
    }

    @Test
    void theSameSizeTakesNothing() {
        WorkCard card = band("snake", 165);
        assertThat(Resize.of(card, card, asWorkedOut(card), Optional.empty())).isEmpty();
    }

    @Test
    void aBandIsMadeShorterOutOfItsOwnCord() {
        Resize shorter = resize("snake", 175, 160);
        assertThat(shorter.possible()).isTrue();
        assertThat(shorter.expected()).isEqualTo(band("snake", 160).length());
        CardStep first = shorter.card().steps().get(shorter.backTo());
        assertThat(first.kind()).isEqualTo(StepKind.TIE);
        assertThat(first.repeats().orElseThrow().last())
                .as("of its body only the end is opened")
                .isEqualTo(first.repeats().orElseThrow().of());
        for (OfStrand strand : shorter.strands()) {
            if (strand.fate() == Fate.KEPT) {
                assertThat(strand.there()).isGreaterThanOrEqualTo(strand.needs());
                assertThat(shorter.card().strands().get(strand.strand()).cut())
                        .as("the strand goes on as long as it is")
                        .isEqualTo(strand.there());
            }
        }
        assertThat(shorter.strands()).anyMatch(s -> s.fate() == Fate.KEPT);
    }

    /** What was trimmed is gone: the longer body takes more than is there, and its knots hide the joins. */
    @Test
    void aLongerBandLacksCordThatIsJoinedOn() {
        Resize longer = resize("snake", 160, 175);
        assertThat(longer.possible()).isTrue();
        assertThat(longer.strands())
                .filteredOn(s -> s.fate() == Fate.JOINED)
                .isNotEmpty()
                .allSatisfy(s -> assertThat(s.there()).isLessThan(s.needs()));
    }

    /** Cores tie nothing: where they are too short there is no place to join them. */
    @Test
    void aCoreThatIsTooShortLeavesNoWay() {
        Resize longer = resize("square-bar", 160, 190);
        assertThat(longer.strands()).anyMatch(s -> s.fate() == Fate.NO_WAY);
        assertThat(longer.possible()).isFalse();
        assertThat(resize("square-bar", 190, 160).strands()).noneMatch(s -> s.fate() == Fate.NO_WAY);
    }

    /** A hand that took a tenth more for the knots takes a tenth more for those to come. */
    @Test
    void whatItNeedsIsToldByWhatItTook() {
        WorkCard was = band("snake", 160);
        WorkCard wanted = band("snake", 175);
        int ties = trimmedTies(was);
        CardStrand before = was.strands().get(ties);
        CardStrand after = wanted.strands().get(ties);
        List<Length> there = was.strands().stream()
                .map(s -> s.straight().plus(s.used().minus(s.straight()).times(1.1)))
                .toList();
        Length needs = Resize.of(was, wanted, there, Optional.empty())
                .orElseThrow()
                .strands()
                .get(ties)
                .needs();
        Length grip = Resize.GRIP.times((long) after.ends());
        double byHand = after.straight().toMillimetres()
                + after.used().minus(after.straight()).toMillimetres() * 1.1
                + grip.toMillimetres();
        assertThat(needs.toMillimetres()).isCloseTo(byHand, offset(0.01));
        assertThat(before.used()).isLessThan(after.used());
    }

    private static int trimmedTies(WorkCard card) {
        for (int s = 0; s < card.strands().size(); s++) {
            CardStrand strand = card.strands().get(s);
            if (strand.used().minus(strand.straight()).isPositive()
                    && card.steps().get(firstTie(card)).strands().contains(s)) {
                return s;
            }
        }
        throw new IllegalStateException("nothing ties");
    }

    private static int firstTie(WorkCard card) {
        int at = 0;
        while (card.steps().get(at).kind() != StepKind.TIE) {
            at++;
        }
        return at;
    }

    @Test
    void itComesOutAsMuchLongerAsItDid() {
        WorkCard was = band("snake", 175);
        WorkCard wanted = band("snake", 160);
        Length measured = was.length().times(1.03);
        Resize resize =
                Resize.of(was, wanted, asWorkedOut(was), Optional.of(measured)).orElseThrow();
        assertThat(resize.expected().toMillimetres()).isCloseTo(wanted.length().toMillimetres() * 1.03, offset(0.01));
    }

    /** Between sizes that differ by as much, opening takes half of what tying takes; what follows is opened and done again either way. */
    @Test
    void minutesAreThoseOfWhatDiffersAndOfAllThatComesAfter() {
        Resize shorter = resize("square-bar", 175, 160);
        Resize longer = resize("square-bar", 160, 175);
        WorkCard small = band("square-bar", 160);
        WorkCard large = band("square-bar", 175);
        long body = tying(large) - tying(small);
        Duration between = longer.minutes().minus(shorter.minutes());
        long rest = closing(large) - closing(small);
        assertThat(between.toSeconds()).isBetween(body / 2 + rest / 2 - 2, body / 2 + rest / 2 + 2);
        assertThat(shorter.minutes()).isLessThan(small.time());
    }

    private static long tying(WorkCard card) {
        return seconds(card, true);
    }

    private static long closing(WorkCard card) {
        return seconds(card, false);
    }

    private static long seconds(WorkCard card, boolean ties) {
        int last = IntStream.range(0, card.steps().size())
                .filter(s -> card.steps().get(s).kind() == StepKind.TIE)
                .max()
                .orElseThrow();
        return card.steps().stream()
                .skip(ties ? 0 : last)
                .filter(s -> s.kind() != StepKind.PREPARE && (s.kind() == StepKind.TIE) == ties)
                .mapToLong(s -> s.time().toSeconds())
                .sum();
    }

    @ParameterizedTest
    @ValueSource(strings = {"snake", "square-bar"})
    void everyStrandIsNamedOnceAndTheCardStaysWhole(String code) {
        Resize resize = resize(code, 150, 190);
        assertThat(resize.strands()).extracting(OfStrand::strand).doesNotHaveDuplicates();
        assertThat(resize.strands()).hasSize(resize.card().strands().size());
        assertThat(resize.card().steps()).isEqualTo(band(code, 190).steps());
    }

    @Test
    void anotherPieceIsRefused() {
        WorkCard was = band("snake", 165);
        assertThatThrownBy(() -> Resize.of(was, band("square-bar", 165), asWorkedOut(was), Optional.empty()))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
