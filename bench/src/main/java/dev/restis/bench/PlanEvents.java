package dev.restis.bench;

import dev.restis.core.batch.DueOrder;
import dev.restis.core.batch.Parcel;
import dev.restis.core.batch.Pin;
import dev.restis.core.batch.PlanCheck;
import dev.restis.core.batch.PlanMaker;
import dev.restis.core.batch.PlanWork;
import dev.restis.core.batch.PlanWork.Seen;
import dev.restis.core.batch.Planner.Watch;
import dev.restis.core.batch.WorkPlan;
import dev.restis.core.batch.WorkPlan.Placed;
import dev.restis.core.batch.search.Mending;
import dev.restis.core.batch.search.SearchPlanner;
import java.io.PrintStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.Set;
import java.util.function.IntUnaryOperator;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;

/** Something happens to a plan: it is mended, or made from scratch; both in turns, in one run. */
final class PlanEvents {

    private record Event(String name, UnaryOperator<PlanWork> happens) {}

    /** What came of it: late days, pieces that stand elsewhere, seconds. */
    private record Came(long lateDays, int moved, double seconds) {}

    private PlanEvents() {}

    static void print(PrintStream out, PlanWork work, long seed) {
        WorkPlan before = new SearchPlanner().plan(work, 1, Watch.NOBODY);
        out.printf(
                Locale.ROOT, "%nevents; before: %d late days%n", before.aims().lateDays());
        out.printf("%-28s %-26s %-26s%n", "", "from scratch", "mended");
        for (Event event : events(work, before, new Random(seed))) {
            PlanWork seen = event.happens().apply(work.seen(seen(work, before)));
            Came scratch = came(seen, before, () -> new SearchPlanner().plan(seen.seen(List.of()), 1, Watch.NOBODY));
            List<List<Integer>> lines = before.sequences().stream()
                    .map(line ->
                            line.stream().filter(p -> p < seen.parcels().size()).toList())
                    .toList();
            Came mended = came(
                    seen, before, () -> Mending.of(seen, lines, Watch.NOBODY).plan());
            out.printf(
                    Locale.ROOT,
                    "%-28s %4d late, %4d moved %5.2f s %4d late, %4d moved %5.2f s%n",
                    event.name(),
                    scratch.lateDays(),
                    scratch.moved(),
                    scratch.seconds(),
                    mended.lateDays(),
                    mended.moved(),
                    mended.seconds());
        }
    }

    private static Came came(PlanWork work, WorkPlan before, Supplier<WorkPlan> way) {
        long start = System.nanoTime();
        WorkPlan plan = way.get();
        double seconds = (System.nanoTime() - start) / 1e9;
        List<String> faults =
                PlanCheck.faults(work.seen(List.of()), Mending.placed(work.seen(List.of()), plan.sequences()));
        if (!faults.isEmpty()) {
            throw new IllegalStateException(faults.toString());
        }
        Seen[] were = where(work.parcels().size(), before);
        Seen[] are = where(work.parcels().size(), plan);
        int moved = 0;
        for (int p = 0; p < are.length; p++) {
            boolean same = were[p].maker() == are[p].maker() && were[p].day() == are[p].day();
            moved += were[p].maker() < 0 || same ? 0 : work.parcels().get(p).pieces();
        }
        return new Came(plan.aims().lateDays(), moved, seconds);
    }

    private static Seen[] where(int parcels, WorkPlan plan) {
        Seen[] where = new Seen[parcels];
        Arrays.fill(where, Seen.NOWHERE);
        for (int m = 0; m < plan.makers().size(); m++) {
            for (Placed placed : plan.makers().get(m)) {
                if (placed.parcel() < parcels) {
                    where[placed.parcel()] = new Seen(m, placed.until(), placed.until());
                }
            }
        }
        return where;
    }

    private static List<Seen> seen(PlanWork work, WorkPlan plan) {
        return List.of(where(work.parcels().size(), plan));
    }

    private static List<Event> events(PlanWork work, WorkPlan plan, Random random) {
        int ill = random.nextInt(work.makers().size());
        int behind = random.nextInt(work.makers().size());
        Set<Integer> late = new HashSet<>();
        while (late.size() < 5) {
            late.add(random.nextInt(work.orders().size()));
        }
        return List.of(
                new Event("a maker is ill for 3 days", w -> days(w, ill, d -> d < 3 ? 0 : -1)),
                new Event(
                        "a batch runs 2 h over",
                        w -> days(
                                w,
                                behind,
                                d -> d == 0 ? Math.max(0, w.makers().get(behind).on(0) - 7200) : -1)),
                new Event("an urgent order, 12 pieces", PlanEvents::urgent),
                new Event("cord is late for 5 orders", w -> cordLate(w, late)),
                new Event("8 batches are pinned", w -> pinned(w, plan)));
    }

    private static PlanWork days(PlanWork work, int maker, IntUnaryOperator seconds) {
        List<PlanMaker> makers = new ArrayList<>(work.makers());
        PlanMaker who = makers.get(maker);
        List<Integer> days = new ArrayList<>();
        for (int d = 0; d < who.seconds().size(); d++) {
            int other = seconds.applyAsInt(d);
            days.add(other < 0 ? who.on(d) : Math.min(other, who.on(d)));
        }
        makers.set(maker, new PlanMaker(who.id(), days, who.pace(), who.bench()));
        return work.by(makers);
    }

    private static PlanWork urgent(PlanWork work) {
        List<DueOrder> orders = new ArrayList<>(work.orders());
        orders.add(new DueOrder(orders.size(), 2, 3, 0));
        List<Parcel> parcels = new ArrayList<>(work.parcels());
        List<Seen> before = new ArrayList<>(work.before());
        for (int p = 0; p < 4; p++) {
            parcels.add(new Parcel(
                    parcels.size(), orders.size() - 1, work.parcels().get(0).bench(), 3, 1500, 0));
            before.add(Seen.NOWHERE);
        }
        return new PlanWork(work.makers(), orders, parcels, work.pins(), work.setUps(), work.wholePieces(), before);
    }

    private static PlanWork cordLate(PlanWork work, Set<Integer> orders) {
        List<Parcel> parcels = work.parcels().stream()
                .map(p -> orders.contains(p.order())
                        ? new Parcel(p.id(), p.order(), p.bench(), p.pieces(), p.seconds(), Math.max(p.release(), 10))
                        : p)
                .toList();
        return new PlanWork(
                work.makers(), work.orders(), parcels, work.pins(), work.setUps(), work.wholePieces(), work.before());
    }

    /** Half an hour each at the end of eight days, on benches of the middle of the plan. */
    private static PlanWork pinned(PlanWork work, WorkPlan plan) {
        List<Pin> pins = new ArrayList<>(work.pins());
        for (int n = 0; n < 8; n++) {
            int maker = n % work.makers().size();
            List<Placed> line = plan.makers().get(maker);
            int parcel = line.get(line.size() / 2).parcel();
            pins.add(new Pin(
                    maker,
                    1 + n / work.makers().size(),
                    work.parcels().get(parcel).bench(),
                    1800));
        }
        return new PlanWork(
                work.makers(), work.orders(), work.parcels(), pins, work.setUps(), work.wholePieces(), work.before());
    }
}
