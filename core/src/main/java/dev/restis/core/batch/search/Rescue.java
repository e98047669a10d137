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
 * @param overtime what each maker who holds it up would have to work longer, where that is enough; empty where it is not
 * @param goesFirst the plan in which it goes before all others, where that is enough, with the orders that get later by it
 */
public record Rescue(boolean noMinutesHelp, List<Overtime> overtime, Optional<GoesFirst> goesFirst) {

    public Rescue {
        overtime = List.copyOf(overtime);
    }

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
            return new Rescue(true, List.of(), Optional.empty());
        }
        return new Rescue(false, overtime(work, plan, order), goesFirst(work, plan, order));
    }

    /** Days that an order is late in a plan. */
    public static int late(PlanWork work, WorkPlan plan, int order) {
        return work.orders().get(order).late(made(work, plan, order));
    }

    private static int made(PlanWork work, WorkPlan plan, int order) {
        return plan.makers().stream()
                .mapToInt(line -> made(work, line, order))
                .max()
                .orElse(-1);
    }

    /** The day on which a maker's last parcel of an order is made; below 0 when they have none. */
    private static int made(PlanWork work, List<Placed> line, int order) {
        return line.stream()
                .filter(placed -> work.parcels().get(placed.parcel()).order() == order)
                .mapToInt(Placed::until)
                .max()
                .orElse(-1);
    }

    /** On the latest day that still helps, of each maker who holds it up; their lines do not touch one another. */
    private static List<Overtime> overtime(PlanWork work, WorkPlan plan, int order) {
        DueOrder due = work.orders().get(order);
        int last = due.due() - due.delay();
        List<Overtime> all = new ArrayList<>();
        for (int m = 0; m < work.makers().size(); m++) {
            if (made(work, plan.makers().get(m), order) > last) {
                if (last < 0 || !through(work, plan, order, new Overtime(m, last, MOST))) {
                    return List.of();
                }
                all.add(least(work, plan, order, m, last));
            }
        }
        return all;
    }

    /** By bisection. */
    private static Overtime least(PlanWork work, WorkPlan plan, int order, int maker, int day) {
        int enough = MOST;
        int tooLittle = 0;
        while (enough - tooLittle > STEP) {
            int middle = (enough + tooLittle) / 2 / STEP * STEP;
            if (through(work, plan, order, new Overtime(maker, day, middle))) {
                enough = middle;
            } else {
                tooLittle = middle;
            }
        }
        return new Overtime(maker, day, enough);
    }

    /** Whether that maker is through with the order by that day then. */
    private static boolean through(PlanWork work, WorkPlan plan, int order, Overtime more) {
        PlanWork longer = with(work, more);
        Sequences now = new Sequences(new Model(longer));
        now.set(plan.sequences());
        return made(longer, now.plan().makers().get(more.maker()), order) <= more.day();
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
