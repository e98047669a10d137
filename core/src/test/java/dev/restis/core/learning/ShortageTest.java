package dev.restis.core.learning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.restis.core.learning.Observation.Kind;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How long strands are cut, so that as many pieces run short as the house allows. */
class ShortageTest {

    private static final double ALLOWED = 0.02;
    private static final List<Load> LOADS = List.of(
            new Load("stitch", 0.12, 0, 1),
            new Load("path", 0.05, 0, 1),
            new Load("maker", 0.05, 0, 1),
            new Load("way", 0.04, 0, 1),
            new Load("material", 0.03, 0, 1));

    private static Use use(double amount) {
        return new Use("stitch", 200, List.of(new Share(amount, LOADS)));
    }

    /** 1,500 mm with a spread of 0.148 at one in fifty: 1500 exp(2.0537 * 0.148) = 2,033 mm; a linear margin stops at 1,956. */
    @Test
    void theQuantileOfALogNormalByHand() {
        Beliefs exact = Beliefs.none(new Rules(1e-6, 1e-6, 0));
        Use use = new Use("", 0, List.of(new Share(1500, List.of(new Load("all", 0.148, 0, 1)))));
        Forecast forecast = exact.forecast(List.of(use));
        double[] z = Shortage.spreads(forecast, new int[] {1}, new double[] {1}, ALLOWED);
        assertThat(z[0]).isCloseTo(2.0537, within(1e-3));
        assertThat(forecast.at(0, z[0])).isCloseTo(2033, within(0.5));
        assertThat(1 - forecast.below(0, 1500 + 2.0537 * 0.148 * 1500))
                .as("what the linear margin risks")
                .isCloseTo(0.036, within(0.001));
    }

    /** Two alike shares of 500 mm that know nothing of one another: the sum's variance is ln(1 + (exp(0.0144) - 1) / 2). */
    @Test
    void aSumOfTwoHasItsMoments() {
        Beliefs exact = Beliefs.none(new Rules(1e-6, 1e-6, 0));
        Share one = new Share(500, List.of(new Load("a", 0.12, 0, 1)));
        Share other = new Share(500, List.of(new Load("b", 0.12, 0, 1)));
        Forecast forecast = exact.forecast(List.of(new Use("", 0, List.of(one, other))));
        double variance = Math.log1p((Math.exp(0.0144) - 1) / 2);
        assertThat(forecast.spread(0)).isCloseTo(Math.sqrt(variance), within(1e-6));
        assertThat(forecast.middle()[0]).isCloseTo(1000 * Math.exp(0.0072 - variance / 2), within(1e-3));
    }

    @Test
    void strandsThatKnowNothingOfOneAnotherHaveAShareEach() {
        Forecast apart = new Forecast(new double[1], new double[] {1}, new double[][] {{0}}, new double[] {0.01});
        double[] z = Shortage.spreads(apart, new int[] {8}, new double[] {1}, ALLOWED);
        assertThat(1 - Normal.below(z[0])).isCloseTo(1 - Math.pow(1 - ALLOWED, 1.0 / 8), within(1e-5));
    }

    @Test
    void strandsThatAreTiedAsOneNeedNoMoreThanOne() {
        Forecast one = new Forecast(new double[1], new double[] {1}, new double[][] {{0.00999}}, new double[] {0.01});
        double[] z = Shortage.spreads(one, new int[] {8}, new double[] {1}, ALLOWED);
        assertThat(z[0]).isBetween(Normal.quantile(1 - ALLOWED), 2.25);
    }

    /** A strand of costly cord is given more of the risk, so that less of it is wasted. */
    @Test
    void whatCostsMoreTakesMoreOfTheRisk() {
        Forecast two = new Forecast(
                new double[2], new double[] {1, 1}, new double[][] {{0, 0}, {0, 0}}, new double[] {0.01, 0.01});
        double[] z = Shortage.spreads(two, new int[] {1, 1}, new double[] {9, 1}, ALLOWED);
        assertThat(z[0]).isLessThan(z[1]);
    }

    /** A truth for each of 10,000 pieces, tied as the beliefs say; before anything is learned and after some pieces. */
    @ParameterizedTest
    @CsvSource({"1, 0", "8, 0", "1, 6", "8, 6"})
    void asManyPiecesRunShortAsTheHouseAllows(int strands, int learned) {
        Random random = new Random(20_310_301L + strands + learned);
        int pieces = 10_000;
        int shortPieces = 0;
        Forecast unlearned = Beliefs.none(Rules.CORD).forecast(List.of(use(1000)));
        double[] first = Shortage.spreads(unlearned, new int[] {strands}, new double[] {1}, ALLOWED);
        for (int n = 0; n < pieces; n++) {
            double truth = 0;
            for (Load load : LOADS) {
                truth += load.spread() * random.nextGaussian();
            }
            Forecast forecast = unlearned;
            double[] z = first;
            if (learned > 0) {
                Learner learner = new Learner(Rules.CORD);
                for (int piece = 0; piece < learned; piece++) {
                    double used = tied(truth, Rules.CORD.pieceSpread() * random.nextGaussian(), random);
                    learner.fold(new Observation(
                            piece, 1, piece, List.of("Tove"), use(1000), used, Kind.EXACT, 0, true, false));
                }
                forecast = learner.beliefs().forecast(List.of(use(1000)));
                z = Shortage.spreads(forecast, new int[] {strands}, new double[] {1}, ALLOWED);
            }
            double tension = Rules.CORD.pieceSpread() * random.nextGaussian();
            double cut = forecast.at(0, z[0]);
            boolean runsShort = false;
            for (int strand = 0; strand < strands; strand++) {
                runsShort |= tied(truth, tension, random) > cut;
            }
            shortPieces += runsShort ? 1 : 0;
        }
        double sampling = Math.sqrt(ALLOWED * (1 - ALLOWED) / pieces);
        assertThat(shortPieces / (double) pieces).isCloseTo(ALLOWED, within(3 * sampling + (learned > 0 ? 0.003 : 0)));
    }

    private static double tied(double truth, double tension, Random random) {
        return 200 + 1000 * Math.exp(truth + tension + Rules.CORD.noise() * random.nextGaussian());
    }

    @Test
    void quantilesMatchPublishedTables() {
        assertThat(Normal.quantile(0.975)).isCloseTo(1.959964, within(1e-5));
        assertThat(Normal.quantile(0.98)).isCloseTo(2.053749, within(1e-5));
        assertThat(Normal.quantile(0.5)).isCloseTo(0, within(1e-9));
        assertThat(Normal.quantile(0.0005)).isCloseTo(-3.290527, within(1e-4));
        List<Double> hazards = new ArrayList<>();
        for (double z : new double[] {-2, 0, 2, 6}) {
            hazards.add(Normal.hazard(z));
        }
        assertThat(hazards.get(0)).isCloseTo(0.055248, within(1e-5));
        assertThat(hazards.get(1)).isCloseTo(0.797885, within(1e-5));
        assertThat(hazards.get(2)).isCloseTo(2.373216, within(1e-4));
        assertThat(hazards.get(3)).isCloseTo(6.158, within(0.01));
    }
}
