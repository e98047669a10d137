package dev.restis.core.piece;

import static dev.restis.core.piece.Examples.bracelet;
import static dev.restis.core.piece.Examples.cuts;
import static dev.restis.core.piece.Examples.fob;
import static dev.restis.core.piece.Examples.usual;
import static dev.restis.core.piece.Examples.withBeads;
import static dev.restis.core.piece.Examples.worked;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.restis.core.fit.Ease;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.Sum;
import dev.restis.core.pattern.PatternBook;
import dev.restis.core.piece.Check.Verdict;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PieceWorkerTest {

    /**
     * 2 mm polyester works at 1.9 mm. F = 165 + 12 + pi*4.56 = 191.326; slider 10*1.08*1.9 = 20.52; 41 square knots of
     * 4.104 = 168.264. Hand 210 (size M): T >= (210 + 5 + 14.326 - 168.264 + 20.52)/2 = 40.79, so 45 mm.
     */
    @Test
    void fitsASquareKnotBarToAWrist() {
        PieceFit fit = worked(bracelet(PatternBook.SQUARE_BAR, 2, 165)).fit();
        assertThat(fit.target().total().toMillimetres()).isCloseTo(191.326, within(0.001));
        assertThat(fit.repeats()).isEqualTo(41);
        assertThat(fit.bodyLength()).isEqualTo(new Length(168_264));
        PieceFit.Band band = fit.band().orElseThrow();
        assertThat(band.part()).isEqualTo(new Length(20_520));
        assertThat(band.tail()).isEqualTo(Length.ofMillimetres(45));
        assertThat(band.closed().toMillimetres()).isCloseTo(174.458, within(0.001));
        assertThat(band.open().toMillimetres()).isCloseTo(168.264 + 90 - 20.52 - 14.326, within(0.001));
    }

    /**
     * Core: 168.264 + two tails 90 + two end stops of 45.6 + two hand tails 90 + fray 6 = 445.464. Working: two legs of 41*21.707 +
     * 48 = 1875.98. Slider: two legs of 10*12.754 + 48 = 351.08. All tied lengths have the spread sqrt(0.0219 + 0.0029) = 0.1575; one
     * piece in fifty gives the costly working strand 2.137 of them, the slider 2.829 and the cores 3.143 (reckoned apart): 503.88 is
     * cut at 505, 2588.08 at 2590, 494.24 at 495.
     */
    @Test
    void cutsTheStrandsOfASquareKnotBar() {
        WorkedPiece piece = worked(bracelet(PatternBook.SQUARE_BAR, 2, 165));
        assertThat(cuts(piece))
                .containsExactly(
                        Length.ofMillimetres(505),
                        Length.ofMillimetres(505),
                        Length.ofMillimetres(2590),
                        Length.ofMillimetres(495));
        assertThat(piece.strands().get(2).mark().map(Mark::at)).contains(new Length(1_295_000));
        assertThat(piece.strands().get(0).mark().map(Mark::at)).isEmpty();
    }

    /**
     * 2 mm worked 1.9; t = 2.6*1.9 = 4.94, F = 165 + 12 + 15.519 = 192.519; less slider 20.52: 171.999; 69 knots of 2.47
     * = 170.43. T >= (210 + 5 + 15.519 - 170.43 + 20.52)/2 = 40.3: 45. Each strand: 69*15.738 = 1085.9 + 90 + 91.2 + 90 +
     * 6 = 1363.1. Knots and end stops know little of one another, which leaves a spread of 0.1489; at 2.338 of them, reckoned apart,
     * 1855.45 is cut at 1860.
     */
    @Test
    void cutsTheStrandsOfASnakeBand() {
        WorkedPiece piece = worked(bracelet(PatternBook.SNAKE, 2, 165));
        assertThat(piece.fit().repeats()).isEqualTo(69);
        assertThat(cuts(piece))
                .containsExactly(Length.ofMillimetres(1860), Length.ofMillimetres(1860), Length.ofMillimetres(500));
    }

    /**
     * 120 mm fob, worked 1.9: mount 3.8, end knot 2.2*2.414*1.9 = 10.091, fringe 25 leave 81.109: 40 half knots of 2.052
     * = 82.08. Short leg: lark's head (3.9 pi + 7.6)/2 = 9.926, body 82.08, overhand 12*2.414*1.9 = 55.039, its height
     * 10.091, fringe 25, tail 45 + 3 = 230.136. Long leg: 40*10.854 = 434.14 instead of the body: 582.2. Both 812.35, at 2.2205
     * spreads of 0.1351, reckoned apart, 1012.15: 1015. Of the margin of 199.8 the short leg has 64.965 of 564.07 tied, 23.01: fold
     * at 254 mm.
     */
    @Test
    void foldsTheFobsCordsOffCentre() {
        WorkedPiece piece = worked(fob(2, 120));
        assertThat(piece.fit().repeats()).isEqualTo(40);
        assertThat(piece.strands()).hasSize(2).allSatisfy(strand -> {
            assertThat(strand.cutLength()).isEqualTo(Length.ofMillimetres(1015));
            assertThat(strand.mark().map(Mark::at)).contains(Length.ofMillimetres(254));
        });
        assertThat(piece.hardware()).containsExactly(java.util.Map.entry("ring", 1));
    }

    /** Three beads of 8 mm take 24 mm of the body; the strands outside take 8 + 8*(pi/2 - 1) = 12.566 at each. */
    @Test
    void carriesBeadsOnTheCore() {
        WorkedPiece piece = worked(withBeads(bracelet(PatternBook.SQUARE_BAR, 2, 165), 3, 8, 5));
        assertThat(piece.fit().body().orElseThrow().groups()).hasSize(4);
        assertThat(piece.fit().bodyLength())
                .isEqualTo(piece.fit()
                        .body()
                        .orElseThrow()
                        .pitch()
                        .times((long) piece.fit().repeats())
                        .plus(Length.ofMillimetres(24)));
        assertThat(term(piece.strands().get(2).legs().get(0), "bead.around")
                        .each()
                        .toMillimetres())
                .isCloseTo(12.566, within(0.001));
        assertThat(term(piece.strands().get(0).legs().get(0), "bead.through").total())
                .isEqualTo(Length.ofMillimetres(24));
    }

    /** Two 2 mm strands need 2*2*0.9 = 3.6 mm: in 3.95 a ratio of 0.911, in 3.6 of 1.0, in 3.4 of 1.059. */
    @ParameterizedTest
    @CsvSource({"3.95, GOOD", "3.6, TIGHT", "3.4, NO"})
    void saysWhetherTheBeadTakesTheCord(double hole, Verdict verdict) {
        WorkedPiece piece = worked(withBeads(bracelet(PatternBook.SQUARE_BAR, 2, 165), 1, 8, hole));
        assertThat(piece.verdict()).isEqualTo(verdict);
    }

    @ParameterizedTest
    @CsvSource({"60, wrist.range", "400, wrist.range"})
    void refusesAnImpossibleWristAndNamesTheField(double wrist, String code) {
        assertThat(faults(bracelet(PatternBook.SNAKE, 2, wrist)))
                .extracting(Fault::field, Fault::code)
                .containsExactly(org.assertj.core.groups.Tuple.tuple("wrist", code));
    }

    @Test
    void refusesAHandSmallerThanTheWristBeadsThatDoNotFitAndAFobTooShort() {
        PieceRequest bar = bracelet(PatternBook.SQUARE_BAR, 2, 165);
        PieceRequest.Size hand =
                new PieceRequest.Size.Wrist(Length.ofMillimetres(165), Length.ofMillimetres(160), false, Ease.SNUG);
        assertThat(faults(bar.with(hand))).extracting(Fault::code).containsExactly("hand.smaller");
        assertThat(faults(withBeads(bar, 15, 12, 5))).extracting(Fault::code).containsExactly("beads.tooMany");
        assertThat(faults(withBeads(bar, 16, 12, 5))).extracting(Fault::code).containsExactly("beads.range");
        assertThat(faults(fob(5, 60))).extracting(Fault::code).containsExactly("length.noBody");
    }

    /** The hand stays the same: of two people with one hand, the one with the bigger wrist needs the longer body. */
    @Test
    void noWorkingStrandIsShorterForABiggerWrist() {
        for (var pattern : List.of(PatternBook.SQUARE_BAR, PatternBook.SNAKE)) {
            WorkedPiece last = worked(bracelet(pattern, 2, 120));
            for (int wrist = 121; wrist <= 240; wrist++) {
                WorkedPiece piece = worked(bracelet(pattern, 2, wrist));
                String tying = pattern == PatternBook.SQUARE_BAR ? "working" : "first";
                assertThat(cut(piece, tying)).isGreaterThanOrEqualTo(cut(last, tying));
                last = piece;
            }
        }
    }

    @Test
    void aSmallerRiskCutsLonger() {
        PieceRequest even = bracelet(PatternBook.SNAKE, 2, 165);
        Length generous = cut(worked(with(even, MarginPolicy.GENEROUS)), "first");
        Length lean = cut(worked(with(even, MarginPolicy.LEAN)), "first");
        assertThat(generous).isGreaterThan(cut(worked(even), "first"));
        assertThat(lean).isLessThan(cut(worked(even), "first"));
    }

    /**
     * c_short = 3.08 m of cord at 0.2 = 0.616; one spread of all strands is 2 * 1177 * 0.1489 + 255 * 0.1575 = 391 mm at 0.2 = 0.078:
     * the piece may run short at 0.078 / 0.694 = 0.1127.
     */
    @Test
    void byCostWeighsARuinedPieceAgainstTheCord() {
        WorkedPiece piece = worked(with(bracelet(PatternBook.SNAKE, 2, 165), MarginPolicy.BY_COST));
        assertThat(piece.strands().get(0).risk()).isCloseTo(0.1127, within(0.0005));
    }

    private static PieceRequest with(PieceRequest r, MarginPolicy margin) {
        return r.with(new PieceRequest.House(margin, r.house().cuttingStep()));
    }

    private static Length cut(WorkedPiece piece, String role) {
        return piece.strands().stream()
                .filter(s -> s.role().equals(role))
                .findFirst()
                .orElseThrow()
                .cutLength();
    }

    private static Sum.Term term(Sum sum, String code) {
        return sum.terms().stream()
                .filter(t -> t.code().equals(code))
                .findFirst()
                .orElseThrow();
    }

    private static List<Fault> faults(PieceRequest request) {
        return PieceWorker.workOut(request).fold(p -> List.of(), f -> f);
    }

    /** One tail in twenty is shorter: what the hand held, and the margin but for what one in twenty uses more. */
    @Test
    void theTailsCountedOnAreWhatTheHandHeldAndWhatIsLeftOfTheMargin() {
        PieceRequest request = usual(PatternBook.SNAKE);
        WorkedStrand even =
                worked(request.with(house(MarginPolicy.EVEN, false))).strands().get(0);
        // Middle 1174.6 mm, 1174.6 (exp(2.3376 * 0.1489) - exp(1.6449 * 0.1489)) = 163.4 shared by two ends, and 45
        // held.
        assertThat(even.tails())
                .hasSize(2)
                .allSatisfy(t -> assertThat(t.toMillimetres()).isCloseTo(126.7, within(0.5)));
        WorkedStrand lean =
                worked(request.with(house(MarginPolicy.LEAN, false))).strands().get(0);
        assertThat(lean.tails())
                .hasSize(2)
                .allMatch(t -> t.isLessThan(even.tails().get(0)));
        assertThat(worked(request.with(house(MarginPolicy.GENEROUS, true))).strands())
                .as("the customer of a kit trims them")
                .allSatisfy(s -> assertThat(s.tails()).isEmpty());
    }

    private static PieceRequest.House house(MarginPolicy margin, boolean kit) {
        return new PieceRequest.House(margin, Length.ofMillimetres(5L), Learned.NOTHING, kit);
    }
}
