package dev.restis.core.learning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import dev.restis.core.learning.Observation.Kind;
import java.security.MessageDigest;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** The same observations leave the same beliefs, to the last bit. */
class ReplayTest {

    private static final int OBSERVATIONS = 1200;

    /** A log as workshops keep it: makers, stitches, bounds, samples, slips, several strands of a piece. */
    private static List<Observation> log(int observations) {
        Random random = new Random(2031);
        List<Observation> log = new ArrayList<>();
        for (int number = 0; number < observations; number++) {
            String maker = random.nextBoolean() ? "Tove" : "Bram";
            String stitch = "stitch " + random.nextInt(6);
            List<Load> loads = List.of(
                    new Load(stitch, 0.12, 0.0005, 1),
                    new Load("path " + stitch + random.nextInt(2), 0.05, 0, 1),
                    new Load("maker " + maker, 0.05, 0.002, 1),
                    new Load("gauge", 0.05, 0, random.nextGaussian()));
            Use use = new Use(stitch, 100, List.of(new Share(300 + random.nextInt(900), loads)));
            Kind kind = Kind.values()[random.nextInt(10) == 0 ? 1 + random.nextInt(2) : 0];
            double value = 100 + use.shares().get(0).amount() * Math.exp(0.1 * random.nextGaussian());
            log.add(new Observation(
                    number,
                    number / 20,
                    number / 2,
                    List.of(maker + " " + stitch, maker),
                    use,
                    random.nextInt(100) == 0 ? 10 * value : value,
                    kind,
                    1,
                    random.nextInt(50) == 0,
                    random.nextInt(40) == 0));
        }
        return log;
    }

    private static byte[] replayed(List<Observation> log) {
        Learner learner = new Learner(Rules.CORD);
        log.forEach(learner::fold);
        return learner.save();
    }

    private static String digest(byte[] saved) throws Exception {
        return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(saved));
    }

    /** Run as a process of its own by the test below. */
    public static void main(String[] args) throws Exception {
        System.out.print(digest(replayed(log(OBSERVATIONS))));
    }

    @Test
    void anotherProcessReplaysToTheLastBit() throws Exception {
        Process process = new ProcessBuilder(
                        ProcessHandle.current().info().command().orElse("java"),
                        // Compiled otherwise than here, it must reckon alike all the same.
                        "-Xint",
                        "-cp",
                        System.getProperty("surefire.test.class.path", System.getProperty("java.class.path")),
                        ReplayTest.class.getName())
                .redirectError(ProcessBuilder.Redirect.INHERIT)
                .start();
        String there = new String(process.getInputStream().readAllBytes());
        assertThat(process.waitFor()).isZero();
        assertThat(there).isEqualTo(digest(replayed(log(OBSERVATIONS))));
    }

    @Test
    void whatWasSavedGoesOnAsIfItHadNeverStopped() {
        List<Observation> log = log(OBSERVATIONS);
        for (int at : new int[] {0, 1, 499, 500, 1199}) {
            Learner learner = new Learner(Rules.CORD);
            log.subList(0, at).forEach(learner::fold);
            Learner restored = Learner.restored(Rules.CORD, learner.save());
            log.subList(at, log.size()).forEach(restored::fold);
            assertThat(restored.save()).as("from %d", at).isEqualTo(replayed(log));
        }
    }

    /** What is left out leaves no trace once the log is replayed from before it. */
    @Test
    void whatIsDroppedAndTakenBackLeavesNoTrace() {
        List<Observation> log = log(400);
        List<Observation> without = new ArrayList<>(log);
        Observation dropped = without.remove(250);
        byte[] before = replayed(log);
        assertThat(replayed(without)).isNotEqualTo(before);
        without.add(250, dropped);
        assertThat(replayed(without)).isEqualTo(before);
    }

    @Test
    void whatIsNoSavedStateIsRefused() {
        assertThatIllegalArgumentException().isThrownBy(() -> Learner.restored(Rules.CORD, new byte[] {0, 0, 0, 9}));
        byte[] cut = java.util.Arrays.copyOf(replayed(log(20)), 60);
        assertThatIllegalArgumentException().isThrownBy(() -> Learner.restored(Rules.CORD, cut));
    }
}
