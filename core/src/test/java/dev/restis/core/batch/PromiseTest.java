package dev.restis.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.restis.core.batch.Promise.Queue;
import dev.restis.core.piece.Check.Verdict;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.LocalDate;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PromiseTest {

    /** A Wednesday. */
    private static final LocalDate TODAY = LocalDate.of(2031, 3, 5);
    /** Two hours on weekdays, one on Saturday. */
    private static final OpenMinutes OPEN = open(Map.of(
            DayOfWeek.MONDAY, 120,
            DayOfWeek.TUESDAY, 120,
            DayOfWeek.WEDNESDAY, 120,
            DayOfWeek.THURSDAY, 120,
            DayOfWeek.FRIDAY, 120,
            DayOfWeek.SATURDAY, 60));

    @ParameterizedTest
    @CsvSource({
        "0, 2031-03-05", // nothing to do
        "1, 2031-03-06", // today is not counted on
        "120, 2031-03-06",
        "121, 2031-03-07",
        "241, 2031-03-08", // a Saturday
        "301, 2031-03-10", // over the Sunday
        "660, 2031-03-12" // a whole week
    })
    void countsOpenMinutesFromTomorrow(long minutes, LocalDate through) {
        assertThat(OPEN.through(TODAY, Duration.ofMinutes(minutes))).contains(through);
    }

    @ParameterizedTest
    @CsvSource({
        // Ready on the 11th behind everything (480 min), on the 8th in turn (300 min).
        "2031-03-11, GOOD",
        "2031-03-10, TIGHT",
        "2031-03-08, TIGHT",
        "2031-03-07, NO"
    })
    void isGoodLastTightInTurnAndNoWhenLateEvenSo(LocalDate due, Verdict verdict) {
        Promise promise = promise(360, 180, 120, 0, Optional.of(due));
        assertThat(promise.last()).contains(LocalDate.of(2031, 3, 11));
        assertThat(promise.inTurn()).contains(LocalDate.of(2031, 3, 8));
        assertThat(promise.verdict()).isEqualTo(verdict);
    }

    @Test
    void dryingHoldsThePieceAndNoMaker() {
        assertThat(promise(0, 0, 120, 2, Optional.empty()).last()).contains(LocalDate.of(2031, 3, 8));
    }

    @Test
    void withoutADayWantedItOnlySaysWhen() {
        assertThat(promise(0, 0, 30, 0, Optional.empty()).verdict()).isEqualTo(Verdict.UNKNOWN);
    }

    @Test
    void aWorkshopThatIsNeverOpenPromisesNothing() {
        Promise promise = Promise.of(
                TODAY,
                open(Map.of()),
                new Queue(Duration.ZERO, Duration.ZERO),
                Duration.ofMinutes(1),
                0,
                Optional.of(TODAY.plusYears(1)));
        assertThat(promise).isEqualTo(new Promise(Optional.empty(), Optional.empty(), Verdict.NO));
    }

    @Test
    void moreWorkIsNeverReadySoonerAndTheDaysBeforeDoNotHoldIt() {
        Random random = new Random(11);
        for (int i = 0; i < 500; i++) {
            Map<DayOfWeek, Integer> byDay = new EnumMap<>(DayOfWeek.class);
            for (DayOfWeek day : DayOfWeek.values()) {
                byDay.put(day, random.nextInt(3) * random.nextInt(300));
            }
            byDay.put(DayOfWeek.FRIDAY, 1 + random.nextInt(300));
            OpenMinutes open = open(byDay);
            long minutes = 1 + random.nextInt(5000);
            LocalDate through = open.through(TODAY, Duration.ofMinutes(minutes)).orElseThrow();
            long held = 0;
            for (LocalDate day = TODAY.plusDays(1); day.isBefore(through); day = day.plusDays(1)) {
                held += byDay.getOrDefault(day.getDayOfWeek(), 0);
            }
            assertThat(held).isLessThan(minutes);
            assertThat(held + byDay.getOrDefault(through.getDayOfWeek(), 0)).isGreaterThanOrEqualTo(minutes);
            assertThat(open.through(TODAY, Duration.ofMinutes(minutes + random.nextInt(300))))
                    .hasValueSatisfying(later -> assertThat(later).isAfterOrEqualTo(through));
        }
    }

    /** On Wednesday 12 March one of two is off and the other there for an hour; the Sunday before, one comes in. */
    @Test
    void daysThatAreOtherwiseCountForTheirMakerAlone() {
        LocalDate sunday = LocalDate.of(2031, 3, 9);
        LocalDate wednesday = LocalDate.of(2031, 3, 12);
        Map<DayOfWeek, Integer> week = Map.of(DayOfWeek.WEDNESDAY, 100, DayOfWeek.THURSDAY, 100);
        OpenMinutes two = new OpenMinutes(List.of(
                new MakerCalendar(week, Map.of(wednesday, 0, sunday, 30)),
                new MakerCalendar(week, Map.of(wednesday, 60))));
        assertThat(two.on(sunday)).isEqualTo(30);
        assertThat(two.on(wednesday)).isEqualTo(60);
        assertThat(two.on(wednesday.plusDays(7))).isEqualTo(200);
        assertThat(two.perWeek()).isEqualTo(400);
        // Thursday 200, Sunday 30, Wednesday 60.
        assertThat(two.through(TODAY, Duration.ofMinutes(200))).contains(TODAY.plusDays(1));
        assertThat(two.through(TODAY, Duration.ofMinutes(230))).contains(sunday);
        assertThat(two.through(TODAY, Duration.ofMinutes(290))).contains(wednesday);
        assertThat(two.through(TODAY, Duration.ofMinutes(291))).contains(wednesday.plusDays(1));
    }

    private static OpenMinutes open(Map<DayOfWeek, Integer> week) {
        return new OpenMinutes(List.of(new MakerCalendar(week, Map.of())));
    }

    @Test
    void refusesWhatCannotBe() {
        assertThatThrownBy(() -> open(Map.of(DayOfWeek.MONDAY, -1))).hasMessageContaining("MONDAY");
        assertThatThrownBy(() -> new Queue(Duration.ofMinutes(1), Duration.ofMinutes(2)))
                .hasMessageContaining("PT2M");
    }

    private static Promise promise(long all, long before, long work, int drying, Optional<LocalDate> due) {
        return Promise.of(
                TODAY,
                OPEN,
                new Queue(Duration.ofMinutes(all), Duration.ofMinutes(before)),
                Duration.ofMinutes(work),
                drying,
                due);
    }
}
