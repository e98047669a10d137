package dev.restis.core.batch.search;

import dev.restis.core.batch.DueOrder;
import dev.restis.core.batch.PlanMaker;
import dev.restis.core.batch.PlanWork;
import dev.restis.core.batch.WorkPlan;
import dev.restis.core.batch.WorkPlan.Placed;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What would bring an order in time that is late.
 *
 * @param noMinutesHelp whether its cord comes, or its glue dries, too late for any hurry
 * @param overtime what one maker would have to work longer, where that alone is enough
 * @param goesFirst the plan in which it goes before all others, where that is enough, with the orders that get later by it
 */
public record Rescue(boolean noMinutesHelp, Optional<Overtime> overtime, Optional<GoesFirst> goesFirst) {

    /** Nobody works longer than that on one day. */
    private static final int MOST = 6 * 3600;

    private static final int STEP = 300;

    /**
     * More time at the bench.
     *
     * @param maker place in the list of makers
     * @param day counted from the first of the plan
     */
    public record Overtime(int maker, int day, int seconds) {}

    /** @param later places of the orders that are then later than they are */
    public record GoesFirst(WorkPlan plan, List<Integer> later) {}

    /** @param order its place in the list of orders */
    public static Rescue of(PlanWork work, WorkPlan plan, int order) {
        DueOrder due = work.orders().get(order);
        int release = work.parcels().stream()
                .filter(p -> p.order() == order)
                .mapToInt(p -> p.release())
                .max()
                .orElse(0);
        if (release + due.delay() > due.due()) {
            return new Rescue(true, Optional.empty(), Optional.empty());
        }
        return new Rescue(false, overtime(work, plan, order), goesFirst(work, plan, order));
    }

    /** Days that an order is late in a plan. */
    public static int late(PlanWork work, WorkPlan plan, int order) {
        return work.orders().get(order).late(made(work, plan, order));
    }

    private static int made(PlanWork work, WorkPlan plan, int order) {
        return plan.makers().stream()
                .flatMap(List::stream)
                .filter(placed -> work.parcels().get(placed.parcel()).order() == order)
                .mapToInt(Placed::until)
                .max()
                .orElse(-1);
    }

    /** By bisection, on the latest day that still helps, of the maker who holds it up. */
    private static Optional<Overtime> overtime(PlanWork work, WorkPlan plan, int order) {
        DueOrder due = work.orders().get(order);
        int last = due.due() - due.delay();
        for (int m = 0; m < work.makers().size(); m++) {
            int maker = m;
            boolean holds = plan.makers().get(m).stream()
                    .anyMatch(placed -> work.parcels().get(placed.parcel()).order() == order && placed.until() > last);
            if (!holds || last < 0 || !inTime(work, plan, order, new Overtime(maker, last, MOST))) {
                continue;
            }
            int enough = MOST;
            int tooLittle = 0;
            while (enough - tooLittle > STEP) {
                int middle = (enough + tooLittle) / 2 / STEP * STEP;
                if (inTime(work, plan, order, new Overtime(maker, last, middle))) {
                    enough = middle;
                } else {
                    tooLittle = middle;
                }
            }
            return Optional.of(new Overtime(maker, last, enough));
        }
        return Optional.empty();
    }

    private static boolean inTime(PlanWork work, WorkPlan plan, int order, Overtime more) {
        PlanWork longer = with(work, more);
        Sequences now = new Sequences(new Model(longer));
        now.set(plan.sequences());
        return longer.orders().get(order).late(made(longer, now.plan(), order)) == 0;
    }

    /** The same work with so much more time. */
    public static PlanWork with(PlanWork work, Overtime more) {
        List<PlanMaker> makers = new ArrayList<>(work.makers());
        PlanMaker who = makers.get(more.maker());
        List<Integer> seconds = new ArrayList<>(who.seconds());
        while (seconds.size() <= more.day()) {
            seconds.add(who.on(seconds.size()));
        }
        seconds.set(more.day(), seconds.get(more.day()) + more.seconds());
        makers.set(more.maker(), new PlanMaker(who.id(), seconds, who.pace(), who.bench()));
        return work.by(makers);
    }

    private static Optional<GoesFirst> goesFirst(PlanWork work, WorkPlan plan, int order) {
        Model model = new Model(work);
        Sequences now = new Sequences(model);
        List<List<Integer>> lines = new ArrayList<>();
        plan.sequences().forEach(line -> {
            List<Integer> first = new ArrayList<>();
            List<Integer> others = new ArrayList<>();
            line.forEach(p -> (model.order[p] == order ? first : others).add(p));
            first.addAll(others);
            lines.add(first);
        });
        now.set(lines);
        WorkPlan other = now.plan();
        if (work.orders().get(order).late(made(work, other, order)) > 0) {
            return Optional.empty();
        }
        List<Integer> later = new ArrayList<>();
        for (int o = 0; o < work.orders().size(); o++) {
            DueOrder due = work.orders().get(o);
            if (due.late(made(work, other, o)) > due.late(made(work, plan, o))) {
                later.add(o);
            }
        }
        return Optional.of(new GoesFirst(other, later));
    }
}
