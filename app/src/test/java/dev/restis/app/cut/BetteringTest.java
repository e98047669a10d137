package dev.restis.app.cut;

import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.ArgumentMatchers.argThat;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.lenient;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import dev.restis.app.cut.CutPlans.Snapshot;
import dev.restis.app.cut.CutWeights.Weights;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.jobs.Jobs;
import dev.restis.app.platform.jobs.RunningJob;
import dev.restis.core.cutting.CutPlan;
import dev.restis.core.cutting.CutPlan.Quality;
import dev.restis.core.cutting.CutRequest;
import dev.restis.core.cutting.Demand;
import dev.restis.core.cutting.Holding;
import dev.restis.core.measure.Length;
import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;

/** When a better plan is looked for, and when one that was found is laid down. */
@ExtendWith(MockitoExtension.class)
class BetteringTest {

    @Mock
    private Jobs jobs;

    @Mock
    private CutPlans plans;

    @Mock
    private CutWeights weights;

    private Bettering bettering;

    @BeforeEach
    void forASecond() {
        bettering = new Bettering(jobs, plans, weights);
        lenient().when(weights.weights()).thenReturn(new Weights(50, BigDecimal.ONE, BigDecimal.ONE, 1));
    }

    private static CutPlan plan(String cost, String bound) {
        CutPlan plan = mock(CutPlan.class);
        lenient()
                .when(plan.quality())
                .thenReturn(Optional.of(
                        new Quality(new BigDecimal(cost), new BigDecimal(bound), new BigDecimal(cost), true)));
        return plan;
    }

    private static RunningJob job(int revision) {
        RunningJob job = mock(RunningJob.class);
        when(job.subject()).thenReturn("9");
        lenient().when(job.revision()).thenReturn(revision);
        lenient().when(job.wanted()).thenReturn(true);
        return job;
    }

    private static Snapshot snapshot() {
        CutRequest request = new CutRequest(
                List.of(new Demand(1, 1, 1, Length.ofMillimetres(500))),
                List.of(new Holding(1, 1, 1, Length.ofMillimetres(9_000), List.of(), Length.ofMillimetres(300))));
        return new Snapshot(
                Optional.of(9L), 4, Set.of(2L), List.of(1L), Set.of(9L), request, Map.of(1L, 9_000_000L), Set.of());
    }

    @Test
    void isLookedForInPlaceOfWhatWasLookedForBefore() {
        bettering.begin(9, 4, plan("10", "9"));
        verify(jobs).askAnew(argThat(a -> a.subject().equals("9") && a.revision() == 4), anyString());
    }

    @Test
    void isNotLookedForWhereThereIsHardlyABetterOneOrTheHouseWantsNone() {
        bettering.begin(9, 4, plan("10", "9.9999"));
        when(weights.weights()).thenReturn(new Weights(50, BigDecimal.ONE, BigDecimal.ONE, 0));
        bettering.begin(9, 4, plan("10", "5"));
        verify(jobs, never()).askAnew(any(), anyString());
    }

    @Test
    void isLaidDownOnWhatItWasMadeFor() {
        Snapshot snapshot = snapshot();
        when(plans.of(9)).thenReturn(snapshot);
        bettering.work(job(4));
        verify(plans).better(eq(snapshot), argThat(p -> p.spools().size() == 1));
    }

    @Test
    void aListThatSomebodyTouchedOrCutIsLeftAlone() {
        when(plans.of(9)).thenReturn(snapshot());
        bettering.work(job(3));
        when(plans.of(9)).thenThrow(new Conflict("cut.confirmed"));
        bettering.work(job(4));
        verify(plans, never()).better(any(), any());
    }
}
