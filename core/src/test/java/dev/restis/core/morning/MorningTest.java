package dev.restis.core.morning;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.batch.MakerCalendar;
import dev.restis.core.batch.OpenMinutes;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class MorningTest {

    /** A Monday. The house is open for 200 minutes from Monday to Friday, and for 60 on Saturdays. */
    private static final LocalDate MONDAY = LocalDate.of(2026, 3, 2);

    private static final OpenMinutes HOUSE = new OpenMinutes(List.of(calendar(120, 60), calendar(80, 0)));

    private static MakerCalendar calendar(int weekday, int saturday) {
        return new MakerCalendar(
                Map.of(
                        DayOfWeek.MONDAY, weekday,
                        DayOfWeek.TUESDAY, weekday,
                        DayOfWeek.WEDNESDAY, weekday,
                        DayOfWeek.THURSDAY, weekday,
                        DayOfWeek.FRIDAY, weekday,
                        DayOfWeek.SATURDAY, saturday),
                Map.of());
    }

    private static LatestStart start(int day, int minutes) {
        return LatestStart.of(HOUSE, MONDAY.plusDays(day), Duration.ofMinutes(minutes));
    }

    @Test
    void workOfADayBeginsOnItsDay() {
        assertThat(start(2, 50)).isEqualTo(new LatestStart(MONDAY.plusDays(2), 150 * 60));
        assertThat(start(2, 200)).isEqualTo(new LatestStart(MONDAY.plusDays(2), 0));
        assertThat(start(2, 0)).isEqualTo(new LatestStart(MONDAY.plusDays(2), 200 * 60));
    }

    @Test
    void moreBeginsOnTheDaysBefore() {
        // 450 minutes by Wednesday: 200 + 200 on Wednesday and Tuesday, 50 on Monday.
        assertThat(start(2, 450)).isEqualTo(new LatestStart(MONDAY, 150 * 60));
        // 1 more minute than Monday to Wednesday hold: it had to begin on the Saturday before.
        LatestStart before = start(2, 601);
        assertThat(before).isEqualTo(new LatestStart(MONDAY.minusDays(2), 59 * 60));
        assertThat(before.passed(MONDAY)).isTrue();
        assertThat(start(2, 600).passed(MONDAY)).isFalse();
    }

    @Test
    void whatMustLeaveOnASundayIsThroughOnTheSaturday() {
        assertThat(start(6, 0)).isEqualTo(new LatestStart(MONDAY.plusDays(5), 60 * 60));
        assertThat(start(6, 90)).isEqualTo(new LatestStart(MONDAY.plusDays(4), 170 * 60));
    }

    @Test
    void aHouseThatIsNeverOpenGoesByTheDay() {
        OpenMinutes shut = new OpenMinutes(List.of(calendar(0, 0)));
        assertThat(LatestStart.of(shut, MONDAY, Duration.ofMinutes(5)).day()).isEqualTo(MONDAY);
    }

    @Test
    void moreWorkNeverBeginsLater() {
        Random random = new Random(5);
        for (int n = 0; n < 2_000; n++) {
            int day = random.nextInt(30);
            int less = random.nextInt(3_000);
            LatestStart sooner = start(day, less + random.nextInt(500));
            assertThat(sooner).isLessThanOrEqualTo(start(day, less));
            assertThat(sooner).isLessThanOrEqualTo(start(day + random.nextInt(5), less));
        }
    }

    private static final Instant DRY = Instant.parse("2026-03-02T15:00:00Z");

    private static Matter<String> matter(String what, Doing doing, int day, int minutes) {
        return new Matter<>(what.charAt(0), doing, Optional.of(start(day, minutes)), Optional.empty(), false, what);
    }

    private static Matter<String> anyDay(String what, Doing doing) {
        return new Matter<>(what.charAt(0), doing, Optional.empty(), Optional.empty(), false, what);
    }

    private static Matter<String> wet(String what, Doing doing, int day, Instant until) {
        return new Matter<>(what.charAt(0), doing, Optional.of(start(day, 0)), Optional.of(until), false, what);
    }

    private static Matter<String> rest(String what, Doing doing, int day) {
        return new Matter<>(what.charAt(0), doing, Optional.of(start(day, 0)), Optional.empty(), true, what);
    }

    @SafeVarargs
    private static Arguments morning(String name, Matter<String>... inOrder) {
        return Arguments.of(name, Arrays.asList(inOrder));
    }

    /** Each as somebody would go about it by hand. */
    static Stream<Arguments> mornings() {
        return Stream.of(
                morning(
                        "what must leave sooner comes first",
                        matter("a", Doing.TIE, 0, 30),
                        matter("b", Doing.TIE, 1, 30),
                        matter("c", Doing.TIE, 4, 30)),
                morning(
                        "much work for later comes before little for sooner",
                        matter("a", Doing.TIE, 3, 700),
                        matter("b", Doing.PACK, 1, 5)),
                morning(
                        "of two for the same evening the one that takes longer",
                        matter("a", Doing.CUT, 2, 90),
                        matter("b", Doing.TIE, 2, 60),
                        matter("c", Doing.SEND, 2, 0)),
                morning(
                        "as urgent: what is nearest to its customer",
                        matter("a", Doing.SEND, 1, 10),
                        matter("b", Doing.PACK, 1, 10),
                        matter("c", Doing.CHECK, 1, 10),
                        matter("d", Doing.TIE, 1, 10),
                        matter("e", Doing.CUT, 1, 10)),
                morning("alike in all: the older order", matter("a", Doing.TIE, 1, 10), matter("b", Doing.TIE, 1, 10)),
                morning(
                        "what is late already comes before all else",
                        matter("a", Doing.TIE, -3, 20),
                        matter("b", Doing.SEND, -1, 0),
                        matter("c", Doing.PACK, 0, 5)),
                morning(
                        "what nobody waits for comes last of what can be done",
                        matter("a", Doing.CUT, 20, 10),
                        anyDay("b", Doing.SEND),
                        anyDay("c", Doing.TIE)),
                morning(
                        "what can be done now comes before what must dry, however urgent",
                        matter("a", Doing.CUT, 9, 10),
                        wet("b", Doing.PACK, 0, DRY)),
                morning(
                        "what is dry first goes on first",
                        wet("a", Doing.PACK, 4, DRY),
                        wet("b", Doing.PACK, 0, DRY.plusSeconds(3600))),
                morning(
                        "what waits for the rest of its order comes after what dries",
                        wet("a", Doing.PACK, 5, DRY),
                        rest("b", Doing.SEND, 1),
                        rest("c", Doing.SEND, 3)),
                morning(
                        "what must leave on a Sunday is through before what must leave on the Monday",
                        matter("a", Doing.SEND, 6, 0),
                        matter("b", Doing.SEND, 7, 0)),
                morning(
                        "a whole day of everything",
                        matter("a", Doing.TIE, 0, 260),
                        matter("b", Doing.SEND, 0, 0),
                        matter("c", Doing.PACK, 1, 12),
                        matter("d", Doing.CUT, 2, 150),
                        matter("e", Doing.CHECK, 2, 4),
                        anyDay("f", Doing.TIE),
                        wet("g", Doing.PACK, 0, DRY),
                        rest("h", Doing.SEND, 1)));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("mornings")
    void aMorningIsAsSomebodyWouldGoAboutIt(String name, List<Matter<String>> inOrder) {
        Random random = new Random(11);
        for (int n = 0; n < 20; n++) {
            List<Matter<String>> shuffled = new ArrayList<>(inOrder);
            Collections.shuffle(shuffled, random);
            assertThat(Matter.inOrder(shuffled))
                    .extracting(Matter::what)
                    .as(name)
                    .isSorted();
        }
    }
}
