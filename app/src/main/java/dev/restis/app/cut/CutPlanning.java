package dev.restis.app.cut;

import dev.restis.app.cut.CutLists.PinInput;
import dev.restis.app.cut.CutPlans.Laid;
import dev.restis.app.cut.CutPlans.Snapshot;
import dev.restis.app.cut.CutPlans.Solved;
import dev.restis.app.plan.Reckoning;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.core.cutting.CutPlan;
import dev.restis.core.cutting.CutPlanner;
import dev.restis.core.cutting.CutRequest;
import dev.restis.core.cutting.Holding;
import dev.restis.core.cutting.LeastCost;
import dev.restis.core.cutting.WithTrimmings;
import dev.restis.core.cutting.solver.GridSolver.Effort;
import dev.restis.core.measure.Fault;
import java.time.Duration;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Service;

/**
 * Plans cut lists: anew, for what is left of them, and as the bench wants them. No transaction is open while a planner thinks;
 * a plan that came too late is thrown away, and another is made on what is there now.
 */
@Service
public class CutPlanning {

    private static final int MOST_BATCHES = 40;
    /** Somebody who is always overtaken is told, rather than kept waiting. */
    private static final int MOST_TRIES = 6;

    private final CutPlans plans;
    private final CutLists lists;
    private final Bettering bettering;
    private final Reckoning reckoning;
    private final CutPlanner quick;
    private final ShortTails tails;

    @Autowired
    CutPlanning(CutPlans plans, CutLists lists, Bettering bettering, Reckoning reckoning, ShortTails tails) {
        // The first plan stands at once, and so does that for what is left after a mishap; bettering takes longer.
        this(
                plans,
                lists,
                bettering,
                reckoning,
                tails,
                new WithTrimmings(new LeastCost(new Effort(2, 5), 8, Duration.ofMillis(300))));
    }

    CutPlanning(
            CutPlans plans,
            CutLists lists,
            Bettering bettering,
            Reckoning reckoning,
            ShortTails tails,
            CutPlanner quick) {
        this.reckoning = reckoning;
        this.tails = tails;
        this.plans = plans;
        this.lists = lists;
        this.bettering = bettering;
        this.quick = quick;
    }

    /** Plans the uncut pieces of these batches on what lies on the shelves now; replaces earlier proposals. Answers the list. */
    public long propose(Collection<Long> batches) {
        if (batches.isEmpty() || batches.size() > MOST_BATCHES) {
            throw new Rejected(Fault.of("batches", "cut.batches", MOST_BATCHES));
        }
        return plan(() -> plans.forNew(batches));
    }

    /** Plans what is left of a list anew, on what is really there, keeping what is cut. */
    public void planRest(long list) {
        plan(() -> plans.of(list));
    }

    /** Keeps what the bench wants of the list, and plans what is left of it accordingly. */
    public void wish(long list, Collection<Long> forbidden, Collection<PinInput> pins) {
        lists.wish(list, forbidden, pins);
        planRest(list);
    }

    /** The tail that should serve this strand is too short: the strand is cut after all. */
    public void tailTooShort(long list, long strand) {
        tails.tooShort(list, strand);
        planRest(list);
    }

    private long plan(Supplier<Snapshot> look) {
        reckoning.mustBeDone();
        for (int tries = 0; tries < MOST_TRIES; tries++) {
            Snapshot snapshot = look.get();
            CutPlan plan = quick.plan(snapshot.request());
            Set<Long> stuck = stuck(snapshot, plan);
            if (!stuck.isEmpty()) {
                plans.giveUp(snapshot, stuck);
                continue;
            }
            Optional<Laid> laid = plans.lay(snapshot, solved(snapshot.request(), plan));
            if (laid.isPresent()) {
                bettering.begin(laid.get().list(), laid.get().revision(), plan);
                return laid.get().list();
            }
        }
        throw new Conflict("stockChanged");
    }

    private static Set<Long> stuck(Snapshot snapshot, CutPlan plan) {
        Set<Long> stuck = new HashSet<>(snapshot.begunPieces());
        stuck.retainAll(plan.waiting().stream().map(CutPlan.Waiting::piece).toList());
        return stuck;
    }

    private Solved solved(CutRequest request, CutPlan plan) {
        int opened =
                (int) plan.spools().stream().filter(p -> p.holding().sealed()).count();
        int longer = opened == 0 ? 0 : waitingUnopened(request) - plan.waiting().size();
        return new Solved(plan, opened, Math.max(0, longer));
    }

    /** How many pieces would wait if nothing that is sealed were opened. */
    private int waitingUnopened(CutRequest request) {
        List<Holding> open =
                request.holdings().stream().filter(h -> !h.sealed()).toList();
        return quick.plan(request.on(open)).waiting().size();
    }
}
