package dev.restis.core.stitch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.restis.core.measure.Length;
import org.junit.jupiter.api.Test;

/** Single knots by hand, in cord of 2 mm. */
class KnotsTest {

    private static final double D = 2;

    private static void isAbout(Length length, double millimetres) {
        assertThat(length.toMillimetres()).isCloseTo(millimetres, within(0.001));
    }

    /** Three wraps: 3*2*pi*2 + 6 = 43.699, standing 8 mm high. */
    @Test
    void barrel() {
        isAbout(Knots.barrel(3, D), 43.699);
        isAbout(Knots.barrelHeight(3, D), 8);
    }

    /** Four wraps around two strands: 4*(4 + 4 pi) + 6 = 72.265. */
    @Test
    void sliding() {
        isAbout(Knots.sliding(4, D), 72.265);
    }

    @Test
    void knotsOfTwoStrands() {
        isAbout(Knots.connecting(D), 24);
        isAbout(Knots.button(D), 52);
        isAbout(Knots.buttonDiameter(D), 7.2);
        isAbout(Knots.reef(D), 16);
        isAbout(Knots.snake(D), 4 + 4 * Math.PI);
    }

    /** Seven turns of 1.5 mm around four strands of 2 mm: 7*(4*2 + 3.5 pi) + 2*7*1.5 = 153.969. */
    @Test
    void wrap() {
        isAbout(Knots.wrap(7, 4, D, 1.5), 153.969);
    }

    /** No single knot takes less than the tight rope's 10.1 d, but a reef, which is two half knots of two cords. */
    @Test
    void noKnotFallsBelowThePublishedFloor() {
        for (Length knot : new Length[] {Knots.overhand(1, 1), Knots.connecting(1), Knots.button(1)}) {
            assertThat(knot.toMillimetres()).isGreaterThan(10.1);
        }
    }

    @Test
    void stiffCordNeedsALongerGripAndThickCordALongerOneYet() {
        isAbout(Knots.handTail(false, 2), 45);
        isAbout(Knots.handTail(true, 2), 70);
        isAbout(Knots.handTail(false, 4), 56);
    }
}
