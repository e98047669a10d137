package dev.restis.core.batch.search;

import dev.restis.core.batch.Aims;
import dev.restis.core.batch.PlanWork;
import dev.restis.core.batch.Planner;
import dev.restis.core.batch.WorkPlan;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;

/**
 * Begins with the best of twelve dispatches and three hand rules, and goes on in cycles of annealing and of ruin and recreation, the
 * first of them hot; each cycle ends with a plan that could be published. Counts and seeds decide, no clock: the same work and effort
 * give the same plan, unless whoever watches stops it.
 */
public final class SearchPlanner implements Planner {

    private static final double HOT = 5_000;
    private static final double WARM = 3_000;
    private static final double COLD = 20;
    private static final long SEED = 20_261_201;
    private static final int SMALL = 100;
    private static final int MIDDLE = 600;
    /** A handful is tried through sooner. */
    private static final int MOVES_EACH = 3_000;

    private static final int PLACES_EACH = 1_500;

    /**
     * How much is tried.
     *
     * @param starts how often it begins anew
     * @param cycles in each
     * @param moves of annealing in a cycle
     * @param places tried by recreation in a cycle
     */
    private record Budget(int starts, int cycles, int moves, int places) {
        static Budget of(int parcels, double effort) {
            Budget usual = parcels <= SMALL
                    ? new Budget(4, 4, 100_000, 40_000)
                    : parcels <= MIDDLE ? new Budget(2, 4, 400_000, 65_000) : new Budget(1, 2, 350_000, 0);
            // More effort is more cycles: the first of them are those of less.
            return new Budget(
                    usual.starts,
                    Math.max(1, (int) Math.round(usual.cycles * effort)),
                    Math.min(usual.moves, MOVES_EACH * parcels),
                    Math.min(usual.places, PLACES_EACH * parcels));
        }
    }

    /** The plan that a hand rule makes. */
    public static WorkPlan dueDateFirst(PlanWork work) {
        return ruled(work, Dispatch.Rule.DUE_DATE);
    }

    /** All of one set-up together. */
    public static WorkPlan coloursTogether(PlanWork work) {
        return ruled(work, Dispatch.Rule.COLOURS);
    }

    /** All of one set-up together in each week. */
    public static WorkPlan coloursByWeek(PlanWork work) {
        return ruled(work, Dispatch.Rule.COLOURS_BY_WEEK);
    }

    private static WorkPlan ruled(PlanWork work, Dispatch.Rule rule) {
        Model model = new Model(work);
        Sequences now = new Sequences(model);
        now.set(new Dispatch(model).by(rule));
        return now.plan();
    }

    /** Without any search: the best of all first plans. */
    public static WorkPlan first(PlanWork work) {
        Model model = new Model(work);
        Sequences now = new Sequences(model);
        now.set(best(model, now));
        return now.plan();
    }

    /** What sequences that somebody made up are worth; nothing when one stands at a maker who does not tie it. */
    public static Optional<Aims> worth(PlanWork work, List<List<Integer>> lines) {
        Model model = new Model(work);
        for (int m = 0; m < lines.size(); m++) {
            for (int parcel : lines.get(m)) {
                if (!model.ties(m, parcel)) {
                    return Optional.empty();
                }
            }
        }
        Sequences now = new Sequences(model);
        now.set(lines);
        return Optional.of(now.aims());
    }

    private static List<List<Integer>> best(Model model, Sequences now) {
        Dispatch dispatch = new Dispatch(model);
        List<List<List<Integer>>> all = new ArrayList<>(dispatch.dispatched());
        for (Dispatch.Rule rule : Dispatch.Rule.values()) {
            all.add(dispatch.by(rule));
        }
        List<List<Integer>> best = all.get(0);
        now.set(best);
        Aims bestAims = now.aims();
        for (List<List<Integer>> lines : all) {
            now.set(lines);
            if (now.aims().compareTo(bestAims) < 0) {
                bestAims = now.aims();
                best = lines;
            }
        }
        return best;
    }

    @Override
    public WorkPlan plan(PlanWork work, double effort, Watch watch) {
        Model model = new Model(work);
        Sequences now = new Sequences(model);
        List<List<Integer>> begin = best(model, now);
        Search search = new Search(model, now, begin, watch);
        if (model.parcels > 1) {
            search.run(Budget.of(model.parcels, effort));
        }
        return search.best();
    }

    /** Several searches and the best that they met. */
    private static final class Search {
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

        Search(Model model, Sequences now, List<List<Integer>> begin, Watch watch) {
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

        WorkPlan best() {
            now.set(best);
            return now.plan();
        }

        void run(Budget budget) {
            for (int start = 0; start < budget.starts() && goesOn; start++) {
                SplittableRandom random = new SplittableRandom(SEED + start);
                now.set(begin);
                own = now.lines();
                ownAims = now.aims();
                Annealing annealing = new Annealing(now, random);
                Recreate recreate = new Recreate(now, random);
                for (int cycle = 0; cycle < budget.cycles() && goesOn; cycle++) {
                    now.set(own);
                    if (cycle % 2 == 0 || budget.places() == 0) {
                        anneal(annealing, cycle == 0 ? HOT : WARM, budget.moves());
                    } else {
                        recreate(recreate, budget.places());
                    }
                    tell();
                }
            }
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
            for (int i = 0; i < moves; i++) {
                if (annealing.step(temperature)) {
                    keep();
                }
                temperature *= cooling;
            }
        }

        private void recreate(Recreate recreate, int places) {
            int tried = 0;
            while (tried < places) {
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
