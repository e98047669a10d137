package dev.restis.core.work;

import static dev.restis.core.work.PieceAct.CHECK;
import static dev.restis.core.work.PieceAct.CUT;
import static dev.restis.core.work.PieceAct.CUT_INTO;
import static dev.restis.core.work.PieceAct.FINISH;
import static dev.restis.core.work.PieceAct.PACK;
import static dev.restis.core.work.PieceAct.PLAN;
import static dev.restis.core.work.PieceAct.REDO;
import static dev.restis.core.work.PieceAct.RELEASE;
import static dev.restis.core.work.PieceAct.SEND;
import static dev.restis.core.work.PieceAct.TAKE_BACK;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PieceLifeTest {

    private static final Instant NOON = Instant.parse("2026-05-04T12:00:00Z");
    private static final WorkSteps ALL = new WorkSteps(true, true);

    /** Each stage with all that can be done there, in a house of the shortest way. */
    @ParameterizedTest
    @CsvSource({
        "OPEN, PLAN",
        "PLANNED, RELEASE CUT_INTO CUT",
        "CUTTING, RELEASE CUT",
        "CUT, RELEASE START FINISH GIVE_UP",
        "MAKING, FINISH GIVE_UP",
        "MADE, SEND REDO GIVE_UP",
        "CHECKED, SEND REDO GIVE_UP",
        "PACKED, SEND REDO GIVE_UP",
        "SENT, COME_BACK",
        "GIVEN_UP, ''"
    })
    void whatCanBeDoneWhere(PieceStage stage, String acts) {
        assertThat(allowed(stage, WorkSteps.SHORTEST)).isEqualTo(acts(acts));
    }

    @ParameterizedTest
    @CsvSource({
        "true, false, MADE, CHECK REDO GIVE_UP",
        "true, false, CHECKED, SEND REDO GIVE_UP",
        "false, true, MADE, PACK REDO GIVE_UP",
        "false, true, PACKED, SEND REDO GIVE_UP",
        "true, true, MADE, CHECK REDO GIVE_UP",
        "true, true, CHECKED, PACK REDO GIVE_UP",
        "true, true, PACKED, SEND REDO GIVE_UP"
    })
    void aHouseThatChecksOrPacksPassesNeither(boolean checks, boolean packs, PieceStage stage, String acts) {
        assertThat(allowed(stage, new WorkSteps(checks, packs))).isEqualTo(acts(acts));
    }

    @Test
    void aGluedPieceIsNeitherPackedNorSentBeforeItIsDry() {
        Instant dry = NOON.plus(Duration.ofDays(1));
        PieceState made = PieceLife.after(new PieceState(PieceStage.CUT, Optional.empty()), FINISH, Optional.of(dry));
        for (PieceAct act : List.of(PACK, SEND)) {
            WorkSteps steps = new WorkSteps(false, act == PACK);
            assertThat(PieceLife.refusal(made, act, steps, dry.minusSeconds(1))).contains(new Refusal.NotDry(dry));
            assertThat(PieceLife.refusal(made, act, steps, dry)).isEmpty();
        }
        assertThat(PieceLife.refusal(made, CHECK, ALL, NOON)).isEmpty();
        PieceState checked = PieceLife.after(made, CHECK, Optional.empty());
        assertThat(checked.dryUntil()).contains(dry);
        assertThat(PieceLife.after(checked, REDO, Optional.empty()).dryUntil()).isEmpty();
    }

    @Test
    void theNewestActIsTakenBackAndThenTheOneBefore() {
        Log log = new Log().with(PLAN).with(CUT_INTO).with(CUT).with(FINISH).with(SEND);
        assertThat(log.life().refusalToTakeBack(4)).contains(new Refusal.LaterRests(log.events.get(4)));
        assertThat(log.life().refusalToTakeBack(5)).isEmpty();
        log.takingBack(5);
        assertThat(log.life().state().stage()).isEqualTo(PieceStage.MADE);
        assertThat(log.life().refusalToTakeBack(5)).contains(new Refusal.NothingToTakeBack());
        assertThat(log.life().refusalToTakeBack(4)).isEmpty();
        log.takingBack(4);
        assertThat(log.life().state().stage()).isEqualTo(PieceStage.CUT);
        assertThat(log.life().refusalToTakeBack(3)).contains(new Refusal.NotAlone(CUT));
        log.takingBack(3).takingBack(2);
        assertThat(log.life().state().stage()).isEqualTo(PieceStage.PLANNED);
        assertThat(log.life().refusalToTakeBack(1)).contains(new Refusal.NotAlone(PLAN));
        log.with(RELEASE);
        assertThat(log.life().refusalToTakeBack(10)).contains(new Refusal.NotAlone(RELEASE));
    }

    @Test
    void whatCannotHaveHappenedIsNoLife() {
        assertThatThrownBy(() -> new Log().with(SEND).life()).hasMessageContaining("row 1, SEND, cannot follow OPEN");
        assertThatThrownBy(() -> new Log().with(PLAN).takingBack(7).life())
                .hasMessageContaining("row 2, TAKE_BACK, cannot follow PLANNED");
        assertThatThrownBy(() -> new PieceEvent(1, SEND, NOON, "Tove", Optional.empty(), OptionalLong.of(3), ""))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void whateverIsDoneTheRowsTellTheSameAsTheActs() {
        Random random = new Random(17);
        Set<PieceStage> seen = EnumSet.noneOf(PieceStage.class);
        for (int life = 0; life < 500; life++) {
            Log log = new Log();
            WorkSteps steps = new WorkSteps(life % 2 == 0, life % 3 == 0);
            PieceState state = PieceState.NEW;
            List<PieceState> before = new ArrayList<>();
            for (int n = 0; n < 40; n++) {
                PieceAct act = PieceAct.values()[random.nextInt(PieceAct.values().length)];
                Instant now = NOON.plus(Duration.ofHours(n));
                if (act == TAKE_BACK && !before.isEmpty()) {
                    PieceEvent newest = log.life().newest().orElseThrow();
                    log.takingBack(newest.number());
                    state = before.remove(before.size() - 1);
                } else if (PieceLife.refusal(state, act, steps, now).isEmpty()) {
                    Optional<Instant> dry = act == FINISH && random.nextBoolean()
                            ? Optional.of(now.plus(Duration.ofHours(5)))
                            : Optional.empty();
                    before.add(state);
                    state = PieceLife.after(state, act, dry);
                    log.add(act, now, dry);
                }
                assertThat(log.life().state()).isEqualTo(state);
                seen.add(state.stage());
            }
        }
        assertThat(seen).containsExactlyInAnyOrder(PieceStage.values());
    }

    private static Set<PieceAct> allowed(PieceStage stage, WorkSteps steps) {
        Set<PieceAct> allowed = EnumSet.noneOf(PieceAct.class);
        for (PieceAct act : PieceAct.values()) {
            if (PieceLife.refusal(new PieceState(stage, Optional.empty()), act, steps, NOON)
                    .isEmpty()) {
                allowed.add(act);
            }
        }
        return allowed;
    }

    private static Set<PieceAct> acts(String names) {
        Set<PieceAct> acts = EnumSet.noneOf(PieceAct.class);
        Arrays.stream(names.split(" "))
                .filter(n -> !n.isBlank())
                .map(PieceAct::valueOf)
                .forEach(acts::add);
        return acts;
    }

    /** Rows of one piece, numbered from 1 on. */
    private static final class Log {
        private final List<PieceEvent> events = new ArrayList<>();

        Log with(PieceAct act) {
            return add(act, NOON, Optional.empty());
        }

        Log add(PieceAct act, Instant at, Optional<Instant> dry) {
            events.add(new PieceEvent(events.size() + 1, act, at, "Bram", dry, OptionalLong.empty(), ""));
            return this;
        }

        Log takingBack(long number) {
            events.add(new PieceEvent(
                    events.size() + 1, TAKE_BACK, NOON, "Bram", Optional.empty(), OptionalLong.of(number), ""));
            return this;
        }

        PieceLife life() {
            return PieceLife.of(events);
        }
    }
}
