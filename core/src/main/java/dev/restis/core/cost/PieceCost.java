package dev.restis.core.cost;

import java.math.BigDecimal;

/**
 * Material cost of a piece and where it went.
 *
 * @param used cord in the finished body and its knots
 * @param tails cord cut off after tying: hand tails, margin and rounding
 * @param waste its share of the cord binned when its batch was cut
 * @param hardware beads and rings
 */
public record PieceCost(BigDecimal used, BigDecimal tails, BigDecimal waste, BigDecimal hardware) {

    public static final PieceCost NOTHING =
            new PieceCost(BigDecimal.ZERO, BigDecimal.ZERO, BigDecimal.ZERO, BigDecimal.ZERO);

    public BigDecimal total() {
        return used.add(tails).add(waste).add(hardware);
    }

    public PieceCost plus(PieceCost other) {
        return new PieceCost(
                used.add(other.used), tails.add(other.tails), waste.add(other.waste), hardware.add(other.hardware));
    }
}
