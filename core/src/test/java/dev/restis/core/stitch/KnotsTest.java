package dev.restis.core.stitch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Section.KnotKind;
import dev.restis.core.piece.KnotSize;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Single knots by hand, in cord of 2 mm. */
class KnotsTest {

    private static final double D = 2;

    private static void isAbout(Length length, double millimetres) {
        assertThat(length.toMillimetres()).isCloseTo(millimetres, within(0.001));
    }

    /** Three wraps around two strands: 3*(4 + 4 pi) + 4*2 = 57.699, standing 8 mm high; one is the overhand. */
    @Test
    void barrel() {
        isAbout(Knots.barrel(3, D), 57.699);
        isAbout(Knots.barrelHeight(3, D), 8);
        isAbout(Knots.barrel(1, D), 24);
    }

    /** Four wraps around three strands: 4*(6 + 4 pi) + 5*2 = 84.265. */
    @Test
    void sliding() {
        isAbout(Knots.sliding(4, D), 84.265);
    }

    @Test
    void simpleStopAndHalfHitch() {
        isAbout(Knots.simpleStop(D), 24);
        isAbout(Knots.simpleStopDiameter(D), 6);
        isAbout(Knots.halfHitch(D), 4 * Math.PI + 2);
        isAbout(Knots.halfHitchHeight(D), 2.3);
    }

    /** One snake knot: 2 d + 2 pi d in all, of which 1.3 d stand along the piece; a button is 3.6 d thick, a simple stop 3 d. */
    @Test
    void stops() {
        isAbout(KnotSize.height(KnotKind.SNAKE, 1, 2, D), 2.6);
        isAbout(KnotSize.use(KnotKind.SNAKE, 1, 2, D), 1.4 + 4 * Math.PI);
        isAbout(KnotSize.height(KnotKind.SIMPLE_STOP, 1, 2, D), 6);
        isAbout(KnotSize.use(KnotKind.HALF_HITCH, 1, 2, D), 4 * Math.PI + 2);
    }

    /** Published lengths of the tightest barrels of one, two and three wraps. */
    @ParameterizedTest
    @CsvSource({"1, 10.13", "2, 17.35", "3, 24.53"})
    void noBarrelFallsBelowThePublishedFloor(int wraps, double floor) {
        assertThat(Knots.barrel(wraps, 1).toMillimetres()).isGreaterThan(floor);
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
