package dev.restis.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import org.junit.jupiter.api.Test;

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
}
