package dev.restis.core.cutting.solver;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/** A part of a plan as a problem of its own: its strands, its stock, and the stock that the rest of the plan leaves alone. */
final class Part {

    private final GridProblem whole;
    private final GridProblem problem;
    /** The types that occur in it. */
    private final int[] types;

    Part(GridProblem whole, Bulk bulk, List<Cutting> part, List<Cutting> plan) {
        this.whole = whole;
        int[] counts = new int[whole.types()];
        int[] there = whole.stock().stream().mapToInt(StockLength::available).toArray();
        plan.forEach(c -> there[c.kind()]--);
        for (Cutting cutting : part) {
            there[cutting.kind()]++;
            for (int i = 0; i < counts.length; i++) {
                counts[i] += cutting.cuts(i);
            }
        }
        types = IntStream.range(0, counts.length).filter(i -> counts[i] > 0).toArray();
        List<StockLength> stock = new ArrayList<>();
        for (int k = 0; k < there.length; k++) {
            StockLength bar = whole.stock(k);
            stock.add(new StockLength(bar.length(), bulk.has(k) ? 0 : there[k], bar.extra()));
        }
        problem = new GridProblem(
                IntStream.of(types).map(whole::length).toArray(),
                IntStream.of(types).map(i -> counts[i]).toArray(),
                stock,
                whole.worth());
    }

    GridProblem problem() {
        return problem;
    }

    /** It has no long stock: what is bulk is left out of it. */
    Bulk bulk() {
        return new Bulk(problem, List.of());
    }

    int[] there() {
        return problem.stock().stream().mapToInt(StockLength::available).toArray();
    }

    /** A cutting of the whole as one of the part. */
    Cutting within(Cutting cutting) {
        return new Cutting(
                problem, cutting.kind(), IntStream.of(types).map(cutting::cuts).toArray());
    }

    /** A cutting of the part as one of the whole. */
    Cutting without(Cutting cutting) {
        int[] cuts = new int[whole.types()];
        for (int i = 0; i < types.length; i++) {
            cuts[types[i]] = cutting.cuts(i);
        }
        return new Cutting(whole, cutting.kind(), cuts);
    }
}
