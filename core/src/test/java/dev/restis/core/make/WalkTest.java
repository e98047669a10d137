package dev.restis.core.make;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.restis.core.make.BenchAct.Kind;
import dev.restis.core.make.Walk.Refusal;
import dev.restis.core.pattern.PatternBook;
import dev.restis.core.piece.Examples;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalLong;
import java.util.Random;
import org.junit.jupiter.api.Test;

class WalkTest {

    private static final WorkCard CARD = CardMaker.of(Examples.worked(Examples.usual(PatternBook.SPIRAL_FOB)));

    private final List<BenchAct> acts = new ArrayList<>();

    private Walk walk() {
        return Walk.of(CARD, false, 0, acts);
    }

    private void act(Kind kind, int step) {
        OptionalLong taken = kind == Kind.TAKE_BACK
                ? OptionalLong.of(walk().newest().orElseThrow().number())
                : OptionalLong.empty();
        acts.add(new BenchAct(acts.size() + 1, kind, step, taken));
    }

    private int firstGate() {
        int gate = 0;
        while (!CARD.steps().get(gate).kind().passed()) {
            gate++;
        }
        return gate;
    }

    @Test
    void oneStepAfterTheOther() {
        assertThat(walk().next()).isZero();
        assertThat(walk().refusal(Kind.DONE, 1, false)).contains(Refusal.NOT_NEXT);
        act(Kind.DONE, 0);
        assertThat(walk().next()).isEqualTo(1);
        assertThat(walk().refusal(Kind.DONE, 0, false)).contains(Refusal.NOT_NEXT);
        assertThat(walk().refusal(Kind.DONE, 1, false)).isEmpty();
        assertThat(walk().refusal(Kind.NOT_YET, 1, false)).contains(Refusal.NO_GATE);
        for (int step = 1; step < CARD.steps().size(); step++) {
            act(Kind.DONE, step);
        }
        assertThat(walk().allDone()).isTrue();
        assertThat(walk().refusal(Kind.DONE, CARD.steps().size(), false)).contains(Refusal.ALL_DONE);
    }

    /** It is shown at the inspection, until the piece was opened before it and the gate passed. */
    @Test
    void whatWasPassedOverStandsUntilItIsReachedAnew() {
        int gate = firstGate();
        for (int step = 0; step < gate; step++) {
            act(Kind.DONE, step);
        }
        act(Kind.ALL_THE_SAME, gate);
        act(Kind.DONE, gate + 1);
        assertThat(walk().passedOver().stream().map(BenchAct::step)).containsExactly(gate);
        act(Kind.BACK_TO, gate);
        assertThat(walk().passedOver()).isEmpty();
        act(Kind.DONE, gate);
        assertThat(walk().passedOver()).isEmpty();
        act(Kind.TAKE_BACK, gate);
        act(Kind.TAKE_BACK, gate);
        assertThat(walk().passedOver()).as("opened by mistake").hasSize(1);
    }

    @Test
    void aGateHoldsUpIsPassedOrPassedOverForAReason() {
        int gate = firstGate();
        for (int step = 0; step < gate; step++) {
            act(Kind.DONE, step);
        }
        assertThat(walk().refusal(Kind.DONE, gate + 1, false)).contains(Refusal.NOT_NEXT);
        act(Kind.NOT_YET, gate);
        assertThat(walk().heldUp()).isTrue();
        assertThat(walk().next()).isEqualTo(gate);
        assertThat(walk().refusal(Kind.ALL_THE_SAME, gate, false)).contains(Refusal.REASON_MISSING);
        assertThat(walk().refusal(Kind.ALL_THE_SAME, gate, true)).isEmpty();
        act(Kind.ALL_THE_SAME, gate);
        assertThat(walk().next()).isEqualTo(gate + 1);
        assertThat(walk().heldUp()).isFalse();
    }

