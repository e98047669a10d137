package dev.restis.core.stitch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.restis.core.stitch.Gauge.CoreLayout;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Figures worked by hand from the formulas in docs/take-up.md. */
class TakeUpTest {

    /** d = d_c = 1: a turn is 2 + 2 pi = 8.283; half of it and a bight of pi/2 make 5.712. */
    @Test
    void halfKnotOverTwoCores() {
        Gauge gauge = new Gauge(1, 1, 2, CoreLayout.FLAT);
        assertThat(Stitches.HALF_KNOT.use(gauge, Seat.WORKING).toMillimetres()).isCloseTo(5.712, within(0.001));
        assertThat(Stitches.HALF_KNOT.pitch(gauge).toMillimetres()).isEqualTo(1.08);
    }

    /** Worked 1.9 mm: turn 3.8 + 3.8 pi = 15.738; two half knots take 15.738 + 1.9 pi = 21.707. */
    @Test
    void squareKnotIsTwoHalfKnots() {
        Gauge gauge = new Gauge(1.9, 1.9, 2, CoreLayout.FLAT);
        assertThat(Stitches.SQUARE_KNOT.use(gauge, Seat.WORKING).toMillimetres())
                .isCloseTo(21.707, within(0.001));
        assertThat(Stitches.SQUARE_KNOT.pitch(gauge).toMillimetres()).isEqualTo(4.104);
        assertThat(Stitches.SQUARE_KNOT.thickness(gauge).toMillimetres()).isEqualTo(4.56);
        assertThat(Stitches.SQUARE_KNOT.width(gauge).toMillimetres()).isEqualTo(9.5);
    }

    /** 2 + 2 pi = 8.283 strand diameters. */
    @Test
    void snakeKnot() {
        Gauge gauge = new Gauge(2, 2, 0, CoreLayout.PACKED);
        assertThat(Stitches.SNAKE_KNOT.use(gauge, Seat.WORKING).toMillimetres()).isCloseTo(16.566, within(0.001));
        assertThat(Stitches.SNAKE_KNOT.pitch(gauge).toMillimetres()).isEqualTo(2.6);
    }

    /** Slider over four packed tails: h = 4, so (4 + 2 pi)/2 + pi/2 = 6.712. */
    @Test
    void halfKnotOverFourPackedTails() {
        assertThat(Stitches.HALF_KNOT
                        .use(new Gauge(1, 1, 4, CoreLayout.PACKED), Seat.WORKING)
                        .toMillimetres())
                .isCloseTo(6.712, within(0.001));
    }

    @ParameterizedTest
    @CsvSource({"1, 12", "2, 24", "4, 28.968"})
    void overhandCountsWithItsBundle(int strands, double millimetres) {
        assertThat(Knots.overhand(strands, 1).toMillimetres()).isCloseTo(millimetres, within(0.001));
    }

    /** The published tight rope overhand takes 10.1 d; no cord can take less. */
    @Test
    void overhandRespectsThePublishedFloor() {
        assertThat(Knots.overhand(1, 1).toMillimetres()).isGreaterThan(10.1);
    }

    @Test
    void larksHeadOnATwoMillimetreBar() {
        assertThat(Knots.larksHeadLeg(2, 2).toMillimetres()).isCloseTo((4 * Math.PI + 8) / 2, within(0.001));
    }

    @Test
    void useGrowsWithEveryDiameterAndWithTheNumberOfCores() {
        for (Stitch stitch : java.util.List.of(Stitches.HALF_KNOT, Stitches.SQUARE_KNOT)) {
            double last = 0;
            for (int cores = 1; cores <= 8; cores++) {
                double use = stitch.use(new Gauge(1.5, 1.5, cores, CoreLayout.FLAT), Seat.WORKING)
                        .toMillimetres();
                assertThat(use).isGreaterThan(last);
                assertThat(stitch.use(new Gauge(1.5, 1.7, cores, CoreLayout.FLAT), Seat.WORKING)
                                .toMillimetres())
                        .isGreaterThan(use);
                assertThat(stitch.use(new Gauge(1.7, 1.5, cores, CoreLayout.FLAT), Seat.WORKING)
                                .toMillimetres())
                        .isGreaterThan(use);
                last = use;
            }
        }
    }
}
