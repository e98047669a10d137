package dev.restis.app.cut;

import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.ArgumentMatchers.argThat;
import static org.mockito.Mockito.inOrder;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.verifyNoInteractions;
import static org.mockito.Mockito.when;

import dev.restis.app.cut.CutPlans.Laid;
import dev.restis.app.cut.CutPlans.Snapshot;
import dev.restis.app.plan.Reckoning;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.core.cutting.CutPlan;
import dev.restis.core.cutting.CutPlanner;
import dev.restis.core.cutting.CutRequest;
import dev.restis.core.cutting.Demand;
import dev.restis.core.cutting.FirstFitDecreasing;
import dev.restis.core.cutting.Holding;
import dev.restis.core.measure.Length;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.mockito.InOrder;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;

/** Planning on a snapshot: laid down when it still holds, made again when somebody was quicker. */
@ExtendWith(MockitoExtension.class)
class CutPlanningTest {

    @Mock
    private CutPlans plans;

    @Mock
    private CutLists lists;

    @Mock
    private Bettering bettering;

    @Mock
    private ShortTails tails;

    private CutPlanning planning;
    private final CutPlanner planner = new FirstFitDecreasing();

    @BeforeEach
    void withAPlainPlanner() {
        planning = new CutPlanning(plans, lists, bettering, mock(Reckoning.class), tails, planner);
    }

    /** A strand of 500 mm of piece 1, and spools of these lengths in millimetres; a sealed one is negative. */
    private static Snapshot snapshot(Set<Long> begun, int... spools) {
        List<Holding> holdings = new java.util.ArrayList<>();
        for (int i = 0; i < spools.length; i++) {
            Length length = Length.ofMillimetres(Math.abs(spools[i]));
            holdings.add(new Holding(i + 1, 1, 1, length, List.of(), Length.ofMillimetres(300), spools[i] < 0, 0));
        }
        CutRequest request = new CutRequest(List.of(new Demand(1, 1, 1, Length.ofMillimetres(500))), holdings);
        return new Snapshot(
                Optional.of(9L), 4, Set.of(2L), List.of(1L), Set.of(9L), request, Map.of(1L, 9_000_000L), begun);
    }

    @Test
    void isLaidDownAndThenBettered() {
        Snapshot snapshot = snapshot(Set.of(), 9_000);
        when(plans.of(9)).thenReturn(snapshot);
        when(plans.lay(any(), any())).thenReturn(Optional.of(new Laid(9, 5)));
        planning.planRest(9);
        InOrder order = inOrder(plans, bettering);
        order.verify(plans).of(9);
        order.verify(plans)
                .lay(argThat(s -> s == snapshot), argThat(s -> s.plan().spools().size() == 1 && s.opened() == 0));
        order.verify(bettering).begin(anyLong(), anyInt(), any(CutPlan.class));
    }

    @Test
    void isMadeAgainOnWhatIsThereWhenSomebodyWasQuicker() {
        Snapshot stale = snapshot(Set.of(), 9_000);
        Snapshot fresh = snapshot(Set.of(), 700);
        when(plans.of(9)).thenReturn(stale, fresh);
        when(plans.lay(argThat(s -> s == stale), any())).thenReturn(Optional.empty());
        when(plans.lay(argThat(s -> s == fresh), any())).thenReturn(Optional.of(new Laid(9, 6)));
        planning.planRest(9);
        verify(bettering, times(1)).begin(anyLong(), anyInt(), any());
    }

    @Test
    void whoeverIsAlwaysOvertakenIsTold() {
        when(plans.of(9)).thenReturn(snapshot(Set.of(), 9_000));
        when(plans.lay(any(), any())).thenReturn(Optional.empty());
        assertThatThrownBy(() -> planning.planRest(9)).isInstanceOf(Conflict.class);
        verifyNoInteractions(bettering);
    }

    @Test
    void aBegunPieceThatIsStuckIsGivenUpFirst() {
        Snapshot stuck = snapshot(Set.of(1L), 400);
        Snapshot after = snapshot(Set.of(), 9_000);
        when(plans.of(9)).thenReturn(stuck, after);
        when(plans.lay(any(), any())).thenReturn(Optional.of(new Laid(9, 6)));
        planning.planRest(9);
        verify(plans).giveUp(stuck, Set.of(1L));
        verify(plans, never()).lay(argThat(s -> s == stuck), any());
    }

    @Test
    void saysWhatOpeningASealedSpoolIsFor() {
        when(plans.of(9)).thenReturn(snapshot(Set.of(), 400, -9_000));
        when(plans.lay(any(), any())).thenReturn(Optional.of(new Laid(9, 5)));
        planning.planRest(9);
        verify(plans).lay(any(), argThat(s -> s.opened() == 1 && s.longer() == 1));
    }

    @Test
    void aTailThatIsTooShortIsToldBeforeWhatIsLeftIsPlanned() {
        when(plans.of(9)).thenReturn(snapshot(Set.of(), 9_000));
        when(plans.lay(any(), any())).thenReturn(Optional.of(new Laid(9, 5)));
        planning.tailTooShort(9, 77);
        InOrder order = inOrder(tails, plans);
        order.verify(tails).tooShort(9, 77);
        order.verify(plans).of(9);
    }

    @Test
    void noneOrVeryManyBatchesAreRefusedBeforeAnythingIsAsked() {
        assertThatThrownBy(() -> planning.propose(List.of())).isInstanceOf(Rejected.class);
        assertThatThrownBy(() -> planning.propose(
                        java.util.stream.LongStream.range(0, 41).boxed().toList()))
                .isInstanceOf(Rejected.class);
        verifyNoInteractions(plans);
    }
}
