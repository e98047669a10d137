package dev.restis.core.tight;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.restis.core.tight.Cell.Strand;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Held against published lengths of ideal knots, in diameters. */
class TightenerTest {

    private static List<Double> lengths(Cell cell) {
        return Tightener.tighten(cell)
                .fold(
                        Tightened.Held::lengths,
                        s -> {
                            throw new AssertionError("slipped: " + s);
                        },
                        c -> {
                            throw new AssertionError("crossed: " + c);
                        });
    }

    private static Strand closed(int next, int points, java.util.function.DoubleFunction<double[]> at) {
        List<double[]> line = new ArrayList<>();
        for (int i = 0; i < points; i++) {
            line.add(at.apply(2 * Math.PI * i / points));
        }
        return new Strand(line, 1, 1, next);
    }

    /** Published: 16.37. */
    @Test
    void theClosedTrefoil() {
        Strand trefoil = closed(0, 90, t -> new double[] {
            1.3 * (Math.sin(t) + 2 * Math.sin(2 * t)), 1.3 * (Math.cos(t) - 2 * Math.cos(2 * t)), -1.3 * Math.sin(3 * t)
        });
        assertThat(lengths(new Cell(List.of(trefoil), 0, 0)).get(0)).isCloseTo(16.37, within(0.2));
    }

    /** Two circles of radius 1 through each other's middle: 2 * 2 pi. */
    @Test
    void theHopfLink() {
        Strand a = closed(0, 60, t -> new double[] {1.4 * Math.cos(t), 1.4 * Math.sin(t), 0});
        Strand b = closed(1, 60, t -> new double[] {1.4 + 1.4 * Math.cos(t), 0, 1.4 * Math.sin(t)});
        List<Double> both = lengths(new Cell(List.of(a, b), 0, 0));
        assertThat(both.get(0) + both.get(1)).isCloseTo(4 * Math.PI, within(0.1));
    }

    /** Published: an open overhand takes 10.1 diameters more than the distance of its ends. */
    @Test
    void theOpenOverhand() {
        List<double[]> line = new ArrayList<>();
        for (double x : new double[] {-9, -7, -5}) {
            line.add(new double[] {x, 0, 0});
        }
        for (int i = 0; i <= 60; i++) {
            double t = -2.2 + 4.4 * i / 60;
            line.add(new double[] {
                1.1 * (t * t * t - 3 * t),
                1.1 * (t * t * t * t - 4 * t * t) * 0.6 + 1.2,
                1.1 * (t * t * t * t * t / 5 - 2 * t)
            });
        }
        for (double x : new double[] {5, 7}) {
            line.add(new double[] {x, 0, 0});
        }
        Cell cell = new Cell(List.of(new Strand(line, 1, 1, 0)), 18, 0);
        assertThat(lengths(cell).get(0) - 18).isCloseTo(10.1, within(0.2));
    }

    @Test
    void aPathThatTiesNothingSlipsApart() {
        List<double[]> bow = List.of(
                new double[] {0, 0, 0}, new double[] {1, 2, 0.5}, new double[] {2, 2, -0.5}, new double[] {3, 0, 0});
        Tightened tightened = Tightener.tighten(new Cell(List.of(new Strand(bow, 1, 1, 0)), 4, 0));
        assertThat(tightened).isEqualTo(new Tightened.Slipped(0));
    }
}
