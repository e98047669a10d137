package dev.restis.core.batch;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.batch.PlanWork.Seen;
import dev.restis.core.batch.search.Mending;
import dev.restis.core.batch.search.SearchPlanner;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

class MendingTest {

    private static final Bench RED = new Bench("square", "board", Set.of(1L));
    private static final Bench BLUE = new Bench("square", "board", Set.of(2L));
    private static final SetUpTimes FREE = new SetUpTimes(0, 0, 0);

    private static PlanMaker maker(int id, int seconds) {
        return new PlanMaker(id, Collections.nCopies(40, seconds), Map.of(), Optional.empty());
    }

    private static WorkPlan plan(PlanWork work) {
        return new SearchPlanner().plan(work, 0.25, Planner.Watch.NOBODY);
    }

    private static List<Seen> seen(PlanWork work, WorkPlan plan) {
        Seen[] seen = new Seen[work.parcels().size()];
        Arrays.fill(seen, Seen.NOWHERE);
        for (int m = 0; m < plan.makers().size(); m++) {
            for (WorkPlan.Placed placed : plan.makers().get(m)) {
                seen[placed.parcel()] = new Seen(m, placed.until(), placed.until());
            }
        }
        return List.of(seen);
    }

    /** Two orders of an hour a day; the first one's cord comes on the third day, so the other goes first and nobody waits. */
    @Test
    void whatWaitsForCordLetsNobodyWait() {
        PlanWork before = new PlanWork(
                List.of(maker(1, 3600)),
                List.of(new DueOrder(1, 0, 1, 0), new DueOrder(2, 1, 1, 0)),
                List.of(new Parcel(1, 0, RED, 1, 3600, 0), new Parcel(2, 1, BLUE, 1, 3600, 0)),
                List.of(),
                FREE,
                false,
                List.of());
        WorkPlan plan = plan(before);
        assertThat(plan.sequences()).containsExactly(List.of(0, 1));
        PlanWork late = new PlanWork(
                before.makers(),
                before.orders(),
                List.of(new Parcel(1, 0, RED, 1, 3600, 2), before.parcels().get(1)),
                List.of(),
                FREE,
                false,
                seen(before, plan));
        WorkPlan mended =
                Mending.of(late, plan.sequences(), Planner.Watch.NOBODY).plan();
        assertThat(mended.sequences()).containsExactly(List.of(1, 0));
        assertThat(mended.aims().lateDays()).isEqualTo(2);
        // The red piece is where it must be: pushed by two days, that costs nothing. The blue one is a day earlier: 120
        // s. Each is a
        // batch of a day.
        assertThat(mended.aims().effort()).isEqualTo(120 + 2 * 60);
    }

    @Test
    void whatIsNewGoesWhereItCostsLeast() {
        PlanWork work = new PlanWork(
                List.of(maker(1, 7200), maker(2, 7200)),
                List.of(new DueOrder(1, 1, 1, 0), new DueOrder(2, 1, 1, 0), new DueOrder(3, 1, 1, 0)),
                List.of(
                        new Parcel(1, 0, RED, 2, 3600, 0),
                        new Parcel(2, 1, BLUE, 1, 3600, 0),
                        new Parcel(3, 2, BLUE, 1, 3600, 0)),
                List.of(),
                SetUpTimes.USUAL,
                false,
                List.of());
        WorkPlan mended =
                Mending.repaired(work, List.of(List.of(0), List.of(1))).plan();
        assertThat(mended.sequences()).contains(List.of(0));
        assertThat(mended.sequences().get(1)).containsExactlyInAnyOrder(1, 2);
    }

    /** Whatever happens, every parcel stands once, pins keep their days, and the cycle is never worse than pushing along and repairing. */
    @Test
    void anyEventsAreMended() {
        for (int seed = 900; seed < 930; seed++) {
            PlanWork work = PlanCases.random(seed, 24, 2, seed % 2 == 0);
            WorkPlan plan = plan(work);
            PlanWork after = happened(work, plan, new Random(seed));
            List<List<Integer>> lines = new ArrayList<>();
            plan.sequences()
                    .forEach(line -> lines.add(line.stream()
                            .filter(p -> p < after.parcels().size())
                            .toList()));
            Mending mended = Mending.of(after, lines, Planner.Watch.NOBODY);
            assertThat(PlanCheck.faults(mended.work(), mended.plan())).isEmpty();
            Mending repaired = Mending.repaired(after, lines);
            assertThat(PlanCheck.faults(repaired.work(), repaired.plan())).isEmpty();
            assertThat(mended.plan().aims()).isLessThanOrEqualTo(repaired.plan().aims());
            assertThat(Mending.of(after, lines, Planner.Watch.NOBODY)).isEqualTo(mended);
        }
    }

    /** Some days off, cord that is late, an order that is gone, one that is new, and a pin. */
    private static PlanWork happened(PlanWork work, WorkPlan plan, Random random) {
        List<PlanMaker> makers = new ArrayList<>();
        for (PlanMaker maker : work.makers()) {
            List<Integer> seconds = new ArrayList<>(maker.seconds());
            if (random.nextBoolean()) {
                int off = random.nextInt(3);
                seconds.set(off, 0);
                seconds.set(off + 1, 0);
            }
            makers.add(new PlanMaker(maker.id(), seconds, maker.pace(), maker.bench()));
        }
        List<Parcel> parcels = new ArrayList<>();
        for (Parcel p : work.parcels().subList(0, 22)) {
            parcels.add(new Parcel(
                    p.id(), p.order(), p.bench(), p.pieces(), p.seconds(), random.nextInt(5) == 0 ? 9 : p.release()));
        }
        List<DueOrder> orders = new ArrayList<>(work.orders());
        orders.add(new DueOrder(99, 2, 3, 0));
        parcels.add(new Parcel(99, orders.size() - 1, PlanCases.bench(0, 1, 2), 3, 900, 0));
        List<Pin> pins = new ArrayList<>(work.pins());
        pins.add(new Pin(0, 5, PlanCases.bench(1, 1, 1), 1800));
        List<Seen> seen = new ArrayList<>(seen(work, plan).subList(0, 22));
        seen.add(Seen.NOWHERE);
        return new PlanWork(makers, orders, parcels, pins, work.setUps(), work.wholePieces(), seen);
    }

    @Test
    void moreIsNeverWorseThanWhatIsThere() {
        PlanWork work = PlanCases.random(950, 30, 2, false);
        WorkPlan best = new SearchPlanner().plan(work, 2, Planner.Watch.NOBODY);
        WorkPlan again = new SearchPlanner().better(work, best.sequences(), 0.1, Planner.Watch.NOBODY);
        assertThat(again.aims()).isLessThanOrEqualTo(best.aims());
    }

    @Test
    void whoIsNotAskedToGoOnEndsWithWhatThereIs() {
        PlanWork work = PlanCases.random(951, 40, 2, false);
        Set<Integer> told = new HashSet<>();
        WorkPlan plan = new SearchPlanner().plan(work, 1, new Planner.Watch() {
            @Override
            public boolean better(WorkPlan plan) {
                return true;
            }

            @Override
            public boolean goesOn() {
                return false;
            }

            @Override
            public void progress(int done, int all) {
                told.add(done);
            }
        });
        assertThat(PlanCheck.faults(work, plan)).isEmpty();
        assertThat(told).hasSizeLessThan(2);
        assertThat(plan.aims()).isLessThanOrEqualTo(SearchPlanner.first(work).aims());
    }
}
