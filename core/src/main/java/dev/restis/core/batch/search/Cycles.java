package dev.restis.core.batch.search;

import dev.restis.core.batch.Aims;
import dev.restis.core.batch.Planner.Watch;
import dev.restis.core.batch.WorkPlan;
import java.util.List;
import java.util.SplittableRandom;

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
    private static final int MENDING_MOVES = 60_000;
    private static final int MENDING_PLACES = 20_000;

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
                    : parcels <= MIDDLE ? new Budget(2, 4, 400_000, 65_000, HOT) : new Budget(1, 2, 350_000, 0, HOT);
            // More effort is more cycles: the first of them are those of less.
            return new Budget(
                    usual.starts,
                    Math.max(1, (int) Math.round(usual.cycles * effort)),
                    Math.min(usual.moves, MOVES_EACH * parcels),
                    Math.min(usual.places, PLACES_EACH * parcels),
                    HOT);
        }

        /** One short cycle that stays near. */
        static Budget mending(int parcels) {
            return new Budget(
                    1,
                    2,
                    Math.min(MENDING_MOVES, MOVES_EACH * parcels),
                    parcels > MIDDLE ? 0 : Math.min(MENDING_PLACES, PLACES_EACH * parcels),
                    TEPID);
        }
    }

    private final Model model;
    private final Sequences now;
    private final List<List<Integer>> begin;
    private final Watch watch;
    private int[][] best;
    private Aims bestAims;
    /** Of the start that goes on: its cycles follow from one another alone, so that more of them are never worse. */
    private int[][] own;

    private Aims ownAims;
    private boolean goesOn;

    Cycles(Model model, Sequences now, List<List<Integer>> begin, Watch watch) {
        this.model = model;
        this.now = now;
        this.begin = begin;
        this.watch = watch;
        now.set(begin);
        this.best = now.lines();
        this.bestAims = now.aims();
        this.own = best;
        this.ownAims = bestAims;
        this.goesOn = watch.better(now.plan());
    }

    WorkPlan run(Budget budget) {
        for (int start = 0; model.parcels > 1 && start < budget.starts() && goesOn; start++) {
            SplittableRandom random = new SplittableRandom(SEED + start);
            now.set(begin);
            own = now.lines();
            ownAims = now.aims();
            Annealing annealing = new Annealing(now, random);
            Recreate recreate = new Recreate(now, random);
            for (int cycle = 0; cycle < budget.cycles() && goesOn; cycle++) {
                now.set(own);
                if (cycle % 2 == 0 || budget.places() == 0) {
                    anneal(annealing, cycle == 0 ? budget.hot() : Math.min(WARM, budget.hot()), budget.moves());
                } else {
                    recreate(recreate, budget.places());
                }
                tell();
                watch.progress(start * budget.cycles() + cycle + 1, budget.starts() * budget.cycles());
            }
        }
        now.set(best);
        return now.plan();
    }

    private void tell() {
        if (ownAims.compareTo(bestAims) < 0) {
            best = own;
            bestAims = ownAims;
            now.set(best);
            goesOn = watch.better(now.plan());
        }
    }

    private void anneal(Annealing annealing, double hot, int moves) {
        double cooling = StrictMath.pow(COLD / hot, 1.0 / moves);
        double temperature = hot;
        for (int i = 0; i < moves && goesOn; i++) {
            if (i % ASKED_EVERY == 0) {
                goesOn = watch.goesOn();
            }
            if (annealing.step(temperature)) {
                keep();
            }
            temperature *= cooling;
        }
    }

    private void recreate(Recreate recreate, int places) {
        int tried = 0;
        while (tried < places && goesOn) {
            goesOn = watch.goesOn();
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
