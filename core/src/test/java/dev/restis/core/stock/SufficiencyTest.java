package dev.restis.core.stock;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.stock.Sufficiency.Supply;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SufficiencyTest {

    @ParameterizedTest
    @CsvSource({
        // each, pieces, set, free, best lot
        "100, 3, false, 300, 300, ENOUGH",
        "100, 3, true,  300, 300, ENOUGH",
        "100, 3, false, 300, 299, SEVERAL_LOTS",
        "100, 3, true,  300, 299, NO_LOT_FOR_THE_SET",
        "100, 3, true,  299, 299, SHORT",
        "100, 3, false, 300,  99, NO_LOT_FOR_A_PIECE",
        "100, 3, true,  300,  99, NO_LOT_FOR_A_PIECE",
        "100, 1, true,  100,  99, NO_LOT_FOR_A_PIECE",
        "100, 1, true,  100, 100, ENOUGH",
        "0,   5, true,    0,   0, ENOUGH"
    })
    void judgesByLotsAsWellAsBySum(
            long each, int quantity, boolean set, long free, long bestLot, Sufficiency expected) {
        assertThat(Sufficiency.of(each, quantity, set, new Supply(free, bestLot)))
                .isEqualTo(expected);
    }
}
