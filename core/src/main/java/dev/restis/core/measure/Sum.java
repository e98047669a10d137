package dev.restis.core.measure;

import dev.restis.core.learning.Tie;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The short sum behind a length, term by term, so that every figure can be opened.
 *
 * @param terms in the order a maker would add them up
 */
public record Sum(List<Term> terms) {

    public Sum {
        terms = List.copyOf(terms);
    }

    /**
     * One term of a sum.
     *
     * @param code what it is, as a key of the message files, e.g. {@code stitch} or {@code tail.hand}
     * @param count how many; 1 where counting makes no sense
     * @param each the length of one
     * @param total the term's share of the sum; negative where it is taken off
     * @param tie what it depends on where it is tied; nothing where no hand changes it
     */
    public record Term(String code, long count, Length each, Length total, Optional<Tie> tie) {

        public static Term of(String code, Length length) {
            return new Term(code, 1, length, length, Optional.empty());
        }

        public static Term of(String code, long count, Length each) {
            return new Term(code, count, each, each.times(count), Optional.empty());
        }

        /** @param each what the hand is expected to take, with what was learned of it */
        public static Term tied(String code, long count, Length each, Tie tie) {
            return new Term(code, count, each, each.times(count), Optional.of(tie));
        }

        /** One standard deviation over the length, where it depends on how the maker ties; 0 where it does not. */
        public double spread() {
            return tie.map(Tie::spread).orElse(0.0);
        }

        public Term negated() {
            return new Term(code, count, each, Length.ZERO.minus(total), tie);
        }
    }

    public Length total() {
        return totalOf(terms);
    }

    public Sum and(Term term) {
        List<Term> all = new ArrayList<>(terms);
        all.add(term);
        return new Sum(all);
    }

    public Sum and(Sum other) {
        List<Term> all = new ArrayList<>(terms);
        all.addAll(other.terms);
        return new Sum(all);
    }

    private static Length totalOf(List<Term> terms) {
        long micrometres = 0;
        for (Term term : terms) {
            micrometres = Math.addExact(micrometres, term.total().micrometres());
        }
        return new Length(micrometres);
    }
}
