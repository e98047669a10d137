package dev.restis.core.learning;

import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What is believed of all features met so far: their joint mean and covariance, and the noise that no feature explains. Not
 * changed once it is handed out. All sums run in a fixed order, and all functions are those of {@link StrictMath}, so that the same
 * observations leave the same beliefs to the last bit on every machine.
 */
public final class Beliefs {

    /** A scaled inverse chi-square: {@code pieces} of it have shown {@code variance}. */
    record Noise(double pieces, double variance) {

        /** The same, with one more piece that shows so much. */
        Noise with(double seen) {
            double known = Math.min(pieces, Rules.NOISE_MEMORY);
            double least = Rules.LEAST_NOISE * Rules.LEAST_NOISE;
            return new Noise(known + 1, Math.max(least, (known * variance + seen) / (known + 1)));
        }
    }

    /**
     * What a feature's figure rests on.
     *
     * @param pieces measurements of pieces
     * @param samples those that were tied to be measured
     */
    public record Seen(int pieces, int samples) {
        static final Seen NOTHING = new Seen(0, 0);
    }

    static final String EVERYWHERE = "";
    /** The tension of the piece that is looked at; it lives for that piece only. */
    private static final String PIECE = "piece";

    final Rules rules;
    final Map<String, Integer> places;
    final List<Load> features;
    final Map<String, Noise> noises;
    final Map<String, Seen> seen;
    double[] mean;
    double[][] covariance;

    private Beliefs(
            Rules rules,
            Map<String, Integer> places,
            List<Load> features,
            Map<String, Noise> noises,
            Map<String, Seen> seen,
            double[] mean,
            double[][] covariance) {
        this.rules = rules;
        this.places = places;
        this.features = features;
        this.noises = noises;
        this.seen = seen;
        this.mean = mean;
        this.covariance = covariance;
    }

    /** Before anything is seen. */
    public static Beliefs none(Rules rules) {
        Map<String, Noise> noises = new LinkedHashMap<>();
        noises.put(EVERYWHERE, new Noise(Rules.NOISE_PIECES, rules.noise() * rules.noise()));
        return new Beliefs(
                rules,
                new LinkedHashMap<>(),
                new ArrayList<>(),
                noises,
                new LinkedHashMap<>(),
                new double[0],
                new double[0][0]);
    }

    Beliefs copy() {
        double[][] rows = new double[covariance.length][];
        for (int i = 0; i < rows.length; i++) {
            rows[i] = covariance[i].clone();
        }
        return new Beliefs(
                rules,
                new LinkedHashMap<>(places),
                new ArrayList<>(features),
                new LinkedHashMap<>(noises),
                new LinkedHashMap<>(seen),
                mean.clone(),
                rows);
    }

    void write(DataOutputStream out) throws IOException {
        out.writeInt(features.size());
        for (int i = 0; i < features.size(); i++) {
            Load feature = features.get(i);
            out.writeUTF(feature.feature());
            out.writeDouble(feature.spread());
            out.writeDouble(feature.walk());
            out.writeDouble(mean[i]);
            for (double each : covariance[i]) {
                out.writeDouble(each);
            }
        }
        out.writeInt(noises.size());
        for (Map.Entry<String, Noise> noise : noises.entrySet()) {
            out.writeUTF(noise.getKey());
            out.writeDouble(noise.getValue().pieces());
            out.writeDouble(noise.getValue().variance());
        }
        out.writeInt(seen.size());
        for (Map.Entry<String, Seen> each : seen.entrySet()) {
            out.writeUTF(each.getKey());
            out.writeInt(each.getValue().pieces());
            out.writeInt(each.getValue().samples());
        }
    }

    static Beliefs read(Rules rules, DataInputStream in) throws IOException {
        Beliefs beliefs = none(rules);
        int n = in.readInt();
        beliefs.mean = new double[n];
        beliefs.covariance = new double[n][n];
        for (int i = 0; i < n; i++) {
            Load feature = new Load(in.readUTF(), in.readDouble(), in.readDouble(), 1);
            beliefs.places.put(feature.feature(), i);
            beliefs.features.add(feature);
            beliefs.mean[i] = in.readDouble();
            for (int j = 0; j < n; j++) {
                beliefs.covariance[i][j] = in.readDouble();
            }
        }
        for (int left = in.readInt(); left > 0; left--) {
            beliefs.noises.put(in.readUTF(), new Noise(in.readDouble(), in.readDouble()));
        }
        for (int left = in.readInt(); left > 0; left--) {
            beliefs.seen.put(in.readUTF(), new Seen(in.readInt(), in.readInt()));
        }
        return beliefs;
    }

