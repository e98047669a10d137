package dev.restis.core.make;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.PatternBook;
import dev.restis.core.pattern.PatternRules;
import dev.restis.core.piece.Caution;
import dev.restis.core.piece.Compositions;
import dev.restis.core.piece.Examples;
import dev.restis.core.piece.MakingTime;
import dev.restis.core.piece.MarginPolicy;
import dev.restis.core.piece.PieceRequest;
import dev.restis.core.piece.PieceWorker;
import dev.restis.core.piece.Wearer;
import dev.restis.core.piece.WorkedPiece;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Cards of whatever can be made: shipped patterns, and such as nobody wrote. */
class CardMakerTest {

    private static final int COMPOSED = 200;

    private static final List<WorkedPiece> PIECES = pieces();

    private static List<WorkedPiece> pieces() {
        List<WorkedPiece> pieces = new ArrayList<>();
        for (Pattern pattern : PatternBook.all()) {
            pieces.add(Examples.worked(Examples.usual(pattern)));
        }
        Compositions compositions = new Compositions(20_261_201);
        int shipped = pieces.size();
        while (pieces.size() < shipped + COMPOSED) {
            Pattern pattern = compositions.next();
            if (PatternRules.check(pattern).isEmpty()) {
                PieceWorker.workOut(Examples.usual(pattern)).fold(pieces::add, faults -> false);
            }
        }
        return pieces;
    }

    @Test
    void everyStrandIsPreparedUsedAndFinished() {
        for (WorkedPiece piece : PIECES) {
            WorkCard card = CardMaker.of(piece);
            Set<StepKind> using = Set.of(StepKind.THREAD, StepKind.SET_UP, StepKind.TIE, StepKind.CLOSE);
            for (int strand = 0; strand < card.strands().size(); strand++) {
                CardStrand cut = card.strands().get(strand);
                List<StepKind> kinds = kindsWith(card, strand);
                assertThat(kinds).as(cut.role()).contains(StepKind.PREPARE);
                assertThat(kinds).as(cut.role()).anyMatch(k -> using.contains(k) || k == StepKind.FINISH);
                if (cut.ends() > 0) {
                    assertThat(kinds).as(cut.role()).contains(StepKind.FINISH);
                }
            }
        }
    }

    private static List<StepKind> kindsWith(WorkCard card, int strand) {
        return card.steps().stream()
                .filter(s -> s.strands().contains(strand))
                .map(CardStep::kind)
                .toList();
    }

    @Test
    void lengthsToReachRiseToWhatThePieceReaches() {
        for (WorkedPiece piece : PIECES) {
            WorkCard card = CardMaker.of(piece);
            Length before = Length.ZERO;
            for (CardStep step : card.steps()) {
                assertThat(step.reach()).isGreaterThanOrEqualTo(before);
                before = step.reach();
            }
            assertThat(before).isEqualTo(piece.fit().reached());
        }
    }

    @Test
    void thePictureIsMadeFurtherWithEveryStep() {
        for (WorkedPiece piece : PIECES) {
            double before = -1;
            for (CardStep step : CardMaker.of(piece).steps()) {
                double now = step.made().section()
                        + (step.made().section() < 0 ? 0 : step.made().share());
                assertThat((int) now).as(step.doing().name()).isGreaterThanOrEqualTo((int) before - 1);
                assertThat(step.made().share()).isBetween(0.0, 1.0);
                before = Math.max(before, now);
            }
        }
    }

    @Test
    void minutesAddUpToTheMakingTime() {
        for (WorkedPiece piece : PIECES) {
            WorkCard card = CardMaker.of(piece);
            assertThat(card.time()).isEqualTo(MakingTime.of(piece).total());
            assertThat(card.steps()).allMatch(s -> !s.time().isNegative());
            assertThat(card.steps().stream().filter(s -> s.kind().passed()))
                    .allMatch(s -> s.time().isZero());
        }
    }

