package dev.restis.core.piece;

import dev.restis.core.measure.Length;
import dev.restis.core.piece.Check.Verdict;
import java.util.Comparator;
import java.util.List;

/**
 * A worked-out piece.
 *
 * @param request what was asked for
 * @param fit how it comes out in size
 * @param strands in the order of the pattern's roles
 * @param beads how many beads it takes
 * @param rings how many rings it takes
 * @param checks in the order they are made
 */
public record WorkedPiece(
        PieceRequest request, PieceFit fit, List<WorkedStrand> strands, int beads, int rings, List<Check> checks) {

    public WorkedPiece {
        strands = List.copyOf(strands);
        checks = List.copyOf(checks);
    }

    /** The worst of its checks. */
    public Verdict verdict() {
        return checks.stream()
                .map(Check::verdict)
                .max(Comparator.naturalOrder())
                .orElse(Verdict.GOOD);
    }

    /** Cord of one colour in all its strands. */
    public Length cordOf(int slot) {
        return strands.stream()
                .filter(s -> s.slot() == slot)
                .map(WorkedStrand::cutLength)
                .reduce(Length.ZERO, Length::plus);
    }
}
