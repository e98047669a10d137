package dev.restis.core.make;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.restis.core.learning.Forecast;
import dev.restis.core.make.CardStep.Measure;
import dev.restis.core.make.CardStep.Repeats;
import dev.restis.core.make.LeftOver.Doubt;
import dev.restis.core.make.LeftOver.How;
import dev.restis.core.make.Mishap.Choice;
import dev.restis.core.make.Mishap.Way;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.PatternBook;
import dev.restis.core.piece.Check.Verdict;
import dev.restis.core.piece.Examples;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What is measured, found short and left over on the way; figures by hand. */
class BetweenTest {

    private static Length mm(double millimetres) {
        return Length.ofMillimetres(millimetres);
    }

    private static WorkCard card(String pattern) {
        Pattern found = PatternBook.all().stream()
                .filter(p -> p.code().equals(pattern))
                .findFirst()
                .orElseThrow();
        return CardMaker.of(Examples.worked(Examples.usual(found)));
    }

    /** 20 knots of 2.45 mm should be 49; they came to 47, so 2.35 each: 51 mm more take 21.7 of them, and 20 were planned. */
    @Test
    void repeatsStillToGo() {
        MidCheck check = MidCheck.of(new Measure(mm(49), mm(98), mm(2.45)), new Repeats(1, 20, 40), mm(47));
        assertThat(check.toGo()).isEqualTo(22);
        assertThat(check.more()).isEqualTo(2);
        assertThat(check.ratio()).isCloseTo(0.959, within(0.001));
        assertThat(check.tension()).isEqualTo(Verdict.TIGHT);
    }

    /** Two beads of 8 mm in what is measured, four in all: the knots alone are held against the pitch. */
    @Test
    void beadsAreNoKnots() {
        MidCheck check =
                MidCheck.of(new Measure(mm(20 * 2 + 16), mm(40 * 2 + 32), mm(2)), new Repeats(1, 20, 40), mm(56));
        assertThat(check.ratio()).isEqualTo(1);
        assertThat(check.toGo()).isEqualTo(20);
        assertThat(check.more()).isZero();
        assertThat(check.tension()).isEqualTo(Verdict.GOOD);
    }

    /** Nothing seen yet: the need of 500 mm that the hand changes has a spread of 13 % of it, 65 mm, so 565 is one above. */
    @Test
    void chanceBeforeAnythingIsTied() {
        CordLeft left = new CordLeft(0, 0, mm(800), mm(0), mm(0), mm(500), 0.12, mm(500), 0.05);
        assertThat(left.suffices(mm(500))).isCloseTo(0.5, within(1e-6));
        assertThat(left.suffices(mm(565))).isCloseTo(0.841, within(1e-3));
    }

    /**
     * Half is tied and took 10 % more than it should: with a spread of 12 % of the hand and 5 % of the piece the hand is taken to be
     * 8.5 % over (0.0144 of 0.0169), so the other half needs 543 mm.
     */
    @Test
    void whatWasUsedTellsTheHand() {
        CordLeft left = new CordLeft(0, 0, mm(1200), mm(500), mm(500), mm(500), 0.12, mm(500), 0.05);
        assertThat(left.suffices(mm(650))).isGreaterThan(0.99);
        CordLeft closer = new CordLeft(0, 0, mm(1092.6), mm(500), mm(500), mm(500), 0.12, mm(500), 0.05);
        assertThat(closer.suffices(mm(542.6))).isCloseTo(0.5, within(0.01));
    }

    @Test
    void whatIsLeftOverIsDoubted() {
        CardStrand strand =
                new CardStrand("A", "working", 1, 0, mm(2300), Optional.empty(), mm(2000), mm(150), mm(90), mm(6), 2);
        Optional<Forecast> unknown = Optional.empty();
        assertThat(new LeftOver(How.MEASURED, mm(300)).used(strand)).isEqualTo(mm(2000));
        assertThat(new LeftOver(How.MEASURED, mm(300)).doubt(strand, unknown)).isEmpty();
        assertThat(new LeftOver(How.MEASURED, mm(3200)).doubt(strand, unknown)).contains(Doubt.MORE_THAN_CUT);
        assertThat(new LeftOver(How.MEASURED, mm(3200)).meant(strand, unknown)).contains(mm(320));
        assertThat(new LeftOver(How.ABOUT, mm(2200)).doubt(strand, unknown)).contains(Doubt.LESS_THAN_STRAIGHT);
        assertThat(new LeftOver(How.ABOUT, mm(5)).shortOf(strand)).isTrue();
        assertThat(new LeftOver(How.ABOUT, mm(6)).shortOf(strand)).isFalse();
    }

    /** A known hand takes 150 + 1,850 mm with a spread of 5 %: four spreads below are 150 + 1,850 exp(-0.2) = 1,664.7 mm. */
    @Test
    void aFigureIsStrangeWhereHandsDoNotDifferSoFar() {
        CardStrand strand =
                new CardStrand("A", "working", 1, 0, mm(2300), Optional.empty(), mm(2000), mm(150), mm(90), mm(6), 2);
        Optional<Forecast> known = Optional.of(new Forecast(
                new double[] {150}, new double[] {1850}, new double[][] {{0.0025}}, new double[] {0.0025}));
        assertThat(new LeftOver(How.MEASURED, mm(2300 - 1665)).doubt(strand, known))
                .isEmpty();
        assertThat(new LeftOver(How.MEASURED, mm(2300 - 1664)).doubt(strand, known))
                .contains(Doubt.STRANGE);
        assertThat(new LeftOver(How.MEASURED, mm(28)).doubt(strand, known)).isEmpty();
        assertThat(new LeftOver(How.MEASURED, mm(1100)).meant(strand, known)).contains(mm(110));
        assertThat(new LeftOver(How.MEASURED, mm(700)).meant(strand, known)).contains(mm(70));
        assertThat(new LeftOver(How.MEASURED, mm(2290)).doubt(strand, known)).contains(Doubt.LESS_THAN_STRAIGHT);
    }