    @Test
    void repeatsFollowOneAnotherToTheLast() {
        for (WorkedPiece piece : PIECES) {
            WorkCard card = CardMaker.of(piece);
            Map<Integer, Integer> tied = new HashMap<>();
            for (CardStep step : card.steps()) {
                if (step.doing() == Doing.TIE) {
                    CardStep.Repeats repeats = step.repeats().orElseThrow();
                    assertThat(repeats.first())
                            .isEqualTo(1 + tied.getOrDefault(step.made().section(), 0));
                    tied.put(step.made().section(), repeats.last());
                    assertThat(repeats.last()).isLessThanOrEqualTo(repeats.of());
                }
            }
            card.bodies().forEach(body -> assertThat(tied).containsKey(body.section()));
            assertThat(tied.values().stream().mapToInt(Integer::intValue).sum())
                    .isEqualTo(piece.fit().bodies().stream()
                            .filter(b -> !b.section().stitch().code().equals("plain"))
                            .mapToInt(b -> b.repeats())
                            .sum());
        }
    }

    /** What protects from an act stands before it, with nothing between that could undo it. */
    @Test
    void everyGateComesBeforeItsAct() {
        for (WorkedPiece piece : PIECES) {
            List<CardStep> steps = CardMaker.of(piece).steps();
            comesBefore(steps, Gate.JOIN_HOLDS, s -> s.kind() == StepKind.TIE || s.kind() == StepKind.SET_UP);
            comesBefore(steps, Gate.KNOT_HOME, is(Doing.SET_KNOT));
            comesBefore(steps, Gate.STOP_HOLDS, is(Doing.SET_STOP));
            comesBefore(steps, Gate.GLUE_DRY, is(Doing.TRIM_GLUED));
            comesBefore(
                    steps,
                    Gate.TRIED_ON,
                    s -> s.kind() == StepKind.FINISH
                            || s.kind() == StepKind.CLOSE
                            || s.kind() == StepKind.INSPECT
                            || s.kind() == StepKind.THREAD);
            for (int i = 0; i < steps.size(); i++) {
                CardStep step = steps.get(i);
                switch (step.doing()) {
                    case SET_KNOT -> assertThat(gate(steps, i - 1)).isEqualTo(Gate.KNOT_HOME);
                    case SET_STOP -> assertThat(gate(steps, i - 1)).isEqualTo(Gate.STOP_HOLDS);
                    case TRIM_GLUED -> assertThat(gate(steps, i - 1)).isEqualTo(Gate.GLUE_DRY);
                    case CUT_FRINGE -> assertThat(gate(steps, i - 1)).isEqualTo(Gate.ENDS_EVEN);
                    case FUSE -> assertThat(gate(steps, i + 1)).isEqualTo(Gate.JOIN_HOLDS);
                    case TRIM_AND_SEAL, GLUE_ENDS ->
                        assertThat(gates(steps.subList(0, i), step.strands())).contains(Gate.LOCK_HARD);
                    case TIE_SLIDER, THREAD_SLIDE_BEAD, TIE_SLIDING_KNOT ->
                        assertThat(gate(steps, i + 1)).isEqualTo(Gate.SLIDES);
                    default -> {}
                }
            }
            assertThat(steps.get(steps.size() - 1).doing()).isEqualTo(Doing.INSPECT);
        }
    }

    private static Predicate<CardStep> is(Doing doing) {
        return s -> s.doing() == doing;
    }

    private static void comesBefore(List<CardStep> steps, Gate gate, Predicate<CardStep> act) {
        for (int i = 0; i < steps.size(); i++) {
            if (steps.get(i).gate().filter(g -> g == gate).isPresent()) {
                assertThat(steps.subList(i + 1, steps.size())).as(gate.name()).anyMatch(act);
            }
        }
    }

    private static Gate gate(List<CardStep> steps, int at) {
        return steps.get(at).gate().orElseThrow();
    }

    /** Gates that all of these strands have come through. */
    private static Set<Gate> gates(List<CardStep> steps, List<Integer> strands) {
        Set<Gate> gates = new TreeSet<>();
        steps.stream()
                .filter(s -> s.strands().containsAll(strands))
                .forEach(s -> s.gate().ifPresent(gates::add));
        return gates;
    }

