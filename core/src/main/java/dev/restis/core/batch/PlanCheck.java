package dev.restis.core.batch;

import dev.restis.core.batch.WorkPlan.Placed;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Says what is wrong with a plan, by walking through it second by second of each maker's days. It knows no planner, and shares no
 * code with one.
 */
public final class PlanCheck {

    private final PlanWork work;
    private final List<String> faults = new ArrayList<>();
    private final int[] made;
    private long effort;

    private PlanCheck(PlanWork work) {
        this.work = work;
        this.made = new int[work.parcels().size()];
        Arrays.fill(made, -1);
    }

    /** Everything that is wrong; empty when it holds what it says. */
    public static List<String> faults(PlanWork work, WorkPlan plan) {
        PlanCheck check = new PlanCheck(work);
        check.check(plan);
        return check.faults;
    }

    private void check(WorkPlan plan) {
        for (int m = 0; m < plan.makers().size(); m++) {
            walk(m, plan.makers().get(m));
        }
        for (int p = 0; p < made.length; p++) {
            if (made[p] < 0) {
                faults.add("parcel " + p + " is not planned");
            }
        }
        if (faults.isEmpty()) {
            Aims aims = aims(plan);
            if (!aims.equals(plan.aims())) {
                faults.add("it says " + plan.aims() + " and is " + aims);
            }
        }
    }

    /** A maker's days, of each how much is left of it, and what lies on the bench. */
    private final class Days {
        private final int maker;
        private int day;
        private long left;
        private Optional<Bench> bench;
        private int batchDay = -1;
        private int batchPieces;
        private long batchSeconds;
        private Optional<Bench> batch = Optional.empty();
        private final Map<Integer, Long> spent = new HashMap<>();

        Days(int maker) {
            this.maker = maker;
            this.bench = work.makers().get(maker).bench();
            this.left = capacity(0);
        }

        private long capacity(int of) {
            long whole = work.makers().get(maker).on(of);
            for (Pin pin : work.pins()) {
                if (pin.maker() == maker && pin.day() == of) {
                    whole -= pin.seconds();
                }
            }
            return Math.max(0, whole);
        }

        void evening() {
            for (Pin pin : work.pins()) {
                if (pin.maker() == maker && pin.day() == day) {
                    bench = Optional.of(pin.bench());
                }
            }
            day++;
            left = capacity(day);
        }

        /** Works on what is in hand. */
        void work(long seconds) {
            spent.merge(day, seconds, Long::sum);
            left -= seconds;
        }

        /** Seconds on each day that the parcel took. */
        List<Integer> spent(int from) {
            List<Integer> all = new ArrayList<>();
            for (int d = from; d <= day; d++) {
                all.add(Math.toIntExact(spent.getOrDefault(d, 0L)));
            }
            return all;
        }

        void notBefore(int release) {
            while (day < release) {
                evening();
            }
        }

        /** Waits until there is any time at all. */
        void anyTime() {
            while (left == 0) {
                evening();
            }
        }

        void batch(Bench of, int pieces, long seconds) {
            boolean other = day != batchDay
                    || batch.isEmpty()
                    || !batch.get().grouped(of)
                    || batchPieces + pieces > PlanWork.BATCH_PIECES
                    || batchSeconds + seconds > PlanWork.BATCH_SECONDS;
            if (other) {
                effort += Aims.BATCH;
                batchPieces = 0;
                batchSeconds = 0;
            }
            batch = Optional.of(of);
            batchDay = day;
            batchPieces += pieces;
            batchSeconds += seconds;
        }
    }

    private void walk(int maker, List<Placed> line) {
        Days days = new Days(maker);
        for (Placed placed : line) {
            Parcel parcel = work.parcels().get(placed.parcel());
            Optional<Integer> each = work.makers().get(maker).seconds(parcel);
            if (each.isEmpty()) {
                faults.add("maker " + maker + " does not tie parcel " + placed.parcel());
                continue;
            }
            if (made[placed.parcel()] >= 0) {
                faults.add("parcel " + placed.parcel() + " is planned twice");
            }
            days.spent.clear();
            int from = tie(days, parcel, each.get());
            made[placed.parcel()] = days.day;
            if (!days.spent(from).equals(placed.seconds())) {
                faults.add("parcel " + placed.parcel() + " says " + placed.seconds() + " seconds a day and takes "
                        + days.spent(from));
            }
            if (placed.from() != from || placed.until() != days.day) {
                faults.add("parcel " + placed.parcel() + " says day " + placed.from() + " to " + placed.until()
                        + " and is made on " + from + " to " + days.day);
            }
        }
    }

    /** @return the day on which it begins */
    private int tie(Days days, Parcel parcel, int each) {
        days.notBefore(parcel.release());
        days.anyTime();
        if (work.wholePieces()) {
            int setUp = work.setUps().seconds(days.bench, parcel.bench());
            while (days.left < (long) setUp + each && days.left < days.capacity(days.day)) {
                days.evening();
                days.anyTime();
                setUp = work.setUps().seconds(days.bench, parcel.bench());
            }
        }
        int from = days.day;
        days.batch(parcel.bench(), parcel.pieces(), parcel.work());
        long todo = setUp(days, parcel.bench());
        for (int piece = 0; piece < parcel.pieces(); piece++) {
            if (work.wholePieces() && piece > 0 && days.left < each && days.left < days.capacity(days.day)) {
                days.evening();
                days.anyTime();
                days.batch(parcel.bench(), 0, 0);
                todo += setUp(days, parcel.bench());
            }
            todo += each;
            while (todo > days.left) {
                todo -= days.left;
                days.work(days.left);
                days.evening();
                days.anyTime();
                days.batch(parcel.bench(), 0, 0);
                todo += setUp(days, parcel.bench());
            }
            days.work(todo);
            todo = 0;
        }
        return from;
    }

    private long setUp(Days days, Bench bench) {
        int seconds = work.setUps().seconds(days.bench, bench);
        effort += seconds;
        days.bench = Optional.of(bench);
        return seconds;
    }

    private Aims aims(WorkPlan plan) {
        long lateDays = 0;
        int lateOrders = 0;
        Map<Integer, Integer> finished = new HashMap<>();
        for (int p = 0; p < made.length; p++) {
            finished.merge(work.parcels().get(p).order(), made[p], Math::max);
        }
        for (int o = 0; o < work.orders().size(); o++) {
            DueOrder due = work.orders().get(o);
            int last = Math.max(due.fixed(), finished.getOrDefault(o, -1));
            int late = last < 0 ? 0 : Math.max(0, last + due.delay() - due.due());
            lateDays += (long) late * due.weight();
            lateOrders += late > 0 ? 1 : 0;
        }
        for (int m = 0; m < plan.makers().size(); m++) {
            for (Placed placed : plan.makers().get(m)) {
                Parcel parcel = work.parcels().get(placed.parcel());
                int waits = finished.getOrDefault(parcel.order(), 0) - made[placed.parcel()];
                effort += (long) Aims.WAITING * parcel.pieces() * waits;
                if (!work.before().isEmpty()) {
                    effort += Aims.disturbance(
                            work.before().get(placed.parcel()), m, made[placed.parcel()], parcel.pieces());
                }
            }
        }
        return new Aims(lateDays, lateOrders, effort);
    }
}
