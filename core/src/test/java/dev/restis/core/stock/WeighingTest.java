package dev.restis.core.stock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.restis.core.measure.Length;
import java.util.Random;
import org.junit.jupiter.api.Test;

class WeighingTest {

    /** 2.4 g a metre; a spool of 40 g with 240 g of cord on it weighs 280 g: 100 m. */
    @Test
    void aSpoolTellsItsLength() {
        assertThat(Weighing.length(280_000, 40_000, 2_400_000)).isEqualTo(Length.ofMillimetres(100_000));
        assertThat(Weighing.length(40_000, 40_000, 2_400_000)).isEqualTo(Length.ZERO);
        // 1 mg more are 416.67 micrometres.
        assertThat(Weighing.length(40_001, 40_000, 2_400_000)).isEqualTo(new Length(417));
    }

    /** 50 m that weigh 137.5 g have 2.75 g a metre. */
    @Test
    void aKnownSpoolTellsTheDensity() {
        assertThat(Weighing.density(177_500, 40_000, Length.ofMillimetres(50_000)))
                .isEqualTo(2_750_000);
    }

    @Test
    void whatCannotBeWeighedIsRefusedByName() {
        assertThatThrownBy(() -> Weighing.length(39_999, 40_000, 2_400_000)).hasMessageContaining("tare");
        assertThatThrownBy(() -> Weighing.length(50_000, 40_000, 9_999)).hasMessageContaining("density");
        assertThatThrownBy(() -> Weighing.density(50_000, 40_000, Length.ofMillimetres(999)))
                .hasMessageContaining("known");
    }

    /** Weighing what the density was told from gives the length back, but for what a milligram cannot tell. */
    @Test
    void densityAndLengthAreInverse() {
        Random random = new Random(5);
        for (int i = 0; i < 2000; i++) {
            Length known = Length.ofMillimetres(1000 + random.nextInt(400_000));
            long net = 2000 + random.nextInt(900_000);
            long density = Weighing.density(net, 0, known);
            if (density >= Weighing.LIGHTEST && density <= Weighing.HEAVIEST) {
                long off = Weighing.length(net, 0, density).micrometres() - known.micrometres();
                // Half a microgram in the density of at least 10,000.
                assertThat(Math.abs(off)).isLessThanOrEqualTo(known.micrometres() / 20_000 + 1);
            }
        }
    }
}
