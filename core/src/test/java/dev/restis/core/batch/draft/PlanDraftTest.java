package dev.restis.core.batch.draft;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.restis.core.batch.Aims;
import dev.restis.core.batch.Bench;
import dev.restis.core.batch.DueOrder;
import dev.restis.core.batch.PlanCheck;
import dev.restis.core.batch.PlanMaker;
import dev.restis.core.batch.PlanWork.Seen;
import dev.restis.core.batch.Planner;
import dev.restis.core.batch.SetUpTimes;
import dev.restis.core.batch.WorkPlan;
import dev.restis.core.batch.draft.Board.Row;
import dev.restis.core.batch.draft.Board.State;
import dev.restis.core.batch.draft.DoesNotFit.Why;
import dev.restis.core.batch.draft.PlanDraft.Planned;
import dev.restis.core.batch.search.Mending;
import dev.restis.core.batch.search.SearchPlanner;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** An hour is 3,600 s; makers have two of them a day, and setting up takes 480, 240 and 90 s. */
class PlanDraftTest {

    private static final Bench RED = new Bench("SQUARE 2", "fob", Set.of(1L));
    private static final Bench BLUE = new Bench("SQUARE 2", "fob", Set.of(2L));
    private static final Bench SNAKE = new Bench("SNAKE 2", "bracelet", Set.of(3L));
    private static final int DAY = 7200;

    private static PlanMaker maker(long id, Map<String, Double> pace) {
        return new PlanMaker(id, Collections.nCopies(30, DAY), pace, Optional.empty());
    }

    private static Lot lot(long line, int order, Bench bench, int seconds, int release, long first, int pieces) {
        return new Lot(
                line,
                order,
                bench,
                seconds,
                release,
                false,
                LongStream.range(first, first + pieces).boxed().toList());
    }

    private static Inputs inputs(List<Lot> lots, List<Begun> begun, double keepFree) {
        return new Inputs(
                List.of(maker(1, Map.of()), maker(2, Map.of("SQUARE 2", 0.5))),
                List.of(new DueOrder(10, 1, 1, 0), new DueOrder(11, 3, 1, 1)),
                lots,
                begun,
                SetUpTimes.USUAL,
                false,
                keepFree);
    }

    private static Inputs usual() {
        return inputs(List.of(lot(100, 0, RED, 1800, 0, 1, 5), lot(101, 1, SNAKE, 3600, 2, 11, 1)), List.of(), 0);
    }

    private static List<Row> board(PlanDraft draft) {
        Planned planned = draft.work(Map.of());
        Mending repaired = Mending.repaired(planned.work(), planned.lines());
        assertThat(PlanCheck.faults(repaired.work(), repaired.plan())).isEmpty();
        draft.sequences(planned, repaired.plan().sequences());
        return Board.of(draft, planned, repaired.plan());
    }

    private static List<Stood> stood(List<Row> rows) {
        return rows.stream()
                .map(r -> new Stood(
                        r.maker(),
                        r.state() == State.PINNED ? OptionalInt.of(r.from()) : OptionalInt.empty(),
                        r.apart(),
                        r.pieces()))
                .toList();
    }

    @Test
    void whatIsNewIsCutUpAndPutWhereItIsTied() {
        List<Row> rows = board(PlanDraft.of(usual(), List.of(), false));
        // Five half hours are two parcels; only the first maker ties snakes, and not before its cord is there.
        assertThat(rows).extracting(r -> r.pieces().size()).containsExactlyInAnyOrder(3, 2, 1);
        Row snake = rows.stream().filter(r -> r.line() == 101).findFirst().orElseThrow();
        assertThat(snake.maker()).isZero();
        assertThat(snake.from()).isEqualTo(2);
        assertThat(snake.seconds()).containsExactly(480 + 240 + 90 + 3600);
    }

    @Test
    void whatOneHandIsToTieIsOnePart() {
        Lot set = new Lot(100, 0, RED, 1800, 0, true, List.of(1L, 2L, 3L, 4L, 5L, 6L, 7L, 8L, 9L));
        List<Row> rows = board(PlanDraft.of(inputs(List.of(set), List.of(), 0), List.of(), false));
        // Four hours and a half are cut up otherwise; here they run over a night, with one maker.
        assertThat(rows).hasSize(1);
        assertThat(rows.get(0).pieces()).hasSize(9);
    }

