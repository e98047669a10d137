package dev.restis.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.restis.core.batch.Planner.Watch;
import dev.restis.core.batch.WorkPlan.Placed;
import dev.restis.core.batch.search.Playing;
import dev.restis.core.batch.search.Quote;
import dev.restis.core.batch.search.SearchPlanner;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** How likely a plan is kept, and when an order can be ready that is not taken yet. */
class QuoteTest {

    private static final Planner PLANNER = new SearchPlanner();
    private static final Bench BENCH = new Bench("square", "board", Set.of(1L));

    private static WorkPlan plan(PlanWork work) {
        return PLANNER.plan(work, 0.25, Watch.NOBODY);
    }

    private static Map<Integer, Integer> ready(PlanWork work, WorkPlan plan) {
        Map<Integer, Integer> ready = new HashMap<>();
        plan.makers().forEach(line -> {
            for (Placed placed : line) {
                ready.merge(work.parcels().get(placed.parcel()).order(), placed.until(), Math::max);
            }
        });
        return ready;
    }

    private static Spread spread(PlanWork work, double pieces, double family, double maker) {
        return new Spread(Collections.nCopies(work.parcels().size(), pieces), family, maker);
    }

    @Test
    void withoutAnySpreadThePlanIsPlayedAsItIs() {
        for (int seed = 500; seed < 510; seed++) {
            PlanWork work = PlanCases.random(seed, 15, 2, seed % 2 == 0);
            WorkPlan plan = plan(work);
            Chances chances = Playing.play(work, plan, spread(work, 0, 0, 0), 20, 1);
            ready(work, plan).forEach((order, day) -> {
                DueOrder due = work.orders().get(order);
                assertThat(chances.day(order, 0.5)).isEqualTo(due.made(day) + due.delay());
                assertThat(chances.late(order, due)).isEqualTo(due.late(day) > 0 ? 1 : 0);
            });
        }
    }

    @Test
    void anotherSeedTellsNearlyTheSame() {
        PlanWork work = PlanCases.random(520, 40, 2, false);
        WorkPlan plan = plan(work);
        Spread spread = spread(work, 0.3, Spread.FAMILY, Spread.MAKER);
        Chances one = Playing.play(work, plan, spread, 10_000, 1);
        Chances other = Playing.play(work, plan, spread, 10_000, 2);
        Chances again = Playing.play(work, plan, spread, 10_000, 1);
        assertThat(IntStream.range(0, work.orders().size()).boxed())
                .as("the same seed tells the same, however many play side by side")
                .allSatisfy(o -> assertThat(again.late(o, work.orders().get(o)))
                        .isEqualTo(one.late(o, work.orders().get(o))))
                .anySatisfy(o -> assertThat(other.late(o, work.orders().get(o)))
                        .isNotEqualTo(one.late(o, work.orders().get(o))));
        for (int o = 0; o < work.orders().size(); o++) {
            assertThat(one.late(o, work.orders().get(o)))
                    .isCloseTo(other.late(o, work.orders().get(o)), within(0.03));
        }
    }

    /**
     * Two orders of 3,000 s each by one maker, who has 6,480 s until the second is due: with a factor of the maker alone both are
     * through when it stays below 1.08, and with one of each order alone when their mean does. Of factors whose relative spread is 0.1
     * (0.0998 of the log) that is P(Z below (ln 1.08 + 0.00498)/0.0998 = 0.821) = 0.794, and of the mean of two about
     * P(Z below 0.08 / 0.0707 = 1.13) = 0.871.
     */
    @Test
    void whatIsSharedIsLateTogether() {
        PlanMaker one = new PlanMaker(1, Collections.nCopies(30, 6480), Map.of(), Optional.of(BENCH));
        PlanWork work = new PlanWork(
                List.of(one),
                List.of(new DueOrder(1, 0, 1, 0), new DueOrder(2, 0, 1, 0)),
                List.of(new Parcel(1, 0, BENCH, 1, 3000, 0), new Parcel(2, 1, BENCH, 1, 3000, 0)),
                List.of(),
                SetUpTimes.USUAL,
                false,
                List.of());
        WorkPlan plan = plan(work);
        int last = plan.makers().get(0).get(1).parcel();
        Chances shared = Playing.play(work, plan, spread(work, 0, 0, 0.1), 20_000, 3);
        assertThat(shared.late(last, work.orders().get(last))).isCloseTo(1 - 0.794, within(0.01));
        Chances apart = Playing.play(work, plan, spread(work, 0.1, 0, 0), 20_000, 3);
        assertThat(apart.late(last, work.orders().get(last))).isCloseTo(1 - 0.871, within(0.01));
    }

    @Test
    void nobodyGetsLaterByWhatIsOnlyAskedFor() {
        for (int seed = 540; seed < 560; seed++) {
            PlanWork work = PlanCases.random(seed, 20, 2, seed % 3 == 0);
            WorkPlan plan = plan(work);
            List<Parcel> asked = IntStream.range(0, 3)
                    .mapToObj(i -> new Parcel(900 + i, 0, PlanCases.bench(i % 2, i, i), 2, 1500, 0))
                    .toList();
            Quote quote = Quote.of(work, plan, asked, 1);
            assertThat(PlanCheck.faults(quote.work(), quote.plan())).isEmpty();
            Map<Integer, Integer> before = ready(work, plan);
            Map<Integer, Integer> after = ready(quote.work(), quote.plan());
            before.forEach((order, day) -> {
                DueOrder due = work.orders().get(order);
                assertThat(due.late(after.getOrDefault(order, -1)))
                        .as("order %d of case %d", order, seed(work))
                        .isLessThanOrEqualTo(due.late(day));
            });
            assertThat(after.get(work.orders().size()) + 1).isEqualTo(quote.day());
            assertThat(quote.chances(spread(quote.work(), 0, 0, 0), 5, 1)
                            .day(work.orders().size(), 1))
                    .as("played without any spread")
                    .isEqualTo(quote.day());
        }
    }

    private static int seed(PlanWork work) {
        return work.parcels().size();
    }

    /** An empty house of an hour a day: 810 s of set-up and 4 times 1,500 s are through on the second day, and lie one more. */
    @Test
    void anEmptyHouseIsQuickByHand() {
        PlanMaker one = new PlanMaker(1, Collections.nCopies(30, 3600), Map.of(), Optional.empty());
        PlanWork nothing =
                new PlanWork(List.of(one), List.of(), List.of(), List.of(), SetUpTimes.USUAL, false, List.of());
        Quote quote = Quote.of(nothing, plan(nothing), List.of(new Parcel(1, 0, BENCH, 4, 1500, 0)), 1);
        // 480 + 240 + 90 + 6,000 = 6,810 s of 3,600 a day.
        assertThat(quote.day()).isEqualTo(2);
    }
}
