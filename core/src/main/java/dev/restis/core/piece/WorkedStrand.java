package dev.restis.core.piece;

import dev.restis.core.learning.Use;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.Sum;
import dev.restis.core.pattern.Stage;
import java.util.List;
import java.util.Optional;

/**
 * One strand to cut.
 *
 * @param role the role's code
 * @param number which of its role, from 1
 * @param slot which of the pattern's colours
 * @param legs the sum behind each leg, in the role's order; one for a straight strand
 * @param risk chance that it or any other strand of its piece turns out too short, 0 to 1; 0 where no hand changes it
 * @param closing the terms after the legs: margin and rounding
 * @param cutLength what to cut: the sum of all terms
 * @param mark where to mark it; nothing for a straight strand that is tied from its end
 * @param tails what is trimmed off each tied end at the least, longest first; one tail in twenty is shorter. None where
 *     the customer ties.
 * @param stage when it is tied
 */
public record WorkedStrand(
        String role,
        int number,
        int slot,
        List<Sum> legs,
        double risk,
        Sum closing,
        Length cutLength,
        Optional<Mark> mark,
        List<Length> tails,
        Stage stage) {

    public WorkedStrand {
        legs = List.copyOf(legs);
        tails = List.copyOf(tails);
    }

    /** The same strand as another of its role. */
    WorkedStrand numbered(int other) {
        return other == number
                ? this
                : new WorkedStrand(role, other, slot, legs, risk, closing, cutLength, mark, tails, stage);
    }

    /** All terms in order; their total is the cut length. */
    public Sum sum() {
        return legs.stream().reduce(new Sum(List.of()), Sum::and).and(closing);
    }

    /** Ends that are tied and trimmed here, however little is left of a small margin; a kit's customer trims its own. */
    public int ends() {
        List<Sum.Term> terms = sum().terms();
        return terms.stream().anyMatch(t -> t.code().equals("tail.kit"))
                ? 0
                : terms.stream()
                        .filter(t -> t.code().equals("tail.hand"))
                        .mapToInt(t -> (int) t.count())
                        .sum();
    }

    /** Cord that the body and the knots take, without tails, margin and rounding. */
    public Length used() {
        return taken(sum()).total();
    }

    /** The same as what is learned from: by geometry, and by what of it the hand decides. */
    public Use use() {
        return Margins.use(legs.stream().map(WorkedStrand::taken).toList());
    }

    private static Sum taken(Sum sum) {
        return new Sum(sum.terms().stream()
                .filter(t -> !t.code().startsWith("tail.")
                        && !t.code().startsWith("margin")
                        && !t.code().startsWith("rounding"))
                .toList());
    }
}
