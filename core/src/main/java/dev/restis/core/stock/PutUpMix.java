package dev.restis.core.stock;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * The cheapest way to buy at least so much in whole put-ups; of equally cheap ones that with the most, then that with the
 * fewest put-ups.
 *
 * @param counts how many of each put-up, in the order they were offered
 * @param quantity what that is together
 */
public record PutUpMix(List<Integer> counts, long quantity, BigDecimal price) {

    /** More put-ups of the largest kind than this are no purchase of a workshop. */
    public static final long MOST_OF_THE_LARGEST = 10_000;

    private static final int MOST_STEPS = 20_000;

    /**
     * A unit in which an article is sold.
     *
     * @param quantity micrometres or pieces, above 0
     * @param price not negative, at most {@value Balance#SCALE} decimals
     */
    public record PutUp(long quantity, BigDecimal price) {}

    public PutUpMix {
        counts = List.copyOf(counts);
    }

    /**
     * Unbounded covering knapsack over the common divisor of the put-ups' sizes. Where that would make too many steps, sizes
     * are rounded down and the need up to a coarser one: the mix then still suffices.
     *
     * @throws IllegalArgumentException when there is no put-up, or needed is beyond {@value #MOST_OF_THE_LARGEST} of the largest
     */
    public static PutUpMix cheapest(long needed, List<PutUp> putUps) {
        long largest = putUps.stream().mapToLong(PutUp::quantity).max().orElse(0);
        if (largest < 1 || needed / Math.max(1, largest) > MOST_OF_THE_LARGEST) {
            throw new IllegalArgumentException("needed must be at most " + MOST_OF_THE_LARGEST
                    + " of the largest put-up, and there must be one, but needed was " + needed + " of " + putUps);
        }
        long divisor = putUps.stream().mapToLong(PutUp::quantity).reduce(0, PutUpMix::gcd);
        long step = Math.max(divisor, ceil(needed, MOST_STEPS));
        int steps = (int) ceil(Math.max(0, needed), step);
        Best[] best = new Best[steps + 1];
        best[0] = new Best(0, 0, 0, -1, 0);
        for (int covered = 1; covered <= steps; covered++) {
            for (int k = 0; k < putUps.size(); k++) {
                PutUp putUp = putUps.get(k);
                int by = (int) Math.min(covered, putUp.quantity() / step);
                if (by > 0) {
                    Best next = best[covered - by].with(putUp, k, covered - by);
                    if (best[covered] == null || next.betterThan(best[covered])) {
                        best[covered] = next;
                    }
                }
            }
        }
        Integer[] counts = new Integer[putUps.size()];
        Arrays.fill(counts, 0);
        for (int at = steps; at > 0; at = best[at].before()) {
            counts[best[at].putUp()]++;
        }
        BigDecimal price = BigDecimal.valueOf(best[steps].cost(), Balance.SCALE);
        return new PutUpMix(new ArrayList<>(List.of(counts)), best[steps].quantity(), price);
    }

    /** The best way to cover so many steps, and the step that it goes on from. */
    private record Best(long cost, long quantity, int count, int putUp, int before) {
        Best with(PutUp more, int which, int from) {
            long price = more.price().movePointRight(Balance.SCALE).longValueExact();
            return new Best(cost + price, quantity + more.quantity(), count + 1, which, from);
        }

        boolean betterThan(Best other) {
            return cost != other.cost
                    ? cost < other.cost
                    : quantity != other.quantity ? quantity > other.quantity : count < other.count;
        }
    }

    private static long ceil(long amount, long by) {
        return (amount + by - 1) / by;
    }

    private static long gcd(long a, long b) {
        return b == 0 ? a : gcd(b, a % b);
    }
}
