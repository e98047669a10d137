package dev.restis.core.cutting.solver;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;

/**
 * The way to a plan: best fit decreasing, the relaxed plan with its bound, dives from it, and mending of what they leave.
 * The same problem and effort give the same plan, unless {@code on} stops it.
 */
public final class GridSolver {

    /** Stock is bulk when it is longer than this, and than so many of the longest strands. */
    private static final int BULK = 8_000;

    private static final int BULK_STRANDS = 4;
    private static final int MANY = 1_500;
    private static final int MOST_NODES = 24;
    /** A plan so near the bound is not bettered any more. */
    private static final double CLOSE = 5e-5;

    /**
     * How hard to try.
     *
     * @param dives from the relaxed plan
     * @param mendings of parts of the plan
     */
    public record Effort(int dives, int mendings) {}

    private final GridProblem problem;
    private final Effort effort;
    private final BooleanSupplier on;
    private final Bulk bulk;
    private final long grain;
    private List<Cutting> best = List.of();
    private long cost = Long.MAX_VALUE;
    private long bound;
    private double perStep;

    private GridSolver(GridProblem problem, Effort effort, BooleanSupplier on) {
        this.problem = problem;
        this.effort = effort;
        this.on = on;
        this.bulk = new Bulk(
                problem,
                IntStream.range(0, problem.stock().size())
                        .filter(k -> isBulk(problem, problem.stock(k).length()))
                        .boxed()
                        .toList());
        boolean whole = problem.worth().perStep() == 0
                && problem.stock().stream().allMatch(s -> s.extra() % GridProblem.UNIT == 0);
        this.grain = whole ? GridProblem.UNIT : 1;
    }

    /** Where there are very many strands, every stock length can be used up by some of them: the shortest is bulk too. */
    private static boolean isBulk(GridProblem problem, int length) {
        boolean leftovers = problem.worth() != RestWorth.NOTHING;
        return leftovers && (problem.strands() >= MANY || length > BULK && length > BULK_STRANDS * problem.length(0));
    }

    /** Empty when what is there is not enough for all. */
    public static Optional<GridPlan> solve(GridProblem problem, Effort effort, BooleanSupplier on) {
        return new GridSolver(problem, effort, on).run();
    }

    /** What no plan costs less than, in cost units; 0 when nothing better is known. */
    public static long bound(GridProblem problem) {
        GridSolver solver = new GridSolver(problem, new Effort(0, 0), () -> true);
        if (!NativeSolver.there()) {
            return 0;
        }
        try (Relaxation relaxation = new Relaxation(problem, solver.bulk, List.of())) {
            solver.branch(relaxation);
        }
        return Math.max(0, solver.bound);
    }

    private Optional<GridPlan> run() {
        Optional<List<Cutting>> plain = BestFit.of(problem);
        plain.ifPresent(this::keep);
        long plainCost = cost;
        if (!NativeSolver.there()) {
            return plain.map(p -> new GridPlan(p, plainCost, 0, plainCost));
        }
        List<Cutting> known = plain.orElse(List.of()).stream()
                .filter(c -> !bulk.has(c.kind()))
                .toList();
        try (Relaxation relaxation = new Relaxation(problem, bulk, known)) {
            branch(relaxation);
        }
        if (!best.isEmpty() && far(bound)) {
            new Mending(problem, bulk, grain, on)
                    .of(best, bound, effort.mendings())
                    .ifPresent(this::keep);
        }
        return best.isEmpty()
                ? Optional.empty()
                : Optional.of(new GridPlan(best, cost, Math.min(bound, cost), plainCost));
    }

    private boolean far(long least) {
        return cost > least && (grain > 1 || cost - least > CLOSE * least);
    }

    private void keep(List<Cutting> cuttings) {
        long sum = cuttings.stream().mapToLong(Cutting::cost).sum();
        if (sum < cost) {
            best = cuttings;
            cost = sum;
        }
    }

