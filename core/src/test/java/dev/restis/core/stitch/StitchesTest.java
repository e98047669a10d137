package dev.restis.core.stitch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.stitch.Gauge.CoreLayout;
import dev.restis.core.stitch.Stitch.Cores;
import dev.restis.core.stitch.Stitch.Layers;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class StitchesTest {

    /**
     * By hand in cords of 1 mm. turn(1) = 2 pi = 6.283, turn(2) = 2 + 2 pi = 8.283, turn(3) = 4 + 2 pi = 10.283; packed three
     * h = 3: 9.283.
     */
    @ParameterizedTest
    @CsvSource({
        "half-knot, WORKING, 1, 4.712, 1.08", // 3.142 + 1.571
        "half-knot, WORKING, 2, 5.712, 1.08", // 4.142 + 1.571
        "half-knot, WORKING, 3, 6.712, 1.08",
        "square-knot, WORKING, 2, 11.425, 2.16", // 8.283 + 3.142
        "alternating-square, WORKING, 2, 13.585, 4.32", // 11.425 + 2.16
        "alternating-square, CORE, 2, 4.32, 4.32",
        "snake-knot, WORKING, 0, 8.283, 1.3",
        // bundle 1, partner 1: 2*1 + pi*(1 + 1) = 8.283; bundle 2: 2*1.5 + pi*2.5 = 10.854
        "snake-over-core, WORKING, 1, 8.283, 1.5",
        "snake-over-core, WORKING, 2, 10.854, 1.5",
        "interlocked, WORKING, 2, 7.632, 1.9", // 1.15*2*1.3 + 1.5 + pi
        "half-hitch, WORKING, 1, 7.283, 1.15",
        "half-hitch, WORKING, 3, 10.283, 1.15", // packed 9.283 + 1
        "larks-head, WORKING, 1, 14.566, 2.3",
        "hitched-diamond, WORKING, 2, 42.679, 8.3", // 3*4 pi + 0.6*8.3
        "hitched-diamond, CORE, 2, 17.488, 8.3", // 1.35*8.3 + 2 pi
        "figure-eight, WORKING, 2, 12.566, 1.6", // 2 * turn(1)
        "figure-eight, WORKING, 4, 16.566, 1.6", // 2 * turn(2)
        "figure-eight, WORKING, 8, 20.566, 1.6", // 2 * (4 + 2 pi)
        "ladder, WORKING, 2, 7.627, 1.9", // 1.15*(2*1.3 + 1.3) + pi
        "ladder, WORKING, 4, 10.617, 1.9", // 1.15*(4*1.3 + 1.3) + pi
        "braid-three, WORKING, 0, 2.176, 1.7",
        "braid-round, WORKING, 0, 3.692, 2.6",
        "braid-five, WORKING, 0, 1.976, 1.3",
        "braid-edged, WORKING, 0, 5.801, 1.9", // 2.888 + 2*(2 pi + 1)/5
        "braid-edged, EDGE, 0, 1.9, 1.9",
        "crossing-weave, WORKING, 0, 7.142, 2.4", // 4 + pi
        "crossing-weave, FALL, 0, 10.683, 2.4", // 2 + 2 pi + 2.4
        "slip-loop, WORKING, 2, 21.576, 2.6", // 8.283 + 2*1.15*2*1.3 + 3 pi/2 + 2.6
        "wrapped-falls, WORKING, 2, 13.627, 2.2", // 7.627 + 6
        "wrapped-falls, FALL, 2, 10.483, 2.2" // 2 + 2 pi + 2.2
    })
    void usesTheCordOfItsDerivation(String code, Seat seat, int cores, double use, double pitch) {
        Stitch stitch = Stitches.byCode(code).orElseThrow();
        Gauge gauge = new Gauge(1, 1, cores, stitch.coreLayout());
        assertThat(stitch.use(gauge, seat).toMillimetres()).isCloseTo(use, within(0.0011));
        assertThat(stitch.pitch(gauge).toMillimetres()).isCloseTo(pitch, within(0.0011));
    }

    static Stream<Stitch> stitches() {
        return Stitches.all().stream();
    }

    @ParameterizedTest
    @MethodSource("stitches")
    void takesMoreForMoreCoresAndForEveryThickerCord(Stitch stitch) {
        Length last = Length.ZERO;
        for (int cores = stitch.cores().least(); cores <= stitch.cores().most(); cores++) {
            if (!stitch.cores().allows(cores)) {
                continue;
            }
            Gauge gauge = new Gauge(1.5, 1.5, cores, stitch.coreLayout());
            for (Seat seat : List.of(Seat.WORKING, Seat.FALL)) {
                if (stitch.ties(seat)) {
                    Length use = stitch.use(gauge, seat);
                    assertThat(stitch.use(new Gauge(1.5, 3, cores, stitch.coreLayout()), seat))
                            .isGreaterThanOrEqualTo(use);
                    assertThat(stitch.use(new Gauge(3, 1.5, cores, stitch.coreLayout(), 3), seat))
                            .isGreaterThan(use);
                    assertThat(use).isGreaterThan(stitch.pitch(gauge));
                }
            }
            if (stitch.ties(Seat.WORKING)) {
                assertThat(stitch.use(gauge, Seat.WORKING)).isGreaterThanOrEqualTo(last);
                last = stitch.use(gauge, Seat.WORKING);
            }
            assertThat(stitch.width(gauge))
                    .isGreaterThanOrEqualTo(stitch.thickness(gauge).times(cores == 0 ? 0.5 : 0.7));
        }
    }

    /** Over a core strand of 2 working diameters half of what is added from 2.5 on: 1.08 + 0.92/2 = 1.54. */
    @ParameterizedTest
    @CsvSource({
        "half-knot, 1.5, 1.08",
        "half-knot, 2, 1.54",
        "half-knot, 2.5, 2",
        "half-knot, 4, 2",
        "square-knot, 2, 3.08"
    })
    void thinCordOverAThickCoreStandsHigher(String code, double core, double pitch) {
        Stitch stitch = Stitches.byCode(code).orElseThrow();
        assertThat(stitch.pitch(new Gauge(1, core, 2, CoreLayout.FLAT)).toMillimetres())
                .isCloseTo(pitch, within(0.0011));
    }

    /** A weave of two points passes every core in turn, whatever their number. */
    @Test
    void aWeaveGoesOverAndUnderEveryCore() {
        for (Stitch.StrandPath path : Stitches.LADDER.paths()) {
            for (int cores : new int[] {2, 4}) {
                List<Double> levels = path.waypoints(cores).stream()
                        .filter(w -> Math.abs(w.level()) == 1)
                        .map(Waypoint::level)
                        .toList();
                assertThat(levels).hasSize(cores);
                for (int core = 0; core < cores; core++) {
                    assertThat(levels.get(core)).isEqualTo(core % 2 == 0 ? 1 : -1);
                }
            }
        }
    }

    /** A path that leaves the body would be drawn beside it; one that goes nowhere ties nothing. */
    @ParameterizedTest
    @MethodSource("stitches")
    void everyPathRunsThroughItsRepeatNearTheBody(Stitch stitch) {
        for (Stitch.StrandPath path : stitch.paths()) {
            assertThat(path.waypoints(stitch.cores().most()))
                    .hasSizeGreaterThanOrEqualTo(1)
                    .allSatisfy(w -> {
                        assertThat(w.along()).isBetween(-0.8, 1.6);
                        assertThat(Math.abs(w.across())).isLessThan(6);
                        assertThat(Math.abs(w.level())).isLessThan(3);
                    });
            assertThat(path.stretches()).isNotEmpty();
        }
    }

    @Test
    void aPathThatNobodyFollowsIsRefused() {
        List<Stitch.StrandPath> paths = new ArrayList<>(Stitches.SQUARE_KNOT.paths());
        paths.set(1, new Stitch.StrandPath(Seat.WORKING, paths.get(1).stretches(), 0));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new Stitch(
                        "odd",
                        paths,
                        Layers.working(1),
                        Layers.working(1),
                        Layers.working(1),
                        0,
                        Cores.NONE,
                        CoreLayout.FLAT))
                .withMessageContaining("odd");
    }

    /** Ten repeats of 2 mm cord: 50 mm of body are 2.5 d each, 300 mm of cord 15 d each; 3 mm cord takes 45 mm a repeat. */
    @Test
    void aStitchOfOnesOwnScalesWithItsCord() {
        List<Fault> faults = new ArrayList<>();
        OwnStitch own = OwnStitch.measured("chain", 2, 1, 2, 10, mm(50), mm(300), mm(4), mm(6), faults);
        assertThat(faults).isEmpty();
        assertThat(own).isEqualTo(new OwnStitch("chain", 2, 1, 15, 2.5, 2, 3));
        Stitch stitch = own.stitch();
        Gauge gauge = new Gauge(3, 2, 1, CoreLayout.FLAT);
        assertThat(stitch.use(gauge, Seat.WORKING)).isEqualTo(mm(45));
        assertThat(stitch.pitch(gauge)).isEqualTo(Length.ofMillimetres(7.5));
        assertThat(stitch.width(gauge)).isEqualTo(mm(9));
        assertThat(OwnStitch.of(stitch)).contains(own);
        assertThat(OwnStitch.of(Stitches.LADDER)).isEmpty();
    }

    @Test
    void aSwatchThatContradictsItselfIsRefused() {
        List<Fault> faults = new ArrayList<>();
        OwnStitch.measured("odd", 1, 0, 2, 10, mm(50), mm(40), mm(6), mm(4), faults);
        assertThat(faults).extracting(Fault::field).containsExactly("used", "width");
    }

    private static Length mm(long millimetres) {
        return Length.ofMillimetres(millimetres);
    }
}
