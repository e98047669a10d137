package dev.restis.core.cutting.solver;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Lays strands out where many are left to choose from. Stock that is begun anyway comes first, the shortest first, and each
 * is cut so that most is gained on what the strands would cost elsewhere: as a rule, used up to the last step. The longest
 * strands come first until little is left; that is chosen exactly.
 */
final class BulkFill {

    /** The last stretch of a spool is chosen exactly: so many of the longest strands fit into it. */
    private static final int EXACT = 3;
    /** Of each type so many are tried in the exact choice, and so many types: more would only take longer. */
    private static final int OF_A_TYPE = 4;

    private static final int TYPES = 48;
    /** In a short stretch few strands meet, and it takes the right ones to use it up: the shorter it is, the more types are tried. */
    private static final int TYPES_BY_LENGTH = 300_000;

    private final GridProblem problem;
    private final int[] wanted;
    private final double perStep;

    /** @param perStep what a step costs elsewhere, in cost units */
    BulkFill(GridProblem problem, int[] wanted, double perStep) {
        this.problem = problem;
        this.wanted = wanted.clone();
        this.perStep = perStep;
    }

    /** Strands that are still to be laid out. */
    int[] wanted() {
        return wanted.clone();
    }

    /** Cuts anew what leaves scrap, choosing from all that is to be laid out; what becomes no better stays. */
    List<Cutting> anew(List<Cutting> cuttings) {
        List<Cutting> all = new ArrayList<>();
        for (Cutting cutting : cuttings) {
            int rest = problem.stock(cutting.kind()).length() - cutting.used();
            Cutting kept = rest > 0 && rest < problem.worth().keep() ? better(cutting) : cutting;
            all.add(kept);
        }
        return all;
    }

    private Cutting better(Cutting cutting) {
        for (int i = 0; i < wanted.length; i++) {
            wanted[i] += cutting.cuts(i);
        }
        Cutting other = fill(cutting.kind());
        Cutting best = gain(other) > gain(cutting) ? other : cutting;
        best.takeFrom(wanted);
        return best;
    }

    private double gain(Cutting cutting) {
        return perStep * cutting.used() - cutting.cost();
    }

    /** Empty when it does not fit. */
    Optional<List<Cutting>> on(List<Integer> kinds, int[] there) {
        List<Cutting> filled = new ArrayList<>();
        List<Integer> order = kinds.stream()
                .sorted(Comparator.comparingLong((Integer k) -> problem.stock(k).extra())
                        .thenComparing(k -> problem.stock(k).length()))
                .toList();
        for (int kind : order) {
            for (int n = there[kind]; n > 0 && left() > 0; n--) {
                Cutting cutting =
                        left() <= problem.stock(kind).length() ? new Cutting(problem, kind, wanted) : fill(kind);
                if (cutting.used() > 0) {
                    cutting.takeFrom(wanted);
                    filled.add(cutting);
                }
            }
        }
        return left() == 0 ? Optional.of(filled) : Optional.empty();
    }

    private long left() {
        long sum = 0;
        for (int i = 0; i < wanted.length; i++) {
            sum += (long) wanted[i] * problem.length(i);
        }
        return sum;
    }

    private Cutting fill(int kind) {
        int[] cuts = new int[wanted.length];
        int[] rest = wanted.clone();
        int free = problem.stock(kind).length();
        int longest = longest(rest);
        for (int i = 0; i < rest.length; i++) {
            while (rest[i] > 0 && free - problem.length(i) >= EXACT * longest) {
                rest[i]--;
                cuts[i]++;
                free -= problem.length(i);
            }
        }
        int[] chosen = chosen(kind, rest, free);
        for (int i = 0; i < cuts.length; i++) {
            cuts[i] += chosen[i];
        }
        return new Cutting(problem, kind, cuts);
    }

    private int[] chosen(int kind, int[] rest, int free) {
        Knapsack last = new Knapsack(problem.lengths(), free);
        last.solve(
                Arrays.stream(problem.lengths()).asLongStream().toArray(),
                few(rest, Math.max(TYPES, TYPES_BY_LENGTH / Math.max(1, free))));
        int taken = problem.stock(kind).length() - free;
        int best = 0;
        double most = taken == 0 ? 0 : Double.NEGATIVE_INFINITY;
        for (int used = free; used >= 0; used--) {
            if (last.reaches(used) && taken + used > 0) {
                double gain = perStep * (taken + used) - problem.cost(kind, taken + used);
                if (gain > most) {
                    most = gain;
                    best = used;
                }
            }
        }
        return last.cuts(best);
    }

    /** Types spread over all that are left, a few of each. */
    private static int[] few(int[] rest, int types) {
        int there = (int) Arrays.stream(rest).filter(r -> r > 0).count();
        int[] few = new int[rest.length];
        int seen = 0;
        for (int i = 0; i < rest.length; i++) {
            if (rest[i] > 0) {
                boolean among = there <= types || (long) seen * types / there != (long) (seen + 1) * types / there;
                few[i] = among ? Math.min(rest[i], OF_A_TYPE) : 0;
                seen++;
            }
        }
        return few;
    }

    private int longest(int[] rest) {
        for (int i = 0; i < rest.length; i++) {
            if (rest[i] > 0) {
                return problem.length(i);
            }
        }
        return 0;
    }
}