    private record Node(Begun begun, long bound) {}

    /** Branches on how many of the long stock are begun; the bound of all is the least over what is still open or done. */
    private void branch(Relaxation relaxation) {
        List<Node> open = new ArrayList<>(List.of(new Node(Begun.any(problem, bulk.kinds()), 0)));
        long done = Long.MAX_VALUE;
        int[] there = there();
        for (int nodes = 0; !open.isEmpty() && nodes < MOST_NODES; nodes++) {
            Node node = open.remove(open.size() - 1);
            relaxation.fix(node.begun());
            if (!relaxation.solve(problem.counts(), there)) {
                continue;
            }
            long least = rounded(Math.max(node.bound(), relaxation.bound()));
            if (least >= cost) {
                done = Math.min(done, least);
                continue;
            }
            perStep = relaxation.bulkPrice();
            double[] begun = relaxation.begun();
            int split = fractional(begun);
            if (split < 0) {
                dive(relaxation, least);
                done = Math.min(done, least);
            } else {
                int whole = (int) Math.floor(begun[split]);
                open.add(new Node(node.begun().atMost(split, whole), least));
                open.add(new Node(node.begun().atLeast(split, whole + 1), least));
            }
        }
        bound = Math.min(done, open.stream().mapToLong(Node::bound).min().orElse(Long.MAX_VALUE));
        if (bound == Long.MAX_VALUE) {
            bound = 0;
        }
    }

    private int fractional(double[] begun) {
        for (int i = 0; i < begun.length; i++) {
            boolean costs = problem.stock(bulk.kinds().get(i)).extra() > 0;
            if (costs && Math.abs(begun[i] - Math.rint(begun[i])) > 1e-6) {
                return i;
            }
        }
        return -1;
    }

    private void dive(Relaxation relaxation, long least) {
        for (int seed = 0; seed < effort.dives() && far(least) && on.getAsBoolean(); seed++) {
            Dive dive = new Dive(problem, relaxation, seed);
            dive.run().flatMap(cut -> withBulk(cut, dive)).ifPresent(this::keep);
        }
    }

    private Optional<List<Cutting>> withBulk(List<Cutting> cut, Dive dive) {
        BulkFill fill = new BulkFill(problem, dive.wanted(), perStep);
        List<Cutting> anew = fill.anew(cut);
        if (Arrays.stream(fill.wanted()).allMatch(w -> w == 0)) {
            return Optional.of(anew);
        }
        return layOut(dive, fill.wanted()).map(filled -> {
            List<Cutting> all = new ArrayList<>(anew);
            all.addAll(filled);
            return all;
        });
    }

    /** On what the relaxed plan begins; where strands do not fit as closely as it thinks, one more is begun, the cheapest first. */
    private Optional<List<Cutting>> layOut(Dive dive, int[] wanted) {
        int[] there = dive.there();
        List<Integer> costly = new ArrayList<>();
        double[] begun = dive.begun();
        for (int i = 0; i < begun.length; i++) {
            int kind = bulk.kinds().get(i);
            if (problem.stock(kind).extra() > 0) {
                there[kind] = (int) Math.rint(begun[i]);
                costly.add(kind);
            }
        }
        Optional<List<Cutting>> filled = new BulkFill(problem, wanted, perStep).on(bulk.kinds(), there);
        costly.sort(Comparator.comparingLong(k -> problem.stock(k).extra()));
        for (int i = 0; i < costly.size() && filled.isEmpty(); i++) {
            int kind = costly.get(i);
            if (there[kind] < problem.stock(kind).available()) {
                there[kind]++;
                filled = new BulkFill(problem, wanted, perStep).on(bulk.kinds(), there);
                there[kind]--;
            }
        }
        return filled;
    }

    private long rounded(long least) {
        return Math.floorDiv(least - 1, grain) * grain + grain;
    }

    private int[] there() {
        return problem.stock().stream().mapToInt(StockLength::available).toArray();
    }
}
