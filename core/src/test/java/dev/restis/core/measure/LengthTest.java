package dev.restis.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LengthTest {

    @Test
    void roundsUpToTheCuttingStepAndNeverDown() {
        Length step = UnitSystem.METRIC.cuttingStep();
        assertThat(new Length(410_000).roundUpTo(step)).isEqualTo(new Length(410_000));
        assertThat(new Length(410_001).roundUpTo(step)).isEqualTo(new Length(415_000));
        assertThat(new Length(1).roundUpTo(UnitSystem.IMPERIAL.cuttingStep())).isEqualTo(new Length(6_350));
    }

    @Test
    void namesTheValueThatItRefuses() {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Length.ofMillimetres(Double.NaN))
                .withMessageContaining("NaN");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Length.ZERO.roundUpTo(Length.ZERO))
                .withMessageContaining("step");
    }

    @ParameterizedTest
    @CsvSource({
        "1.2345, 1235",
        "1.2344999, 1234",
        "-1.2345, -1235",
        "0.0005, 1",
        "-0.0004, 0",
        "4.0355, 4036",
        "1e9, 1000000000000"
    })
    void roundsHalvesAwayFromZeroAsTheirDecimalsSay(double millimetres, long micrometres) {
        assertThat(Length.ofMillimetres(millimetres)).isEqualTo(new Length(micrometres));
    }

    @Test
    void roundsEveryDoubleAsDecimalsDo() {
        Random random = new Random(2);
        for (int i = 0; i < 20_000; i++) {
            double millimetres = (random.nextBoolean() ? 1 : -1)
                    * (random.nextBoolean() ? random.nextInt(4_000_000) / 2000.0 : random.nextDouble() * 3000);
            assertThat(Length.ofMillimetres(millimetres).micrometres())
                    .isEqualTo(BigDecimal.valueOf(millimetres)
                            .movePointRight(3)
                            .setScale(0, RoundingMode.HALF_UP)
                            .longValueExact());
        }
    }
}
