package dev.restis.core.batch;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.batch.Planner.Watch;
import dev.restis.core.batch.search.Reason;
import dev.restis.core.batch.search.Rescue;
import dev.restis.core.batch.search.Rescue.Overtime;
import dev.restis.core.batch.search.SearchPlanner;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Why something stands where it does, and what would bring an order in time. */
class ReasonTest {

    private static WorkPlan plan(PlanWork work) {
        return new SearchPlanner().plan(work, 0.25, Watch.NOBODY);
    }

    /** Moved as it says, the plan is worth what it says, and nothing else is better. */
    @Test
    void theOtherPlaceIsWorthWhatItSays() {
        for (int seed = 600; seed < 612; seed++) {
            PlanWork work = PlanCases.random(seed, 12, 2, seed % 3 == 0);
            WorkPlan plan = plan(work);
            for (int m = 0; m < 2; m++) {
                for (int from = 0; from < plan.makers().get(m).size(); from++) {
                    Reason reason = Reason.of(work, plan, m, from, 1);
                    int line = m;
                    int at = from;
                    reason.elsewhere().ifPresent(other -> {
                        List<List<Integer>> moved = Reason.moved(plan, line, at, 1, other);
                        assertThat(SearchPlanner.worth(work, moved)).contains(other.aims());
                    });
                    assertThat(reason.setUp())
                            .isEqualTo(plan.makers().get(m).get(from).setUp());
                }
            }
        }
    }

    private static final Bench BENCH = new Bench("square", "board", Set.of(1L));

    /** Two orders of an hour each in two evenings of an hour: the second is a day late. */
    private static PlanWork twoEvenings(int delay, int release) {
        PlanMaker one = new PlanMaker(1, Collections.nCopies(30, 3600), Map.of(), Optional.of(BENCH));
        return new PlanWork(
                List.of(one),
                List.of(new DueOrder(1, 0, 3, 0), new DueOrder(2, delay, 1, delay)),
                List.of(new Parcel(1, 0, BENCH, 2, 1800, 0), new Parcel(2, 1, BENCH, 2, 1800, release)),
                List.of(),
                SetUpTimes.USUAL,
                false,
                List.of());
    }

    /** Four hours of an order that is due today, shared by two makers of an hour: each must stay an hour longer. */
    @Test
    void whoeverHoldsItUpStaysLonger() {
        Bench red = new Bench("square", "board", Set.of(1L));
        PlanWork work = new PlanWork(
                List.of(
                        new PlanMaker(1, Collections.nCopies(9, 3600), Map.of(), Optional.of(red)),
                        new PlanMaker(2, Collections.nCopies(9, 3600), Map.of(), Optional.of(red))),
                List.of(new DueOrder(1, 0, 1, 0)),
                List.of(new Parcel(1, 0, red, 2, 3600, 0), new Parcel(2, 0, red, 2, 3600, 0)),
                List.of(),
                SetUpTimes.USUAL,
                false,
                List.of());
        WorkPlan plan = SearchPlanner.first(work);
        assertThat(plan.sequences()).allSatisfy(line -> assertThat(line).hasSize(1));
        Rescue rescue = Rescue.of(work, plan, 0);
        assertThat(rescue.overtime()).containsExactly(new Overtime(0, 0, 3600), new Overtime(1, 0, 3600));
    }

    @Test
    void overtimeThatIsEnoughIsEnough() {
        PlanWork work = twoEvenings(0, 0);
        WorkPlan plan = plan(work);
        assertThat(plan.aims().lateDays()).isEqualTo(1);
        Rescue rescue = Rescue.of(work, plan, 1);
        assertThat(rescue.noMinutesHelp()).isFalse();
        assertThat(rescue.overtime()).containsExactly(new Overtime(0, 0, 3600));
        PlanWork longer = Rescue.with(work, rescue.overtime().get(0));
        assertThat(plan(longer).aims().lateDays()).isZero();
        assertThat(rescue.goesFirst().orElseThrow().later())
                .as("the other is late then")
                .containsExactly(0);
    }

    @Test
    void whereCordComesTooLateNoMinutesHelp() {
        PlanWork work = twoEvenings(1, 3);
        Rescue rescue = Rescue.of(work, plan(work), 1);
        assertThat(rescue.noMinutesHelp()).isTrue();
        assertThat(rescue.overtime()).isEmpty();
        assertThat(rescue.goesFirst()).isEmpty();
    }
}