    @Test
    void whatStoodStaysAndOnlyWhatIsLeftOfIt() {
        Inputs inputs = usual();
        List<Stood> stood = List.of(
                new Stood(1, OptionalInt.empty(), false, List.of(4L, 5L, 99L)),
                new Stood(0, OptionalInt.empty(), true, List.of(1L, 2L)));
        PlanDraft draft = PlanDraft.of(inputs, stood, false);
        Planned planned = draft.work(Map.of(4L, new Seen(1, 3, 3)));
        assertThat(planned.parts())
                .extracting(Part::pieces)
                .containsExactly(List.of(1L, 2L), List.of(4L, 5L), List.of(3L), List.of(11L));
        assertThat(planned.lines()).containsExactly(List.of(0), List.of(1));
        assertThat(planned.parts().get(0).apart()).isTrue();
        assertThat(planned.work().before())
                .containsExactly(Seen.NOWHERE, new Seen(1, 3, 3), Seen.NOWHERE, Seen.NOWHERE);
        // Anew, only what is pinned stays.
        Planned anew = PlanDraft.of(inputs, stood, true).work(Map.of());
        assertThat(anew.lines()).containsExactly(List.of(), List.of());
        assertThat(anew.parts()).extracting(p -> p.pieces().size()).containsExactly(3, 2, 1);
    }

    @Test
    void aPinTakesTheEndOfItsDay() {
        PlanDraft draft = PlanDraft.of(usual(), List.of(), false);
        Part three = draft.of(1).orElseThrow();
        draft.pin(List.of(three), 1, 4);
        List<Row> rows = board(draft);
        Row pinned =
                rows.stream().filter(r -> r.state() == State.PINNED).findFirst().orElseThrow();
        // The second maker ties squares in half the time: 810 s of setting up and three quarters of an hour.
        assertThat(pinned.maker()).isEqualTo(1);
        assertThat(pinned.from()).isEqualTo(4);
        assertThat(pinned.seconds()).containsExactly(810 + 2700);
        assertThat(pinned.setUp()).isEqualTo(810);
        // Its order is late by three days then, whatever the planner does.
        Planned planned = draft.work(Map.of());
        assertThat(planned.work().orders().get(0).fixed()).isEqualTo(4);
        assertThat(SearchPlanner.first(planned.work()).aims().lateDays()).isEqualTo(3);
        // It stays through planning anew, and goes back into its line when it is let go.
        PlanDraft again = PlanDraft.of(usual(), stood(rows), true);
        assertThat(again.pins().inOrder()).hasSize(1);
        again.release(List.of(again.of(1).orElseThrow()));
        assertThat(again.pins().inOrder()).isEmpty();
        assertThat(again.work(Map.of()).lines()).containsExactly(List.of(), List.of(0));
    }

    @Test
    void aPinThatDoesNotFitIsRefusedWithItsFigures() {
        PlanDraft draft = PlanDraft.of(usual(), List.of(), false);
        Part three = draft.of(1).orElseThrow();
        Part two = draft.of(4).orElseThrow();
        Part snake = draft.of(11).orElseThrow();
        draft.pin(List.of(three), 0, 1);
        // 810 + 5,400 s of 7,200 are taken; on a bench that is set up two more take 3,600 of the 990 that are left.
        assertThatThrownBy(() -> draft.pin(List.of(two), 0, 1)).isInstanceOfSatisfying(DoesNotFit.class, e -> {
            assertThat(e.why()).isEqualTo(Why.DAY_FULL);
            assertThat(e.needed()).isEqualTo(3600);
            assertThat(e.there()).isEqualTo(990);
        });
        assertThatThrownBy(() -> draft.pin(List.of(snake), 0, 1))
                .isInstanceOfSatisfying(
                        DoesNotFit.class, e -> assertThat(e.why()).isEqualTo(Why.NO_CORD_YET));
        assertThatThrownBy(() -> draft.pin(List.of(snake), 1, 3))
                .isInstanceOfSatisfying(
                        DoesNotFit.class, e -> assertThat(e.why()).isEqualTo(Why.NOT_TIED));
        assertThatThrownBy(() -> draft.move(List.of(snake), 1, Optional.empty()))
                .isInstanceOfSatisfying(
                        DoesNotFit.class, e -> assertThat(e.why()).isEqualTo(Why.NOT_TIED));
        // Nothing was moved by what was refused.
        assertThat(draft.pins().inOrder()).hasSize(1);
        assertThat(draft.work(Map.of()).parts()).containsExactly(two, snake);
    }