    @Test
    void gatesThatOnlyRemindArePassedByGoingOn() {
        int gate = firstGate();
        for (int step = 0; step < gate; step++) {
            act(Kind.DONE, step);
        }
        int after = gate;
        while (CARD.steps().get(after).kind().passed()) {
            after++;
        }
        Walk reminding = Walk.of(CARD, true, 0, acts);
        assertThat(reminding.refusal(Kind.DONE, after, false)).isEmpty();
        assertThat(reminding.refusal(Kind.DONE, after + 1, false)).contains(Refusal.NOT_NEXT);
        assertThat(walk().refusal(Kind.DONE, after, false)).contains(Refusal.NOT_NEXT);
    }

    @Test
    void whatIsDoneCanBeGoneBackTo() {
        act(Kind.DONE, 0);
        act(Kind.DONE, 1);
        assertThat(walk().refusal(Kind.BACK_TO, 2, true)).contains(Refusal.NOT_REACHED);
        assertThat(walk().refusal(Kind.BACK_TO, 0, true)).isEmpty();
        act(Kind.BACK_TO, 0);
        assertThat(walk().next()).isZero();
        act(Kind.TAKE_BACK, 0);
        assertThat(walk().next()).isEqualTo(2);
    }

    @Test
    void onlyTheNewestIsTakenBack() {
        act(Kind.DONE, 0);
        act(Kind.DONE, 1);
        assertThat(walk().refusalToTakeBack(1)).contains(Refusal.LATER_RESTS);
        assertThat(walk().refusalToTakeBack(7)).contains(Refusal.NOTHING_TO_TAKE_BACK);
        assertThat(walk().refusalToTakeBack(2)).isEmpty();
        assertThatThrownBy(() -> Walk.of(
                        CARD,
                        false,
                        0,
                        List.of(acts.get(0), acts.get(1), new BenchAct(3, Kind.TAKE_BACK, 0, OptionalLong.of(1)))))
                .isInstanceOf(IllegalArgumentException.class);
    }

    /** A piece that was made in another size goes on in the middle of its card; what was done before is not there to be taken back. */
    @Test
    void itMayBeginInTheMiddle() {
        int from = 4;
        Walk fresh = Walk.of(CARD, false, from, List.of());
        assertThat(fresh.next()).isEqualTo(from);
        assertThat(fresh.refusal(Kind.TAKE_BACK, 0, false)).contains(Refusal.NOTHING_TO_TAKE_BACK);
        assertThat(fresh.refusal(Kind.DONE, 0, false)).contains(Refusal.NOT_NEXT);
        assertThat(fresh.refusal(Kind.DONE, from, false)).isEmpty();
        assertThat(fresh.refusal(Kind.BACK_TO, 1, false))
                .as("more of it may have to be opened than was thought")
                .isEmpty();
        List<BenchAct> done = List.of(
                new BenchAct(1, Kind.DONE, from, OptionalLong.empty()),
                new BenchAct(2, Kind.TAKE_BACK, from, OptionalLong.of(1)));
        assertThat(Walk.of(CARD, false, from, done.subList(0, 1)).next()).isEqualTo(from + 1);
        assertThat(Walk.of(CARD, false, from, done).next()).isEqualTo(from);
    }

    /** Taking back everything in turn goes back through every state that was. */
    @Test
    void takingBackGoesThroughWhatWas() {
        Random random = new Random(12);
        List<Integer> was = new ArrayList<>();
        int acted = 0;
        while (acted < 200) {
            Kind kind = Kind.values()[random.nextInt(4)];
            int step = random.nextInt(3) == 0 ? random.nextInt(CARD.steps().size()) : walk().next();
            if (walk().refusal(kind, step, true).isEmpty()) {
                was.add(walk().next());
                act(kind, step);
                acted++;
            }
        }
        while (acted-- > 0) {
            act(Kind.TAKE_BACK, 0);
            assertThat(walk().next()).isEqualTo(was.get(acted));
        }
    }
}
