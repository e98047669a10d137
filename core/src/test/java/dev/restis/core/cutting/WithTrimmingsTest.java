package dev.restis.core.cutting;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.cutting.CutPlan.SpoolPlan;
import dev.restis.core.cutting.CutPlan.Trimming;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Stage;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class WithTrimmingsTest {

    private final CutPlanner planner = new WithTrimmings(new FirstFitDecreasing());

    @Test
    void aSliderTakesTheShortestTailOfAnEarlierPieceThatIsLongEnough() {
        CutRequest request = request(
                List.of(
                        demand(1, 1, 900, 260, 240),
                        demand(2, 1, 800, 300),
                        demand(3, 2, 900, 260, 240),
                        demand(4, 2, 250)),
                holding(1, 7, 5000));
        CutPlan plan = planner.plan(request);
        assertThat(plan.trimmings()).containsExactly(new Trimming(4, 1, mm(260)));
        assertThat(plan.cut()).isEqualTo(mm(900 + 800 + 900));
        assertThat(CutPlanRules.broken(request, plan)).isEmpty();
    }

    @Test
    void aPieceIsNotServedByItselfOrByALaterOneOrByATailThatIsTooShort() {
        CutRequest request = request(
                List.of(demand(1, 1, 250), demand(2, 1, 900, 260), demand(3, 2, 900, 249), demand(4, 3, 261)),
                holding(1, 7, 5000));
        assertThat(planner.plan(request).trimmings()).isEmpty();
    }

    @Test
    void theSliderOfAPieceTakesATailOfItsOwnBody() {
        CutRequest request =
                request(List.of(demand(1, 1, 250).at(Stage.CLOSING), demand(2, 1, 900, 260, 240)), holding(1, 7, 5000));
        CutPlan plan = planner.plan(request);
        assertThat(plan.trimmings()).containsExactly(new Trimming(1, 2, mm(260)));
        assertThat(plan.cut()).isEqualTo(mm(900));
        assertThat(CutPlanRules.broken(request, plan)).isEmpty();
    }

    /** They are trimmed when the slider is tied over them already; the next piece may have them. */
    @Test
    void endsThatRunThroughASliderServeOnlyTheNextPiece() {
        CutRequest request = request(
                List.of(
                        demand(1, 1, 900, 260).at(Stage.CLOSED_OVER),
                        demand(2, 1, 250).at(Stage.CLOSING),
                        demand(3, 2, 900, 260).at(Stage.CLOSED_OVER),
                        demand(4, 2, 250).at(Stage.CLOSING)),
                holding(1, 7, 5000));
        assertThat(planner.plan(request).trimmings()).containsExactly(new Trimming(4, 1, mm(260)));
    }

    @Test
    void aStrandWhoseTailWasTooShortIsCutAndWhatItLeavesServesOthers() {
        CutRequest request = request(
                List.of(
                        demand(1, 1, 900, 260),
                        demand(2, 1, 250).at(Stage.CLOSING).withoutTail(),
                        demand(3, 2, 250)),
                holding(1, 7, 5000));
        CutPlan plan = planner.plan(request);
        assertThat(plan.trimmings()).containsExactly(new Trimming(3, 1, mm(260)));
        assertThat(plan.cut()).isEqualTo(mm(900 + 250));
    }

    @Test
    void aTailServesOnce() {
        CutPlan plan = planner.plan(
                request(List.of(demand(1, 1, 900, 260), demand(2, 2, 250), demand(3, 3, 250)), holding(1, 7, 5000)));
        assertThat(plan.trimmings()).containsExactly(new Trimming(2, 1, mm(260)));
        assertThat(plan.cut()).isEqualTo(mm(1150));
    }

    /** The second piece can only be cut from lot 8, so the tail of lot 7 may not stand beside it. */
    @Test
    void aTailOfAnotherLotDoesNotServeBesideStrandsOfThatArticle() {
        CutRequest request = request(
                List.of(demand(1, 1, 1000, 260), demand(2, 2, 900), demand(3, 2, 250)),
                holding(1, 7, 1000),
                holding(2, 8, 1200));
        CutPlan plan = planner.plan(request);
        assertThat(plan.trimmings()).isEmpty();
        assertThat(plan.cut()).isEqualTo(mm(2150));
        assertThat(CutPlanRules.broken(request, plan)).isEmpty();
    }

    @Test
    void whatAWaitingPieceWouldHaveLeftIsCutAfterAll() {
        CutRequest request = request(List.of(demand(1, 1, 3000, 260), demand(2, 2, 250)), holding(1, 7, 1000));
        CutPlan plan = planner.plan(request);
        assertThat(plan.waiting()).extracting(CutPlan.Waiting::piece).containsExactly(1L);
        assertThat(plan.trimmings()).isEmpty();
        assertThat(plan.cut()).isEqualTo(mm(250));
    }

    @Test
    void everyPlanKeepsEveryHardRuleAndNeverCutsMore() {
        Random random = new Random(11);
        CutPlanner plain = new FirstFitDecreasing();
        int served = 0;
        for (int run = 0; run < 300; run++) {
            List<Demand> demands = new ArrayList<>();
            for (int i = 1; i <= 1 + random.nextInt(60); i++) {
                long length = 100 + random.nextInt(1200);
                Demand demand = new Demand(
                        i,
                        1 + i / 3,
                        1 + random.nextInt(2),
                        mm(length),
                        List.of(mm(60 + random.nextInt(300)), mm(60 + random.nextInt(300))));
                demand = demand.at(Stage.values()[random.nextInt(Stage.values().length)]);
                demand = random.nextInt(10) == 0 ? demand.withoutTail() : demand;
                demands.add(demand.piece() % 4 == 0 ? demand.inSet(demand.piece() % 8) : demand);
            }
            List<Holding> holdings = new ArrayList<>();
            for (int i = 1; i <= 8; i++) {
                holdings.add(new Holding(
                        i,
                        1 + random.nextInt(2),
                        1 + random.nextInt(4),
                        mm(500 + random.nextInt(6000)),
                        List.of(),
                        mm(300)));
            }
            CutRequest request = new CutRequest(demands, holdings);
            CutPlan plan = planner.plan(request);
            assertThat(CutPlanRules.broken(request, plan)).isEmpty();
            served += plan.trimmings().size();
            if (plan.waiting().isEmpty() && plain.plan(request).waiting().isEmpty()) {
                assertThat(plan.cut()).isLessThanOrEqualTo(plain.plan(request).cut());
            }
        }
        assertThat(served).isGreaterThan(100);
    }

    /** The rules themselves must be able to find fault. */
    @Test
    void theRulesSeeATailThatServesTwiceOrIsTooShort() {
        CutRequest request = request(
                List.of(demand(1, 1, 900, 260, 120), demand(2, 2, 250), demand(3, 3, 250)), holding(1, 7, 5000));
        List<SpoolPlan> spools = new FirstFitDecreasing()
                .plan(request(List.of(demand(1, 1, 900)), holding(1, 7, 5000)))
                .spools();
        Trimming good = new Trimming(2, 1, mm(260));
        assertThat(CutPlanRules.broken(
                        request, new CutPlan(spools, List.of()).with(List.of(good, new Trimming(3, 1, mm(260))))))
                .singleElement()
                .asString()
                .contains("serves twice");
        assertThat(CutPlanRules.broken(
                        request, new CutPlan(spools, List.of()).with(List.of(good, new Trimming(3, 1, mm(120))))))
                .singleElement()
                .asString()
                .contains("or longer");
        CutRequest anyway =
                request(List.of(demand(1, 1, 900, 260), demand(2, 2, 250).withoutTail()), holding(1, 7, 5000));
        assertThat(CutPlanRules.broken(anyway, new CutPlan(spools, List.of()).with(List.of(good))))
                .singleElement()
                .asString()
                .contains("to be cut anyway");
    }

    private static CutRequest request(List<Demand> demands, Holding... holdings) {
        return new CutRequest(demands, List.of(holdings));
    }

    private static Demand demand(long id, long piece, long millimetres, long... tails) {
        return new Demand(
                id,
                piece,
                1,
                mm(millimetres),
                java.util.Arrays.stream(tails).mapToObj(WithTrimmingsTest::mm).toList());
    }

    private static Holding holding(long id, long lot, long millimetres) {
        return new Holding(id, 1, lot, mm(millimetres), List.of(), mm(300));
    }

    private static Length mm(long millimetres) {
        return Length.ofMillimetres(millimetres);
    }
}
