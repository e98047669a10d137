package dev.restis.core.batch.search;

import dev.restis.core.batch.PlanWork;
import java.util.Arrays;
import java.util.stream.IntStream;

/**
 * What any plan must spend on set-ups at least. By the triangle inequality it costs no less than a cover of all that must lie on a
 * bench once by paths that begin with what lies there already, and that no less than the least arborescence from a root that stands for
 * all benches (Chu and Liu 1965; Edmonds 1967). Prices on what is left more than once, as no path does, raise it (Held and Karp 1971).
 * It knows no dates.
 */
public final class SetUpBound {

    private static final int STEPS = 60;
    private static final double EPSILON = 1e-7;

    private final double[][] cost;
    private final int n;

    private SetUpBound(double[][] cost) {
        this.cost = cost;
        this.n = cost.length;
    }

    /** With more benches than that the quick bound must do: the arborescence takes their number cubed. */
    private static final int MOST = 400;

    /** Seconds; 0 when there is nothing to plan. */
    public static long of(PlanWork work) {
        double[][] cost = costs(work);
        return rounded(cost.length > MOST ? entries(cost) : new SetUpBound(cost).raised());
    }

    /** The same without the arborescence, and no greater: each bench is entered at least once. */
    public static long quick(PlanWork work) {
        return rounded(entries(costs(work)));
    }

    private static long rounded(double seconds) {
        return (long) Math.ceil(seconds - EPSILON);
    }

    private static double entries(double[][] cost) {
        double all = 0;
        for (int b = 1; b < cost.length; b++) {
            double least = Double.POSITIVE_INFINITY;
            for (int a = 0; a < cost.length; a++) {
                least = a == b ? least : Math.min(least, cost[a][b]);
            }
            all += least;
        }
        return all;
    }

    private static double[][] costs(PlanWork work) {
        Model model = new Model(work);
        int[] benches = Arrays.stream(model.bench).distinct().sorted().toArray();
        double[][] cost = new double[benches.length + 1][benches.length + 1];
        for (int b = 1; b <= benches.length; b++) {
            int to = benches[b - 1];
            cost[0][b] = IntStream.concat(
                            Arrays.stream(model.first),
                            Arrays.stream(model.pinned)
                                    .flatMapToInt(Arrays::stream)
                                    .filter(p -> p > 0))
                    .map(lies -> model.setUp[lies][to])
                    .min()
                    .orElse(model.setUp[Model.NOTHING][to]);
            for (int a = 1; a <= benches.length; a++) {
                cost[a][b] = model.setUp[benches[a - 1]][to];
            }
        }
        return cost;
    }

    private double raised() {
        double[] price = new double[n];
        double best = 0;
        double step = n > 1 ? plain(price) / n : 0;
        for (int i = 0; i < STEPS && n > 1; i++) {
            double[][] priced = priced(price);
            int[] parent = arborescence(priced);
            double value = 0;
            int[] out = new int[n];
            for (int b = 1; b < n; b++) {
                value += priced[parent[b]][b];
                out[parent[b]]++;
            }
            value -= Arrays.stream(price).sum();
            best = Math.max(best, value);
            boolean paths = true;
            for (int a = 1; a < n; a++) {
                paths &= out[a] <= 1;
                price[a] = Math.max(0, price[a] + step * (out[a] - 1));
            }
            if (paths) {
                break;
            }
            step *= 0.93;
        }
        return best;
    }

    private double plain(double[] price) {
        double[][] priced = priced(price);
        int[] parent = arborescence(priced);
        return IntStream.range(1, n).mapToDouble(b -> priced[parent[b]][b]).sum();
    }

    private double[][] priced(double[] price) {
        double[][] priced = new double[n][n];
        for (int a = 0; a < n; a++) {
            for (int b = 0; b < n; b++) {
                priced[a][b] = a == b || b == 0 ? Double.POSITIVE_INFINITY : cost[a][b] + price[a];
            }
        }
        return priced;
    }

    /** Of each but the root 0 whom it is reached from, so that all together cost least. */
    static int[] arborescence(double[][] cost) {
        int n = cost.length;
        int[] parent = new int[n];
        for (int b = 1; b < n; b++) {
            for (int a = 1; a < n; a++) {
                if (cost[a][b] < cost[parent[b]][b]) {
                    parent[b] = a;
                }
            }
        }
        int[] cycle = cycle(parent);
        if (cycle.length == 0) {
            return parent;
        }
        return opened(cost, parent, cycle);
    }

    /** One of the rings in which nobody is reached from the root; empty when there is none. */
    private static int[] cycle(int[] parent) {
        int n = parent.length;
        int[] seen = new int[n];
        for (int from = 1; from < n; from++) {
            int at = from;
            while (at != 0 && seen[at] == 0) {
                seen[at] = from;
                at = parent[at];
            }
            if (at != 0 && seen[at] == from) {
                int first = at;
                int[] ring = IntStream.iterate(first, i -> parent[i]).limit(n).toArray();
                int length = 1;
                while (ring[length % n] != first) {
                    length++;
                }
                return Arrays.copyOf(ring, length);
            }
        }
        return new int[0];
    }

    /** The ring as one, solved, and opened where it is entered. */
    private static int[] opened(double[][] cost, int[] parent, int[] cycle) {
        int n = cost.length;
        boolean[] inside = new boolean[n];
        for (int c : cycle) {
            inside[c] = true;
        }
        int[] number = new int[n];
        int[] of = new int[n - cycle.length + 1];
        int next = 0;
        for (int v = 0; v < n; v++) {
            if (!inside[v]) {
                number[v] = next;
                of[next++] = v;
            }
        }
        int ring = next;
        double[][] smaller = new double[ring + 1][ring + 1];
        int[] entry = new int[ring + 1];
        int[] exit = new int[ring + 1];
        for (double[] row : smaller) {
            Arrays.fill(row, Double.POSITIVE_INFINITY);
        }
        for (int a = 0; a < n; a++) {
            for (int b = 1; b < n; b++) {
                if (a == b || inside[a] && inside[b]) {
                    continue;
                }
                if (inside[b]) {
                    double entered = cost[a][b] - cost[parent[b]][b];
                    if (entered < smaller[number[a]][ring]) {
                        smaller[number[a]][ring] = entered;
                        entry[number[a]] = b;
                    }
                } else if (inside[a]) {
                    if (cost[a][b] < smaller[ring][number[b]]) {
                        smaller[ring][number[b]] = cost[a][b];
                        exit[number[b]] = a;
                    }
                } else {
                    smaller[number[a]][number[b]] = cost[a][b];
                }
            }
        }
        int[] solved = arborescence(smaller);
        int[] all = parent.clone();
        for (int b = 1; b < ring; b++) {
            all[of[b]] = solved[b] == ring ? exit[b] : of[solved[b]];
        }
        all[entry[solved[ring]]] = of[solved[ring]];
        return all;
    }
}
