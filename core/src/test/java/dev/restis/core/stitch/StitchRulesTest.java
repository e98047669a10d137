package dev.restis.core.stitch;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.measure.Fault;
import dev.restis.core.stitch.Stitch.Cores;
import dev.restis.core.stitch.Stitch.Layers;
import dev.restis.core.stitch.Stitch.StrandPath;
import dev.restis.core.stitch.Stitch.Stretch;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

class StitchRulesTest {

    private static final Stitch KNOT = Stitches.SQUARE_KNOT;

    private static Stitch own(
            String code, List<StrandPath> paths, Layers pitch, Layers width, double turn, Cores cores) {
        return new Stitch(
                OwnStitch.PREFIX + code, paths, pitch, KNOT.thickness(), width, turn, cores, KNOT.coreLayout());
    }

    private static List<String> faults(Stitch stitch) {
        return StitchRules.check(stitch).stream().map(Fault::code).toList();
    }

    private static Stitch copy(Stitch stitch) {
        return new Stitch(
                OwnStitch.PREFIX + "copy",
                stitch.paths(),
                stitch.pitch(),
                stitch.thickness(),
                stitch.width(),
                stitch.turnPerRepeat(),
                stitch.cores(),
                stitch.coreLayout());
    }

    static List<Stitch> tied() {
        return Stitches.all().stream().filter(s -> !s.paths().isEmpty()).toList();
    }

    @ParameterizedTest
    @MethodSource("tied")
    void aCopyOfAnyStitchOfTheLibraryIsAStitch(Stitch stitch) {
        assertThat(StitchRules.check(copy(stitch))).isEmpty();
        assertThat(OwnStitch.of(copy(stitch)))
                .as("it is not one that only a swatch knows")
                .isEmpty();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "Upper",
                "with space",
                "under_score",
                "-dash-first",
                "x23456789012345678901234567890123456789012"
            })
    void itsKeyIsPlain(String code) {
        assertThat(faults(own(code, KNOT.paths(), KNOT.pitch(), KNOT.width(), 0, KNOT.cores())))
                .containsExactly("pattern.code");
    }

    @ParameterizedTest
    @CsvSource({"0, pattern.count", "9, pattern.count", "8, ''"})
    void itHasOneToEightPaths(int count, String fault) {
        List<StrandPath> paths = new ArrayList<>();
        for (int p = 0; p < count; p++) {
            paths.add(new StrandPath(Seat.WORKING, KNOT.paths().get(0).stretches(), p));
        }
        assertThat(faults(own("many", paths, KNOT.pitch(), KNOT.width(), 0, KNOT.cores())))
                .isEqualTo(fault.isEmpty() ? List.of() : List.of(fault));
    }

    @ParameterizedTest
    @CsvSource({"-1, 3, 1", "3, 2, 1", "0, 9, 1", "0, 4, 0"})
    void itsCoresAreInRange(int least, int most, int step) {
        assertThat(faults(own("cored", KNOT.paths(), KNOT.pitch(), KNOT.width(), 0, new Cores(least, most, step))))
                .containsExactly("stitch.cores");
    }

    @Test
    void everyCoreHasAPathOrNone() {
        Stitch crossed = Stitches.ALTERNATING_SQUARE;
        assertThat(faults(own("crossed", crossed.paths(), crossed.pitch(), crossed.width(), 0, new Cores(3, 4, 1))))
                .containsExactly("stitch.corePaths");
    }

    @Test
    void whatIsMirroredDoesNotTwistAndColumnsNameEveryCore() {
        Stitch falls = Stitches.WRAPPED_FALLS;
        Stitch odd = new Stitch(
                "own:odd",
                falls.paths(),
                falls.pitch(),
                falls.thickness(),
                falls.width(),
                30,
                falls.cores(),
                falls.coreLayout(),
                true,
                List.of(Seat.FALL, Seat.CORE),
                0,
                List.of());
        assertThat(faults(odd)).containsExactly("stitch.mirrored", "stitch.columns");
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, 0.09, 101, Double.NaN, Double.POSITIVE_INFINITY})
    void itAddsABodyThatCanBe(double pitch) {
        assertThat(faults(own("odd", KNOT.paths(), Layers.working(pitch), KNOT.width(), 0, KNOT.cores())))
                .contains("stitch.body");
    }

    @ParameterizedTest
    @ValueSource(doubles = {181, -200, Double.NaN})
    void itTurnsAtMostHalfRound(double turn) {
        assertThat(faults(own("turned", KNOT.paths(), KNOT.pitch(), KNOT.width(), turn, KNOT.cores())))
                .containsExactly("pattern.count");
    }

    /** 9.425 d of cord cannot make 10 d of body. */
    @Test
    void itUsesAtLeastTheBodyItAdds() {
        assertThat(faults(own("short", KNOT.paths(), Layers.working(10), KNOT.width(), 0, KNOT.cores())))
                .containsExactly("stitch.use", "stitch.use");
        assertThat(faults(own("enough", KNOT.paths(), Layers.working(9.4), KNOT.width(), 0, KNOT.cores())))
                .isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"4, 0, 0, stitch.far", "0, 9, 0, stitch.far", "0, 0, NaN, stitch.far", "0.5, 2, -1, ''"})
    void itsPointsLieNearTheBody(double along, double across, double level, String fault) {
        Waypoint point = new Waypoint(along, across, level);
        List<StrandPath> paths = List.of(
                new StrandPath(Seat.WORKING, List.of(new Stretch(new PathElement.AroundCore(2), List.of(point))), 0));
        assertThat(faults(own("point", paths, KNOT.pitch(), KNOT.width(), 0, KNOT.cores())))
                .isEqualTo(fault.isEmpty() ? List.of() : List.of(fault));
    }

    @Test
    void aPathHasPointsButNotTooMany() {
        for (int count : new int[] {0, StitchRules.MOST_POINTS + 1}) {
            List<Waypoint> points = Collections.nCopies(count, new Waypoint(0, 1, 0));
            List<StrandPath> paths = List.of(
                    new StrandPath(Seat.WORKING, List.of(new Stretch(new PathElement.AroundCore(2), points)), 0));
            assertThat(faults(own("points", paths, KNOT.pitch(), KNOT.width(), 0, KNOT.cores())))
                    .containsExactly("stitch.points");
        }
    }
}
