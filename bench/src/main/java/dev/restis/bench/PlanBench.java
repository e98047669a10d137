package dev.restis.bench;

import dev.restis.core.batch.Bench;
import dev.restis.core.batch.DueOrder;
import dev.restis.core.batch.Parcel;
import dev.restis.core.batch.PlanCheck;
import dev.restis.core.batch.PlanMaker;
import dev.restis.core.batch.PlanWork;
import dev.restis.core.batch.Planner.Watch;
import dev.restis.core.batch.SetUpTimes;
import dev.restis.core.batch.Spread;
import dev.restis.core.batch.WorkPlan;
import dev.restis.core.batch.search.LateBound;
import dev.restis.core.batch.search.Playing;
import dev.restis.core.batch.search.Quote;
import dev.restis.core.batch.search.SearchPlanner;
import dev.restis.core.batch.search.SetUpBound;
import java.io.PrintStream;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.Function;

/** Plans of made-up workshops against the rules that people go by; all in turns, in one run. */
final class PlanBench {

    private static final SetUpTimes SET_UPS = new SetUpTimes(1200, 480, 90);
    private static final int FAMILIES = 4;
    private static final int JIGS = 3;
    private static final int CORDS = 16;
    private static final int DAYS = 150;
    /** At most two hours of work. */
    private static final int PARCEL = 7200;

    private static final int PLAYS = 10_000;
    private static final int QUOTES = 60;

    /** A class of workshops. */
    private record Size(int pieces, int makers, int weeks, int cases) {}

    private static final List<Size> SIZES =
            List.of(new Size(50, 2, 1, 4), new Size(500, 3, 4, 3), new Size(5_000, 12, 10, 1));
    private static final double[] LOADS = {0.70, 0.92, 1.10};

    /** How a plan is made. */
    private record Way(String name, Function<PlanWork, WorkPlan> plan) {}

    private static final List<Way> WAYS = List.of(
            new Way("due date first", SearchPlanner::dueDateFirst),
            new Way("colours together", SearchPlanner::coloursTogether),
            new Way("colours by week", SearchPlanner::coloursByWeek),
            new Way("first plan", SearchPlanner::first),
            new Way("planner", work -> new SearchPlanner().plan(work, 1, Watch.NOBODY)),
            new Way("ten times effort", work -> new SearchPlanner().plan(work, 10, Watch.NOBODY)));

    /** What came of a way over the cases of a class. */
    private static final class Figures {
        private double lateDays;
        private double lateOrders;
        private double setUpHours;
        private double seconds;
    }

    private PlanBench() {}

    static void print(PrintStream out, long seed) {
        PlanEvents.print(out, work(SIZES.get(1), LOADS[1], seed * 1000), seed);
        for (Size size : SIZES) {
            asked(out, size, seed);
        }
        out.printf(
                "%-16s %-18s %10s %11s %12s %9s%n",
                "pieces, load", "plan", "late days", "late orders", "set-up h", "s");
        for (Size size : SIZES) {
            for (double load : LOADS) {
                print(out, size, load, seed);
            }
        }
    }

    /** What stands beside a plan: how likely its orders are in time, and when another could be ready. */
    private static void asked(PrintStream out, Size size, long seed) {
        PlanWork work = work(size, LOADS[1], seed * 1000);
        WorkPlan plan = SearchPlanner.first(work);
        Spread spread = spread(work);
        Playing.play(work, plan, spread, PLAYS / 10, seed);
        long start = System.nanoTime();
        Playing.play(work, plan, spread, PLAYS, seed);
        out.printf(Locale.ROOT, "%,6d: %,d plays %.2f s", size.pieces(), PLAYS, (System.nanoTime() - start) / 1e9);
        List<Double> times = new ArrayList<>();
        Random random = new Random(seed);
        for (int n = 0; n < QUOTES; n++) {
            List<Parcel> parcels = new ArrayList<>();
            for (int p = 0; p < 3; p++) {
                Parcel like = work.parcels().get(random.nextInt(work.parcels().size()));
                parcels.add(new Parcel(p, 0, like.bench(), like.pieces(), like.seconds(), 0));
            }
            start = System.nanoTime();
            Quote quote = Quote.of(work, plan, parcels, 1);
            quote.chances(spread(quote.work()), PLAYS / 10, seed);
            times.add((System.nanoTime() - start) / 1e6);
        }
        Collections.sort(times);
        out.printf(
                Locale.ROOT,
                "; a quote with %,d plays: median %.0f ms, p95 %.0f ms (bar: 150)%n",
                PLAYS / 10,
                times.get(QUOTES / 2),
                times.get(QUOTES * 95 / 100));
    }

    private static Spread spread(PlanWork work) {
        return new Spread(Collections.nCopies(work.parcels().size(), 0.3), Spread.FAMILY, Spread.MAKER);
    }

