package dev.restis.core.cutting.solver;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Best fit decreasing: the longest strand first, each on the begun stock length with the least room for it; when none has
 * room, on the cheapest that has. What every plan is compared with.
 */
final class BestFit {

    private BestFit() {}

    private static final class Open {
        private final int kind;
        private final int[] cuts;
        private int free;

        Open(int kind, int free, int types) {
            this.kind = kind;
            this.free = free;
            this.cuts = new int[types];
        }
    }

    /** Empty when not all fit. */
    static Optional<List<Cutting>> of(GridProblem problem) {
        int[] there = problem.stock().stream().mapToInt(StockLength::available).toArray();
        List<Open> open = new ArrayList<>();
        for (int type = 0; type < problem.types(); type++) {
            for (int n = 0; n < problem.count(type); n++) {
                Open best = best(open, problem.length(type));
                if (best == null) {
                    int kind = cheapest(problem, there, problem.length(type));
                    if (kind < 0) {
                        return Optional.empty();
                    }
                    there[kind]--;
                    best = new Open(kind, problem.stock(kind).length(), problem.types());
                    open.add(best);
                }
                best.cuts[type]++;
                best.free -= problem.length(type);
            }
        }
        return Optional.of(
                open.stream().map(o -> new Cutting(problem, o.kind, o.cuts)).toList());
    }

    private static @Nullable Open best(List<Open> open, int length) {
        Open best = null;
        for (Open o : open) {
            if (o.free >= length && (best == null || o.free < best.free)) {
                best = o;
            }
        }
        return best;
    }

    private static int cheapest(GridProblem problem, int[] there, int length) {
        int cheapest = -1;
        for (int k = 0; k < there.length; k++) {
            StockLength bar = problem.stock(k);
            if (there[k] > 0
                    && bar.length() >= length
                    && (cheapest < 0 || dearness(bar) < dearness(problem.stock(cheapest)))) {
                cheapest = k;
            }
        }
        return cheapest;
    }

    /** What beginning it costs for its length; among equals the shortest, so that remnants go first. */
    private static double dearness(StockLength bar) {
        return (double) bar.extra() / bar.length() + bar.length() * 1e-6;
    }
}
