package dev.restis.core.batch.search;

import dev.restis.core.batch.Aims;
import dev.restis.core.batch.Planner.Watch;
import dev.restis.core.batch.WorkPlan;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;

/** Cycles of annealing and of ruin and recreation from one beginning, in several starts, and the best that they met. */
final class Cycles {

    private static final double HOT = 5_000;
    private static final double WARM = 3_000;
    /** For a plan that is only mended. */
    private static final double TEPID = 300;

    private static final double COLD = 20;
    private static final long SEED = 20_261_201;
    private static final int SMALL = 100;
    private static final int MIDDLE = 600;
    /** A handful is tried through sooner. */
    private static final int MOVES_EACH = 3_000;

    private static final int PLACES_EACH = 1_500;
    private static final int ASKED_EVERY = 4_096;
    private static final int MENDING_MOVES = 100_000;
    private static final int MENDING_PLACES = 40_000;

    /**
     * How much is tried.
     *
     * @param starts how often it begins anew
     * @param cycles in each
     * @param moves of annealing in a cycle
     * @param places tried by recreation in a cycle
     * @param hot how far the first cycle may leave its beginning, seconds
     */
    record Budget(int starts, int cycles, int moves, int places, double hot) {
        static Budget of(int parcels, double effort) {
            Budget usual = parcels <= SMALL
                    ? new Budget(4, 4, 100_000, 40_000, HOT)
                    : parcels <= MIDDLE ? new Budget(2, 6, 400_000, 65_000, WARM) : new Budget(1, 2, 350_000, 0, HOT);
            // More effort is more cycles: the first of them are those of less.
            return new Budget(
                    usual.starts,
                    Math.max(1, (int) Math.round(usual.cycles * effort)),
                    Math.min(usual.moves, MOVES_EACH * parcels),
                    Math.min(usual.places, PLACES_EACH * parcels),
                    usual.hot);
        }

        /** Two short cycles that stay near, begun twice. */
        static Budget mending(int parcels) {
            return new Budget(
                    2,
                    2,
                    Math.min(MENDING_MOVES, MOVES_EACH * parcels),
                    parcels > MIDDLE ? 0 : Math.min(MENDING_PLACES, PLACES_EACH * parcels),
                    TEPID);
        }
    }

    private final Model model;
    private final List<List<Integer>> begin;
    private final Watch watch;
    private final Object telling = new Object();
    private int[][] best;
    private Aims bestAims;
    /** Of whom the best is: of two that are equal the first counts, so that the same work gives the same plan. */
    private int bestStart = -1;

    private int cyclesThrough;
    private volatile boolean goesOn;

    Cycles(Model model, Sequences now, List<List<Integer>> begin, Watch watch) {
        this.model = model;
        this.begin = begin;
        this.watch = watch;
        now.set(begin);
        this.best = now.lines();
        this.bestAims = now.aims();
        this.goesOn = watch.better(now.plan());
    }

    /** The starts go side by side: none knows of another. */
    WorkPlan run(Budget budget) {
        if (model.parcels > 1 && goesOn) {
            IntStream.range(0, budget.starts()).parallel().forEach(start -> new Start(start).run(budget));
        }
        Sequences end = new Sequences(model);
        end.set(best);
        return end.plan();
    }

    /** One search; its cycles follow from one another alone, so that more of them are never worse. */
    private final class Start {
        private final int number;
        private final Sequences now = new Sequences(model);
        private int[][] own;
        private Aims ownAims;

        Start(int number) {
            this.number = number;
            now.set(begin);
            this.own = now.lines();
            this.ownAims = now.aims();
        }

        void run(Budget budget) {
            SplittableRandom random = new SplittableRandom(SEED + number);
            Annealing annealing = new Annealing(now, random);
            Recreate recreate = new Recreate(now, random);
            for (int cycle = 0; cycle < budget.cycles() && goesOn; cycle++) {
                now.set(own);
                if (cycle % 2 == 0 || budget.places() == 0) {
                    anneal(annealing, cycle == 0 ? budget.hot() : Math.min(WARM, budget.hot()), budget.moves());
                } else {
                    recreate(recreate, budget.places());
                }
                tell(budget.starts() * budget.cycles());
            }
        }

        private void tell(int cycles) {
            synchronized (telling) {
                int better = ownAims.compareTo(bestAims);
                if (better < 0 || better == 0 && number < bestStart) {
                    best = own;
                    bestAims = ownAims;
                    bestStart = number;
                    if (better < 0) {
                        now.set(best);
                        goesOn &= watch.better(now.plan());
                    }
                }
                watch.progress(++cyclesThrough, cycles);
            }
        }

        private boolean goesOn() {
            synchronized (telling) {
                goesOn &= watch.goesOn();
                return goesOn;
            }
        }

        private void anneal(Annealing annealing, double hot, int moves) {
            double cooling = StrictMath.pow(COLD / hot, 1.0 / moves);
            double temperature = hot;
            for (int i = 0; i < moves && (i % ASKED_EVERY != 0 || goesOn()); i++) {
                if (annealing.step(temperature)) {
                    keep();
                }
                temperature *= cooling;
            }
        }

        private void recreate(Recreate recreate, int places) {
            int tried = 0;
            while (tried < places && goesOn()) {
                int[][] lines = now.lines();
                long value = Sequences.value(now.aims());
                tried += Math.max(1, recreate.step());
                keep();
                if (Sequences.value(now.aims()) > value) {
                    now.set(lines);
                }
            }
        }

        private void keep() {
            Aims aims = now.aims();
            if (aims.compareTo(ownAims) < 0) {
                ownAims = aims;
                own = now.lines();
            }
        }
    }
}
