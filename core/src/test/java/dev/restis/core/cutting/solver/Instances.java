package dev.restis.core.cutting.solver;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;

/** Problems made anew from the published rules of the classic generators, and small ones with leftovers. */
final class Instances {

    private Instances() {}

    static GridProblem of(List<Integer> lengths, List<StockLength> stock, RestWorth worth) {
        Map<Integer, Integer> counts = new TreeMap<>(Comparator.reverseOrder());
        lengths.forEach(l -> counts.merge(l, 1, Integer::sum));
        return new GridProblem(
                counts.keySet().stream().mapToInt(l -> l).toArray(),
                counts.values().stream().mapToInt(c -> c).toArray(),
                stock,
                worth);
    }

    /** As many bins of one capacity as anybody wants, each at one unit of money. */
    private static GridProblem bins(List<Integer> lengths, int capacity) {
        return of(lengths, List.of(new StockLength(capacity, lengths.size(), GridProblem.UNIT)), RestWorth.NOTHING);
    }

    /** Sizes 20 to 100, all alike probable, in bins of 150. */
    static GridProblem uniform(int n, Random random) {
        List<Integer> sizes = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            sizes.add(20 + random.nextInt(81));
        }
        return bins(sizes, 150);
    }

    /** Threes that fill a bin of 1000 each: 380 to 490, then 250 to half of what is left, then the rest; the best is n / 3. */
    static GridProblem triplets(int n, Random random) {
        List<Integer> sizes = new ArrayList<>();
        for (int i = 0; i < n / 3; i++) {
            int first = 380 + random.nextInt(111);
            int second = 250 + random.nextInt((1000 - first) / 2 - 249);
            sizes.addAll(List.of(first, second, 1000 - first - second));
        }
        return bins(sizes, 1000);
    }

    /** A few strands, remnants and a sealed spool, small enough for other ways to find the best. */
    static GridProblem tiny(int n, Random random) {
        List<Integer> sizes = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            sizes.add(30 + random.nextInt(90));
        }
        long perStep = 1_000_000;
        RestWorth worth = new RestWorth(perStep, perStep * random.nextInt(12), 40);
        List<StockLength> stock = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            stock.add(new StockLength(
                    60 + 20 * i + random.nextInt(20), 1 + random.nextInt(2), random.nextInt(3) * perStep));
        }
        stock.add(new StockLength(240, n, perStep * 60));
        return of(sizes, stock, worth);
    }
}
