package dev.restis.core.cost;

import dev.restis.core.piece.WorkedPiece;
import dev.restis.core.piece.WorkedStrand;
import dev.restis.core.stock.Balance;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;

/** What a piece is expected to cost in material, from what the cord and hardware on hand cost. */
public final class Estimate {

    private static final BigDecimal MICROMETRES_PER_METRE = BigDecimal.valueOf(1_000_000);

    private Estimate() {}

    /**
     * The estimate, rounded half even to a hundredth of a cent for each strand; without cutting waste, which is not
     * known before the cut list.
     *
     * @param perMetre price per metre for each of the pattern's colours
     * @param hardware price of all beads and rings of the piece
     */
    public static PieceCost of(WorkedPiece piece, List<BigDecimal> perMetre, BigDecimal hardware) {
        BigDecimal used = BigDecimal.ZERO;
        BigDecimal tails = BigDecimal.ZERO;
        for (WorkedStrand strand : piece.strands()) {
            BigDecimal price = perMetre.get(strand.slot());
            BigDecimal all = cost(price, strand.cutLength().micrometres());
            BigDecimal body = cost(price, strand.used().micrometres());
            used = used.add(body);
            tails = tails.add(all.subtract(body));
        }
        return new PieceCost(used, tails, BigDecimal.ZERO, hardware);
    }

    private static BigDecimal cost(BigDecimal perMetre, long micrometres) {
        return perMetre.multiply(BigDecimal.valueOf(micrometres))
                .divide(MICROMETRES_PER_METRE, Balance.SCALE, RoundingMode.HALF_EVEN);
    }
}
