package dev.restis.core.batch;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.batch.search.LateBound;
import dev.restis.core.batch.search.SearchPlanner;
import dev.restis.core.batch.search.SetUpBound;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

class LateBoundTest {

    private static final Bench RED = new Bench("square", "board", Set.of(1L));
    private static final SetUpTimes FREE = new SetUpTimes(0, 0, 0);

    private static PlanWork work(List<DueOrder> orders, List<Parcel> parcels, List<Pin> pins) {
        PlanMaker one = new PlanMaker(1, Collections.nCopies(30, 3600), Map.of(), Optional.of(RED));
        return new PlanWork(List.of(one), orders, parcels, pins, FREE, false, List.of());
    }

    /** Three hours of an order that is due today, by a maker of an hour: a third is a day late, a third two; together one day at least. */
    @Test
    void byHand() {
        PlanWork three = work(List.of(new DueOrder(1, 0, 1, 0)), List.of(new Parcel(1, 0, RED, 3, 3600, 0)), List.of());
        // A hundredth more may be won by rounding: (0 · 3,636 + 1 · 3,636 + 2 · 3,528) / 10,800 = 0.99.
        assertThat(LateBound.of(three)).hasValue(1);
        assertThat(SearchPlanner.first(three).aims().lateDays()).isEqualTo(2);
        PlanWork twice = work(List.of(new DueOrder(1, 0, 3, 1)), List.of(new Parcel(1, 0, RED, 1, 3600, 4)), List.of());
        // Its cord comes on the fifth day, and it dries a day: five days late, each as bad as three.
        assertThat(LateBound.of(twice)).hasValue(15);
    }

    @Test
    void whatIsFixedIsLateAnyway() {
        PlanWork pinned = work(List.of(new DueOrder(1, 0, 2, 0, 3)), List.of(), List.of());
        assertThat(LateBound.of(pinned)).hasValue(6);
        // What a plan places before that is no worse.
        PlanWork both =
                work(List.of(new DueOrder(1, 0, 2, 0, 3)), List.of(new Parcel(1, 0, RED, 1, 3600, 0)), List.of());
        assertThat(LateBound.of(both)).hasValue(6);
    }

    @Test
    void noPlanIsBetter() {
        for (int seed = 1200; seed < 1260; seed++) {
            PlanWork work = PlanCases.random(seed, 14, 2, seed % 2 == 0);
            long least = LateBound.of(work).orElseThrow();
            WorkPlan plan = new SearchPlanner().plan(work, 0.5, Planner.Watch.NOBODY);
            assertThat(plan.aims().lateDays()).as("seed %d", seed).isGreaterThanOrEqualTo(least);
            assertThat(SetUpBound.of(work)).as("seed %d", seed).isBetween(SetUpBound.quick(work), plan.setUps());
        }
    }

    @Test
    void whereNothingNeedBeLateNothingIsClaimed() {
        PlanWork easy = work(List.of(new DueOrder(1, 9, 1, 0)), List.of(new Parcel(1, 0, RED, 3, 3600, 0)), List.of());
        assertThat(LateBound.of(easy)).hasValue(0);
    }
}
