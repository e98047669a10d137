package dev.restis.core.tight;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.tight.Cell.Strand;
import java.util.List;
import org.junit.jupiter.api.Test;

class CrossingsTest {

    private static Strand strand(int next, double[]... points) {
        return new Strand(List.of(points), 1, 1, next);
    }

    private static double[] at(double x, double y, double z) {
        return new double[] {x, y, z};
    }

    /** A strand that goes once around another crosses it in front and behind, both times the same way: 2, or -2 the other way. */
    @Test
    void aTurnAroundAStrandIsTwoCrossings() {
        Strand straight = strand(0, at(0, 0, 0), at(3, 0, 0), at(6, 0, 0));
        Strand turn = strand(1, at(0, -2, 1), at(3, 2, 1), at(4, 2, -1), at(5, -2, -1));
        Strand other = strand(1, at(0, -2, -1), at(3, 2, -1), at(4, 2, 1), at(5, -2, 1));
        int sum = Crossings.signed(new Cell(List.of(straight, turn), 8, 0))[0][1];
        assertThat(Math.abs(sum)).isEqualTo(2);
        assertThat(Crossings.signed(new Cell(List.of(straight, other), 8, 0))[0][1])
                .isEqualTo(-sum);
    }

    /** There and back in front of a strand ties nothing, however far it reaches. */
    @Test
    void aBowInFrontIsNone() {
        Strand straight = strand(0, at(0, 0, 0), at(3, 0, 0), at(6, 0, 0));
        Strand bow = strand(1, at(0, -2, 1), at(3, 3, 1), at(5, 2, 2));
        assertThat(Crossings.signed(new Cell(List.of(straight, bow), 8, 0))[0][1])
                .isZero();
    }

    /** Two strands that take each other's places wind around each other once in two periods; mirrored ones never do. */
    @Test
    void aTwistIsCountedOverAllPeriodsThatItTakes() {
        Strand one = strand(1, at(0, -1, 0), at(2, 0, 1), at(3.9, 1, 0));
        Strand two = strand(0, at(0, 1, 0), at(2, 0, -1), at(3.9, -1, 0));
        Cell twist = new Cell(List.of(one, two), 4, 0);
        assertThat(Math.abs(Crossings.signed(twist)[0][1])).isEqualTo(2);
        Strand there = strand(0, at(0, -1, 0), at(2, 0, 1), at(3.9, 1, 0));
        Strand back = strand(1, at(0, 1, 0), at(2, 0, -1), at(3.9, -1, 0));
        Cell mirrored = new Cell(List.of(there, back), 4, 0, true);
        assertThat(Crossings.signed(mirrored)[0][1]).isZero();
    }

    /** Two strands over and under each other as they cross, cords of one thickness; what a pull does not change. */
    @Test
    void pullingTightDoesNotChangeThem() {
        Strand one = strand(1, at(0, -1, 0), at(2, 0, 1), at(3.9, 1, 0));
        Strand two = strand(0, at(0, 1, 0), at(2, 0, -1), at(3.9, -1, 0));
        Cell twist = new Cell(List.of(one, two), 4, 0);
        Tightened.Held held = (Tightened.Held) Tightener.tighten(twist).<Tightened>fold(h -> h, s -> s, c -> c);
        Cell tight = new Cell(
                List.of(
                        new Strand(held.lines().get(0), 1, 1, 1),
                        new Strand(held.lines().get(1), 1, 1, 0)),
                4,
                0);
        assertThat(Crossings.signed(tight)).isEqualTo(Crossings.signed(twist));
    }
}
