package dev.restis.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import dev.restis.core.batch.Planner.Watch;
import dev.restis.core.batch.search.LateBound;
import dev.restis.core.batch.search.SearchPlanner;
import dev.restis.core.batch.search.SetUpBound;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class PlannerTest {

    private static final Planner PLANNER = new SearchPlanner();

    private static WorkPlan plan(PlanWork work) {
        return PLANNER.plan(work, 1, Watch.NOBODY);
    }

    @Test
    void everyPlanHoldsWhatItSays() {
        for (int seed = 0; seed < 24; seed++) {
            PlanWork work = PlanCases.random(seed, 4 + seed % 20, 1 + seed % 3, seed % 2 == 0);
            WorkPlan due = SearchPlanner.dueDateFirst(work);
            WorkPlan first = SearchPlanner.first(work);
            WorkPlan planned = PLANNER.plan(work, 0.25, Watch.NOBODY);
            long bound = SetUpBound.of(work);
            for (WorkPlan plan : List.of(
                    due, SearchPlanner.coloursTogether(work), SearchPlanner.coloursByWeek(work), first, planned)) {
                assertThat(PlanCheck.faults(work, plan)).as("case " + seed).isEmpty();
                assertThat(plan.setUps()).as("case " + seed).isGreaterThanOrEqualTo(bound);
                assertThat(planned.aims()).as("case " + seed).isLessThanOrEqualTo(plan.aims());
            }
            assertThat(PLANNER.plan(work, 0.25, Watch.NOBODY))
                    .as("the same again")
                    .isEqualTo(planned);
        }
    }

    @Test
    void moreEffortIsNeverWorse() {
        for (int seed = 100; seed < 106; seed++) {
            PlanWork work = PlanCases.random(seed, 24, 2, false);
            Aims little = PLANNER.plan(work, 0.25, Watch.NOBODY).aims();
            Aims usual = plan(work).aims();
            assertThat(usual).isLessThanOrEqualTo(little);
        }
    }

    /** Every plan of five to six parcels by two makers is tried: none is better. */
    @Test
    void tinyCasesAreSolvedToTheBest() {
        int best = 0;
        int cases = 20;
        for (int seed = 200; seed < 200 + cases; seed++) {
            PlanWork work = PlanCases.random(seed, 5 + seed % 2, 2, seed % 4 == 0);
            Aims found = plan(work).aims();
            Aims least = leastOfAll(work);
            assertThat(found).isGreaterThanOrEqualTo(least);
            assertThat(LateBound.of(work).orElseThrow()).isLessThanOrEqualTo(least.lateDays());
            best += found.equals(least) ? 1 : 0;
        }
        assertThat(best).isGreaterThanOrEqualTo(cases - 1);
    }

    private static Aims leastOfAll(PlanWork work) {
        List<Integer> parcels = new ArrayList<>(
                IntStream.range(0, work.parcels().size()).boxed().toList());
        Aims[] least = {new Aims(Long.MAX_VALUE, Integer.MAX_VALUE, Long.MAX_VALUE)};
        permutations(parcels, 0, () -> {
            for (int cut = 0; cut <= parcels.size(); cut++) {
                List<List<Integer>> lines = List.of(
                        List.copyOf(parcels.subList(0, cut)), List.copyOf(parcels.subList(cut, parcels.size())));
                SearchPlanner.worth(work, lines)
                        .filter(a -> a.compareTo(least[0]) < 0)
                        .ifPresent(a -> least[0] = a);
            }
        });
        return least[0];
    }

    private static void permutations(List<Integer> all, int from, Runnable each) {
        if (from == all.size()) {
            each.run();
            return;
        }
        for (int i = from; i < all.size(); i++) {
            Collections.swap(all, from, i);
            permutations(all, from + 1, each);
            Collections.swap(all, from, i);
        }
    }

    /** With slack nothing need be late, and every set-up is made once. */
    @Test
    void aPlantedPlanIsFound() {
        for (int seed = 0; seed < 3; seed++) {
            PlanCases.Planted planted = PlanCases.planted(seed, 2, 3, 10, 3);
            WorkPlan plan = plan(planted.work());
            assertThat(PlanCheck.faults(planted.work(), plan)).isEmpty();
            assertThat(plan.aims().lateDays()).as("case " + seed).isZero();
            assertThat(plan.setUps())
                    .as("case " + seed)
                    .isEqualTo(planted.setUps())
                    .isEqualTo(SetUpBound.of(planted.work()));
        }
    }

    /** Of 300 pieces by two makers, and of 1,000 by four. */
    @Test
    void largerPlantedPlansAreFoundAndNearlyFound() {
        PlanCases.Planted some = PlanCases.planted(31, 2, 5, 12, 3);
        WorkPlan plan = plan(some.work());
        assertThat(plan.aims().lateDays()).isZero();
        assertThat(plan.setUps()).isEqualTo(some.setUps());
        PlanCases.Planted many = PlanCases.planted(32, 4, 8, 13, 4);
        WorkPlan large = plan(many.work());
        assertThat(large.aims().lateDays()).isZero();
        assertThat(large.setUps()).isLessThanOrEqualTo(many.setUps() * 5 / 4);
    }

    /** By one maker without set-ups, whole orders by their due dates make the greatest lateness as small as can be (Jackson 1955). */
    @Test
    void whereNothingIsSetUpNobodyIsLateWhoNeedNotBe() {
        Random random = new Random(7);
        for (int round = 0; round < 10; round++) {
            List<DueOrder> orders = new ArrayList<>();
            List<Parcel> parcels = new ArrayList<>();
            Bench bench = new Bench("", "", Set.of());
            long work = 0;
            for (int o = 0; o < 20; o++) {
                int seconds = 600 + random.nextInt(6000);
                work += seconds;
                parcels.add(new Parcel(o, o, bench, 1, seconds, 0));
                orders.add(new DueOrder(o, (int) ((work - 1) / 7200), 1, 0));
            }
            Collections.shuffle(parcels, random);
            PlanMaker one = new PlanMaker(1, Collections.nCopies(60, 7200), Map.of(), Optional.empty());
            PlanWork all =
                    new PlanWork(List.of(one), orders, parcels, List.of(), new SetUpTimes(0, 0, 0), false, List.of());
            assertThat(SearchPlanner.dueDateFirst(all).aims().lateDays()).isZero();
            assertThat(plan(all).aims().lateDays()).isZero();
        }
    }

    /** Two spools of 90 s, a jig of 240 s and a family of 480 s: 900 s on an empty bench, 90 s for one other cord. */
    @Test
    void byHand() {
        Bench red = new Bench("square", "board", Set.of(1L, 2L));
        Bench blue = new Bench("square", "board", Set.of(1L, 3L));
        PlanMaker one = new PlanMaker(1, Collections.nCopies(30, 3600), Map.of(), Optional.empty());
        PlanWork work = new PlanWork(
                List.of(one),
                List.of(new DueOrder(1, 0, 1, 0), new DueOrder(2, 0, 2, 1)),
                List.of(new Parcel(1, 0, red, 2, 1200, 0), new Parcel(2, 1, blue, 1, 1200, 0)),
                List.of(),
                SetUpTimes.USUAL,
                false,
                List.of());
        WorkPlan plan = plan(work);
        // Blue first: 900 + 1,200 s of the first day; red takes 90 + 2,400 s more, of which 1,410 s on this day.
        assertThat(plan.makers())
                .containsExactly(List.of(
                        new WorkPlan.Placed(1, 0, 0, 900, List.of(2100)),
                        new WorkPlan.Placed(0, 0, 1, 90, List.of(1500, 990))));
        // Blue lies a day and is a day late, twice as bad; red is a day late. Two days, of each a batch.
        assertThat(plan.aims()).isEqualTo(new Aims(3, 2, 900 + 90 + 2 * 60));
        PlanWork whole = new PlanWork(
                work.makers(), work.orders(), work.parcels(), List.of(), SetUpTimes.USUAL, true, List.of());
        // A piece of 1,200 s and one more fit on the second day, none half done.
        assertThat(plan(whole).makers().get(0).get(1)).isEqualTo(new WorkPlan.Placed(0, 0, 1, 90, List.of(1290, 1200)));
        assertThat(PlanCheck.faults(whole, plan(whole))).isEmpty();
    }

    @Test
    void aPinKeepsItsDayAndItsBench() {
        Bench red = new Bench("square", "board", Set.of(1L));
        Bench blue = new Bench("snake", "hook", Set.of(2L));
        PlanMaker one = new PlanMaker(1, Collections.nCopies(30, 3600), Map.of(), Optional.of(red));
        PlanWork work = new PlanWork(
                List.of(one),
                List.of(new DueOrder(1, 2, 1, 0)),
                List.of(new Parcel(1, 0, red, 3, 1200, 0)),
                List.of(new Pin(0, 0, blue, 3000)),
                SetUpTimes.USUAL,
                false,
                List.of());
        // 600 s on the first day; next morning blue lies there: 810 s anew, and 2,790 s of the 3,000 that are left; the
        // rest on the third.
        assertThat(plan(work).makers().get(0))
                .containsExactly(new WorkPlan.Placed(0, 0, 2, 810, List.of(600, 3600, 210)));
        assertThat(PlanCheck.faults(work, plan(work))).isEmpty();
    }

    @Test
    void whatPeopleHaveSeenStaysUnlessADateNeedsIt() {
        PlanWork work = PlanCases.random(301, 20, 2, false);
        WorkPlan seen = plan(work);
        PlanWork.Seen[] before = new PlanWork.Seen[20];
        for (int m = 0; m < 2; m++) {
            for (WorkPlan.Placed placed : seen.makers().get(m)) {
                before[placed.parcel()] = new PlanWork.Seen(m, placed.until(), placed.until());
            }
        }
        PlanWork again = new PlanWork(
                work.makers(),
                work.orders(),
                work.parcels(),
                work.pins(),
                work.setUps(),
                work.wholePieces(),
                List.of(before));
        WorkPlan plan = plan(again);
        assertThat(PlanCheck.faults(again, plan)).isEmpty();
        assertThat(plan.aims().lateDays()).isLessThanOrEqualTo(seen.aims().lateDays());
        long moved = IntStream.range(0, 2)
                .mapToObj(m -> plan.makers().get(m).stream()
                        .filter(p -> before[p.parcel()].maker() != m || before[p.parcel()].day() != p.until()))
                .flatMap(s -> s)
                .count();
        assertThat(moved).isLessThanOrEqualTo(4);
    }

    @Test
    void setUpsObeyTheTriangle() {
        Random random = new Random(11);
        for (int i = 0; i < 2000; i++) {
            Bench[] three = new Bench[3];
            for (int b = 0; b < 3; b++) {
                three[b] = PlanCases.bench(random.nextInt(2), random.nextInt(2), random.nextInt(4));
            }
            SetUpTimes times = SetUpTimes.USUAL;
            assertThat(times.seconds(Optional.of(three[0]), three[2]))
                    .isLessThanOrEqualTo(times.seconds(Optional.of(three[0]), three[1])
                            + times.seconds(Optional.of(three[1]), three[2]));
        }
    }

    @Test
    void whoeverWatchesMayStop() {
        List<Aims> heard = new ArrayList<>();
        PlanWork work = PlanCases.random(400, 24, 2, false);
        WorkPlan first = PLANNER.plan(work, 1, better -> {
            heard.add(better.aims());
            return false;
        });
        assertThat(heard).containsExactly(first.aims());
        assertThat(PlanCheck.faults(work, first)).isEmpty();
    }

    @Test
    void whatNobodyTiesIsRefused() {
        PlanMaker snakes = new PlanMaker(1, List.of(3600), Map.of("snake", 1.0), Optional.empty());
        PlanWork work = new PlanWork(
                List.of(snakes),
                List.of(new DueOrder(1, 2, 1, 0)),
                List.of(new Parcel(1, 0, new Bench("square", "", Set.of()), 1, 60, 0)),
                List.of(),
                SetUpTimes.USUAL,
                false,
                List.of());
        assertThatIllegalArgumentException().isThrownBy(() -> plan(work)).withMessageContaining("nobody ties");
    }
}
