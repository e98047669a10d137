package dev.restis.bench;

import dev.restis.core.cord.Material;
import dev.restis.core.learning.Forecast;
import dev.restis.core.learning.Learner;
import dev.restis.core.learning.Load;
import dev.restis.core.learning.Observation;
import dev.restis.core.learning.Outcome;
import dev.restis.core.learning.Rules;
import dev.restis.core.learning.Share;
import dev.restis.core.learning.Shortage;
import dev.restis.core.learning.Use;
import dev.restis.core.piece.Ways;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.Stitches;
import java.io.PrintStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;

/**
 * Workshops that are played through the product's own learning. Their truths are not drawn from what it believes beforehand: tails are
 * heavy, one stitch lies 30 % off, one maker improves with every piece, one logs one piece in five, and one in a hundred figures is a
 * slip of the pen.
 */
final class LearningBench {

    private static final int WORKSHOPS = 300;
    private static final int PIECES = 160;
    private static final double NOISE = 0.03;
    private static final double TENSION = 0.02;
    private static final double SLIPS = 0.01;
    private static final double CHANGE = 0.08;
    private static final double ALLOWED = 0.02;
    private static final int[] LOGGED = {0, 1, 3, 5, 10};
    private static final double[] RANGES = {0.674490, 1.281552, 1.959964};

    private static final List<String> MAKERS = List.of("Tove", "Bram");
    private static final List<Stitch> STITCHES = List.of(Stitches.SQUARE_KNOT, Stitches.SNAKE_KNOT, Stitches.HALF_KNOT);
    private static final List<Material> MATERIALS = List.of(
            Material.byCode("polyester").orElseThrow(),
            Material.byCode("cotton").orElseThrow());

    private final Map<Integer, List<Double>> errors = new HashMap<>();
    private final List<Double> wholeHands = new ArrayList<>();
    private final List<Double> oneStitch = new ArrayList<>();
    private final int[] inside = new int[RANGES.length];
    private int falseFlags;
    private int steadyPieces;
    private int forecasts;
    private int strands;
    private int pieces;
    private int shortPieces;
    private int shortByGeometry;
    private double cut;
    private double cutByGeometry;
    private double needed;
    private int slips;
    private int caught;
    private int doubted;
    private int good;
    private long nanos;
    private int folded;

    private LearningBench() {}

    static void print(PrintStream out, long seed) {
        LearningBench bench = new LearningBench();
        for (int workshop = 0; workshop < WORKSHOPS; workshop++) {
            bench.new Play(new Random(seed * 1_000_003L + workshop), workshop).play();
        }
        bench.table(out, seed);
    }

    /** One workshop. */
    private final class Play {
        private final Random random;
        private final boolean changes;
        private final boolean whole;
        private final Map<String, Double> truths = new HashMap<>();
        private final Map<String, Integer> logged = new HashMap<>();
        private final Learner learner = new Learner(Rules.CORD);
        private final int changesAt;
        private final String changed;
        private final String wide;
        private long number;

        Play(Random random, int workshop) {
            this.random = random;
            this.changes = workshop % 2 == 0;
            this.whole = workshop % 4 == 0;
            this.changesAt = 60 + random.nextInt(20);
            this.changed = MAKERS.get(random.nextInt(2)) + " "
                    + STITCHES.get(random.nextInt(STITCHES.size())).code();
            this.wide = STITCHES.get(random.nextInt(STITCHES.size())).code();
        }

        /** A truth of its own for each thing that differs, with heavier tails than a normal has. */
        private double truth(Load load) {
            return truths.computeIfAbsent(load.feature(), feature -> {
                if (feature.equals("stitch " + wide)) {
                    return random.nextBoolean() ? Math.log(1.3) : -Math.log(1.3);
                }
                // Student's t of four degrees has the variance 2.
                double t = random.nextGaussian()
                        / Math.sqrt((square() + square() + square() + square()) / 4)
                        / Math.sqrt(2);
                return load.spread() * t;
            });
        }

        private double square() {
            double z = random.nextGaussian();
            return z * z;
        }

