package dev.restis.core.stock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class ReorderTest {

    /** Weeks of 10, 14, 6 and 10: mean 10, squares 0 + 16 + 16 + 0 over 3 are 10.67, spread 3.27. */
    private static final Usage USAGE = Usage.of(List.of(10L, 14L, 6L, 10L));

    @Test
    void aHabitHasAMeanAndASpread() {
        assertThat(USAGE.mean()).isEqualTo(10);
        assertThat(USAGE.spread()).isCloseTo(3.266, within(0.001));
        assertThat(Usage.of(List.of(10L, 14L, 6L))).isEqualTo(Usage.UNKNOWN);
    }

    /** 21 days of lead and 7 of review are 4 weeks: 40 expected, 1.6449 x 3.266 x 2 = 10.75 in reserve; 51 less 20 and 5. */
    @Test
    void whatIsBoughtLastsUntilTheNextPurchaseArrives() {
        Reorder reorder = Reorder.of(USAGE, 21, 7, ServiceLevel.NINETEEN_IN_TWENTY, 20, 5);
        assertThat(reorder.expected()).isEqualTo(40);
        assertThat(reorder.reserve()).isEqualTo(11);
        assertThat(reorder.needed()).isEqualTo(26);
    }

    @Test
    void whatIsPromisedBeyondTheShelvesIsBoughtWithoutAnyHabit() {
        assertThat(Reorder.of(Usage.UNKNOWN, 21, 7, ServiceLevel.NINE_IN_TEN, -30, 0)
                        .needed())
                .isEqualTo(30);
        assertThat(Reorder.of(Usage.UNKNOWN, 21, 7, ServiceLevel.NINE_IN_TEN, -30, 40)
                        .needed())
                .isZero();
    }

    @Test
    void moreCertaintyNeverNeedsLess() {
        long before = 0;
        for (ServiceLevel level : ServiceLevel.values()) {
            long needed = Reorder.of(USAGE, 14, 7, level, 0, 0).needed();
            assertThat(needed).isGreaterThan(before);
            before = needed;
        }
    }

    /** 25 on hand; 10 overdue, 8 owed on the 4th, 20 arriving on the 6th; 14 a week are 2 a day from tomorrow on. */
    @Test
    void stockRunsOutOnTheDayItIsOwed() {
        LocalDate today = LocalDate.of(2026, 12, 1);
        RunningOut out = RunningOut.of(
                25,
                Map.of(today.minusDays(3), 10L, today.plusDays(3), 8L),
                Map.of(today.plusDays(5), 20L),
                new Usage(14, 0, 8),
                today,
                8);
        assertThat(out.levels().stream().map(RunningOut.Level::quantity))
                .containsExactly(15L, 13L, 11L, 1L, -1L, 17L, 15L, 13L);
        assertThat(out.runsOut()).contains(today.plusDays(4));
    }

    @Test
    void whatIsLateComesTomorrowAtTheEarliest() {
        LocalDate today = LocalDate.of(2026, 12, 1);
        RunningOut out = RunningOut.of(5, Map.of(), Map.of(today.minusDays(2), 7L), Usage.UNKNOWN, today, 3);
        assertThat(out.levels().stream().map(RunningOut.Level::quantity)).containsExactly(5L, 12L, 12L);
        assertThat(out.runsOut()).isEmpty();
    }
}
