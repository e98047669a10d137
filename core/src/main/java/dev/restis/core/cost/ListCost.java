package dev.restis.core.cost;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * What the pieces of a cut list cost so far, from what was cut, thrown away and picked until now. What was thrown away is
 * shared by the cord that each piece took, so that it can be worked out anew after every cut and after every cut that is
 * taken back. All values are exact to a hundredth of a cent and add up to what left the shelves.
 *
 * @param pieces cost of each piece of which something is cut or picked, by its number
 * @param alone what was thrown away while no piece was there to bear it
 */
public record ListCost(Map<Long, PieceCost> pieces, BigDecimal alone) {

    /**
     * A strand that is cut.
     *
     * @param value what it cost; not negative
     * @param usedUm what of it stays in the piece, in micrometres
     * @param tailUm what of it was trimmed off and thrown away; what went back on the shelf is neither
     * @param cutUm its length, in micrometres; positive
     * @param measured whether what was trimmed off is known, and not only worked out
     * @param scrapped what cord cost that was cut for it before and is of no more use; not negative
     * @param lost whether its piece is given up, so that all of it is scrap
     */
    public record CutStrand(
            long piece,
            BigDecimal value,
            long usedUm,
            long tailUm,
            long cutUm,
            boolean measured,
            BigDecimal scrapped,
            boolean lost) {

        PieceCost cost() {
            BigDecimal zero = BigDecimal.ZERO;
            if (lost) {
                BigDecimal all = value.add(scrapped);
                return new PieceCost(zero, all, zero, zero, zero, all);
            }
            List<BigDecimal> parts = Shares.of(value, List.of(usedUm, tailUm));
            BigDecimal tail = parts.get(1);
            return new PieceCost(parts.get(0), tail.add(scrapped), zero, zero, measured ? tail : zero, scrapped);
        }
    }

    public ListCost {
        pieces = Map.copyOf(pieces);
    }

    /**
     * @param waste value of what was thrown away; not negative
     * @param picked value of the hardware that was picked for pieces
     */
    public static ListCost of(List<CutStrand> strands, BigDecimal waste, Map<Long, BigDecimal> picked) {
        Map<Long, PieceCost> costs = new TreeMap<>();
        Map<Long, Long> lengths = new TreeMap<>();
        for (CutStrand strand : strands) {
            add(costs, strand.piece(), strand.cost());
            lengths.merge(strand.piece(), strand.cutUm(), Long::sum);
        }
        picked.forEach((piece, hardware) -> {
            add(costs, piece, new PieceCost(BigDecimal.ZERO, BigDecimal.ZERO, BigDecimal.ZERO, hardware));
            lengths.merge(piece, 0L, Long::sum);
        });
        if (lengths.isEmpty()) {
            return new ListCost(Map.of(), waste);
        }
        List<Long> order = new ArrayList<>(lengths.keySet());
        List<BigDecimal> shares = Shares.of(waste, new ArrayList<>(lengths.values()));
        for (int i = 0; i < order.size(); i++) {
            add(costs, order.get(i), new PieceCost(BigDecimal.ZERO, BigDecimal.ZERO, shares.get(i), BigDecimal.ZERO));
        }
        return new ListCost(costs, BigDecimal.ZERO);
    }

    private static void add(Map<Long, PieceCost> costs, long piece, PieceCost cost) {
        costs.merge(piece, cost, PieceCost::plus);
    }
}
