package dev.restis.app.workplan;

import dev.restis.app.orders.OrdersMoved;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.jobs.Jobs;
import dev.restis.app.platform.jobs.Jobs.Asked;
import dev.restis.app.platform.jobs.RunningJob;
import dev.restis.app.platform.jobs.Work;
import dev.restis.app.stock.Supply.SupplyMoved;
import dev.restis.app.workplan.Happening.What;
import dev.restis.app.workplan.PlanShelf.Laid;
import dev.restis.app.workplan.Snapshot.PlannedOrder;
import dev.restis.app.workplan.WorkPlanRow.PlanAct;
import dev.restis.app.workshop.Calendars.CalendarMoved;
import dev.restis.core.batch.Planner.Watch;
import dev.restis.core.batch.WorkPlan;
import dev.restis.core.batch.draft.PlanDraft;
import dev.restis.core.batch.draft.PlanDraft.Planned;
import dev.restis.core.batch.search.Mending;
import dev.restis.core.batch.search.Rescue;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Mends the plan when life happens: orders come, change and go, somebody is away, cord is late, a day begins. What was made as
 * planned changes nothing.
 */
@Service
class Mends implements Work {

    static final String KIND = "mend-plan";
    private static final String SUBJECT = "house";
    private static final String WHO = "restis";

    private final Jobs jobs;
    private final PlanInputs inputs;
    private final PlanShelf shelf;
    private final PlanSettings settings;
    private final Happenings happenings;

    Mends(Jobs jobs, PlanInputs inputs, PlanShelf shelf, PlanSettings settings, Happenings happenings) {
        this.jobs = jobs;
        this.inputs = inputs;
        this.shelf = shelf;
        this.settings = settings;
        this.happenings = happenings;
    }

    /** Days begin and hours pass without anybody doing anything. */
    @Scheduled(initialDelay = 60_000, fixedDelay = 300_000)
    @Transactional
    public void look() {
        ask();
    }

    @EventListener
    public void moved(OrdersMoved moved) {
        ask();
    }

    @EventListener
    public void moved(CalendarMoved moved) {
        ask();
    }

    @EventListener
    public void moved(SupplyMoved moved) {
        ask();
    }

    /** Asks for the plan to be looked at, where there is one. */
    @Transactional
    public void ask() {
        if (settings.rules().planning && shelf.head().isPresent()) {
            jobs.askAgain(Asked.of(KIND, SUBJECT, 0), WHO);
        }
    }

    /** Promises that the plan before kept, and this one does not. */
    private List<Happening> broken(long before, Snapshot snapshot, Mending mending) {
        Set<Long> late = shelf.orders(before).stream()
                .filter(row -> row.lateDays() > 0)
                .map(PlanOrderRow::order)
                .collect(Collectors.toSet());
        List<Happening> broken = new ArrayList<>();
        for (int o = 0; o < snapshot.orders().size(); o++) {
            PlannedOrder order = snapshot.orders().get(o);
            if (order.promised() && !late.contains(order.id())) {
                int days = Rescue.late(mending.work(), mending.plan(), o);
                if (days > 0) {
                    broken.add(new Happening(What.PROMISE_BROKEN, order.reference(), days));
                }
            }
        }
        return broken;
    }

    @Override
    public String kind() {
        return KIND;
    }

    @Override
    public String work(RunningJob job) {
        Optional<WorkPlanRow> head = shelf.head();
        if (head.isEmpty() || jobs.going(Planning.KIND, Planning.SUBJECT)) {
            return "{}";
        }
        Snapshot snapshot = inputs.read();
        List<Happening> happened = new ArrayList<>(happenings.since(head.get(), snapshot));
        if (happened.isEmpty()) {
            return "{}";
        }
        PlanDraft draft = PlanDraft.of(snapshot.inputs(), shelf.stood(head.get().id(), snapshot), false);
        int unpinned = draft.wasPinned().stream()
                .mapToInt(part -> part.pieces().size())
                .sum();
        if (unpinned > 0) {
            happened.add(new Happening(What.UNPINNED, "", unpinned));
        }
        Planned planned = draft.work(snapshot.seen());
        Mending mending = Mending.of(planned.work(), planned.lines(), Watch.NOBODY);
        WorkPlan plan = mending.plan();
        draft.sequences(planned, plan.sequences());
        happened.addAll(broken(head.get().id(), snapshot, mending));
        Laid laid =
                new Laid(Evaluated.of(snapshot, draft, planned, plan, Evaluated.FEW), PlanAct.MENDED, happened, WHO);
        try {
            shelf.lay(laid, head.get().id(), false);
        } catch (Conflict overtaken) {
            // Somebody did something with the plan meanwhile: theirs is mended.
            ask();
        }
        return "{\"happened\": %d}".formatted(happened.size());
    }
}