    @Test
    void aDayThatIsTakenOffLetsItsPinsGo() {
        PlanDraft draft = PlanDraft.of(usual(), List.of(), false);
        draft.pin(List.of(draft.of(1).orElseThrow()), 0, 1);
        List<Stood> stood = stood(board(draft));
        List<Integer> off = new ArrayList<>(Collections.nCopies(30, DAY));
        off.set(1, 0);
        Inputs inputs = usual();
        Inputs ill = new Inputs(
                List.of(
                        new PlanMaker(1, off, Map.of(), Optional.empty()),
                        inputs.makers().get(1)),
                inputs.orders(),
                inputs.lots(),
                List.of(),
                SetUpTimes.USUAL,
                false,
                0);
        PlanDraft after = PlanDraft.of(ill, stood, false);
        assertThat(after.wasPinned()).extracting(Part::pieces).containsExactly(List.of(1L, 2L, 3L));
        assertThat(after.pins().inOrder()).isEmpty();
        assertThat(board(after)).flatExtracting(Row::pieces).containsExactlyInAnyOrder(1L, 2L, 3L, 4L, 5L, 11L);
        // So does a maker who is gone, and a day that is over.
        assertThat(PlanDraft.of(usual(), List.of(new Stood(-1, OptionalInt.of(2), false, List.of(1L))), false)
                        .wasPinned())
                .hasSize(1);
        assertThat(PlanDraft.of(usual(), List.of(new Stood(0, OptionalInt.of(-1), false, List.of(1L))), false)
                        .wasPinned())
                .hasSize(1);
    }

    @Test
    void whatIsBegunGoesOnFirst() {
        Inputs inputs = inputs(
                List.of(lot(100, 0, RED, 1800, 0, 1, 2)),
                List.of(new Begun(101, 1, 0, SNAKE, 9000, 11), new Begun(102, 0, 0, RED, 600, 12)),
                0);
        PlanDraft draft = PlanDraft.of(inputs, List.of(), false);
        List<Row> rows = board(draft);
        // Two hours and a half: a day of two, and half an hour of the next, behind which the other goes on.
        assertThat(rows.get(0).seconds()).containsExactly(7200, 1800);
        assertThat(rows.get(1).from()).isEqualTo(1);
        assertThat(rows.get(1).seconds()).containsExactly(600);
        assertThat(draft.work(Map.of()).work().orders())
                .extracting(DueOrder::fixed)
                .containsExactly(1, 1);
        // Of the second day 4,800 s are left, too little for 810 and 4,500.
        Part two = draft.of(1).orElseThrow();
        draft.pin(List.of(two), 0, 1);
        assertThat(draft.pins().inOrder()).hasSize(1);
        assertThatThrownBy(() -> draft.pin(List.of(two), 0, 0)).isInstanceOf(DoesNotFit.class);
        assertThat(draft.pins().inOrder()).hasSize(1);
    }

    @Test
    void partsAreSplitAndMerged() {
        PlanDraft draft = PlanDraft.of(
                usual(), List.of(new Stood(0, OptionalInt.empty(), false, List.of(1L, 2L, 3L, 4L, 5L))), false);
        Part five = draft.of(1).orElseThrow();
        draft.split(List.of(five), 2);
        Part two = draft.of(1).orElseThrow();
        Part three = draft.of(3).orElseThrow();
        assertThat(two.pieces()).containsExactly(1L, 2L);
        assertThat(three.pieces()).containsExactly(3L, 4L, 5L);
        assertThat(three.apart()).isTrue();
        assertThatThrownBy(() -> draft.split(List.of(two), 2)).isInstanceOf(DoesNotFit.class);
        draft.split(List.of(two, three), 2);
        draft.move(List.of(draft.of(3).orElseThrow()), 1, Optional.empty());
        assertThat(draft.work(Map.of()).lines()).containsExactly(List.of(0), List.of(1));
        draft.merge(List.of(draft.of(1).orElseThrow()), List.of(draft.of(3).orElseThrow()));
        Planned merged = draft.work(Map.of());
        assertThat(merged.lines()).containsExactly(List.of(0, 1), List.of());
        assertThat(merged.parts().get(1).apart()).isFalse();
        assertThatThrownBy(() -> draft.merge(
                        List.of(draft.of(1).orElseThrow()), List.of(draft.of(11).orElseThrow())))
                .isInstanceOfSatisfying(
                        DoesNotFit.class, e -> assertThat(e.why()).isEqualTo(Why.NOT_ALIKE));
    }

