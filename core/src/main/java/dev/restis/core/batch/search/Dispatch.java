package dev.restis.core.batch.search;

import dev.restis.core.batch.DueOrder;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * First plans: rules of the hand, and apparent tardiness cost with set-ups and ready times (Vepsalainen and Morton 1987; Lee, Bhaskaran
 * and Pinedo 1997; Pfund and others 2008): whoever is free first takes the parcel of the highest
 * {@code log(w/p of the order) - slack/(k1 p) - set-up/(k2 s) - wait/(k3 p)}.
 */
final class Dispatch {

    private static final double[] SLACK = {0.5, 1, 2, 4};
    private static final double[] SET_UP = {0.1, 0.4, 1.5};
    private static final double WAIT = 0.5;
    private static final int WEEK = 7;

    /** Rules that people go by. */
    enum Rule {
        /** Order by order, the first due first. */
        DUE_DATE,
        /** All of one set-up together, the first due first. */
        COLOURS,
        /** The same within each week. */
        COLOURS_BY_WEEK
    }

    private final Model model;
    private final double meanWork;
    private final double meanDay;
    private final double meanSetUp;
    /** By parcel: the log of its order's weight over its order's work; and the day on which it must be made. */
    private final double[] urgency;

    private final int[] due;

    Dispatch(Model model) {
        this.model = model;
        long[] orderWork = new long[model.work.orders().size()];
        for (int p = 0; p < model.parcels; p++) {
            orderWork[model.order[p]] += model.standard[p];
        }
        urgency = new double[model.parcels];
        due = new int[model.parcels];
        for (int p = 0; p < model.parcels; p++) {
            DueOrder order = model.work.orders().get(model.order[p]);
            urgency[p] = StrictMath.log(order.weight() / (double) orderWork[model.order[p]]);
            due[p] = order.due() - order.delay();
        }
        meanWork = Arrays.stream(model.standard).average().orElse(1);
        meanDay = Math.max(
                1,
                Arrays.stream(model.capacity)
                        .flatMapToLong(Arrays::stream)
                        .average()
                        .orElse(1));
        meanSetUp = Math.max(
                1,
                Arrays.stream(model.bench)
                        .map(b -> model.setUp[Model.NOTHING][b])
                        .average()
                        .orElse(1));
    }

    /** In the order of a rule, each to whoever makes it first. */
    List<List<Integer>> by(Rule rule) {
        List<Integer> all = new ArrayList<>();
        for (int p = 0; p < model.parcels; p++) {
            all.add(p);
        }
        int[] firstDue = new int[model.setUp.length];
        Arrays.fill(firstDue, Integer.MAX_VALUE);
        all.forEach(p -> firstDue[model.bench[p]] = Math.min(firstDue[model.bench[p]], due(p)));
        Comparator<Integer> byDue = Comparator.<Integer>comparingInt(this::due)
                .thenComparingInt(p -> model.order[p])
                .thenComparingInt(p -> p);
        Comparator<Integer> byColour = Comparator.<Integer>comparingInt(p -> firstDue[model.bench[p]])
                .thenComparingInt(p -> model.bench[p])
                .thenComparing(byDue);
        all.sort(
                switch (rule) {
                    case DUE_DATE -> byDue;
                    case COLOURS -> byColour;
                    case COLOURS_BY_WEEK ->
                        Comparator.<Integer>comparingInt(p -> Math.floorDiv(due(p), WEEK))
                                .thenComparingInt(p -> model.bench[p])
                                .thenComparing(byDue);
                });
        Place[] makers = begin();
        List<List<Integer>> lines = empty();
        for (int p : all) {
            int best = -1;
            Place bestAt = makers[0];
            for (int m = 0; m < model.makers; m++) {
                if (model.ties(m, p)) {
                    Place at = makers[m].copy();
                    at.tie(p);
                    if (best < 0 || earlier(at, bestAt)) {
                        best = m;
                        bestAt = at;
                    }
                }
            }
            makers[best] = bestAt;
            lines.get(best).add(p);
        }
        return lines;
    }

    private int due(int parcel) {
        return due[parcel];
    }

    private Place[] begin() {
        Place[] makers = new Place[model.makers];
        for (int m = 0; m < makers.length; m++) {
            makers[m] = new Place(model);
            makers[m].start(m);
        }
        return makers;
    }

    private List<List<Integer>> empty() {
        List<List<Integer>> lines = new ArrayList<>();
        for (int m = 0; m < model.makers; m++) {
            lines.add(new ArrayList<>());
        }
        return lines;
    }

    private static boolean earlier(Place one, Place other) {
        return one.day != other.day ? one.day < other.day : one.left > other.left;
    }

    /** One for each setting. */
    List<List<List<Integer>>> dispatched() {
        List<List<List<Integer>>> all = new ArrayList<>();
        for (double slack : SLACK) {
            for (double setUp : SET_UP) {
                all.add(dispatched(slack, setUp));
            }
        }
        return all;
    }

    List<List<Integer>> dispatched(double k1, double k2) {
        Place[] makers = begin();
        List<List<Integer>> lines = empty();
        boolean[] gone = new boolean[model.parcels];
        boolean[] idle = new boolean[model.makers];
        for (int left = model.parcels; left > 0; ) {
            int free = -1;
            for (int m = 0; m < model.makers; m++) {
                if (!idle[m] && (free < 0 || earlier(makers[m], makers[free]))) {
                    free = m;
                }
            }
            int chosen = chosen(free, makers[free], gone, k1, k2);
            if (chosen < 0) {
                idle[free] = true;
                continue;
            }
            makers[free].tie(chosen);
            lines.get(free).add(chosen);
            gone[chosen] = true;
            left--;
        }
        return lines;
    }

    private int chosen(int maker, Place at, boolean[] gone, double k1, double k2) {
        int[] each = model.each[maker];
        int[] setUp = model.setUp[at.bench];
        double perSlack = 1 / (k1 * meanWork * model.makers * SLACK.length);
        double perSetUp = 1 / (k2 * meanSetUp);
        double perWait = 1 / (WAIT * meanWork);
        int chosen = -1;
        double best = Double.NEGATIVE_INFINITY;
        for (int p = 0; p < model.parcels; p++) {
            if (gone[p] || each[p] < 0) {
                continue;
            }
            double work = (double) model.pieces[p] * each[p];
            double slack = Math.max(0, (due[p] - at.day) * meanDay - work);
            double wait = Math.max(0, model.release[p] - at.day) * meanDay;
            double index = urgency[p] - slack * perSlack - setUp[model.bench[p]] * perSetUp - wait * perWait;
            if (index > best) {
                best = index;
                chosen = p;
            }
        }
        return chosen;
    }
}
