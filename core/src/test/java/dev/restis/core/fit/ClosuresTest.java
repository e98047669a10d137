package dev.restis.core.fit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.restis.core.fit.SlidingFit.Kind;
import dev.restis.core.measure.Length;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Each closure by its own geometry. */
class ClosuresTest {

    private static final Length HAND = mm(210);

    /** B 160, S 20, pi*t 10. Slider: (210 + 5 + 10 - 160 + 20)/2 = 42.5, so 45. Noose: 215 + 10 - 160 - 20 = 45. */
    @ParameterizedTest
    @CsvSource({"OVER_TAILS, 45, 170, 220", "THROUGH_EYE, 45, 170, 215"})
    void tailClosedAndOpen(Kind kind, long tail, long closed, long open) {
        SlidingFit fit = new SlidingFit(kind, mm(160), mm(20), mm(10));
        assertThat(fit.tail(HAND)).isEqualTo(mm(tail));
        assertThat(fit.closed(mm(tail))).isEqualTo(mm(closed));
        assertThat(fit.open(mm(tail))).isEqualTo(mm(open));
    }

    /** F 190, two knots of 6: T >= 215 + 10 - 190 + 12 + 2 = 49, so 50; B = 140 closes to 190 - 10, opens to 140 + 100 - 12 - 10. */
    @Test
    void twoSlidingKnots() {
        Length tail = SlidingFit.tailOfSlidingKnots(mm(190), HAND, mm(10), mm(6), mm(2));
        assertThat(tail).isEqualTo(mm(50));
        SlidingFit fit = new SlidingFit(Kind.AROUND_EACH_OTHER, mm(140), mm(6), mm(10));
        assertThat(fit.closed(tail)).isEqualTo(mm(180));
        assertThat(fit.open(tail)).isEqualTo(mm(218));
    }

    @ParameterizedTest
    @EnumSource(Kind.class)
    void theLeastTailAlwaysOpensOverTheHandAndIsNoLongerThanItMustBe(Kind kind) {
        Random random = new Random(7);
        for (int i = 0; i < 500; i++) {
            SlidingFit fit = new SlidingFit(
                    kind, mm(100 + random.nextInt(120)), mm(5 + random.nextInt(30)), mm(random.nextInt(40)));
            Length hand = mm(150 + random.nextInt(120));
            Length tail = fit.tail(hand);
            assertThat(fit.open(tail)).isGreaterThanOrEqualTo(SlidingFit.needed(hand));
            if (mm(40).isLessThan(tail)) {
                assertThat(fit.open(tail.minus(mm(5)))).isLessThan(SlidingFit.needed(hand));
            }
        }
    }

    /** A ball of 10 mm: 15.708 * 0.92 = 14.451 in cord that gives, 15.708 in stiff cord. */
    @Test
    void anEyeForItsStopper() {
        assertThat(EyeFit.madeFor(mm(10), false).inside().toMillimetres()).isCloseTo(14.451, within(0.001));
        assertThat(EyeFit.madeFor(mm(10), true).inside().toMillimetres()).isCloseTo(15.708, within(0.001));
    }

    /** 14.451 in hitches of 2 mm are 8, so 16 mm: 1.11 of the ideal holds; of 9 mm are 2, so 18 mm: 1.25 does not. */
    @Test
    void aButtonholeInWholeHitches() {
        EyeFit eye = EyeFit.madeFor(mm(10), false);
        assertThat(eye.hitches(mm(2))).isEqualTo(8);
        assertThat(eye.inWholeHitches(mm(2)).inside()).isEqualTo(mm(16));
        assertThat(eye.inWholeHitches(mm(2)).holds()).isTrue();
        assertThat(eye.inWholeHitches(mm(9)).holds()).isFalse();
    }

    /** Room 100, knots of 4, beads of 8: 3 knots, then 4 times bead and 3 knots are 92; 8 over lengthen both ends by one. */
    @Test
    void aBeadAfterEveryThirdKnot() {
        assertThat(Repeats.withBeadEvery(3, mm(100), mm(4), mm(8))).isEqualTo(List.of(4, 3, 3, 3, 4));
        assertThat(Repeats.withBeadEvery(3, mm(92), mm(4), mm(8))).isEqualTo(List.of(3, 3, 3, 3, 3));
        assertThat(Repeats.withBeadEvery(3, mm(19), mm(4), mm(8))).isEqualTo(List.of(3));
        assertThat(Repeats.withBeadEvery(3, mm(20), mm(4), mm(8))).isEqualTo(List.of(5));
        assertThat(Repeats.withBeadEvery(3, mm(11), mm(4), mm(8))).isEmpty();
    }

    private static Length mm(long millimetres) {
        return Length.ofMillimetres(millimetres);
    }
}