    Noise noiseOf(String what) {
        Noise known = noises.get(what);
        // One that was never seen starts with what the house has shown.
        return known != null
                ? known
                : new Noise(Rules.NOISE_PIECES, everywhere().variance());
    }

    Noise everywhere() {
        return java.util.Objects.requireNonNull(noises.get(EVERYWHERE));
    }

    /** What the figure of a feature rests on. */
    public Seen seen(String feature) {
        return seen.getOrDefault(feature, Seen.NOTHING);
    }

    /** The features that were met, in the order in which they were. */
    public List<Load> features() {
        return List.copyOf(features);
    }

    void count(Observation observation) {
        observation.use().shares().stream()
                .flatMap(share -> share.loads().stream())
                .map(Load::feature)
                .distinct()
                .forEach(feature -> seen.merge(
                        feature,
                        observation.sample() ? new Seen(0, 1) : new Seen(1, 0),
                        (a, b) -> new Seen(a.pieces() + b.pieces(), a.samples() + b.samples())));
    }

    /** The spread from one measurement to the next, of a log, where this is tied mostly. */
    public double noise(String what) {
        return StrictMath.sqrt(noiseOf(what).variance());
    }

    /** The same, with the tension that differs from piece to piece. */
    public double between(String what) {
        return StrictMath.sqrt(noiseOf(what).variance() + rules.pieceSpread() * rules.pieceSpread());
    }

    /**
     * The log factor of a way of tying.
     *
     * @param mean what is expected
     * @param spread one standard deviation, without what differs from piece to piece
     */
    public record Factor(double mean, double spread) {}

    /** What is believed of a way of tying. */
    public Factor factor(List<Load> loads) {
        Joint joint = new Joint();
        int[] numbers = joint.number(loads);
        joint.read();
        return new Factor(mean(loads), StrictMath.sqrt(Math.max(0, joint.between(numbers, loads, numbers, loads))));
    }

    /** The log factor that is expected of a way. */
    public double mean(List<Load> loads) {
        double sum = 0;
        for (Load load : loads) {
            Integer at = places.get(load.feature());
            if (at != null) {
                sum += load.value() * mean[at];
            }
        }
        return sum;
    }

    /** The loads of some shares against one another, with the features numbered as they are met. */
    private final class Joint {
        private final Map<String, Integer> met = new LinkedHashMap<>();
        private final List<Load> loads = new ArrayList<>();
        private double[][] known = new double[0][0];

        int[] number(List<Load> some) {
            return some.stream()
                    .mapToInt(load -> met.computeIfAbsent(load.feature(), f -> {
                        loads.add(load);
                        return loads.size() - 1;
                    }))
                    .toArray();
        }

        void read() {
            int n = loads.size();
            known = new double[n][n];
            for (int i = 0; i < n; i++) {
                Integer a = places.get(loads.get(i).feature());
                for (int j = 0; j < n; j++) {
                    Integer b = places.get(loads.get(j).feature());
                    known[i][j] = a != null && b != null
                            ? covariance[a][b]
                            : i == j ? loads.get(i).spread() * loads.get(i).spread() : 0;
                }
            }
        }

        double between(int[] one, List<Load> ofOne, int[] other, List<Load> ofOther) {
            double sum = 0;
            for (int i = 0; i < one.length; i++) {
                for (int j = 0; j < other.length; j++) {
                    sum += ofOne.get(i).value() * ofOther.get(j).value() * known[one[i]][other[j]];
                }
            }
            return sum;
        }
    }