    @Test
    void allPartsAreCountedBeforeTheirWayIsClosed() {
        for (WorkedPiece piece : PIECES) {
            Map<String, Integer> counted = new HashMap<>();
            for (CardStep step : CardMaker.of(piece).steps()) {
                if (step.gate().filter(g -> g == Gate.PARTS_ON).isPresent()) {
                    step.part().ifPresent(p -> counted.merge(p.slot(), p.count(), Integer::sum));
                }
            }
            piece.hardware()
                    .forEach((slot, count) -> assertThat(counted.getOrDefault(slot, 0))
                            .as(slot)
                            .isGreaterThanOrEqualTo(1)
                            .satisfies(n -> {
                                if (count > 1) {
                                    assertThat(n).isEqualTo(count);
                                }
                            }));
        }
    }

    @Test
    void cordThatShouldBeLeftSuffices() {
        for (WorkedPiece piece : PIECES) {
            for (CardStep step : CardMaker.of(piece).steps()) {
                for (CordLeft left : step.left()) {
                    assertThat(left.expected()).isGreaterThanOrEqualTo(left.need());
                    assertThat(left.suffices(left.expected())).isGreaterThan(0.9);
                    assertThat(left.suffices(Length.ZERO)).isLessThan(0.5);
                }
            }
        }
    }

    @Test
    void everyLegOfABodyHasItsPlace() {
        for (WorkedPiece piece : PIECES) {
            WorkCard card = CardMaker.of(piece);
            for (WorkCard.BodyPlaces body : card.bodies()) {
                Set<Integer> tying = new TreeSet<>();
                card.steps().stream()
                        .filter(s -> s.doing() == Doing.TIE && s.made().section() == body.section())
                        .forEach(s -> tying.addAll(s.strands()));
                Set<Integer> placed = new TreeSet<>();
                body.places().forEach(p -> placed.add(p.strand()));
                assertThat(placed).isEqualTo(tying);
            }
        }
    }

    /** One in three may run short: the margin is less than what one in twenty uses more, and ends are trimmed all the same. */
    @Test
    void endsAreTrimmedHoweverSmallTheMargin() {
        for (WorkedPiece piece : PIECES) {
            PieceRequest.House lean = new PieceRequest.House(
                    new MarginPolicy.OneIn(3), piece.request().house().cuttingStep());
            WorkCard usual = CardMaker.of(piece);
            WorkCard card = CardMaker.of(Examples.worked(piece.request().with(lean)));
            assertThat(card.strands())
                    .extracting(CardStrand::ends)
                    .isEqualTo(usual.strands().stream().map(CardStrand::ends).toList());
            assertThat(card.steps())
                    .extracting(CardStep::doing)
                    .isEqualTo(usual.steps().stream().map(CardStep::doing).toList());
        }
    }

    @Test
    void aKitIsBaggedAndNotTied() {
        for (WorkedPiece piece : PIECES) {
            PieceRequest.House house = piece.request().house();
            WorkCard card = CardMaker.of(Examples.worked(piece.request()
                    .with(new PieceRequest.House(house.margin(), house.cuttingStep(), house.learned(), true))
                    .with(Wearer.CHILD)));
            assertThat(card.steps().stream().map(CardStep::kind))
                    .isSubsetOf(StepKind.PREPARE, StepKind.GATE, StepKind.INSPECT);
            assertThat(card.steps().stream().map(CardStep::doing)).contains(Doing.BAG_KIT);
            boolean fused = piece.request().pattern().roles().stream().anyMatch(r -> r.fused());
            assertThat(card.steps().stream().anyMatch(s -> s.doing().flame())).isEqualTo(fused);
            assertThat(card.steps().stream()
                            .filter(s -> s.doing() == Doing.COUNT_KIT)
                            .mapToInt(s -> s.part().orElseThrow().count())
                            .sum())
                    .isEqualTo(piece.hardware().values().stream()
                            .mapToInt(Integer::intValue)
                            .sum());
        }
    }

