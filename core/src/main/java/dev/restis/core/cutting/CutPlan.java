package dev.restis.core.cutting;

import dev.restis.core.measure.Length;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * Where each strand is cut, and what is left.
 *
 * @param spools holdings that are touched, in the order of the request
 * @param waiting pieces that cannot be cut from what is there; nothing of them is cut
 * @param trimmings strands that are not cut, because a tail of an earlier piece serves
 * @param quality how good it is, where the planner can tell
 */
public record CutPlan(
        List<SpoolPlan> spools, List<Waiting> waiting, List<Trimming> trimmings, Optional<Quality> quality) {

    public CutPlan {
        spools = List.copyOf(spools);
        waiting = List.copyOf(waiting);
        trimmings = List.copyOf(trimmings);
    }

    public CutPlan(List<SpoolPlan> spools, List<Waiting> waiting) {
        this(spools, waiting, List.of(), Optional.empty());
    }

    /** The same with strands that are served by trimmings. */
    CutPlan with(List<Trimming> served) {
        return new CutPlan(spools, waiting, served, quality);
    }

    /** The same, said to be so good. */
    CutPlan of(Quality said) {
        return new CutPlan(spools, waiting, trimmings, Optional.of(said));
    }

    /**
     * What a plan costs by the aims of its request, in money to six decimals: cord that is used or spoilt, what opening and
     * handling cost.
     *
     * @param bound no plan for the same strands and holdings costs less
     * @param plain what first fit decreasing costs
     * @param complete whether all was tried that should be; time ran out before, where not
     */
    public record Quality(BigDecimal cost, BigDecimal bound, BigDecimal plain, boolean complete) {

        /** How far it may be from the best, as a share of the bound, rounded up to a hundredth of a per cent; 0 when it is the best. */
        public BigDecimal gap() {
            if (cost.compareTo(bound) <= 0) {
                return BigDecimal.ZERO;
            }
            return bound.signum() <= 0 ? BigDecimal.ONE : cost.subtract(bound).divide(bound, 4, RoundingMode.UP);
        }
    }

    /** What a step of the scissors yields. */
    public enum StepKind {
        /** A strand. */
        STRAND,
        /** What lies before a flaw and serves no strand; it comes off so that the cord behind the flaw can be used. */
        OFFCUT,
        /** What is left of the holding after the last cut. */
        REST
    }

    /**
     * One stretch of a holding.
     *
     * @param strand the strand's id for {@link StepKind#STRAND}, else 0
     * @param keep whether what is no strand is worth keeping
     */
    public record Step(StepKind kind, Length length, long strand, boolean keep) {}

    /** A holding's stretches from its free end; their lengths add up to the holding's. */
    public record SpoolPlan(Holding holding, List<Step> steps) {
        public SpoolPlan {
            steps = List.copyOf(steps);
        }
    }

    /**
     * A piece that must wait.
     *
     * @param article the article that no lot has enough of
     * @param needed what its strands of that article add up to; those of its whole set, when it belongs to one
     * @param best the most that one lot has left for it
     */
    public record Waiting(long piece, long article, Length needed, Length best) {
        Waiting of(long other) {
            return new Waiting(other, article, needed, best);
        }
    }

    /**
     * A strand that is taken from trimmings.
     *
     * @param source the strand whose tail serves
     * @param tail how long that tail is at the least
     */
    public record Trimming(long strand, long source, Length tail) {}

    public Length cut() {
        return total(s -> s.kind() == StepKind.STRAND);
    }

    /** What falls below its keep length. */
    public Length scrap() {
        return total(s -> s.kind() != StepKind.STRAND && !s.keep());
    }

    private Length total(Predicate<Step> which) {
        return spools.stream()
                .flatMap(s -> s.steps().stream())
                .filter(which)
                .map(Step::length)
                .reduce(Length.ZERO, Length::plus);
    }
}
