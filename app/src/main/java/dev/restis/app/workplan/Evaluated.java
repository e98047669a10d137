package dev.restis.app.workplan;

import dev.restis.core.batch.Chances;
import dev.restis.core.batch.PlanMaker;
import dev.restis.core.batch.PlanWork;
import dev.restis.core.batch.Spread;
import dev.restis.core.batch.WorkPlan;
import dev.restis.core.batch.draft.Part;
import dev.restis.core.batch.draft.PlanDraft;
import dev.restis.core.batch.draft.PlanDraft.Planned;
import dev.restis.core.batch.search.LateBound;
import dev.restis.core.batch.search.Playing;
import dev.restis.core.batch.search.SetUpBound;
import java.util.List;
import java.util.OptionalLong;

/**
 * A plan with what follows from it.
 *
 * @param chances of each order, in the order of the snapshot
 * @param leastSetUps what any plan must spend on setting up, in seconds
 * @param leastLate days that any plan is late at least; nothing where that was not worked out
 */
record Evaluated(
        Snapshot snapshot,
        PlanDraft draft,
        Planned planned,
        WorkPlan plan,
        Chances chances,
        long leastSetUps,
        OptionalLong leastLate) {

    /** So often a plan is played that somebody waits for. */
    static final int FEW = 2_000;
    /** And one that is made beside everything else. */
    static final int MANY = 10_000;

    private static final long SEED = 1;

    /** Plays the plan on whole days: what was kept free of them is there for what takes longer. */
    static Evaluated of(Snapshot snapshot, PlanDraft draft, Planned planned, WorkPlan plan, int plays) {
        return new Evaluated(
                snapshot,
                draft,
                planned,
                plan,
                Playing.play(whole(snapshot, planned), plan, spread(snapshot, planned.parts()), plays, SEED),
                // Somebody waits for the others; bounds take seconds where there is much to plan.
                plays == MANY ? SetUpBound.of(planned.work()) : SetUpBound.quick(planned.work()),
                plays == MANY ? LateBound.of(planned.work()) : OptionalLong.empty());
    }

    static PlanWork whole(Snapshot snapshot, Planned planned) {
        List<PlanMaker> makers = snapshot.inputs().makers();
        return planned.work().by(makers);
    }

    static Spread spread(Snapshot snapshot, List<Part> parts) {
        return new Spread(
                parts.stream()
                        .map(part -> snapshot.spreads().getOrDefault(part.lot().line(), 0.0))
                        .toList(),
                Spread.FAMILY,
                Spread.MAKER);
    }
}
