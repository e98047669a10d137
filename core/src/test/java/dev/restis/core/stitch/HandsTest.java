package dev.restis.core.stitch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import dev.restis.core.stitch.Stitch.Hand;
import dev.restis.core.stitch.Stitch.Move;
import dev.restis.core.stitch.Stitch.StrandPath;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What paths say of how hands tie them: where strands rest, which leads, and seldom in which order. */
class HandsTest {

    /** Strands of these never lie still at an edge; they are told apart where they turn. */
    private static final Set<String> NEVER_AT_REST =
            Set.of("plain", "figure-eight", "braid-three", "braid-round", "braid-five");

    static List<Stitch> tied() {
        return Stitches.all().stream()
                .filter(s -> !NEVER_AT_REST.contains(s.code()))
                .toList();
    }

    /** By hand: after which stretches of each path, counted from 0, the strand lies at rest. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "half-knot | 0 | 1 ; 1",
                // Two half knots: the strand lies at the other edge between them.
                "square-knot | 0 | 1,3 ; 1,3",
                "snake-knot | 0 | 1 ; 1",
                "half-hitch | 0 | 1",
                "larks-head | 0 | 1,3",
                "interlocked | 0 | 3 ; 3",
                // The partner stands at the far edge until the leader is through.
                "ladder | 0 | 2 ; 0,2",
                // Two straight cores; then knots and, for as long, a core in the other knot.
                "alternating-square | 2 | 0 ; 0 ; 1,3,4 ; 1,3,4 ; 0,2,4 ; 0,2,4",
                "crossing-weave | 0 | 2 ; 2 ; 1 ; 1 ; 1 ; 1",
                "slip-loop | 0 | 6 ; 6",
                "wrapped-falls | 0 | 2 ; 2 ; 1 ; 1 ; 1 ; 1 ; 1 ; 1",
                // Edges, and five steps of one winding, which passes the middle in the third and after the last.
                "braid-edged | 2 | ; ; ; ; 0 ; ; 0"
            })
    void strandsRestWhereHandsLetThemGo(String code, int leader, String rests) {
        Stitch stitch = Stitches.byCode(code).orElseThrow();
        assertThat(stitch.leader()).isEqualTo(leader);
        List<String> byHand =
                List.of(rests.split(";", -1)).stream().map(String::strip).toList();
        assertThat(stitch.paths().stream()
                        .map(path -> IntStream.range(0, path.stretches().size())
                                .filter(s -> path.stretches().get(s).rests())
                                .mapToObj(String::valueOf)
                                .collect(Collectors.joining(",")))
                        .toList())
                .isEqualTo(byHand);
    }

    @ParameterizedTest
    @MethodSource("tied")
    void everyStrandThatTiesComesToRest(Stitch stitch) {
        for (StrandPath path : stitch.paths()) {
            if (path.seat() != Seat.EDGE) {
                int at = stitch.paths().indexOf(path);
                boolean rests = false;
                do {
                    rests |= stitch.paths().get(at).stretches().stream().anyMatch(Stitch.Stretch::rests);
                    at = stitch.paths().get(at).next();
                } while (at != stitch.paths().indexOf(path));
                assertThat(rests).as("%s of %s", path.seat(), stitch.code()).isTrue();
            }
        }
        assertThat(stitch.paths().get(stitch.leader()).seat())
                .as("cores do not lead")
                .isEqualTo(Seat.WORKING);
    }

    /** What hangs beside straight cores until it is taken up again hangs outside them. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "half-knot",
                "square-knot",
                "snake-over-core",
                "half-hitch",
                "larks-head",
                "interlocked",
                "ladder",
                "slip-loop"
            })
    void whatRestsHangsBesideTheCores(String code) {
        for (StrandPath path : Stitches.byCode(code).orElseThrow().paths()) {
            for (Stitch.Stretch stretch : path.stretches()) {
                if (stretch.rests()) {
                    Waypoint last = stretch.through().get(stretch.through().size() - 1);
                    double off = Math.hypot(last.across(), last.level());
                    assertThat(off).as("%s after %s", code, stretch.element()).isGreaterThan(0.9);
                }
            }
        }
    }

    /** Where the order is stated it makes every stretch of every strand that ties, once and in the order of the strand. */
    @ParameterizedTest
    @ValueSource(strings = {"slip-loop", "crossing-weave"})
    void aStatedOrderTellsAllOfTheRepeat(String code) {
        Stitch stitch = Stitches.byCode(code).orElseThrow();
        List<Integer> made = new ArrayList<>();
        for (int p = 0; p < stitch.paths().size(); p++) {
            StrandPath path = stitch.paths().get(p);
            int strand = (int) stitch.paths().subList(0, p).stream()
                    .filter(before -> before.seat() == path.seat())
                    .count();
            made.clear();
            for (Move move : stitch.order()) {
                if (move.seat() == path.seat() && move.strand() == strand) {
                    IntStream.rangeClosed(move.from(), move.to()).forEach(made::add);
                }
            }
            assertThat(made)
                    .as("%s %d", path.seat(), strand)
                    .isEqualTo(
                            IntStream.range(0, path.stretches().size()).boxed().toList());
        }
    }

    /** The loop is drawn up, and both cores go through it, before the end is drawn down. */
    @Test
    void coresPassThroughALoopThatIsThere() {
        List<String> told = Stitches.SLIP_LOOP.order().subList(0, 5).stream()
                .map(m -> m.seat() + " " + m.strand() + " " + m.hand())
                .toList();
        assertThat(told)
                .containsExactly("WORKING 0 END", "WORKING 0 LOOP", "CORE 1 END", "CORE 0 END", "WORKING 0 END");
    }

    /** Anchors that run aside are held there by what is hitched to them; cores that only take turns are not. */
    @Test
    void onlyADiamondIsHeldOpen() {
        assertThat(Stitches.all().stream().filter(Stitch::staysOpen)).containsExactly(Stitches.HITCHED_DIAMOND);
    }

    @Test
    void movesOfStrandsThatAreNotThereAreRefused() {
        List<Move> wrong = List.of(
                new Move(Seat.WORKING, 2, 0, 0, Hand.END),
                new Move(Seat.WORKING, 0, 0, 2, Hand.END),
                new Move(Seat.WORKING, 0, 1, 0, Hand.END),
                new Move(Seat.CORE, 8, 0, 0, Hand.END),
                new Move(Seat.CORE, 0, 1, 1, Hand.END),
                new Move(Seat.FALL, 0, 0, 0, Hand.LOOP));
        for (Move move : wrong) {
            assertThatIllegalArgumentException()
                    .as(move.toString())
                    .isThrownBy(() -> halfKnot(0, List.of(move)))
                    .withMessageContaining(move.seat() + " " + move.strand());
        }
        assertThat(halfKnot(1, List.of(new Move(Seat.CORE, 7, 0, 0, Hand.END))).leader())
                .isEqualTo(1);
        assertThatIllegalArgumentException()
                .isThrownBy(() -> halfKnot(2, List.of()))
                .withMessageContaining("leader");
    }

    private static Stitch halfKnot(int leader, List<Move> order) {
        Stitch knot = Stitches.HALF_KNOT;
        return new Stitch(
                knot.code(),
                knot.paths(),
                knot.pitch(),
                knot.thickness(),
                knot.width(),
                knot.turnPerRepeat(),
                knot.cores(),
                knot.coreLayout(),
                knot.mirrored(),
                knot.columns(),
                leader,
                order);
    }
}
