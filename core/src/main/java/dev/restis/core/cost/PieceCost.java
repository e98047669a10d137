package dev.restis.core.cost;

import java.math.BigDecimal;
import java.util.stream.Stream;

/**
 * Material cost of a piece and where it went.
 *
 * @param used cord in the finished body and its knots
 * @param tails cord that does not stay in it: hand tails, margin and rounding, and what is scrap
 * @param waste its share of the cord binned when its batch was cut
 * @param hardware beads and rings
 * @param trimmed what of the tails was logged as trimmed off and thrown away; 0 while nobody has said so
 * @param scrap what of the tails is strands that were cut anew, or all cord of a piece that was given up
 */
public record PieceCost(
        BigDecimal used,
        BigDecimal tails,
        BigDecimal waste,
        BigDecimal hardware,
        BigDecimal trimmed,
        BigDecimal scrap) {

    public static final PieceCost NOTHING =
            new PieceCost(BigDecimal.ZERO, BigDecimal.ZERO, BigDecimal.ZERO, BigDecimal.ZERO);

    /** Of which nothing is trimmed or scrap yet. */
    public PieceCost(BigDecimal used, BigDecimal tails, BigDecimal waste, BigDecimal hardware) {
        this(used, tails, waste, hardware, BigDecimal.ZERO, BigDecimal.ZERO);
    }

    public BigDecimal total() {
        return used.add(tails).add(waste).add(hardware);
    }

    /** What of the tails is neither trimmed nor scrap: as the cut was worked out. */
    public BigDecimal planned() {
        return tails.subtract(trimmed).subtract(scrap);
    }

    public PieceCost minus(PieceCost other) {
        return new PieceCost(
                used.subtract(other.used),
                tails.subtract(other.tails),
                waste.subtract(other.waste),
                hardware.subtract(other.hardware),
                trimmed.subtract(other.trimmed),
                scrap.subtract(other.scrap));
    }

    /** Whether all of it is 0, and not only its sum. */
    public boolean nothing() {
        return Stream.of(used, tails, waste, hardware, trimmed, scrap).allMatch(part -> part.signum() == 0);
    }

    public PieceCost plus(PieceCost other) {
        return new PieceCost(
                used.add(other.used),
                tails.add(other.tails),
                waste.add(other.waste),
                hardware.add(other.hardware),
                trimmed.add(other.trimmed),
                scrap.add(other.scrap));
    }
}