        /** Of every second workshop that changes the maker ties everything otherwise, of the others one stitch. */
        private boolean changed(String hand) {
            return hand.equals(changed) || whole && hand.startsWith(changed.substring(0, changed.indexOf(' ')));
        }

        void play() {
            for (int piece = 0; piece < PIECES; piece++) {
                String maker = MAKERS.get(random.nextInt(2));
                Stitch stitch = STITCHES.get(random.nextInt(STITCHES.size()));
                Material material = MATERIALS.get(random.nextInt(2));
                piece(piece, maker, stitch, material);
            }
        }

        private void piece(int piece, String maker, Stitch stitch, Material material) {
            Gauge gauge = new Gauge(2, 2, stitch.cores().least(), stitch.coreLayout());
            List<Use> uses = List.of(
                    use(stitch, Seat.WORKING, material, gauge, maker, 180, 700 + random.nextInt(1200)),
                    use(stitch, Seat.FALL, material, gauge, maker, 220, 400 + random.nextInt(700)));
            String hand = maker + " " + stitch.code();
            boolean moved = changes && piece >= changesAt && changed(hand);
            // Bram improves by a thousandth with each piece.
            double more = (moved ? CHANGE : 0) - (maker.equals("Bram") ? 0.001 * Math.min(piece, 50) : 0);
            double tension = TENSION * random.nextGaussian();
            double[] used = new double[2];
            double[] expected = new double[2];
            for (int i = 0; i < 2; i++) {
                Share share = uses.get(i).shares().get(0);
                double log = more;
                for (Load load : share.loads()) {
                    log += load.value() * truth(load);
                }
                expected[i] = uses.get(i).fixed() + share.amount() * Math.exp(log);
                used[i] =
                        uses.get(i).fixed() + share.amount() * Math.exp(log + tension + NOISE * random.nextGaussian());
            }
            judge(uses, expected, used, logged.getOrDefault(hand, 0));
            // Bram logs one piece in five in every third workshop.
            boolean logs = !(maker.equals("Bram") && truth(new Load("lazy", 1, 0, 1)) > 0.4) || piece % 5 == 0;
            if (logs) {
                log(piece, hand, uses, used);
                logged.merge(hand, 1, Integer::sum);
            }
        }

        private Use use(
                Stitch stitch, Seat place, Material material, Gauge gauge, String maker, double fixed, double amount) {
            List<Load> loads = Ways.of(stitch, place, material, gauge, Optional.of(maker));
            return new Use(Ways.feature(stitch), fixed, List.of(new Share(amount, loads)));
        }

        private void judge(List<Use> uses, double[] expected, double[] used, int known) {
            Forecast forecast = learner.beliefs().forecast(uses);
            Forecast geometry = new Learner(Rules.CORD).beliefs().forecast(uses);
            int[] counts = {1, 1};
            double[] costs = {forecast.middle()[0], forecast.middle()[1]};
            double[] z = Shortage.spreads(forecast, counts, costs, ALLOWED);
            double[] plain = Shortage.spreads(geometry, counts, costs, ALLOWED);
            boolean runsShort = false;
            boolean shortThen = false;
            for (int i = 0; i < 2; i++) {
                double middle = forecast.at(i, 0);
                if (Arrays.stream(LOGGED).anyMatch(n -> n == known)) {
                    errors.computeIfAbsent(known, n -> new ArrayList<>()).add(Math.abs(Math.log(middle / expected[i])));
                }
                double off = Math.log((used[i] - uses.get(i).fixed()) / forecast.middle()[i]) / forecast.spread(i);
                for (int range = 0; range < RANGES.length; range++) {
                    inside[range] += Math.abs(off) < RANGES[range] ? 1 : 0;
                }
                forecasts++;
                cut += forecast.at(i, z[i]);
                cutByGeometry += geometry.at(i, plain[i]);
                needed += used[i];
                runsShort |= used[i] > forecast.at(i, z[i]);
                shortThen |= used[i] > geometry.at(i, plain[i]);
                strands++;
            }
            pieces++;
            shortPieces += runsShort ? 1 : 0;
            shortByGeometry += shortThen ? 1 : 0;
        }

