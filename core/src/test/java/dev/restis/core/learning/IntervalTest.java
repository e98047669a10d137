package dev.restis.core.learning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class IntervalTest {

    /** By hand, 2 of 100: z^2/n = 0.038415, middle (0.02 + 0.019207) / 1.038415 = 0.037757, half 0.032256. */
    @Test
    void byHand() {
        Interval two = Interval.ofShare(2, 100);
        assertThat(two.low()).isCloseTo(0.0055, within(0.00005));
        assertThat(two.high()).isCloseTo(0.0700, within(0.00005));
        Interval none = Interval.ofShare(0, 20);
        assertThat(none.low()).isZero();
        assertThat(none.high()).as("z^2 / (n + z^2)").isCloseTo(3.8415 / 23.8415, within(0.00005));
        assertThat(Interval.ofShare(0, 0)).isEqualTo(new Interval(0, 1));
        assertThat(Interval.ofShare(7, 7).high()).isEqualTo(1);
    }

    @Test
    void moreThanAllCannotBeSeen() {
        assertThatIllegalArgumentException().isThrownBy(() -> Interval.ofShare(3, 2));
    }
}
