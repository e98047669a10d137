package dev.restis.app.cut;

import dev.restis.app.cut.CutPlans.Snapshot;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.jobs.Jobs;
import dev.restis.app.platform.jobs.Jobs.Asked;
import dev.restis.app.platform.jobs.RunningJob;
import dev.restis.app.platform.jobs.Work;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.cutting.CutPlan;
import dev.restis.core.cutting.CutPlanner;
import dev.restis.core.cutting.CutRequest;
import dev.restis.core.cutting.Demand;
import dev.restis.core.cutting.Holding;
import dev.restis.core.cutting.LeastCost;
import dev.restis.core.cutting.WithTrimmings;
import dev.restis.core.cutting.solver.GridSolver.Effort;
import dev.restis.core.measure.Length;
import java.math.BigDecimal;
import java.time.Duration;
import java.util.List;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;

/**
 * Looks for better plans than the first, beside everything else: a plan takes the place of the first only if nobody has touched
 * the list since. Whoever is asked to stop keeps the best.
 */
@Service
class Bettering implements Work {

    static final String KIND = "cut-plan";

    private static final Effort EFFORT = new Effort(8, 40);
    private static final int EXCHANGES = 60;
    /** A plan so near to the bound is not bettered. */
    private static final BigDecimal NEAR = new BigDecimal("0.0001");

    private static final CutRequest ANY = new CutRequest(
            List.of(new Demand(1, 1, 1, Length.ofMillimetres(500))),
            List.of(new Holding(1, 1, 1, Length.ofMillimetres(9_000), List.of(), Length.ofMillimetres(300))));

    private final Jobs jobs;
    private final CutPlans plans;
    private final CutWeights weights;

    Bettering(Jobs jobs, CutPlans plans, CutWeights weights) {
        this.jobs = jobs;
        this.plans = plans;
        this.weights = weights;
    }

    /** Loading the solver takes a second; nobody who asks for a plan is to wait for that. */
    @EventListener(ApplicationReadyEvent.class)
    public void warmUp() {
        Thread thread =
                new Thread(() -> new LeastCost(new Effort(1, 0), 0, Duration.ofSeconds(1)).plan(ANY), "load-solver");
        thread.setDaemon(true);
        thread.start();
    }

    /** Begins to better a plan that is kept, in place of what was looked for before. */
    void begin(long list, int revision, CutPlan first) {
        boolean near = first.quality().filter(q -> q.gap().compareTo(NEAR) <= 0).isPresent();
        if (near || weights.weights().seconds() == 0) {
            stop(list);
        } else {
            jobs.askAnew(Asked.of(KIND, String.valueOf(list), revision), Workshop.whoever());
        }
    }

    @Override
    public String kind() {
        return KIND;
    }

    @Override
    public String work(RunningJob job) {
        Snapshot snapshot;
        try {
            snapshot = plans.of(Long.parseLong(job.subject()));
        } catch (Conflict | NotFound over) {
            // It is cut, or another took its place: there is nothing to better.
            return "{}";
        }
        if (snapshot.revision() == job.revision()) {
            Duration within = Duration.ofSeconds(weights.weights().seconds());
            CutPlanner planner = new WithTrimmings(new LeastCost(EFFORT, EXCHANGES, within, job::wanted));
            plans.better(snapshot, planner.plan(snapshot.request()));
        }
        return "{}";
    }

    boolean going(long list) {
        return jobs.going(KIND, String.valueOf(list));
    }

    /** The best so far is taken. */
    void stop(long list) {
        jobs.stop(KIND, String.valueOf(list));
    }
}