    /** What any plan needs at least. */
    private static void bounds(PrintStream out, Size size, double load, long seed) {
        double late = 0;
        double setUps = 0;
        long start = System.nanoTime();
        for (int c = 0; c < size.cases(); c++) {
            PlanWork work = work(size, load, seed * 1000 + c);
            late += (double) LateBound.of(work).orElse(0) / size.cases();
            setUps += SetUpBound.of(work) / 3600.0 / size.cases();
        }
        out.printf(
                Locale.ROOT,
                "%,6d, %.2f     %-18s %10.1f %11s %12.1f %9.2f%n",
                size.pieces(),
                load,
                "any plan at least",
                late,
                "",
                setUps,
                (System.nanoTime() - start) / 1e9 / size.cases());
    }

    private static void print(PrintStream out, Size size, double load, long seed) {
        bounds(out, size, load, seed);
        Figures[] figures = new Figures[size.pieces() > 500 ? WAYS.size() - 1 : WAYS.size()];
        for (int c = 0; c < size.cases(); c++) {
            PlanWork work = work(size, load, seed * 1000 + c);
            for (int w = 0; w < figures.length; w++) {
                Figures of = figures[w] == null ? new Figures() : figures[w];
                figures[w] = of;
                long start = System.nanoTime();
                WorkPlan plan = WAYS.get(w).plan().apply(work);
                of.seconds += (System.nanoTime() - start) / 1e9 / size.cases();
                of.lateDays += (double) plan.aims().lateDays() / size.cases();
                of.lateOrders += (double) plan.aims().lateOrders() / size.cases();
                of.setUpHours += plan.setUps() / 3600.0 / size.cases();
                List<String> faults = PlanCheck.faults(work, plan);
                if (!faults.isEmpty()) {
                    throw new IllegalStateException(WAYS.get(w).name() + ": " + faults);
                }
            }
        }
        for (int w = 0; w < figures.length; w++) {
            out.printf(
                    Locale.ROOT,
                    "%,6d, %.2f     %-18s %10.1f %11.1f %12.1f %9.2f%n",
                    size.pieces(),
                    load,
                    WAYS.get(w).name(),
                    figures[w].lateDays,
                    figures[w].lateOrders,
                    figures[w].setUpHours,
                    figures[w].seconds);
        }
    }

    /** Load is work and one visit of each set-up over the makers' time in the weeks of the due days. */
    private static PlanWork work(Size size, double load, long seed) {
        Random random = new Random(seed);
        List<DueOrder> orders = new ArrayList<>();
        List<Parcel> parcels = new ArrayList<>();
        int days = size.weeks() * 7;
        long seconds = 0;
        for (int pieces = 0; pieces < size.pieces(); ) {
            int lines = 1 + random.nextInt(3);
            int order = orders.size();
            orders.add(
                    new DueOrder(order, 1 + random.nextInt(days), random.nextInt(10) == 0 ? 3 : 1, random.nextInt(2)));
            for (int l = 0; l < lines && pieces < size.pieces(); l++) {
                int many = Math.min(size.pieces() - pieces, 1 + (int) (random.nextDouble() * random.nextDouble() * 12));
                int each = 600 + random.nextInt(2700);
                int family = random.nextInt(FAMILIES);
                Bench bench = new Bench(
                        "family " + family,
                        "jig " + family + "." + random.nextInt(JIGS),
                        Set.of((long) random.nextInt(CORDS), (long) CORDS + random.nextInt(CORDS / 2)));
                int release = random.nextInt(12) == 0 ? random.nextInt(days / 2 + 1) : 0;
                int most = Math.max(1, PARCEL / each);
                for (int left = many; left > 0; left -= most) {
                    parcels.add(new Parcel(parcels.size(), order, bench, Math.min(most, left), each, release));
                }
                pieces += many;
                seconds += (long) many * each;
            }
        }
        long setUps = parcels.stream()
                .map(Parcel::bench)
                .distinct()
                .mapToLong(b -> (long) SET_UPS.spool() * b.cords().size() + SET_UPS.jig() / 2)
                .sum();
        int workDays = size.weeks() * 5;
        int day = (int) ((seconds + setUps) / load / workDays / size.makers());
        List<PlanMaker> makers = new ArrayList<>();
        for (int m = 0; m < size.makers(); m++) {
            double pace = 0.85 + 0.3 * m / Math.max(1, size.makers() - 1);
            List<Integer> week = new ArrayList<>();
            for (int d = 0; d < DAYS; d++) {
                week.add(d % 7 < 5 ? day : 0);
            }
            Map<String, Double> paces = new HashMap<>();
            for (int f = 0; f < FAMILIES; f++) {
                if (m == 0 || f != (m + f) % FAMILIES) {
                    paces.put("family " + f, pace);
                }
            }
            makers.add(new PlanMaker(m, week, paces, Optional.empty()));
        }
        return new PlanWork(makers, orders, parcels, List.of(), SET_UPS, false, List.of());
    }
}
