package dev.restis.core.cutting.solver;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Random;

/**
 * From the relaxed plan to a whole one: cuttings that it takes once or more are taken as often, else those it takes at least
 * half, else the one it takes most; then what is left is relaxed anew. A seed other than 0 strays a little from that.
 */
final class Dive {

    private static final int TRIED = 3;

    private final GridProblem problem;
    private final Relaxation relaxation;
    private final Random random;
    private final boolean straying;
    private final int[] wanted;
    private final int[] there;
    private final List<Cutting> taken = new ArrayList<>();
    private double[] begun = {};

    Dive(GridProblem problem, Relaxation relaxation, int seed) {
        this.problem = problem;
        this.relaxation = relaxation;
        this.random = new Random(seed);
        this.straying = seed > 0;
        this.wanted = problem.counts();
        this.there = problem.stock().stream().mapToInt(StockLength::available).toArray();
    }

    /** The cuttings of short stock; what is left for long stock is {@link #wanted()}. Empty when what is there is not enough. */
    Optional<List<Cutting>> run() {
        while (Arrays.stream(wanted).anyMatch(w -> w > 0)) {
            if (!relaxation.solve(wanted, there)) {
                return Optional.empty();
            }
            begun = relaxation.begun();
            List<Master.Taken> solution = relaxation.taken();
            if (solution.isEmpty()) {
                break;
            }
            if (!takeWhole(solution) && !takeHalves(solution)) {
                take(most(solution).cutting());
            }
        }
        return Optional.of(taken);
    }

    /** How many of each long stock the last solution begins. */
    double[] begun() {
        return begun.clone();
    }

    /** What is left for long stock. */
    int[] wanted() {
        return wanted.clone();
    }

    private boolean takeWhole(List<Master.Taken> solution) {
        boolean any = false;
        for (Master.Taken t : solution) {
            for (int times = (int) Math.floor(t.times() + 1e-6); times > 0; times--) {
                any |= take(t.cutting());
            }
        }
        return any;
    }

    private boolean takeHalves(List<Master.Taken> solution) {
        double enough = straying ? 0.5 + 0.45 * random.nextDouble() : 0.5;
        boolean any = false;
        for (Master.Taken t : falling(solution)) {
            if (t.times() >= enough && t.cutting().within(wanted)) {
                any |= take(t.cutting());
            }
        }
        return any;
    }

    private Master.Taken most(List<Master.Taken> solution) {
        List<Master.Taken> falling = falling(solution);
        return falling.get(straying ? random.nextInt(Math.min(TRIED, falling.size())) : 0);
    }

    private static List<Master.Taken> falling(List<Master.Taken> solution) {
        return solution.stream()
                .sorted(Comparator.comparingDouble(Master.Taken::times)
                        .reversed()
                        .thenComparing(t -> t.cutting().used(), Comparator.reverseOrder()))
                .toList();
    }

    private boolean take(Cutting cutting) {
        Cutting trimmed = cutting.trimmed(problem, wanted);
        if (there[trimmed.kind()] == 0 || trimmed.used() == 0) {
            return false;
        }
        trimmed.takeFrom(wanted);
        there[trimmed.kind()]--;
        taken.add(trimmed);
        return true;
    }

    /** What is left of the stock. */
    int[] there() {
        return there.clone();
    }
}
