package dev.restis.core.learning;

import dev.restis.core.learning.Observation.Kind;
import dev.restis.core.learning.Outcome.What;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Folds observations into beliefs, one after the other: an extended Kalman filter on log factors.
 *
 * <p>An observation of {@code E = fixed + sum of a_k exp(x_k)} is taken as one of {@code ln E}, linearised with the share that each
 * way of tying has in the whole; its noise is that share's. The order in which observations are folded is that of their numbers.
 */
public final class Learner {

    /** Stranger than so many spreads, a measurement is not learned from until somebody looked at it. */
    public static final double DOUBTED_BEYOND = Rules.DOUBT;

    /** To be raised with every change of what is saved. */
    private static final int FORMAT = 1;

    /** How surprises of a hand have run lately. */
    private record Run(double sum, long since, int pieces, double off) {
        static final Run NONE = new Run(0, 0, 0, 0);
    }

    private final Beliefs beliefs;
    private final Map<String, Run> runs = new LinkedHashMap<>();
    /** How many figures of a hand in a row were beyond belief, negative when they were low. */
    private final Map<String, Integer> strangers = new LinkedHashMap<>();

    private final List<Flag> flags = new ArrayList<>();
    private long piece = Long.MIN_VALUE;
    private long learned;

    public Learner(Rules rules) {
        this(Beliefs.none(rules));
    }

    private Learner(Beliefs beliefs) {
        this.beliefs = beliefs;
    }

    /** With what it knew when it was {@linkplain #save saved}: it goes on as if it had never stopped, to the last bit. */
    public static Learner restored(Rules rules, byte[] saved) {
        try (DataInputStream in = new DataInputStream(new ByteArrayInputStream(saved))) {
            if (in.readInt() != FORMAT) {
                throw new IllegalArgumentException("saved by another version");
            }
            Learner learner = new Learner(Beliefs.read(rules, in));
            learner.piece = in.readLong();
            learner.learned = in.readLong();
            for (int n = in.readInt(); n > 0; n--) {
                learner.runs.put(in.readUTF(), new Run(in.readDouble(), in.readLong(), in.readInt(), in.readDouble()));
            }
            for (int n = in.readInt(); n > 0; n--) {
                learner.strangers.put(in.readUTF(), in.readInt());
            }
            for (int n = in.readInt(); n > 0; n--) {
                learner.flags.add(new Flag(in.readLong(), in.readUTF(), in.readLong(), in.readDouble()));
            }
            return learner;
        } catch (IOException e) {
            throw new IllegalArgumentException("what was saved cannot be read", e);
        }
    }

