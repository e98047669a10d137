package dev.restis.core.batch.search;

import dev.restis.core.batch.Chances;
import dev.restis.core.batch.PlanWork;
import dev.restis.core.batch.Spread;
import dev.restis.core.batch.WorkPlan;
import dev.restis.core.learning.Normal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;

/**
 * Plays a plan many times with minutes as they may be. Its sequences stay; days follow. Some plays go side by side, each portion of them on a
 * stream of random numbers that was split off one stream: streams that are begun anew a step on would overlap. How many portions there
 * are does not depend on the machine, so that the same seed gives the same chances.
 */
public final class Playing {

    private static final int TABLE = 4096;
    private static final int PORTIONS = 8;
    /** Quantiles of the standard normal, so that a draw is one look into a table. */
    private static final double[] QUANTILES = quantiles();

    private final Model model;
    private final int[][] lines;
    private final Spread spread;
    /** By parcel, the factors that it draws from; parcels of one spread share them. */
    private final double[][] own;

    private Playing(PlanWork work, WorkPlan plan, Spread spread, Optional<Integer> order) {
        this.model = new Model(work);
        this.spread = spread;
        this.lines = plan.sequences().stream().map(line -> line(line, order)).toArray(int[][]::new);
        this.own = new double[model.parcels][];
        Map<Double, double[]> tables = new HashMap<>();
        for (int p = 0; p < own.length; p++) {
            double relative = spread.pieces().get(p) / StrictMath.sqrt(model.pieces[p]);
            own[p] = tables.computeIfAbsent(relative, Playing::factors);
        }
    }

    /** All of a line, or where one order is asked for, what must be made until it is. */
    private int[] line(List<Integer> line, Optional<Integer> order) {
        int last = line.size();
        while (order.isPresent() && last > 0 && model.order[line.get(last - 1)] != order.get()) {
            last--;
        }
        return line.stream().limit(last).mapToInt(Integer::intValue).toArray();
    }

    private static double[] factors(double relative) {
        double sd = sd(relative);
        double[] table = new double[TABLE];
        for (int i = 0; i < TABLE; i++) {
            table[i] = StrictMath.exp(sd * QUANTILES[i] - sd * sd / 2);
        }
        return table;
    }

    /** @return the spread of the log of a factor whose mean is 1 and whose relative spread is given */
    private static double sd(double relative) {
        return StrictMath.sqrt(StrictMath.log(1 + relative * relative));
    }

    private static double[] quantiles() {
        double[] table = new double[TABLE];
        for (int i = 0; i < TABLE; i++) {
            table[i] = Normal.quantile((i + 0.5) / TABLE);
        }
        return table;
    }

    /**
     * Plays it.
     *
     * @param seed another one gives other days, and nearly the same chances
     */
    public static Chances play(PlanWork work, WorkPlan plan, Spread spread, int runs, long seed) {
        return play(work, plan, spread, runs, seed, Optional.empty());
    }

    /** @param order alone is asked for; the days of others are not told then */
    static Chances play(PlanWork work, WorkPlan plan, Spread spread, int runs, long seed, Optional<Integer> order) {
        return new Playing(work, plan, spread, order).play(runs, new SplittableRandom(seed));
    }

    private Chances play(int runs, SplittableRandom random) {
        int portions = Math.max(1, Math.min(PORTIONS, runs));
        List<Portion> all = new ArrayList<>();
        for (int p = 0; p < portions; p++) {
            all.add(new Portion(runs / portions + (p < runs % portions ? 1 : 0), random.split()));
        }
        all.parallelStream().forEach(Portion::play);
        List<int[]> days = all.get(0).days;
        all.subList(1, portions).forEach(more -> more.addTo(days));
        return new Chances(runs, days);
    }

    /** Some of the plays, on a stream of their own. */
    private final class Portion {
        private final int runs;
        private final SplittableRandom random;
        private final List<int[]> days = new ArrayList<>();

        Portion(int runs, SplittableRandom random) {
            this.runs = runs;
            this.random = random;
        }

        void play() {
            int orders = model.work.orders().size();
            for (int o = 0; o < orders; o++) {
                days.add(new int[0]);
            }
            int families = Arrays.stream(model.family).max().orElse(0);
            double[] ofFamily = new double[families + 1];
            int[] made = new int[orders];
            Place at = new Place(model);
            double[] family = factors(spread.family());
            double[] maker = factors(spread.maker());
            for (int run = 0; run < runs; run++) {
                for (int o = 0; o < orders; o++) {
                    made[o] = model.work.orders().get(o).fixed();
                }
                for (int f = 0; f <= families; f++) {
                    ofFamily[f] = drawn(family, random);
                }
                for (int m = 0; m < lines.length; m++) {
                    tie(m, drawn(maker, random), ofFamily, at, made);
                }
                for (int o = 0; o < orders; o++) {
                    if (made[o] >= 0) {
                        count(o, made[o] + model.work.orders().get(o).delay());
                    }
                }
            }
        }

        private void tie(int m, double ofMaker, double[] ofFamily, Place at, int[] made) {
            at.start(m);
            for (int parcel : lines[m]) {
                double factor = ofMaker * ofFamily[model.family[model.bench[parcel]]] * drawn(own[parcel], random);
                at.tie(parcel, (int) Math.max(1, Math.round(model.each[m][parcel] * factor)));
                int o = model.order[parcel];
                made[o] = Math.max(made[o], at.day);
            }
        }

        private void count(int order, int day) {
            int[] of = days.get(order);
            if (day >= of.length) {
                of = Arrays.copyOf(of, day + 8);
                days.set(order, of);
            }
            of[day]++;
        }

        void addTo(List<int[]> sums) {
            for (int o = 0; o < days.size(); o++) {
                int[] mine = days.get(o);
                int[] sum = sums.get(o);
                if (sum.length < mine.length) {
                    sum = Arrays.copyOf(sum, mine.length);
                    sums.set(o, sum);
                }
                for (int day = 0; day < mine.length; day++) {
                    sum[day] += mine[day];
                }
            }
        }
    }

    private static double drawn(double[] factors, SplittableRandom random) {
        return factors[random.nextInt(TABLE)];
    }
}
