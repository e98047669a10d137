package dev.restis.core.measure;

import java.util.ArrayList;
import java.util.List;

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
     * @param spread one standard deviation over the length, where it depends on how the maker ties; 0 where it does not
     */
    public record Term(String code, long count, Length each, Length total, double spread) {

        public static Term of(String code, Length length) {
            return new Term(code, 1, length, length, 0);
        }

        public static Term of(String code, long count, Length each) {
            return new Term(code, count, each, each.times(count), 0);
        }

        public static Term tied(String code, long count, Length each, double spread) {
            return new Term(code, count, each, each.times(count), spread);
        }

        public Term negated() {
            return new Term(code, count, each, Length.ZERO.minus(total), spread);
        }
    }

    public Length total() {
        return totalOf(terms);
    }

    /**
     * One standard deviation of the sum: the terms' own added up in full, because one hand ties them all in one cord.
     */
    public Length spread() {
        Length spread = Length.ZERO;
        for (Term term : terms) {
            if (term.spread() != 0) {
                spread = spread.plus(term.total().times(term.spread()));
            }
        }
        return spread;
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