    /** All that it knows. */
    public byte[] save() {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (DataOutputStream out = new DataOutputStream(bytes)) {
            out.writeInt(FORMAT);
            beliefs.write(out);
            out.writeLong(piece);
            out.writeLong(learned);
            out.writeInt(runs.size());
            for (Map.Entry<String, Run> run : runs.entrySet()) {
                out.writeUTF(run.getKey());
                out.writeDouble(run.getValue().sum());
                out.writeLong(run.getValue().since());
                out.writeInt(run.getValue().pieces());
                out.writeDouble(run.getValue().off());
            }
            out.writeInt(strangers.size());
            for (Map.Entry<String, Integer> inARow : strangers.entrySet()) {
                out.writeUTF(inARow.getKey());
                out.writeInt(inARow.getValue());
            }
            out.writeInt(flags.size());
            for (Flag flag : flags) {
                out.writeLong(flag.number());
                out.writeUTF(flag.hand());
                out.writeLong(flag.since());
                out.writeDouble(flag.factor());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    /** What is believed now; later observations do not change it. */
    public Beliefs beliefs() {
        Beliefs copy = beliefs.copy();
        copy.forgetTension();
        return copy;
    }

    /** What is believed of a way of tying now. */
    public Beliefs.Factor believed(List<Load> loads) {
        return beliefs.factor(loads);
    }

    /** Hands that have changed, in the order in which that was told. */
    public List<Flag> flags() {
        return List.copyOf(flags);
    }

    /** Learns from an observation, unless it is too strange. */
    public Outcome fold(Observation seen) {
        if (seen.piece() != piece) {
            beliefs.forgetTension();
            walk(seen);
            piece = seen.piece();
        }
        Linear linear = linear(seen.use());
        double noise = linear.noise(
                seen.sample()
                        ? Rules.SAMPLE_NOISE * Rules.SAMPLE_NOISE
                        : beliefs.noiseOf(seen.use().noise()).variance());
        double reading = seen.reading() / seen.value();
        double variance = linear.variance() + noise + reading * reading;
        double spread = StrictMath.sqrt(variance);
        double off = StrictMath.log(seen.value()) - StrictMath.log(linear.expected());
        double surprise = off / spread;
        What what = seen.kind() == Kind.EXACT ? judged(seen, surprise) : What.LEARNED;
        if (what != What.DOUBTED) {
            switch (seen.kind()) {
                case EXACT -> {
                    if (what == What.CHANGE) {
                        widen(seen.use());
                        linear = linear(seen.use());
                        variance = linear.variance() + noise + reading * reading;
                    }
                    update(linear, variance, off, 0);
                    learnNoise(seen, linear, noise, variance, off);
                    follow(seen, surprise, off);
                }
                case AT_LEAST -> updateBeyond(linear, variance, off, 1);
                case AT_MOST -> updateBeyond(linear, variance, off, -1);
            }
            learned++;
            beliefs.count(seen);
        }
        return new Outcome(seen.number(), what, linear.expected(), spread, surprise);
    }

    /** What is doubted: strange beyond belief, unless it is confirmed or the third in a row on its side. */
    private What judged(Observation seen, double surprise) {
        String hand = seen.hands().get(0);
        boolean strange = Math.abs(surprise) > Rules.DOUBT && learned >= beliefs.rules.doubtsAfter();
        int side = surprise > 0 ? 1 : -1;
        int before = strangers.getOrDefault(hand, 0);
        int inARow = !strange ? 0 : before * side > 0 ? before + side : side;
        strangers.put(hand, inARow);
        if (!strange || seen.confirmed()) {
            return What.LEARNED;
        }
        return Math.abs(inARow) >= Rules.CHANGE_AFTER ? What.CHANGE : What.DOUBTED;
    }

    /** Every feature that acts on a piece may have changed a little since the last. */
    private void walk(Observation seen) {
        for (Share share : seen.use().shares()) {
            for (Load load : share.loads()) {
                int at = beliefs.place(load);
                // A feature that acts on several shares walks once.
                if (first(seen.use(), share, load)) {
                    beliefs.covariance[at][at] += load.walk() * load.walk();
                }
            }
        }
    }

    private static boolean first(Use use, Share share, Load load) {
        for (Share earlier : use.shares()) {
            if (earlier == share) {
                return true;
            }
            if (earlier.loads().stream().anyMatch(l -> l.feature().equals(load.feature()))) {
                return false;
            }
        }
        return true;
    }

    /** What a hand did is worth little once it has changed: its own features are as open as when it was new. */
    private void widen(Use use) {
        for (Share share : use.shares()) {
            for (Load load : share.loads()) {
                if (load.walk() > 0) {
                    int at = beliefs.place(load);
                    if (first(use, share, load)) {
                        beliefs.covariance[at][at] += load.spread() * load.spread();
                    }
                }
            }
        }
    }

    /** The gradient of the log of a use, and with it what is believed of that log. */
    private record Linear(double expected, double free, double[] gradient, double[] gain, double variance) {

        /** The noise acts on what is tied alone. */
        double noise(double ofTied) {
            return ofTied * free * free;
        }
    }

    private Linear linear(Use use) {
        Load tension = beliefs.tension();
        int piecePlace = beliefs.place(tension);
        int[][] at = new int[use.shares().size()][];
        for (int k = 0; k < at.length; k++) {
            List<Load> loads = use.shares().get(k).loads();
            at[k] = new int[loads.size()];
            for (int f = 0; f < at[k].length; f++) {
                at[k][f] = beliefs.place(loads.get(f));
            }
        }
        double[] each = new double[at.length];
        double expected = use.fixed();
        for (int k = 0; k < at.length; k++) {
            Share share = use.shares().get(k);
            double log = beliefs.mean[piecePlace];
            for (int f = 0; f < at[k].length; f++) {
                log += share.loads().get(f).value() * beliefs.mean[at[k][f]];
            }
            each[k] = share.amount() * StrictMath.exp(log);
            expected += each[k];
        }
        double[] gradient = new double[beliefs.mean.length];
        double free = 0;
        for (int k = 0; k < at.length; k++) {
            double part = each[k] / expected;
            free += part;
            gradient[piecePlace] += part;
            for (int f = 0; f < at[k].length; f++) {
                gradient[at[k][f]] += part * use.shares().get(k).loads().get(f).value();
            }
        }
        double[] gain = new double[gradient.length];
        double variance = 0;
        for (int i = 0; i < gain.length; i++) {
            double sum = 0;
            for (int j = 0; j < gain.length; j++) {
                sum += beliefs.covariance[i][j] * gradient[j];
            }
            gain[i] = sum;
        }
        for (int i = 0; i < gain.length; i++) {
            variance += gradient[i] * gain[i];
        }
        return new Linear(expected, free, gradient, gain, variance);
    }

    /**
     * @param variance of the observation as it was expected
     * @param off how far it lies from what was expected
     * @param left how much of that variance is left after it: 0 when it is known
     */
    private void update(Linear linear, double variance, double off, double left) {
        int n = linear.gain().length;
        double shrink = (1 - left / variance) / variance;
        for (int i = 0; i < n; i++) {
            beliefs.mean[i] += linear.gain()[i] / variance * off;
            double[] row = beliefs.covariance[i];
            for (int j = 0; j < n; j++) {
                row[j] -= linear.gain()[i] * linear.gain()[j] * shrink;
            }
        }
    }

    /**
     * Of an observation only a bound is known: the normal beyond it has the mean {@code sd * h} and the variance
     * {@code sd^2 (1 - h (h - a))}, h the hazard at the bound a.
     *
     * @param side 1 for at least, -1 for at most
     */
    private void updateBeyond(Linear linear, double variance, double off, int side) {
        double sd = StrictMath.sqrt(variance);
        double bound = side * off / sd;
        double hazard = Normal.hazard(bound);
        double left = variance * Math.max(0, 1 - hazard * (hazard - bound));
        update(linear, variance, side * sd * hazard, left);
    }

    /** How much of a surprise was noise: its expected square, given what it was in all. */
    private void learnNoise(Observation seen, Linear linear, double noise, double variance, double off) {
        if (seen.sample() || !(noise > 0)) {
            return;
        }
        double part = noise / variance;
        double square = part * part * off * off + noise * (1 - part);
        double ofTied = square / (linear.free() * linear.free());
        String what = seen.use().noise();
        beliefs.noises.put(what, beliefs.noiseOf(what).with(ofTied));
        if (!what.equals(Beliefs.EVERYWHERE)) {
            beliefs.noises.put(Beliefs.EVERYWHERE, beliefs.everywhere().with(ofTied));
        }
    }

    /** Whether a hand has changed: that with this stitch, or all that its maker ties. */
    private void follow(Observation seen, double surprise, double off) {
        boolean told = false;
        for (String hand : seen.hands()) {
            Run run = runs.getOrDefault(hand, Run.NONE);
            double sum = Rules.FADING * run.sum() + surprise;
            boolean turned = run.pieces() == 0 || run.sum() * sum <= 0;
            Run now = new Run(
                    sum,
                    turned ? seen.day() : run.since(),
                    turned ? 1 : run.pieces() + 1,
                    turned ? off : run.off() + off);
            runs.put(hand, now);
            if (!told && Math.abs(sum) * StrictMath.sqrt(1 - Rules.FADING * Rules.FADING) > Rules.DRIFT) {
                flags.add(new Flag(seen.number(), hand, now.since(), StrictMath.exp(now.off() / now.pieces())));
                told = true;
            }
        }
        if (told) {
            widen(seen.use());
            seen.hands().forEach(runs::remove);
        }
    }
}