    /**
     * What uses of one piece will be, each with its own noise and all with the piece's tension: their free parts are taken as
     * log-normal with the moments of the sums.
     *
     * <p>With T the sum of {@code a_k exp(x_k)}, x normal with means m and covariances c, E[T] is the sum of
     * {@code a_k exp(m_k + c_kk/2)} and E[T^2] that of {@code a_k a_l exp(m_k + m_l + (c_kk + c_ll)/2 + c_kl)}; the log-normal with
     * these moments has the variance {@code ln(E[T^2]/E[T]^2)} and the median {@code E[T] exp(-variance/2)}.
     */
    public Forecast forecast(List<Use> uses) {
        int n = uses.size();
        Joint joint = new Joint();
        int[][][] numbers = new int[n][][];
        for (int i = 0; i < n; i++) {
            List<Share> shares = uses.get(i).shares();
            numbers[i] = new int[shares.size()][];
            for (int k = 0; k < numbers[i].length; k++) {
                numbers[i][k] = joint.number(shares.get(k).loads());
            }
        }
        joint.read();
        double tension = rules.pieceSpread() * rules.pieceSpread();
        double[] fixed = new double[n];
        double[] middle = new double[n];
        double[] variance = new double[n];
        double[][] weights = new double[n][];
        for (int i = 0; i < n; i++) {
            Use use = uses.get(i);
            fixed[i] = use.fixed();
            weights[i] = new double[numbers[i].length];
            double own = tension + noiseOf(use.noise()).variance();
            double first = 0;
            for (int k = 0; k < weights[i].length; k++) {
                Share share = use.shares().get(k);
                double ofShare = joint.between(numbers[i][k], share.loads(), numbers[i][k], share.loads()) + own;
                weights[i][k] = share.amount() * StrictMath.exp(mean(share.loads()) + ofShare / 2);
                first += weights[i][k];
            }
            double second = 0;
            for (int k = 0; k < weights[i].length; k++) {
                for (int l = 0; l < weights[i].length; l++) {
                    double together = joint.between(
                            numbers[i][k],
                            use.shares().get(k).loads(),
                            numbers[i][l],
                            use.shares().get(l).loads());
                    second += weights[i][k] * weights[i][l] * StrictMath.exp(together + own);
                }
            }
            if (first > 0) {
                variance[i] = StrictMath.log(second / (first * first));
                middle[i] = first * StrictMath.exp(-variance[i] / 2);
            }
            for (int k = 0; k < weights[i].length; k++) {
                weights[i][k] /= first;
            }
        }
        double[][] shared = new double[n][n];
        for (int i = 0; i < n; i++) {
            for (int j = 0; j <= i; j++) {
                double sum = 0;
                for (int k = 0; k < weights[i].length; k++) {
                    for (int l = 0; l < weights[j].length; l++) {
                        double together = joint.between(
                                numbers[i][k],
                                uses.get(i).shares().get(k).loads(),
                                numbers[j][l],
                                uses.get(j).shares().get(l).loads());
                        sum += weights[i][k] * weights[j][l] * (together + tension);
                    }
                }
                shared[i][j] = sum;
                shared[j][i] = sum;
            }
        }
        return new Forecast(fixed, middle, shared, variance);
    }

    /**
     * Whether any feature is believed noticeably otherwise than before.
     *
     * @param noticed by how much a mean must have moved
     * @param surer by what part a spread
     */
    public boolean apart(Beliefs before, double noticed, double surer) {
        for (int i = 0; i < features.size(); i++) {
            Integer at = before.places.get(features.get(i).feature());
            double mean0 = at == null ? 0 : before.mean[at];
            double spread0 = at == null ? features.get(i).spread() : StrictMath.sqrt(before.covariance[at][at]);
            double spread1 = StrictMath.sqrt(covariance[i][i]);
            if (Math.abs(mean[i] - mean0) > noticed || Math.abs(spread1 - spread0) > surer * spread0) {
                return true;
            }
        }
        return before.features.size() > features.size();
    }

    /** Where a feature is kept; one that is met for the first time comes in with what is believed of it beforehand. */
    int place(Load load) {
        Integer known = places.get(load.feature());
        if (known != null) {
            return known;
        }
        int at = features.size();
        places.put(load.feature(), at);
        features.add(load);
        mean = java.util.Arrays.copyOf(mean, at + 1);
        double[][] larger = new double[at + 1][at + 1];
        for (int i = 0; i < at; i++) {
            System.arraycopy(covariance[i], 0, larger[i], 0, at);
        }
        larger[at][at] = load.spread() * load.spread();
        covariance = larger;
        return at;
    }

    Load tension() {
        return new Load(PIECE, rules.pieceSpread(), 0, 1);
    }

    /** Another piece has a tension of its own: what the last one's was is summed out. */
    void forgetTension() {
        Integer at = places.remove(PIECE);
        if (at == null) {
            return;
        }
        int last = features.size() - 1;
        if (at != last) {
            swap(at, last);
        }
        features.remove(last);
        mean = java.util.Arrays.copyOf(mean, last);
        double[][] smaller = new double[last][last];
        for (int i = 0; i < last; i++) {
            System.arraycopy(covariance[i], 0, smaller[i], 0, last);
        }
        covariance = smaller;
    }

    private void swap(int at, int last) {
        features.set(at, features.get(last));
        places.put(features.get(at).feature(), at);
        mean[at] = mean[last];
        covariance[at] = covariance[last];
        for (double[] row : covariance) {
            row[at] = row[last];
        }
    }
}
