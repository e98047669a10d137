package dev.restis.core.batch.search;

import dev.restis.core.batch.Aims;
import dev.restis.core.batch.PlanWork;
import dev.restis.core.batch.Planner;
import dev.restis.core.batch.WorkPlan;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Begins with the best of twelve dispatches and three hand rules, and goes on in cycles of annealing and of ruin and recreation, the
 * first of them hot; each cycle ends with a plan that could be published. Counts and seeds decide, no clock: the same work and effort
 * give the same plan, unless whoever watches stops it.
 */
public final class SearchPlanner implements Planner {

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
        return new Cycles(model, now, begin, watch).run(Cycles.Budget.of(model.parcels, effort));
    }

    /**
     * The same from a plan that is there already; never worse than that.
     *
     * @param present parcels by maker, each once
     */
    public WorkPlan better(PlanWork work, List<List<Integer>> present, double effort, Watch watch) {
        Model model = new Model(work);
        Sequences now = new Sequences(model);
        List<List<Integer>> begin = best(model, now);
        now.set(begin);
        Aims first = now.aims();
        now.set(present);
        if (now.aims().compareTo(first) <= 0) {
            begin = present;
        }
        return new Cycles(model, now, begin, watch).run(Cycles.Budget.of(model.parcels, effort));
    }
}
