package dev.restis.core.piece;

import static dev.restis.core.piece.Examples.usual;
import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.cord.Cord;
import dev.restis.core.fit.Ease;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.Sum.Term;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.PatternBook;
import dev.restis.core.pattern.PatternRules;
import dev.restis.core.piece.PieceRequest.Size;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.Stitches;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What must hold of every pattern, whatever its size, gauge and margin. */
class PieceRulesTest {

    static Stream<Pattern> patterns() {
        return PatternBook.all().stream();
    }

    @ParameterizedTest
    @MethodSource("patterns")
    void isComposedWithoutContradictionAndCanBeMadeAsItIsShown(Pattern pattern) {
        assertThat(PatternRules.check(pattern)).isEmpty();
        WorkedPiece piece = Examples.worked(usual(pattern));
        assertThat(piece.verdict()).as(piece.checks().toString()).isNotEqualTo(Check.Verdict.NO);
        assertThat(piece.strands())
                .allSatisfy(s -> assertThat(s.cutLength().isPositive()).isTrue());
    }

    @Test
    void everyPieceAddsUpFitsAndKeepsItsPromises() {
        Random random = new Random(20_26);
        int made = 0;
        for (int i = 0; i < 1500; i++) {
            PieceRequest request = Examples.random(random);
            Optional<WorkedPiece> worked = tried(request);
            if (worked.isPresent()) {
                made++;
                addsUp(worked.get());
                fits(worked.get());
            }
        }
        assertThat(made).isGreaterThan(1200);
    }

    private static void addsUp(WorkedPiece piece) {
        for (WorkedStrand strand : piece.strands()) {
            assertThat(strand.sum().total()).isEqualTo(strand.cutLength());
            assertThat(strand.used()).isLessThan(strand.cutLength());
            assertThat(strand.sum().terms())
                    .allSatisfy(t -> assertThat(t.total()).isEqualTo(t.each().times(t.count())));
            strand.mark().map(Mark::at).ifPresent(fold -> assertThat(fold).isLessThan(strand.cutLength()));
        }
        PieceFit fit = piece.fit();
        Length stretched = fit.bodies().stream()
                .filter(b -> b.section().extent() instanceof dev.restis.core.pattern.Section.Extent.Rest)
                .map(WorkedBody::length)
                .reduce(Length.ZERO, Length::plus);
        if (fit.around() == 0) {
            assertThat(fit.target().total().minus(fit.room().total()).plus(stretched))
                    .isEqualTo(fit.reached());
        }
        fit.bodies().forEach(b -> {
            List<Integer> groups = b.groups();
            for (int g = 0; g < groups.size(); g++) {
                assertThat(groups.get(g)).isEqualTo(groups.get(groups.size() - 1 - g));
            }
        });
    }

    /** Whenever the verdict is good, it opens over the hand and closes to the wrist. */
    private static void fits(WorkedPiece piece) {
        if (!(piece.request().size() instanceof Size.Wrist size)) {
            return;
        }
        Length most = size.wrist().plus(size.ease());
        piece.fit().band().ifPresent(band -> {
            assertThat(band.open()).isGreaterThanOrEqualTo(size.hand().plus(Length.ofMillimetres(5)));
            assertThat(band.closed()).isLessThanOrEqualTo(most);
        });
        piece.fit().inner().ifPresent(inner -> assertThat(inner).isGreaterThanOrEqualTo(size.wrist()));
    }

    @ParameterizedTest
    @MethodSource("patterns")
    void noStrandIsShorterForABiggerWristOfTheSameHandOrALongerPiece(Pattern pattern) {
        WorkedPiece last = null;
        for (int step = 0; step < 60; step++) {
            Size size = pattern.kind().sizedByWrist()
                    ? new Size.Wrist(mm(150 + step), mm(250), false, Ease.COMFORTABLE)
                    : new Size.Finished(pattern.usualLength().plus(mm(2L * step)));
            WorkedPiece piece = Examples.worked(usual(pattern).with(size));
            if (last != null) {
                assertThat(tiedBody(piece)).isGreaterThanOrEqualTo(tiedBody(last));
                assertThat(repeatsAndBeads(piece)).isGreaterThanOrEqualTo(repeatsAndBeads(last));
                for (int s = 0; s < piece.strands().size() && !tradesKnotsForBeads(pattern); s++) {
                    assertThat(body(piece.strands().get(s)))
                            .as(piece.strands().get(s).role())
                            .isGreaterThanOrEqualTo(body(last.strands().get(s)));
                }
            }
            last = piece;
        }
    }

    /** Where beads follow a beat, one more of them takes the place of knots that used more cord. */
    private static boolean tradesKnotsForBeads(Pattern pattern) {
        return pattern.stretching().stream()
                .anyMatch(b -> b.motif().filter(m -> m.every() > 0).isPresent());
    }

    private static int repeatsAndBeads(WorkedPiece piece) {
        return piece.fit().around()
                + piece.fit().bodies().stream()
                        .mapToInt(b -> b.repeats() + b.beads())
                        .sum();
    }

    /** A core strand more: every tying strand goes around one more, whatever the stitch and the gauges. */
    @ParameterizedTest
    @MethodSource("stitches")
    void moreCoresNeverTakeLess(Stitch stitch) {
        for (double core : new double[] {0.6, 1, 2.5}) {
            double last = 0;
            for (int cores = stitch.cores().least(); cores <= stitch.cores().most(); cores++) {
                if (stitch.cores().allows(cores) && stitch.pathsOf(Seat.WORKING) > 0) {
                    Gauge gauge = new Gauge(1.9, 1.9 * core, cores, stitch.coreLayout());
                    double use = stitch.use(gauge, Seat.WORKING).toMillimetres();
                    assertThat(use).as("%d cores of %s", cores, core).isGreaterThanOrEqualTo(last);
                    last = use;
                }
            }
        }
    }

