package dev.restis.core.cost;

import dev.restis.core.stock.Balance;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/** Splits an amount so that the parts add up to it exactly. */
public final class Shares {

    private Shares() {}

    /**
     * Shares {@code amount} in proportion to {@code weights} by largest remainders, ties to the earlier; equal parts when
     * all weights are zero.
     *
     * @param amount not negative, at most four decimals
     * @param weights not negative, at least one
     */
    public static List<BigDecimal> of(BigDecimal amount, List<Long> weights) {
        if (weights.isEmpty() || weights.stream().anyMatch(w -> w < 0) || amount.signum() < 0) {
            throw new IllegalArgumentException(
                    "amount and weights must not be negative and there must be one weight, but were " + amount + " and "
                            + weights);
        }
        boolean allZero = weights.stream().allMatch(w -> w == 0);
        List<Long> used = allZero ? weights.stream().map(w -> 1L).toList() : weights;
        BigInteger units = amount.movePointRight(Balance.SCALE).toBigIntegerExact();
        BigInteger sum = used.stream().map(BigInteger::valueOf).reduce(BigInteger.ZERO, BigInteger::add);
        List<BigInteger> whole = new ArrayList<>();
        List<BigInteger> rests = new ArrayList<>();
        for (long weight : used) {
            BigInteger[] parts = units.multiply(BigInteger.valueOf(weight)).divideAndRemainder(sum);
            whole.add(parts[0]);
            rests.add(parts[1]);
        }
        int over = units.subtract(whole.stream().reduce(BigInteger.ZERO, BigInteger::add))
                .intValueExact();
        IntStream.range(0, used.size())
                .boxed()
                .sorted(Comparator.comparing(rests::get).reversed())
                .limit(over)
                .forEach(i -> whole.set(i, whole.get(i).add(BigInteger.ONE)));
        return whole.stream().map(w -> new BigDecimal(w, Balance.SCALE)).toList();
    }
}
