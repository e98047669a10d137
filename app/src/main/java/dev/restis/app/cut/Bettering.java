package dev.restis.app.cut;

import dev.restis.core.cutting.CutPlan;
import dev.restis.core.cutting.CutPlanner;
import dev.restis.core.cutting.CutRequest;
import dev.restis.core.cutting.Demand;
import dev.restis.core.cutting.Holding;
import dev.restis.core.cutting.LeastCost;
import dev.restis.core.cutting.WithTrimmings;
import dev.restis.core.cutting.solver.GridSolver.Effort;
import dev.restis.core.measure.Length;
import jakarta.annotation.PreDestroy;
import java.math.BigDecimal;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicBoolean;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;

/**
 * Looks for better plans than the first, beside everything else and outside of any transaction: a plan takes the place of the first
 * only if nobody has touched the list since. Whoever is asked to stop keeps the best.
 */
@Service
class Bettering {

    private static final Logger LOG = LoggerFactory.getLogger(Bettering.class);
    private static final Effort EFFORT = new Effort(8, 40);
    private static final int EXCHANGES = 60;
    /** A plan so near to the bound is not bettered. */
    private static final BigDecimal NEAR = new BigDecimal("0.0001");

    private static final CutRequest ANY = new CutRequest(
            List.of(new Demand(1, 1, 1, Length.ofMillimetres(500))),
            List.of(new Holding(1, 1, 1, Length.ofMillimetres(9_000), List.of(), Length.ofMillimetres(300))));

    private final CutPlans plans;
    private final CutWeights weights;
    private final Map<Long, AtomicBoolean> wanted = new ConcurrentHashMap<>();
    private final ExecutorService worker = Executors.newSingleThreadExecutor(task -> {
        Thread thread = new Thread(task, "better-plans");
        thread.setDaemon(true);
        return thread;
    });

    Bettering(CutPlans plans, CutWeights weights) {
        this.plans = plans;
        this.weights = weights;
    }

    /** Loading the solver takes a second; nobody who asks for a plan is to wait for that. */
    @EventListener(ApplicationReadyEvent.class)
    public void warmUp() {
        worker.execute(() -> new LeastCost(new Effort(1, 0), 0, Duration.ofSeconds(1)).plan(ANY));
    }

    /** Begins to better a plan that is kept. */
    void begin(long list, CutPlan first) {
        Duration within = Duration.ofSeconds(weights.weights().seconds());
        if (within.isZero()
                || first.quality().filter(q -> q.gap().compareTo(NEAR) <= 0).isPresent()) {
            return;
        }
        AtomicBoolean on = new AtomicBoolean(true);
        AtomicBoolean earlier = wanted.put(list, on);
        if (earlier != null) {
            earlier.set(false);
        }
        worker.execute(() -> better(list, within, on));
    }

    private void better(long list, Duration within, AtomicBoolean on) {
        try {
            if (on.get()) {
                CutPlanner planner = new WithTrimmings(new LeastCost(EFFORT, EXCHANGES, within, on::get));
                CutPlans.Snapshot snapshot = plans.of(list);
                plans.better(snapshot, planner.plan(snapshot.request()));
            }
        } catch (RuntimeException failed) {
            LOG.warn("Cut list {} was not bettered; its first plan holds", list, failed);
        } finally {
            wanted.remove(list, on);
        }
    }

    boolean going(long list) {
        return wanted.containsKey(list);
    }

    /** The best so far is taken. */
    void stop(long list) {
        AtomicBoolean on = wanted.get(list);
        if (on != null) {
            on.set(false);
        }
    }

    @PreDestroy
    void close() {
        wanted.values().forEach(on -> on.set(false));
        worker.shutdown();
    }
}
