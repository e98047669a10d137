package dev.restis.core.piece;

import dev.restis.core.measure.Length;
import dev.restis.core.piece.Check.Verdict;
import dev.restis.core.stitch.Seat;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A worked-out piece.
 *
 * @param request what was asked for
 * @param fit how it comes out in size
 * @param strands in the order of the pattern's roles
 * @param hardware how many of each slot's part it takes, in the pattern's order
 * @param checks in the order they are made
 * @param threading what must go on before the way is closed, in order
 * @param cautions what to mind
 */
public record WorkedPiece(
        PieceRequest request,
        PieceFit fit,
        List<WorkedStrand> strands,
        Map<String, Integer> hardware,
        List<Check> checks,
        List<ThreadingStep> threading,
        List<Caution> cautions) {

    /**
     * One thing to thread or mount in its turn.
     *
     * @param code what, as a key of the message files
     * @param part the hardware slot; empty for an act without hardware
     * @param count how many
     * @param seats the strands it is about
     */
    public record ThreadingStep(String code, String part, int count, List<Seat> seats) {
        public ThreadingStep {
            seats = List.copyOf(seats);
        }
    }

    public WorkedPiece {
        strands = List.copyOf(strands);
        hardware = Collections.unmodifiableMap(new LinkedHashMap<>(hardware));
        checks = List.copyOf(checks);
        threading = List.copyOf(threading);
        cautions = List.copyOf(cautions);
    }

    /** The worst of its checks. */
    public Verdict verdict() {
        return checks.stream()
                .map(Check::verdict)
                .max(Comparator.naturalOrder())
                .orElse(Verdict.GOOD);
    }

    /** Cord of one slot in all its strands. */
    public Length cordOf(int slot) {
        return strands.stream()
                .filter(s -> s.slot() == slot)
                .map(WorkedStrand::cutLength)
                .reduce(Length.ZERO, Length::plus);
    }
}
