package dev.restis.core.work;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.work.Onward.Alike;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class OnwardTest {

    private static final Instant NOW = Instant.parse("2026-03-02T08:00:00Z");
    private static final WorkSteps ALL = new WorkSteps(true, true);

    private static Alike alike(PieceStage stage, int pieces) {
        return new Alike(new PieceState(stage, Optional.empty()), pieces);
    }

    private static Alike wet(PieceStage stage, int pieces, int hours) {
        return new Alike(new PieceState(stage, Optional.of(NOW.plus(Duration.ofHours(hours)))), pieces);
    }

    private static Onward of(WorkSteps steps, Alike... pieces) {
        return Onward.of(List.of(pieces), steps, NOW);
    }

    @Test
    void aWholeOrderThatIsPackedIsSent() {
        Onward next = of(ALL, alike(PieceStage.PACKED, 6), alike(PieceStage.SENT, 2));
        assertThat(next.act()).contains(PieceAct.SEND);
        assertThat(next.pieces()).isEqualTo(6);
        assertThat(next.sent()).isEqualTo(2);
    }

    @Test
    void whatIsMissingIsWaitedForWhenAllElseIsDone() {
        Onward next = of(ALL, alike(PieceStage.PACKED, 5), alike(PieceStage.MAKING, 1), alike(PieceStage.OPEN, 2));
        assertThat(next.act()).isEmpty();
        assertThat(next.missing()).isEqualTo(3);
        assertThat(next.here()).isEqualTo(5);
    }

    @Test
    void whatCanBeCheckedComesBeforeWhatCanBePacked() {
        Onward next = of(ALL, alike(PieceStage.MADE, 3), alike(PieceStage.CHECKED, 4));
        assertThat(next.act()).contains(PieceAct.CHECK);
        assertThat(next.pieces()).isEqualTo(3);
        assertThat(of(ALL, alike(PieceStage.CHECKED, 4), alike(PieceStage.PACKED, 1))
                        .act())
                .contains(PieceAct.PACK);
    }

    @Test
    void aHouseWithoutStepsSendsWhatIsMade() {
        assertThat(of(WorkSteps.SHORTEST, alike(PieceStage.MADE, 3)).act()).contains(PieceAct.SEND);
        assertThat(of(new WorkSteps(false, true), alike(PieceStage.MADE, 3)).act())
                .contains(PieceAct.PACK);
    }

    @Test
    void glueIsWaitedForButChecksAreNot() {
        Onward wet = of(new WorkSteps(false, true), wet(PieceStage.MADE, 2, 3), wet(PieceStage.MADE, 1, 5));
        assertThat(wet.act()).isEmpty();
        assertThat(wet.drying()).isEqualTo(3);
        assertThat(wet.dryUntil()).contains(NOW.plus(Duration.ofHours(5)));
        assertThat(of(ALL, wet(PieceStage.MADE, 2, 3)).act()).contains(PieceAct.CHECK);
        assertThat(of(WorkSteps.SHORTEST, wet(PieceStage.MADE, 1, 3), alike(PieceStage.MADE, 4))
                        .act())
                .isEmpty();
    }

    @Test
    void whatHasAllGoneOutIsDone() {
        Onward next = of(ALL, wet(PieceStage.SENT, 4, 2));
        assertThat(next.act()).isEmpty();
        assertThat(next.here()).isZero();
        assertThat(next.drying()).isZero();
        assertThat(next.sent()).isEqualTo(4);
    }
}
