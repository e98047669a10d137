package dev.restis.core.learning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.restis.core.learning.Observation.Kind;
import dev.restis.core.learning.Outcome.What;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class LearnerTest {

    private static final Load STITCH = new Load("stitch", 0.12, 0, 1);
    private static final Load MAKER = new Load("maker", 0.05, 0, 1);
    private static final Load FREE_HAND = new Load("hand", 0.05, 0.002, 1);

    private long number;

    private Observation seen(Kind kind, double value, double fixed, List<Load> loads, boolean sample) {
        number++;
        Use use = new Use("stitch", fixed, List.of(new Share(1000, loads)));
        return new Observation(
                number, 100 + number, number, List.of("Tove stitch", "Tove"), use, value, kind, 0, false, sample);
    }

    private Observation exact(double value, Load... loads) {
        return seen(Kind.EXACT, value, 0, List.of(loads), false);
    }

    /**
     * Variances: stitch 0.0144, tension 0.0004, noise 0.0025, of the observation 0.0173; 6 % high is a surprise of ln 1.06 =
     * 0.058269, of which 0.0144/0.0173 is the stitch's.
     */
    @Test
    void oneFeatureByHand() {
        Learner learner = new Learner(Rules.CORD);
        Outcome outcome = learner.fold(exact(1060, STITCH));
        assertThat(outcome.expected()).isCloseTo(1000, within(1e-9));
        assertThat(outcome.spread()).isCloseTo(Math.sqrt(0.0173), within(1e-12));
        Beliefs.Factor factor = learner.beliefs().factor(List.of(STITCH));
        assertThat(factor.mean()).isCloseTo(0.0144 / 0.0173 * Math.log(1.06), within(1e-12));
        assertThat(factor.mean()).isCloseTo(0.048501, within(1e-6));
        assertThat(factor.spread()).isCloseTo(Math.sqrt(0.0144 - 0.0144 * 0.0144 / 0.0173), within(1e-12));
    }

    /** Of an observation's variance of 0.0198 the stitch has 0.0144 and the maker 0.0025: each takes its part of the surprise. */
    @Test
    void twoFeaturesByHand() {
        Learner learner = new Learner(Rules.CORD);
        learner.fold(exact(1060, STITCH, MAKER));
        Beliefs beliefs = learner.beliefs();
        double off = Math.log(1.06);
        assertThat(beliefs.factor(List.of(STITCH)).mean()).isCloseTo(0.0144 / 0.0198 * off, within(1e-12));
        assertThat(beliefs.factor(List.of(MAKER)).mean()).isCloseTo(0.0025 / 0.0198 * off, within(1e-12));
        // Together: 0.0169 - 0.0169^2 / 0.0198.
        assertThat(beliefs.factor(List.of(STITCH, MAKER)).spread())
                .isCloseTo(Math.sqrt(0.0169 - 0.0169 * 0.0169 / 0.0198), within(1e-12));
        assertThat(beliefs.seen("maker")).isEqualTo(new Beliefs.Seen(1, 0));
    }

    /** 1,000 mm tied and 1,000 mm that no hand changes: 3 % more in all is 6 % of what is tied, and half of the noise counts. */
    @Test
    void whatNoHandChangesIsNotLearned() {
        Learner learner = new Learner(Rules.CORD);
        learner.fold(seen(Kind.EXACT, 2060, 1000, List.of(STITCH), false));
        double variance = 0.25 * (0.0144 + 0.0004 + 0.0025);
        assertThat(learner.beliefs().factor(List.of(STITCH)).mean())
                .isCloseTo(0.5 * 0.0144 / variance * Math.log(1.03), within(1e-12));
    }

    /**
     * It took what was expected or more: half of the normal lies above its mean, with the mean 0.797885 sd and the variance
     * 1 - 0.63662 of the whole.
     */
    @Test
    void aStrandThatRanShortIsABound() {
        Learner learner = new Learner(Rules.CORD);
        learner.fold(seen(Kind.AT_LEAST, 1000, 0, List.of(STITCH), false));
        Beliefs.Factor factor = learner.beliefs().factor(List.of(STITCH));
        assertThat(factor.mean()).isCloseTo(0.0144 / 0.0173 * Math.sqrt(0.0173) * 0.797885, within(1e-6));
        assertThat(factor.spread() * factor.spread())
                .isCloseTo(0.0144 - 0.0144 * 0.0144 / 0.0173 * 0.63662, within(1e-6));
    }

    @Test
    void anInterruptedStepIsABoundToo() {
        Learner learner = new Learner(Rules.CORD);
        learner.fold(seen(Kind.AT_MOST, 5000, 0, List.of(STITCH), false));
        assertThat(learner.beliefs().factor(List.of(STITCH)).mean())
                .as("much less than five times is no surprise")
                .isCloseTo(0, within(1e-6));
    }

    @Test
    void withNoiseAndHandsFixedTwoLogsCommute() {
        List<Observation> log = new ArrayList<>();
        for (double value : new double[] {1060, 980, 1110, 1020, 890}) {
            log.add(seen(Kind.EXACT, value, 0, value > 1000 ? List.of(STITCH, MAKER) : List.of(STITCH), true));
        }
        Learner one = new Learner(Rules.CORD);
        Learner other = new Learner(Rules.CORD);
        log.forEach(one::fold);
        for (int i = log.size() - 1; i >= 0; i--) {
            other.fold(log.get(i));
        }
        for (List<Load> loads : List.of(List.of(STITCH), List.of(MAKER), List.of(STITCH, MAKER))) {
            Beliefs.Factor a = one.beliefs().factor(loads);
            Beliefs.Factor b = other.beliefs().factor(loads);
            assertThat(a.mean()).isCloseTo(b.mean(), within(1e-12));
            assertThat(a.spread()).isCloseTo(b.spread(), within(1e-12));
        }
    }

    @Test
    void aSlipIsDoubtedUntilItIsConfirmedOrTheThirdOfItsKind() {
        Learner learner = new Learner(Rules.CORD);
        for (int piece = 0; piece < 10; piece++) {
            assertThat(learner.fold(exact(1000, FREE_HAND)).what()).isEqualTo(What.LEARNED);
        }
        double before = learner.beliefs().factor(List.of(FREE_HAND)).mean();
        Observation slip = exact(2000, FREE_HAND);
        assertThat(learner.fold(slip).what()).isEqualTo(What.DOUBTED);
        assertThat(learner.beliefs().factor(List.of(FREE_HAND)).mean()).isEqualTo(before);
        assertThat(learner.fold(exact(1000, FREE_HAND)).what()).isEqualTo(What.LEARNED);
        assertThat(learner.fold(exact(1900, FREE_HAND)).what()).isEqualTo(What.DOUBTED);
        assertThat(learner.fold(exact(1950, FREE_HAND)).what()).isEqualTo(What.DOUBTED);
        assertThat(learner.fold(exact(1920, FREE_HAND)).what())
                .as("the third in a row")
                .isEqualTo(What.CHANGE);
        assertThat(learner.beliefs().factor(List.of(FREE_HAND)).mean()).isGreaterThan(before + 0.1);
    }

    @Test
    void whatIsConfirmedIsLearnedHoweverStrange() {
        Learner learner = new Learner(Rules.CORD);
        Use use = new Use("stitch", 0, List.of(new Share(1000, List.of(STITCH))));
        Observation strange = new Observation(1, 100, 1, List.of("Tove"), use, 2500, Kind.EXACT, 0, true, false);
        assertThat(learner.fold(strange).what()).isEqualTo(What.LEARNED);
    }

    @Test
    void minutesAreGuessesAtFirstAndNothingIsASlip() {
        Learner learner = new Learner(Rules.TIME);
        for (int piece = 0; piece < 10; piece++) {
            assertThat(learner.fold(exact(piece % 2 == 0 ? 20_000 : 100, STITCH))
                            .what())
                    .isNotEqualTo(What.DOUBTED);
        }
    }

    /** 4 % noise is found from pieces that are all alike but for it. */
    @Test
    void theNoiseIsFound() {
        Random random = new Random(7);
        Learner learner = new Learner(Rules.CORD);
        for (int piece = 0; piece < 300; piece++) {
            learner.fold(exact(1000 * Math.exp(0.04 * random.nextGaussian()), STITCH));
        }
        // What a single strand shows as noise holds the tension of its piece.
        assertThat(learner.beliefs().noise("stitch")).isBetween(0.030, 0.042);
    }

    @Test
    void strandsOfOnePieceShareItsTension() {
        Learner alone = new Learner(Rules.CORD);
        Learner together = new Learner(Rules.CORD);
        for (int strand = 0; strand < 8; strand++) {
            Use use = new Use("stitch", 0, List.of(new Share(1000, List.of(STITCH))));
            alone.fold(new Observation(strand, 1, strand, List.of("Tove"), use, 1060, Kind.EXACT, 0, false, true));
            together.fold(new Observation(strand, 1, 1, List.of("Tove"), use, 1060, Kind.EXACT, 0, false, true));
        }
        assertThat(together.beliefs().factor(List.of(STITCH)).spread())
                .as("eight strands of a piece say less than eight pieces")
                .isGreaterThan(1.5 * alone.beliefs().factor(List.of(STITCH)).spread());
    }

    @Test
    void aHandThatChangesIsTold() {
        Random random = new Random(11);
        Learner learner = new Learner(Rules.CORD);
        for (int piece = 0; piece < 40; piece++) {
            learner.fold(exact(1000 * Math.exp(0.03 * random.nextGaussian()), STITCH, FREE_HAND));
        }
        assertThat(learner.flags()).isEmpty();
        long changed = number + 1;
        for (int piece = 0; piece < 15 && learner.flags().isEmpty(); piece++) {
            learner.fold(exact(1080 * Math.exp(0.03 * random.nextGaussian()), STITCH, FREE_HAND));
        }
        assertThat(learner.flags()).hasSize(1);
        Flag flag = learner.flags().get(0);
        assertThat(flag.hand()).isEqualTo("Tove stitch");
        assertThat(flag.since() - 100).as("about when it began").isBetween(changed - 4, changed + 4);
        assertThat(flag.factor()).isBetween(1.03, 1.12);
    }

    @Test
    void someoneWithoutLogsHasTheHousesFigures() {
        Learner learner = new Learner(Rules.CORD);
        Load bram = new Load("maker Bram", 0.05, 0, 1);
        Load somebody = new Load("maker ?", 0.05, 0, 1);
        for (int piece = 0; piece < 10; piece++) {
            learner.fold(exact(1060, STITCH, bram));
        }
        Beliefs beliefs = learner.beliefs();
        Beliefs.Factor known = beliefs.factor(List.of(STITCH, bram));
        Beliefs.Factor unknown = beliefs.factor(List.of(STITCH, somebody));
        assertThat(unknown.mean())
                .isEqualTo(beliefs.factor(List.of(STITCH)).mean())
                .isGreaterThan(0.04);
        assertThat(unknown.spread()).isGreaterThan(2 * known.spread());
    }
}