    @Test
    void aShortStrandIsSplicedUnpickedCutAnewOrGivenUp() {
        WorkCard card = card("square-bar");
        int half = 9;
        assertThat(card.steps().get(half).gate()).contains(Gate.HALF_WAY);
        List<Choice> choices = Mishap.STRAND_SHORT.choices(card, half, Optional.of(2));
        assertThat(choices.stream().map(Choice::way))
                .containsExactly(Way.SPLICE, Way.UNPICK, Way.NEW_STRAND, Way.GIVE_UP);
        // Unpicked to the last mark: 15 knots of 16 s, opened in half the time.
        assertThat(choices.get(1).backTo()).isEqualTo(8);
        assertThat(choices.get(1).minutes().toSeconds()).isEqualTo(15 * 16 * 3 / 2);
        // A new strand comes in with the first knots: 20 of them, and the checks before cost nothing.
        assertThat(choices.get(2).cord()).isEqualTo(card.strands().get(2).cut());
        assertThat(card.steps().get(choices.get(2).backTo()).kind()).isNotEqualTo(StepKind.PREPARE);
        assertThat(choices.get(0).cord()).isLessThan(choices.get(2).cord());
        assertThat(choices.get(3).minutes()).isEqualTo(card.time());
    }

    @Test
    void everyMishapHasAWayOutAtEveryStep() {
        for (Pattern pattern : PatternBook.all()) {
            WorkCard card = card(pattern.code());
            for (Mishap mishap : Mishap.values()) {
                for (int step = 1; step < card.steps().size(); step++) {
                    for (Choice choice : mishap.choices(card, step, Optional.of(0))) {
                        assertThat(choice.way() == Way.NEW_PART)
                                .isEqualTo(choice.part().isPresent());
                        assertThat(choice.scrap().isPositive()).isEqualTo(choice.way() == Way.NEW_STRAND);
                        assertThat(choice.backTo()).isBetween(0, step);
                        assertThat(choice.minutes().isNegative()).isFalse();
                        assertThat(choice.cord())
                                .isLessThanOrEqualTo(card.strands().get(0).cut());
                    }
                }
            }
        }
    }

    /** A slider may be 8 mm off, a buckle 4, a loop 3. */
    @Test
    void toleranceIsByClosure() {
        assertThat(card("square-bar").inspection().tolerance()).isEqualTo(mm(8));
        assertThat(card("one-cord-4").inspection().tolerance()).isEqualTo(mm(4));
        assertThat(card("ladder").inspection().tolerance()).isEqualTo(mm(3));
        Inspection loop = card("ladder").inspection();
        assertThat(loop.measured(loop.length().plus(mm(3)))).isEqualTo(Inspection.Outcome.WITHIN);
        assertThat(loop.measured(loop.length().plus(mm(3.1)))).isEqualTo(Inspection.Outcome.TOO_LONG);
        assertThat(loop.measured(loop.length().minus(mm(3.1)))).isEqualTo(Inspection.Outcome.TOO_SHORT);
    }

    /** A core only lies in the knots: nothing would hide a join, so a new one is cut. */
    @Test
    void whatTiesNothingIsNotSpliced() {
        int spliced = 0;
        for (Pattern pattern : PatternBook.all()) {
            WorkCard card = CardMaker.of(Examples.worked(Examples.usual(pattern)));
            for (int strand = 0; strand < card.strands().size(); strand++) {
                int one = strand;
                boolean ties =
                        card.steps().stream().flatMap(s -> s.left().stream()).anyMatch(l -> l.strand() == one);
                boolean offered =
                        Mishap.CORD_DAMAGED.choices(card, card.steps().size() - 1, Optional.of(strand)).stream()
                                .anyMatch(c -> c.way() == Way.SPLICE);
                assertThat(offered).as(pattern.code() + " " + strand).isEqualTo(ties);
                spliced += offered ? 1 : 0;
            }
        }
        assertThat(spliced).isPositive();
    }

    /** A lanyard with a breakaway and a clip: whichever breaks is replaced from where it came in. */
    @Test
    void everyPartThatIsOnCanBeReplaced() {
        WorkCard card = card("neck-snake");
        List<Choice> parts = Mishap.PART_BROKEN.choices(card, card.steps().size() - 1, Optional.empty()).stream()
                .filter(c -> c.way() == Way.NEW_PART)
                .toList();
        assertThat(parts.stream().map(c -> c.part().orElseThrow())).containsExactlyInAnyOrder("breakaway", "clip");
        for (Choice choice : parts) {
            assertThat(card.steps().get(choice.backTo()).part().orElseThrow().slot())
                    .isEqualTo(choice.part().orElseThrow());
        }
    }
}