        private void log(int piece, String hand, List<Use> uses, double[] used) {
            int before = learner.flags().size();
            for (int i = 0; i < 2; i++) {
                boolean slip = random.nextDouble() < SLIPS;
                double[] pens = {10, 0.1, 2, 0.5};
                double value = slip ? used[i] * pens[random.nextInt(pens.length)] : used[i];
                Observation seen = new Observation(
                        number++,
                        piece,
                        piece,
                        List.of(hand, hand.split(" ")[0]),
                        uses.get(i),
                        value,
                        Observation.Kind.EXACT,
                        1,
                        false,
                        false);
                long start = System.nanoTime();
                Outcome outcome = learner.fold(seen);
                nanos += System.nanoTime() - start;
                folded++;
                boolean notBelieved = outcome.what() == Outcome.What.DOUBTED;
                slips += slip ? 1 : 0;
                caught += slip && notBelieved ? 1 : 0;
                good += slip ? 0 : 1;
                doubted += !slip && notBelieved ? 1 : 0;
            }
            boolean told = learner.flags().size() > before;
            boolean after = changes && piece >= changesAt;
            if (told && !after) {
                falseFlags++;
            }
            if (!after) {
                steadyPieces++;
            } else if (told && changed(hand) && logged.getOrDefault("told", 0) == 0) {
                logged.put("told", 1);
                (whole ? wholeHands : oneStitch).add(piece - changesAt + 1.0);
            }
        }
    }

    private void table(PrintStream out, long seed) {
        out.printf(Locale.ROOT, "%nLearning: %d workshops of %d pieces, seed %d%n", WORKSHOPS, PIECES, seed);
        out.println("own pieces of the stitch logged    error median  nine in ten below (bar: 3 % after 10)");
        for (int n : LOGGED) {
            List<Double> of = errors.getOrDefault(n, List.of());
            out.printf(Locale.ROOT, "%34d %12.1f %% %18.1f %%%n", n, 100 * quantile(of, 0.5), 100 * quantile(of, 0.9));
        }
        out.printf(
                Locale.ROOT,
                "cut over need %.3f, by geometry alone %.3f; pieces short in 100: %.2f (allowed %.2f, bar: + %.2f), by geometry %.2f%n",
                cut / needed,
                cutByGeometry / needed,
                100.0 * shortPieces / pieces,
                100 * ALLOWED,
                100 * 2 * Math.sqrt(ALLOWED * (1 - ALLOWED) / pieces),
                100.0 * shortByGeometry / pieces);
        out.printf(
                Locale.ROOT,
                "inside the stated 50, 80, 95 %% ranges: %.1f, %.1f, %.1f %%%n",
                100.0 * inside[0] / forecasts,
                100.0 * inside[1] / forecasts,
                100.0 * inside[2] / forecasts);
        out.printf(
                Locale.ROOT,
                "slips caught %.1f %%, good figures doubted %.2f %%%n",
                100.0 * caught / Math.max(1, slips),
                100.0 * doubted / good);
        out.println(
                "a change of hand by 8 %      told after so many pieces of both makers   (bar: median 15 of whole hands)");
        for (List<Double> told : List.of(wholeHands, oneStitch)) {
            out.printf(
                    Locale.ROOT,
                    "%24s %10.0f median %10.0f nine in ten of those told %10d of %d told in time%n",
                    told == wholeHands ? "all that a maker ties" : "one stitch",
                    quantile(told, 0.5),
                    quantile(told, 0.9),
                    told.size(),
                    WORKSHOPS / 4);
        }
        out.printf(
                Locale.ROOT,
                "false flags in 80 pieces %.3f (bar: 0.05)%n",
                80.0 * falseFlags / Math.max(1, steadyPieces));
        out.printf(Locale.ROOT, "a logged strand costs %.3f ms (bar: 2 ms a piece)%n", nanos / 1e6 / folded);
    }

    private static double quantile(List<Double> values, double p) {
        if (values.isEmpty()) {
            return Double.NaN;
        }
        List<Double> sorted = values.stream().sorted().toList();
        return sorted.get((int) Math.min(sorted.size() - 1L, Math.round(p * (sorted.size() - 1))));
    }
}
