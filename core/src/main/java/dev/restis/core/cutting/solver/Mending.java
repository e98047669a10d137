package dev.restis.core.cutting.solver;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.BooleanSupplier;

/**
 * Betters a plan part by part: some cuttings, wasteful ones among them, are put together anew in the best way there is. A part
 * is small enough to be solved outright.
 */
final class Mending {

    private static final int STRANDS = 72;
    private static final int MOST_CUTTINGS = 800;
    private static final int NODES = 60;
    private static final int IN_VAIN = 40;

    private final GridProblem problem;
    private final Bulk bulk;
    private final long grain;
    private final BooleanSupplier on;

    Mending(GridProblem problem, Bulk bulk, long grain, BooleanSupplier on) {
        this.problem = problem;
        this.bulk = bulk;
        this.grain = grain;
        this.on = on;
    }

    /** A cheaper plan, if one was found in so many tries. */
    Optional<List<Cutting>> of(List<Cutting> plan, long bound, int tries) {
        if (plan.stream().allMatch(c -> bulk.has(c.kind()))) {
            return Optional.empty();
        }
        List<Cutting> now = new ArrayList<>(plan);
        boolean bettered = false;
        int vain = 0;
        Set<Set<Cutting>> tried = new HashSet<>();
        for (int seed = 0; seed < tries && vain < IN_VAIN && cost(now) > bound && on.getAsBoolean(); seed++) {
            List<Cutting> part = part(now, new Random(seed));
            vain++;
            Optional<List<Cutting>> better = tried.add(Set.copyOf(part)) ? again(part, now) : Optional.empty();
            if (better.isPresent()) {
                part.forEach(now::remove);
                now.addAll(better.get());
                bettered = true;
                vain = 0;
            }
        }
        return bettered ? Optional.of(now) : Optional.empty();
    }

    private static long cost(List<Cutting> cuttings) {
        return cuttings.stream().mapToLong(Cutting::cost).sum();
    }

    /** The most wasteful cuttings and some at random, as many as can be solved outright. */
    private List<Cutting> part(List<Cutting> plan, Random random) {
        List<Cutting> left =
                new ArrayList<>(plan.stream().filter(c -> !bulk.has(c.kind())).toList());
        left.sort(Comparator.comparingInt((Cutting c) -> problem.stock(c.kind()).length() - c.used())
                .reversed());
        List<Cutting> part = new ArrayList<>();
        int strands = 0;
        while (!left.isEmpty() && strands < STRANDS) {
            boolean wasteful = strands < STRANDS / 2 && random.nextInt(3) > 0;
            Cutting cutting = left.remove(wasteful ? 0 : random.nextInt(left.size()));
            part.add(cutting);
            for (int i = 0; i < problem.types(); i++) {
                strands += cutting.cuts(i);
            }
        }
        return part;
    }

    private Optional<List<Cutting>> again(List<Cutting> part, List<Cutting> plan) {
        Part sub = new Part(problem, bulk, part, plan);
        long cost = cost(part);
        List<Cutting> known = part.stream().map(sub::within).toList();
        try (Relaxation relaxation = new Relaxation(sub.problem(), sub.bulk(), known)) {
            if (!relaxation.solve(sub.problem().counts(), sub.there())) {
                return Optional.empty();
            }
            long gap = cost - grain - relaxation.bound();
            if (gap < 0) {
                return Optional.empty();
            }
            Enumeration all = new Enumeration(
                    sub.problem(), relaxation.duals(), sub.problem().counts(), MOST_CUTTINGS);
            Set<Cutting> among = new LinkedHashSet<>(relaxation.columns());
            double[] stockDuals = relaxation.stockDuals();
            for (int kind = 0; kind < stockDuals.length; kind++) {
                among.addAll(all.of(kind, stockDuals[kind], gap));
            }
            return Choice.cheapest(sub.problem(), List.copyOf(among), cost - grain + 1, NODES)
                    .map(chosen -> chosen.stream().map(sub::without).toList());
        }
    }
}