    @Test
    void aPinnedBatchIsSplitAndMergedWhereItIs() {
        PlanDraft draft = PlanDraft.of(usual(), List.of(), false);
        Part three = draft.of(1).orElseThrow();
        draft.pin(List.of(three), 1, 1);
        draft.split(List.of(three), 1);
        assertThat(draft.pins().inOrder())
                .extracting(e -> e.getKey().pieces().size())
                .containsExactly(1, 2);
        draft.merge(List.of(draft.of(1).orElseThrow()), List.of(draft.of(4).orElseThrow()));
        assertThat(draft.pins().inOrder()).hasSize(3);
        assertThat(draft.work(Map.of()).work().pins()).hasSize(3);
    }

    @Test
    void someOfEachDayIsKeptFree() {
        Inputs inputs = inputs(List.of(lot(100, 0, RED, 1800, 0, 1, 1)), List.of(), 0.1);
        assertThat(PlanDraft.of(inputs, List.of(), false)
                        .work(Map.of())
                        .work()
                        .makers()
                        .get(0)
                        .on(0))
                .isEqualTo(6480);
        // Hands may pin into it.
        PlanDraft draft =
                PlanDraft.of(inputs(List.of(lot(100, 0, RED, 6390, 0, 1, 1)), List.of(), 0.1), List.of(), false);
        draft.pin(List.of(draft.of(1).orElseThrow()), 0, 0);
        assertThat(draft.pins().inOrder()).hasSize(1);
    }

    /** Whatever hands do, every piece stands once, pins stand where they were pinned, and the checker finds no fault. */
    @Test
    void handsLoseNothing() {
        for (int seed = 0; seed < 40; seed++) {
            Random random = new Random(seed);
            List<Lot> lots = new ArrayList<>();
            for (int l = 0; l < 8; l++) {
                Bench bench = List.of(RED, BLUE, SNAKE).get(random.nextInt(3));
                lots.add(lot(
                        l,
                        l % 2,
                        bench,
                        300 + random.nextInt(1500),
                        random.nextInt(3),
                        1 + 20L * l,
                        1 + random.nextInt(9)));
            }
            Inputs inputs = inputs(lots, List.of(new Begun(99, 0, random.nextInt(2), RED, 5000, 999)), 0.1);
            List<Row> rows = board(PlanDraft.of(inputs, List.of(), false));
            for (int act = 0; act < 12; act++) {
                PlanDraft draft = PlanDraft.of(inputs, stood(rows), false);
                act(draft, rows, random);
                rows = board(draft);
                assertThat(rows)
                        .flatExtracting(Row::pieces)
                        .containsExactlyInAnyOrderElementsOf(
                                Stream.concat(Stream.of(999L), lots.stream().flatMap(l -> l.pieces().stream()))
                                        .toList());
            }
        }
    }

    private static void act(PlanDraft draft, List<Row> rows, Random random) {
        Row row = rows.get(random.nextInt(rows.size()));
        Row other = rows.get(random.nextInt(rows.size()));
        Optional<Part> part = draft.of(row.pieces().get(0));
        Optional<Part> another = draft.of(other.pieces().get(0)).filter(o -> !part.equals(Optional.of(o)));
        if (part.isEmpty()) {
            return;
        }
        List<Part> parts = List.of(part.get());
        try {
            switch (random.nextInt(5)) {
                case 0 -> draft.move(parts, random.nextInt(2), another);
                case 1 -> draft.pin(parts, random.nextInt(2), random.nextInt(6));
                case 2 -> draft.split(parts, 1 + random.nextInt(4));
                case 3 -> another.ifPresent(o -> draft.merge(parts, List.of(o)));
                default -> draft.release(parts);
            }
        } catch (DoesNotFit refused) {
            assertThat(refused.why()).isNotNull();
        }
    }

    /** A planner's answer is laid down as it is, and read back as it stood. */
    @Test
    void whatAPlannerAnswersIsReadBack() {
        PlanDraft draft = PlanDraft.of(usual(), List.of(), false);
        Planned planned = draft.work(Map.of());
        WorkPlan plan = new SearchPlanner().plan(planned.work(), 1, Planner.Watch.NOBODY);
        draft.sequences(planned, plan.sequences());
        List<Row> rows = Board.of(draft, planned, plan);
        Planned again = PlanDraft.of(usual(), stood(rows), false).work(Map.of());
        Aims aims = SearchPlanner.worth(again.work(), again.lines()).orElseThrow();
        assertThat(aims).isEqualTo(plan.aims());
    }
}
