package dev.restis.core.stock;

import java.math.BigDecimal;
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

    /** How many put-ups the exact search is left to choose; of very many the rest are of the kind that is cheapest by amount. */
    private static final long CHOSEN = 5_000;

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
     * @param needed nothing is bought at 0 or below
     * @throws IllegalArgumentException when there is no put-up
     */
    public static PutUpMix cheapest(long needed, List<PutUp> putUps) {
        if (putUps.isEmpty() || putUps.stream().anyMatch(p -> p.quantity() < 1)) {
            throw new IllegalArgumentException(
                    "there must be a put-up and each must hold something, but they were " + putUps);
        }
        int bulkOf = cheapestByAmount(putUps);
        PutUp bulk = putUps.get(bulkOf);
        int bulkCount = Math.toIntExact(Math.max(0, needed / bulk.quantity() - CHOSEN));
        long rest = Math.max(0, needed - bulkCount * bulk.quantity());
        long divisor = putUps.stream().mapToLong(PutUp::quantity).reduce(0, PutUpMix::gcd);
        long step = Math.max(divisor, ceil(rest, MOST_STEPS));
        int steps = (int) ceil(rest, step);
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
        counts[bulkOf] += bulkCount;
        for (int at = steps; at > 0; at = best[at].before()) {
            counts[best[at].putUp()]++;
        }
        BigDecimal price = BigDecimal.valueOf(best[steps].cost(), Balance.SCALE)
                .add(bulk.price().multiply(BigDecimal.valueOf(bulkCount)));
        return new PutUpMix(List.of(counts), best[steps].quantity() + bulkCount * bulk.quantity(), price);
    }

    private static int cheapestByAmount(List<PutUp> putUps) {
        int best = 0;
        for (int k = 1; k < putUps.size(); k++) {
            PutUp one = putUps.get(k);
            PutUp other = putUps.get(best);
            BigDecimal here = one.price().multiply(BigDecimal.valueOf(other.quantity()));
            BigDecimal there = other.price().multiply(BigDecimal.valueOf(one.quantity()));
            if (here.compareTo(there) < 0) {
                best = k;
            }
        }
        return best;
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
