package dev.restis.core.cost;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Duration;
import java.util.List;
import java.util.Optional;

/**
 * What an hour of hands has earned by pieces of a pattern: what they were sold for before tax, less their material and the fees of the
 * place of sale, over the time that was logged for them.
 *
 * @param pieces how many it is known from
 * @param perHour of all of them together
 * @param least of the piece that earned least by the hour
 * @param most of the one that earned most
 * @param material that one of them cost in the mean
 * @param worked that one of them took in the mean
 */
public record Earning(
        int pieces, BigDecimal perHour, BigDecimal least, BigDecimal most, BigDecimal material, Duration worked) {

    /** Fewer pieces say nothing about a pattern. */
    public static final int LEAST_PIECES = 3;

    private static final BigDecimal SECONDS_PER_HOUR = BigDecimal.valueOf(3600);

    /**
     * A piece that was sold.
     *
     * @param net its price before tax
     * @param fees that the place of sale keeps
     * @param worked that was logged for it; some
     */
    public record Sold(BigDecimal net, BigDecimal fees, BigDecimal material, Duration worked) {
        public Sold {
            if (worked.isNegative() || worked.isZero()) {
                throw new IllegalArgumentException("worked must be more than nothing but was " + worked);
            }
        }

        private BigDecimal left() {
            return net.subtract(fees).subtract(material);
        }

        private BigDecimal perHour() {
            return byHour(left(), worked);
        }
    }

    /** @return empty for fewer than {@value #LEAST_PIECES} pieces */
    public static Optional<Earning> of(List<Sold> sold) {
        if (sold.size() < LEAST_PIECES) {
            return Optional.empty();
        }
        Duration worked = sold.stream().map(Sold::worked).reduce(Duration.ZERO, Duration::plus);
        BigDecimal left = sold.stream().map(Sold::left).reduce(BigDecimal.ZERO, BigDecimal::add);
        BigDecimal material = sold.stream().map(Sold::material).reduce(BigDecimal.ZERO, BigDecimal::add);
        List<BigDecimal> each = sold.stream().map(Sold::perHour).sorted().toList();
        return Optional.of(new Earning(
                sold.size(),
                byHour(left, worked),
                each.get(0),
                each.get(each.size() - 1),
                material.divide(BigDecimal.valueOf(sold.size()), 4, RoundingMode.HALF_EVEN),
                worked.dividedBy(sold.size())));
    }

    private static BigDecimal byHour(BigDecimal amount, Duration worked) {
        return amount.multiply(SECONDS_PER_HOUR)
                .divide(BigDecimal.valueOf(worked.toSeconds()), PriceRules.CENTS, RoundingMode.HALF_EVEN);
    }
}
