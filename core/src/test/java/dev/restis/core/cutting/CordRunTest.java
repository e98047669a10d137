package dev.restis.core.cutting;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.restis.core.measure.Length;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CordRunTest {

    /** A strand of 412 mm may be up to 417 mm, and never a hair shorter. */
    @ParameterizedTest
    @CsvSource({"0, RUN_ON", "411999, RUN_ON", "412000, CUT_HERE", "417000, CUT_HERE", "417001, WIND_BACK"})
    void aStrandIsNeverShort(long ran, CordRun.Stand stand) {
        assertThat(new CordRun(new Length(ran), Length.ofMillimetres(412)).stand())
                .isEqualTo(stand);
    }

    @Test
    void needsALengthToCut() {
        assertThatThrownBy(() -> new CordRun(Length.ZERO, Length.ZERO)).hasMessageContaining("need must be positive");
    }
}