    static List<Stitch> stitches() {
        return Stitches.all();
    }

    private static Length tiedBody(WorkedPiece piece) {
        return piece.fit().bodyLength();
    }

    /** Cord along bodies; the tails of a sliding band shrink as its body grows. */
    private static Length body(WorkedStrand strand) {
        return strand.sum().terms().stream()
                .filter(t -> t.code().startsWith("body.") || t.code().startsWith("bead."))
                .map(Term::total)
                .reduce(Length.ZERO, Length::plus);
    }

    @ParameterizedTest
    @MethodSource("patterns")
    void cordOfARepeatNeverFallsWithTheCore(Pattern pattern) {
        PieceRequest usual = usual(pattern);
        for (int slot = 0; slot < usual.cords().size(); slot++) {
            Optional<WorkedPiece> thin = tried(withCord(usual, slot, 1.0));
            Optional<WorkedPiece> thick = tried(withCord(usual, slot, 1.3));
            if (thin.isEmpty() || thick.isEmpty() || thin.get().fit().bodies().isEmpty()) {
                continue;
            }
            for (int b = 0; b < thin.get().fit().bodies().size(); b++) {
                WorkedBody a = thin.get().fit().bodies().get(b);
                WorkedBody c = thick.get().fit().bodies().get(b);
                if (a.gauge().working() == c.gauge().working()
                        && a.gauge().core() < c.gauge().core()) {
                    assertThat(c.section().stitch().use(c.gauge(), Seat.WORKING))
                            .isGreaterThanOrEqualTo(a.section().stitch().use(a.gauge(), Seat.WORKING));
                }
            }
        }
    }

    private static PieceRequest withCord(PieceRequest request, int slot, double factor) {
        List<Cord> cords = new java.util.ArrayList<>(request.cords());
        Cord cord = cords.get(slot);
        cords.set(
                slot,
                new Cord(
                        cord.material(),
                        new Length(Math.round(cord.diameter().micrometres() * factor)),
                        cord.pricePerMetre()));
        return new PieceRequest(request.pattern(), cords, request.size(), request.parts(), request.house());
    }

    @Test
    void aKitHasLongerTailsAndASmallerRiskCutsLonger() {
        for (Pattern pattern : PatternBook.all()) {
            PieceRequest usual = usual(pattern);
            WorkedPiece piece = Examples.worked(usual);
            WorkedPiece kit = Examples.worked(usual.with(
                    new PieceRequest.House(MarginPolicy.EVEN, usual.house().cuttingStep(), Learned.NOTHING, true)));
            WorkedPiece generous = Examples.worked(usual.with(
                    new PieceRequest.House(MarginPolicy.GENEROUS, usual.house().cuttingStep())));
            for (int s = 0; s < piece.strands().size(); s++) {
                Length cut = piece.strands().get(s).cutLength();
                assertThat(kit.strands().get(s).cutLength()).isGreaterThanOrEqualTo(cut.plus(mm(50)));
                assertThat(generous.strands().get(s).cutLength()).isGreaterThanOrEqualTo(cut);
            }
        }
    }

    /** Ten repeats of snake knots, 10 % over what geometry says: nearly all of it is taken over, and nearly all doubt is gone. */
    @Test
    void aMeasuredStitchCutsByWhatWasMeasured() {
        PieceRequest usual = usual(PatternBook.SNAKE);
        WorkedPiece geometry = Examples.worked(usual);
        WorkedBody body = geometry.fit().bodies().get(0);
        Term before = geometry.strands().get(0).legs().get(0).terms().get(0);
        Swatch sample = new Swatch(
                body.section().stitch(),
                usual.cords().get(0).material(),
                "Tove",
                usual.cords().get(0).diameter(),
                usual.cords().get(0).diameter(),
                0,
                10,
                body.pitch().times(10L),
                before.each().times(11L));
        Learned learned = Learned.from(List.of(sample), Optional.of("Tove"));
        WorkedPiece measured = Examples.worked(usual.with(
                new PieceRequest.House(MarginPolicy.EVEN, usual.house().cuttingStep(), learned, false)));
        Term after = measured.strands().get(0).legs().get(0).terms().get(0);
        assertThat(after.each().micrometres() / (double) before.each().micrometres())
                .isBetween(1.085, 1.1);
        assertThat(after.spread()).isLessThan(before.spread() / 4);
        assertThat(measured.fit().bodies().get(0).takeUp().source()).isEqualTo(TakeUp.Source.SWATCH);
        assertThat(measured.strands().get(0).cutLength())
                .as("more is used, and less is added for doubt")
                .isLessThan(geometry.strands().get(0).cutLength());
    }

    private static Optional<WorkedPiece> tried(PieceRequest request) {
        return PieceWorker.workOut(request).fold(Optional::of, faults -> {
            assertThat(faults)
                    .extracting(Fault::code)
                    .allMatch(c -> c.endsWith("noBody") || c.endsWith("tooMany") || c.endsWith("range"));
            return Optional.empty();
        });
    }

    private static Length mm(long millimetres) {
        return Length.ofMillimetres(millimetres);
    }
}
