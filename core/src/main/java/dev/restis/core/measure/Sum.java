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
     * @param tied whether the length depends on how the maker ties, and so carries the take-up's spread
     */
    public record Term(String code, long count, Length each, Length total, boolean tied) {

        public static Term of(String code, Length length) {
            return new Term(code, 1, length, length, false);
        }

        public static Term of(String code, long count, Length each) {
            return new Term(code, count, each, each.times(count), false);
        }

        public static Term tied(String code, long count, Length each) {
            return new Term(code, count, each, each.times(count), true);
        }

        public Term negated() {
            return new Term(code, count, each, Length.ZERO.minus(total), tied);
        }
    }

    public Length total() {
        return totalOf(terms);
    }

    /** The part of the sum that depends on tension and hand. */
    public Length tied() {
        return totalOf(terms.stream().filter(Term::tied).toList());
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
        return terms.stream().map(Term::total).reduce(Length.ZERO, Length::plus);
    }
}
