package dev.restis.app.workplan;

import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.jobs.Jobs;
import dev.restis.app.platform.jobs.Jobs.Asked;
import dev.restis.app.platform.jobs.RunningJob;
import dev.restis.app.platform.jobs.Work;
import dev.restis.app.workplan.PlanShelf.Laid;
import dev.restis.app.workplan.WorkPlanRow.PlanAct;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.batch.Planner.Watch;
import dev.restis.core.batch.WorkPlan;
import dev.restis.core.batch.draft.PlanDraft;
import dev.restis.core.batch.draft.PlanDraft.Planned;
import dev.restis.core.batch.search.Mending;
import dev.restis.core.batch.search.SearchPlanner;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Makes plans, and makes them better, beside everything else. Its first plan is laid down at once, and each that is better in its place. */
@Service
class Planning implements Work {

    static final String KIND = "plan-days";
    static final String SUBJECT = "house";

    private static final int MOST_TRIES = 5;
    private static final double USUAL = 1;
    private static final double MORE = 4;
    /** Then it ends with the best it has, and says so. */
    private static final long LONGEST_NANOS = 120_000_000_000L;
    /** Between two that are laid down, so that keeping them takes less than looking for them. */
    private static final long APART_NANOS = 700_000_000L;

    private final Jobs jobs;
    private final PlanInputs inputs;
    private final PlanShelf shelf;
    private final Mends mends;

    Planning(Jobs jobs, PlanInputs inputs, PlanShelf shelf, Mends mends) {
        this.jobs = jobs;
        this.inputs = inputs;
        this.shelf = shelf;
        this.mends = mends;
    }

    /**
     * Begins to look for a plan.
     *
     * @param better whether it goes on from what there is, and looks longer
     * @throws Conflict when somebody is planning already
     */
    @Transactional
    public long begin(boolean better) {
        shelf.hold();
        mustNotGo();
        return jobs.ask(Asked.of(KIND, SUBJECT, better ? 1 : 0), Workshop.whoever());
    }

    /** @throws Conflict with the name of whoever is planning */
    void mustNotGo() {
        Optional<String> other = jobs.whoAsked(KIND, SUBJECT);
        if (other.isPresent()) {
            throw new Conflict("plan.growing", other.get());
        }
    }

    /** Ends it; the best plan so far stays. */
    @Transactional
    public void stop() {
        jobs.stop(KIND, SUBJECT);
    }

    /** How far it is, 0 to 1; nothing when nobody plans. */
    Optional<Double> share() {
        return jobs.going(KIND, SUBJECT) ? Optional.of(jobs.share(KIND, SUBJECT).orElse(0.0)) : Optional.empty();
    }

    Optional<String> whoPlans() {
        return jobs.whoAsked(KIND, SUBJECT);
    }

    @Override
    public String kind() {
        return KIND;
    }

    @Override
    public String work(RunningJob job) {
        plan(job.revision() == 1, new Watched(job.askedBy(), job::wanted, (done, all) -> {
            if (job.wanted()) {
                job.progress(done, all);
            }
        }));
        // What happened meanwhile found somebody planning, and did nothing.
        mends.ask();
        return "{}";
    }

    /** Makes a plan and waits for it. */
    void now() {
        plan(false, new Watched(Workshop.whoever(), () -> true, (done, all) -> {}));
    }

    /**
     * Whoever waits for a plan.
     *
     * @param wanted whether they still do
     */
    private record Watched(String who, BooleanSupplier wanted, Progress progress) {}

    private interface Progress {
        void reached(int done, int all);
    }

    /** What somebody else laid down while it read is what it begins with next. */
    private void plan(boolean goOn, Watched watched) {
        for (int tries = 1; ; tries++) {
            Optional<WorkPlanRow> head = shelf.head();
            Snapshot snapshot = inputs.read();
            boolean better = goOn && head.isPresent();
            PlanDraft draft = PlanDraft.of(
                    snapshot.inputs(),
                    head.map(h -> shelf.stood(h.id(), snapshot)).orElse(List.of()),
                    !better);
            Planned planned = draft.work(snapshot.seen());
            Growing growing = new Growing(
                    watched, snapshot, draft, planned, head.map(WorkPlanRow::id).orElse(null), better);
            try {
                growing.done(find(planned, better, growing));
                return;
            } catch (Conflict overtaken) {
                if (growing.begun() || tries == MOST_TRIES) {
                    throw overtaken;
                }
            }
        }
    }

    private static WorkPlan find(Planned planned, boolean better, Watch watch) {
        SearchPlanner planner = new SearchPlanner();
        return better
                ? planner.better(
                        planned.work(),
                        Mending.placed(planned.work(), planned.lines()).sequences(),
                        MORE,
                        watch)
                : planner.plan(planned.work(), USUAL, watch);
    }

    /** Lays down what is better than the last. */
    private final class Growing implements Watch {
        private final Watched watched;
        private final Snapshot snapshot;
        private final PlanDraft draft;
        private final Planned planned;
        private final @Nullable Long before;
        private final PlanAct act;
        private final long end = System.nanoTime() + LONGEST_NANOS;
        private long last;
        private @Nullable Long plan;
        private boolean cutOff;

        Growing(
                Watched watched,
                Snapshot snapshot,
                PlanDraft draft,
                Planned planned,
                @Nullable Long before,
                boolean better) {
            this.watched = watched;
            this.snapshot = snapshot;
            this.draft = draft;
            this.planned = planned;
            this.before = before;
            this.act = better ? PlanAct.BETTERED : PlanAct.PLANNED;
        }

        private Laid laid(WorkPlan found, int plays) {
            draft.sequences(planned, found.sequences());
            return new Laid(Evaluated.of(snapshot, draft, planned, found, plays), act, List.of(), watched.who());
        }

        @Override
        public boolean better(WorkPlan found) {
            if (plan == null) {
                plan = shelf.lay(laid(found, Evaluated.FEW), before, true);
            } else if (System.nanoTime() - last > APART_NANOS) {
                shelf.relay(plan, laid(found, Evaluated.FEW), true, false);
            } else {
                return goesOn();
            }
            last = System.nanoTime();
            return goesOn();
        }

        @Override
        public boolean goesOn() {
            cutOff = System.nanoTime() > end;
            return watched.wanted().getAsBoolean() && !cutOff;
        }

        @Override
        public void progress(int done, int all) {
            watched.progress().reached(done, all);
        }

        /** Whether a plan of it is laid down already. */
        boolean begun() {
            return plan != null;
        }

        void done(WorkPlan found) {
            if (plan != null) {
                shelf.relay(plan, laid(found, Evaluated.MANY), false, cutOff);
            }
        }
    }
}
