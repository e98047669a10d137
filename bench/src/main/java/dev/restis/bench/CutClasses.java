package dev.restis.bench;

import dev.restis.core.cutting.solver.GridPlan;
import dev.restis.core.cutting.solver.GridProblem;
import dev.restis.core.cutting.solver.GridSolver;
import dev.restis.core.cutting.solver.RestWorth;
import dev.restis.core.cutting.solver.StockLength;
import java.io.PrintStream;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;

/**
 * Cut plans against their bound and against best fit decreasing: the classic classes, made anew from their published rules,
 * and a workshop of remnants, part-used spools and put-ups to be opened.
 */
final class CutClasses {

    private static final double PRICE = 0.15 / 1000;
    private static final double LEFTOVER = 0.8;
    private static final double HANDLING = 0.01;
    private static final int KEEP = 300;
    private static final GridSolver.Effort FIRST = new GridSolver.Effort(1, 0);
    private static final GridSolver.Effort BETTER = new GridSolver.Effort(8, 10);
    private static final GridSolver.Effort HARD = new GridSolver.Effort(8, 200);
    private static final int SEEDS = 3;

    private final PrintStream out;

    private CutClasses(PrintStream out) {
        this.out = out;
    }

    static void print(PrintStream out) {
        new CutClasses(out).all();
    }

    private void all() {
        out.printf(
                "%n%-30s %10s %10s %10s %9s %9s %8s%n",
                "cut plans", "best fit", "plan", "bound", "gap %", "scrap %", "s");
        solve(uniform(250, 99), HARD);
        for (int n : new int[] {120, 250, 500, 1000}) {
            each("uniform " + n, n, CutClasses::uniform, HARD);
        }
        for (int n : new int[] {60, 120, 249, 501}) {
            each("triplets " + n, n, CutClasses::triplets, HARD);
        }
        for (int n : new int[] {50, 500, 5_000, 20_000}) {
            each("workshop " + n + ", first plan", n, CutClasses::workshop, FIRST);
            each("workshop " + n + ", bettered", n, CutClasses::workshop, BETTER);
        }
        out.println("Each line: the worst gap, scrap and time, and the sum of costs, of " + SEEDS
                + " problems of its class.");
    }

    private interface Maker {
        GridProblem make(int n, int seed);
    }

    private void each(String name, int n, Maker maker, GridSolver.Effort effort) {
        double plain = 0;
        double cost = 0;
        double bound = 0;
        double gap = 0;
        double scrap = 0;
        double seconds = 0;
        for (int seed = 1; seed <= SEEDS; seed++) {
            GridProblem problem = maker.make(n, seed);
            long start = System.nanoTime();
            GridPlan plan = solve(problem, effort);
            seconds = Math.max(seconds, (System.nanoTime() - start) / 1e9);
            plain += money(plan.plain());
            cost += money(plan.cost());
            bound += money(plan.bound());
            gap = Math.max(gap, plan.gap());
            scrap = Math.max(scrap, scrap(problem, plan));
        }
        out.printf(
                Locale.ROOT,
                "%-30s %10.2f %10.2f %10.2f %9.4f %9.4f %8.2f%n",
                name,
                plain,
                cost,
                bound,
                100 * gap,
                100 * scrap,
                seconds);
    }

    private static GridPlan solve(GridProblem problem, GridSolver.Effort effort) {
        return GridSolver.solve(problem, effort, () -> true).orElseThrow();
    }

    private static double money(long units) {
        return (double) units / GridProblem.UNIT;
    }

    /** What is thrown away, as a share of what is cut. */
    private static double scrap(GridProblem problem, GridPlan plan) {
        long thrown = plan.cuttings().stream()
                .mapToLong(c -> problem.stock(c.kind()).length() - c.used())
                .filter(rest -> rest < problem.worth().keep())
                .sum();
        return (double) thrown / problem.demand();
    }

    private static GridProblem of(List<Integer> lengths, List<StockLength> stock, RestWorth worth) {
        Map<Integer, Integer> counts = new TreeMap<>(Comparator.reverseOrder());
        lengths.forEach(l -> counts.merge(l, 1, Integer::sum));
        return new GridProblem(
                counts.keySet().stream().mapToInt(l -> l).toArray(),
                counts.values().stream().mapToInt(c -> c).toArray(),
                stock,
                worth);
    }

    /** Sizes 20 to 100 alike probable, in bins of 150. */
    private static GridProblem uniform(int n, int seed) {
        Random random = new Random(seed);
        List<Integer> sizes = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            sizes.add(20 + random.nextInt(81));
        }
        return of(sizes, List.of(new StockLength(150, n, GridProblem.UNIT)), RestWorth.NOTHING);
    }

    /** Threes that fill a bin of 1000: 380 to 490, 250 to half of the rest, the rest. The best is a third of their number. */
    private static GridProblem triplets(int n, int seed) {
        Random random = new Random(seed);
        List<Integer> sizes = new ArrayList<>();
        for (int i = 0; i < n / 3; i++) {
            int first = 380 + random.nextInt(111);
            int second = 250 + random.nextInt((1000 - first) / 2 - 249);
            sizes.addAll(List.of(first, second, 1000 - first - second));
        }
        return of(sizes, List.of(new StockLength(1000, n, GridProblem.UNIT)), RestWorth.NOTHING);
    }

    /**
     * Strands of 300 to 3495 mm, on 20 to 40 remnants, two part-used spools, and put-ups of three lengths. Strands are cut in steps of
     * 5 mm, so that what they leave of put-ups is in such steps too.
     */
    private static GridProblem workshop(int n, int seed) {
        Random random = new Random(seed);
        int kinds = Math.max(6, Math.min(640, n / 4));
        int[] lengths = random.ints(kinds, 0, 640).map(i -> 300 + 5 * i).toArray();
        List<Integer> strands = new ArrayList<>();
        long total = 0;
        for (int i = 0; i < n; i++) {
            strands.add(lengths[random.nextInt(kinds)]);
            total += strands.get(i);
        }
        RestWorth worth = new RestWorth(
                Math.round(LEFTOVER * PRICE * GridProblem.UNIT), Math.round(HANDLING * GridProblem.UNIT), KEEP);
        Map<Integer, Integer> remnants = new TreeMap<>();
        for (int i = 0; i < 10 + 10 * seed; i++) {
            remnants.merge(300 + 5 * random.nextInt(1540), 1, Integer::sum);
        }
        List<StockLength> stock = new ArrayList<>();
        remnants.forEach((length, count) -> stock.add(new StockLength(length, count, 0)));
        stock.add(new StockLength(9_000 + 5 * random.nextInt(6_000), 1, 0));
        stock.add(new StockLength(20_000 + 5 * random.nextInt(12_000), 1, 0));
        putUp(stock, 25_000, 4.60, total, worth);
        putUp(stock, 50_000, 7.95, total, worth);
        putUp(stock, 100_000, 14.40, total, worth);
        return of(strands, stock, worth);
    }

    private static void putUp(List<StockLength> stock, int length, double price, long total, RestWorth worth) {
        long extra = Math.round(price * GridProblem.UNIT) - worth.of(length);
        stock.add(new StockLength(length, (int) (total / length) + 2, extra));
    }
}
