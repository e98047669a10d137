package dev.restis.core.cutting;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.cutting.CutPlan.Step;
import dev.restis.core.cutting.CutPlan.StepKind;
import dev.restis.core.measure.Length;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

class FirstFitDecreasingTest {

    private final CutPlanner planner = new FirstFitDecreasing();

    @Test
    void cutsLongestFirstAndKeepsTheRest() {
        CutPlan plan = plan(List.of(demand(1, 1, 400), demand(2, 1, 700)), holding(1, 1, 2000));
        assertThat(plan.spools().get(0).steps())
                .containsExactly(
                        new Step(StepKind.STRAND, mm(700), 2, false),
                        new Step(StepKind.STRAND, mm(400), 1, false),
                        new Step(StepKind.REST, mm(900), 0, true));
    }

    @Test
    void takesAllStrandsOfAPieceFromOneLot() {
        CutPlan plan = plan(List.of(demand(1, 1, 700), demand(2, 1, 700)), holding(1, 1, 1000), holding(2, 2, 1500));
        assertThat(plan.spools())
                .singleElement()
                .satisfies(s -> assertThat(s.holding().lot()).isEqualTo(2));
    }

    @Test
    void namesThePieceThatMustWaitAndHowMuchIsMissing() {
        CutPlan plan = plan(List.of(demand(1, 7, 700), demand(2, 7, 700)), holding(1, 1, 1000), holding(2, 2, 900));
        assertThat(plan.spools()).isEmpty();
        assertThat(plan.waiting()).containsExactly(new CutPlan.Waiting(7, 1, mm(1400), mm(1000)));
    }

    @Test
    void takesAWholeSetFromOneLotThoughAnEarlierOneWouldServeItsFirstPiece() {
        List<Demand> set = List.of(demand(1, 1, 700).inSet(9), demand(2, 2, 700).inSet(9));
        CutPlan plan = plan(set, holding(1, 1, 1000), holding(2, 2, 1500));
        assertThat(plan.spools()).singleElement().satisfies(s -> {
            assertThat(s.holding().lot()).isEqualTo(2);
            assertThat(s.steps()).hasSize(3);
        });
    }

    @Test
    void letsAWholeSetWaitWhenNoLotHasEnoughForIt() {
        List<Demand> demands =
                List.of(demand(1, 1, 700).inSet(9), demand(2, 2, 700).inSet(9), demand(3, 3, 600));
        CutPlan plan = plan(demands, holding(1, 1, 1000), holding(2, 2, 1300));
        assertThat(plan.waiting())
                .containsExactly(
                        new CutPlan.Waiting(1, 1, mm(1400), mm(1300)), new CutPlan.Waiting(2, 1, mm(1400), mm(1300)));
        assertThat(plan.cut()).isEqualTo(mm(600));
    }

    @Test
    void goesOnWithTheLotThatASetWasBegunWith() {
        Demand demand = demand(1, 1, 700).inSet(9);
        Holding[] holdings = {holding(1, 1, 1000), holding(2, 2, 800), holding(3, 3, 600)};
        assertThat(planner.plan(new CutRequest(List.of(demand), List.of(holdings), Map.of(demand.oneLot(), 2L)))
                        .spools())
                .singleElement()
                .satisfies(s -> assertThat(s.holding().lot()).isEqualTo(2));
        assertThat(planner.plan(new CutRequest(List.of(demand), List.of(holdings), Map.of(demand.oneLot(), 3L)))
                        .waiting())
                .containsExactly(new CutPlan.Waiting(1, 1, mm(700), mm(600)));
    }

    @Test
    void neverCutsAcrossAFlawAndKeepsWhatLiesBeforeItIfLongEnough() {
        Holding flawed = new Holding(1, 1, 1, mm(3000), List.of(mm(500)), mm(300));
        CutRequest request = new CutRequest(List.of(demand(1, 1, 800)), List.of(flawed));
        assertThat(planner.plan(request).spools().get(0).steps())
                .containsExactly(
                        new Step(StepKind.OFFCUT, mm(500), 0, true),
                        new Step(StepKind.STRAND, mm(800), 1, false),
                        new Step(StepKind.REST, mm(1700), 0, true));
    }

    @Test
    void everyPlanKeepsEveryHardRule() {
        Random random = new Random(7);
        for (int run = 0; run < 300; run++) {
            CutRequest request = randomRequest(random, 1 + random.nextInt(60));
            CutPlan plan = planner.plan(request);
            assertThat(CutPlanRules.broken(request, plan)).isEmpty();
            assertThat(planner.plan(request)).isEqualTo(plan);
        }
    }

    /** The rules themselves must be able to find fault. */
    @Test
    void theRulesSeeABrokenPlan() {
        Holding holding = new Holding(1, 1, 1, mm(1000), List.of(mm(300)), mm(200));
        CutRequest request = new CutRequest(List.of(demand(1, 1, 400)), List.of(holding));
        List<Step> across =
                List.of(new Step(StepKind.STRAND, mm(400), 1, false), new Step(StepKind.REST, mm(500), 0, true));
        assertThat(CutPlanRules.broken(
                        request, new CutPlan(List.of(new CutPlan.SpoolPlan(holding, across)), List.of())))
                .hasSize(2);
    }

    @Test
    void theRulesSeeASetOfSeveralLots() {
        List<Demand> set = List.of(demand(1, 1, 700).inSet(9), demand(2, 2, 700).inSet(9));
        CutPlan apart = plan(List.of(demand(1, 1, 700), demand(2, 2, 700)), holding(1, 1, 1000), holding(2, 2, 1500));
        assertThat(CutPlanRules.broken(new CutRequest(set, List.of(holding(1, 1, 1000), holding(2, 2, 1500))), apart))
                .singleElement()
                .asString()
                .contains("mixes lots");
    }

    private static CutRequest randomRequest(Random random, int strands) {
        List<Demand> demands = new ArrayList<>();
        for (int i = 1; i <= strands; i++) {
            Demand demand = new Demand(i, 1 + i / 3, 1 + random.nextInt(3), mm(200 + random.nextInt(2000)));
            demands.add(demand.piece() % 4 == 0 ? demand.inSet(demand.piece() % 8) : demand);
        }
        List<Holding> holdings = new ArrayList<>();
        for (int i = 1; i <= 12; i++) {
            Length length = mm(500 + random.nextInt(9000));
            List<Length> flaws = random.nextInt(3) == 0 ? List.of(new Length(length.micrometres() / 3)) : List.of();
            holdings.add(new Holding(i, 1 + random.nextInt(3), 1 + random.nextInt(5), length, flaws, mm(300)));
        }
        Map<Demand.OneLot, Long> begun = new HashMap<>();
        demands.stream()
                .filter(d -> d.set().isPresent() && random.nextInt(10) == 0)
                .forEach(d -> begun.put(d.oneLot(), 1L + random.nextInt(5)));
        return new CutRequest(demands, holdings, begun);
    }

    private CutPlan plan(List<Demand> demands, Holding... holdings) {
        return planner.plan(new CutRequest(demands, List.of(holdings)));
    }

    private static Demand demand(long id, long piece, long millimetres) {
        return new Demand(id, piece, 1, mm(millimetres));
    }

    private static Holding holding(long id, long lot, long millimetres) {
        return new Holding(id, 1, lot, mm(millimetres), List.of(), mm(300));
    }

    private static Length mm(long millimetres) {
        return Length.ofMillimetres(millimetres);
    }
}
