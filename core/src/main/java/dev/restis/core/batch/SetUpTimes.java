package dev.restis.core.batch;

import java.util.List;
import java.util.Optional;

/**
 * What it takes to set a bench up, in seconds, by level. The times obey the triangle inequality: over a third bench it is never
 * quicker, because each level that differs in the end must differ on the way.
 *
 * @param family when the family differs, and with it the jig and all cords
 * @param jig when the jig or the hardware differs
 * @param spool for each cord that is not mounted yet
 */
public record SetUpTimes(int family, int jig, int spool) {

    /** Starting values of common practice; the bench learns its own. */
    public static final SetUpTimes USUAL = new SetUpTimes(480, 240, 90);

    private static final int MOST = 86_400;

    public SetUpTimes {
        for (int seconds : new int[] {family, jig, spool}) {
            if (seconds < 0 || seconds > MOST) {
                throw new IllegalArgumentException("set-up seconds must be 0 to " + MOST + " but were " + seconds);
            }
        }
    }

    /**
     * A set-up that was timed.
     *
     * @param expected seconds by these times; above 0
     * @param taken seconds that it took
     */
    public record Timed(int expected, int taken) {}

    /** So many set-ups as expected are believed beforehand. */
    private static final int BELIEVED = 10;

    /**
     * The same as the bench takes them: all levels by the share of what was taken over what was expected, drawn towards one by ten set-ups
     * of a usual length.
     */
    public SetUpTimes learned(List<Timed> timed) {
        double expected = timed.stream().mapToLong(Timed::expected).sum();
        double taken = timed.stream().mapToLong(Timed::taken).sum();
        if (expected <= 0) {
            return this;
        }
        double believed = BELIEVED * expected / timed.size();
        double share = (taken + believed) / (expected + believed);
        return new SetUpTimes(scaled(family, share), scaled(jig, share), scaled(spool, share));
    }

    private static int scaled(int seconds, double share) {
        return (int) Math.min(MOST, Math.round(seconds * share));
    }

    /** @param from what lies on the bench; nothing on an empty one */
    public int seconds(Optional<Bench> from, Bench to) {
        if (from.isEmpty() || !from.get().family().equals(to.family())) {
            return family + jig + spool * to.cords().size();
        }
        int cords = (int)
                to.cords().stream().filter(c -> !from.get().cords().contains(c)).count();
        return (from.get().jig().equals(to.jig()) ? 0 : jig) + spool * cords;
    }
}