    /**
     * A square bar by hand: 2 mm polyester, worked 1.9 mm, over two cores for a wrist of 165 mm: 41 knots of 4.104 mm. The slider of
     * ten half knots takes 20.52 mm.
     */
    @Test
    void aSquareBarStepByStep() {
        WorkCard card = CardMaker.of(Examples.worked(Examples.usual(PatternBook.all().stream()
                .filter(p -> p.code().equals("square-bar"))
                .findFirst()
                .orElseThrow())));
        assertThat(card.steps().stream()
                        .map(s -> s.gate().map(Enum::name).orElse(s.doing().name())))
                .containsExactly(
                        "LAY_OUT",
                        "SEAL_ENDS",
                        "MARK_MIDDLE",
                        "MARK_MIDDLE",
                        "HOLD_ON_BOARD",
                        "STRANDS_IN_ORDER",
                        "TIE",
                        "FIRST_REPEATS",
                        "TIE",
                        "HALF_WAY",
                        "TIE",
                        "LOCK_HARD",
                        "FLAME_CLEAR",
                        "TRIM_AND_SEAL",
                        "LAY_TAILS",
                        "TIE_SLIDER",
                        "SLIDES",
                        "TRIED_ON",
                        "ENDS_EVEN",
                        "TIE_END_STOPS",
                        "LOCK_HARD",
                        "FLAME_CLEAR",
                        "TRIM_AND_SEAL",
                        "INSPECT");
        assertThat(reaches(card, Doing.TIE)).containsExactly(20.52, 82.08, 168.264);
        assertThat(card.length().toMillimetres()).isEqualTo(188.784);
        // Left to right: the working strand's one leg, both cores, its other leg.
        assertThat(card.bodies().get(0).places().stream()
                        .map(p -> card.strands().get(p.strand()).letter()))
                .containsExactly("C", "B", "A", "C");
        // 41 knots of two half knots: five moves a half knot, two seconds each.
        assertThat(timeOf(card, Doing.TIE)).isEqualTo(Duration.ofSeconds(41 * 16));
        assertThat(card.inspection().tolerance()).isEqualTo(Length.ofMillimetres(8));
    }

    private static List<Double> reaches(WorkCard card, Doing doing) {
        return card.steps().stream()
                .filter(is(doing))
                .map(s -> s.reach().toMillimetres())
                .toList();
    }

    private static Duration timeOf(WorkCard card, Doing doing) {
        return card.steps().stream().filter(is(doing)).map(CardStep::time).reduce(Duration.ZERO, Duration::plus);
    }

    @Test
    void naturalsAreGluedAndMeetNoFlame() {
        PieceRequest usual = Examples.usual(PatternBook.SPIRAL_FOB);
        WorkCard card = CardMaker.of(Examples.worked(new PieceRequest(
                usual.pattern(),
                List.of(Examples.cord("cotton", 2), Examples.cord("cotton", 2)),
                usual.size(),
                usual.parts(),
                usual.house())));
        assertThat(card.steps()).noneMatch(s -> s.doing().flame());
        assertThat(card.steps().stream().map(CardStep::doing)).contains(Doing.POINT_ENDS);
        assertThat(card.steps()).noneMatch(s -> s.cautions().contains(Caution.FLAME));
    }

    @Test
    void aBreakawayWarnsWhereItIsPutOn() {
        WorkCard card = CardMaker.of(Examples.worked(Examples.usual(PatternBook.all().stream()
                .filter(p -> p.code().equals("neck-snake"))
                .findFirst()
                .orElseThrow())));
        List<Integer> warned = IntStream.range(0, card.steps().size())
                .filter(i -> card.steps().get(i).cautions().contains(Caution.NECK))
                .boxed()
                .toList();
        assertThat(warned).hasSize(1);
        assertThat(card.steps().get(warned.get(0)).part().orElseThrow().slot()).isEqualTo("breakaway");
    }
}
