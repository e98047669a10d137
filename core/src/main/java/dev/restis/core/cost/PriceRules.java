package dev.restis.core.cost;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * How the house makes a price from what a piece costs. Everything but the material is the user's to add; all zero, the
 * price is the material, rounded.
 *
 * @param labourPerHour in the workshop's currency, 0 to 1000
 * @param marginPercent on material and labour, 0 to 900
 * @param feePercent that the place of sale keeps of the price, 0 to 60
 * @param feePerPiece that it keeps of each piece besides, 0 to 1000
 * @param step prices are rounded up to a multiple of this, 0.01 to 100
 * @param taxPercent 0 to 60
 * @param taxIncluded whether prices are named with their tax in them, or it is added at the end
 * @param breaks percent off from a number of pieces of one line, ascending in number
 */
public record PriceRules(
        BigDecimal labourPerHour,
        BigDecimal marginPercent,
        BigDecimal feePercent,
        BigDecimal feePerPiece,
        BigDecimal step,
        BigDecimal taxPercent,
        boolean taxIncluded,
        List<Break> breaks) {

    /** Percent off when a line has at least so many pieces. */
    public record Break(int from, BigDecimal percentOff) {}

    /** Decimal places of a price: cents. */
    public static final int CENTS = 2;

    public static final PriceRules NONE = new PriceRules(
            BigDecimal.ZERO,
            BigDecimal.ZERO,
            BigDecimal.ZERO,
            BigDecimal.ZERO,
            new BigDecimal("0.01"),
            BigDecimal.ZERO,
            true,
            List.of());

    public PriceRules {
        breaks = breaks.stream().sorted(Comparator.comparing(Break::from)).toList();
        List<String> wrong = new ArrayList<>();
        range("labourPerHour", labourPerHour, "0", "1000", wrong);
        range("marginPercent", marginPercent, "0", "900", wrong);
        range("feePercent", feePercent, "0", "60", wrong);
        range("feePerPiece", feePerPiece, "0", "1000", wrong);
        range("step", step, "0.01", "100", wrong);
        range("taxPercent", taxPercent, "0", "60", wrong);
        breaks.forEach(b -> range("percentOff", b.percentOff(), "0", "90", wrong));
        if (!wrong.isEmpty()) {
            throw new IllegalArgumentException(String.join("; ", wrong));
        }
    }

    private static void range(String name, BigDecimal value, String least, String most, List<String> wrong) {
        if (value.compareTo(new BigDecimal(least)) < 0 || value.compareTo(new BigDecimal(most)) > 0) {
            wrong.add(name + " must be " + least + " to " + most + " but was " + value);
        }
    }

    /** Percent off for a line of so many pieces. */
    public BigDecimal percentOff(int quantity) {
        return breaks.stream()
                .filter(b -> b.from() <= quantity)
                .reduce((one, later) -> later)
                .map(Break::percentOff)
                .orElse(BigDecimal.ZERO);
    }

    /** The next multiple of the step that is not below, to the cent. */
    BigDecimal roundUp(BigDecimal price) {
        return price.divide(step, 0, RoundingMode.CEILING).multiply(step).setScale(CENTS, RoundingMode.CEILING);
    }
}
