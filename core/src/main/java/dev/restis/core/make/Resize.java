package dev.restis.core.make;

import dev.restis.core.measure.Length;
import dev.restis.core.stitch.Seat;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;

/**
 * What it takes to make a finished piece longer or shorter: it is opened back to the first step that the other size does differently,
 * and goes on from there. How much cord that needs is told by what the piece itself took.
 *
 * @param card as it goes on; its strands are as long as what of them is in the piece
 * @param backTo step of that card to go on from
 * @param strands what becomes of each
 * @param minutes of opening and doing it once more
 * @param expected length it will have, as this piece came out longer or shorter than it should
 */
public record Resize(WorkCard card, int backTo, List<OfStrand> strands, Duration minutes, Length expected) {

    /** What becomes of a strand. */
    public enum Fate {
        /** What is in the piece suffices. */
        KEPT,
        /** It lacks some, which is joined on where a knot hides it. */
        JOINED,
        /** It comes in after what is opened: its sealed ends cannot be tied again. */
        CUT_ANEW,
        /** It lacks some, and no knot would hide a join. */
        NO_WAY
    }

    /**
     * A strand.
     *
     * @param strand its place on the card
     * @param there what of it is in the piece
     * @param needs what the other size takes of it
     */
    public record OfStrand(int strand, Fate fate, Length there, Length needs) {}

    /** Opening takes about half as long as tying, as it does when something went wrong. */
    static final double OPENING = 0.5;
    /** What pliers need to draw a trimmed end tight, where fingers would need more. */
    static final Length GRIP = Length.ofMillimetres(20);

    /** What only holds or prepares the work: its figures may differ without the piece being another. */
    private static final Set<Doing> HOLDS =
            Set.of(Doing.HOLD_ON_BOARD, Doing.HOLD_ON_JIG, Doing.HOLD_IN_HAND, Doing.MARK_FIRST_KNOT);

    public Resize {
        strands = List.copyOf(strands);
    }

    /** Whether it can be done: nothing that cannot be joined is short, and something of the old piece stays. */
    public boolean possible() {
        return strands.stream().noneMatch(s -> s.fate() == Fate.NO_WAY)
                && strands.stream().anyMatch(s -> s.fate() != Fate.CUT_ANEW);
    }

    /**
     * Works it out.
     *
     * @param was the card it was made by
     * @param wanted the card of the same piece in the other size
     * @param there what of each strand is in the piece: as cut, without what was trimmed
     * @param measured how long it turned out, if it was measured
     * @return empty when the other size is made in the same way
     */
    public static Optional<Resize> of(WorkCard was, WorkCard wanted, List<Length> there, Optional<Length> measured) {
        if (was.strands().size() != wanted.strands().size()
                || there.size() != was.strands().size()) {
            throw new IllegalArgumentException("another piece: " + was.strands().size() + " strands of which "
                    + there.size() + " are known, not " + wanted.strands().size());
        }
        OptionalInt back = firstOther(was, wanted);
        if (back.isEmpty()) {
            return Optional.empty();
        }
        List<OfStrand> strands = new ArrayList<>();
        List<CardStrand> kept = new ArrayList<>();
        for (int s = 0; s < there.size(); s++) {
            OfStrand one = strand(s, was.strands().get(s), wanted, there.get(s), back.getAsInt());
            strands.add(one);
            CardStrand as = wanted.strands().get(s);
            kept.add(one.fate() == Fate.CUT_ANEW ? as : as.cutTo(one.there()));
        }
        WorkCard card = new WorkCard(
                wanted.version(), kept, wanted.bodies(), wanted.steps(), wanted.inspection(), wanted.spread());
        Length expected = measured.filter(m -> was.length().isPositive())
                .map(m -> wanted.length().times(m.toMillimetres() / was.length().toMillimetres()))
                .orElse(wanted.length());
        return Optional.of(new Resize(card, back.getAsInt(), strands, minutes(was, wanted, back.getAsInt()), expected));
    }

    private static OptionalInt firstOther(WorkCard was, WorkCard wanted) {
        int most = Math.min(was.steps().size(), wanted.steps().size());
        for (int s = 0; s < most; s++) {
            if (!alike(was.steps().get(s), wanted.steps().get(s))) {
                return OptionalInt.of(s);
            }
        }
        return was.steps().size() == wanted.steps().size() ? OptionalInt.empty() : OptionalInt.of(most - 1);
    }

    private static boolean alike(CardStep a, CardStep b) {
        if (a.doing() != b.doing() || !a.gate().equals(b.gate())) {
            return false;
        }
        return a.kind().passed()
                || a.kind() == StepKind.PREPARE
                || a.kind() == StepKind.INSPECT
                || HOLDS.contains(a.doing())
                || tied(a, b)
                || a.part().equals(b.part())
                        && a.knot().equals(b.knot())
                        && a.count() == b.count()
                        && a.size().equals(b.size())
                        && a.reach().equals(b.reach())
                        && a.repeats().isEmpty();
    }

    /** Whether the body that is there has the repeats of this step: as many as it says, and where it ends the body, no more. */
    private static boolean tied(CardStep there, CardStep step) {
        return there.repeats().isPresent()
                && step.repeats()
                        .filter(r -> r.last() < r.of()
                                ? there.repeats().get().of() >= r.last()
                                : there.repeats().get().of() == r.of())
                        .isPresent();
    }

    private static OfStrand strand(int s, CardStrand was, WorkCard wanted, Length there, int back) {
        CardStrand as = wanted.strands().get(s);
        Length took = was.used().minus(was.straight());
        Length takes = as.used().minus(as.straight());
        boolean ties = takes.isPositive() && took.isPositive() && works(wanted, s);
        boolean before = wanted.steps().subList(0, back).stream()
                .anyMatch(step ->
                        step.kind() != StepKind.PREPARE && step.strands().contains(s));
        if (!before) {
            return new OfStrand(s, Fate.CUT_ANEW, there, as.cut());
        }
        if (!ties) {
            return new OfStrand(s, there.isLessThan(as.used()) ? Fate.NO_WAY : Fate.KEPT, there, as.used());
        }
        Length really = there.minus(was.straight());
        double hand = really.isPositive() ? really.toMillimetres() / took.toMillimetres() : 1;
        Length needs = as.straight().plus(takes.times(hand)).plus(GRIP.times(Math.max(1L, as.ends())));
        return new OfStrand(s, there.isLessThan(needs) ? Fate.JOINED : Fate.KEPT, there, needs);
    }

    /** Whether knots are tied with it, in which a join can hide; cores run through them. */
    private static boolean works(WorkCard card, int strand) {
        return card.bodies().stream()
                .flatMap(b -> b.places().stream())
                .anyMatch(p -> p.strand() == strand && p.seat() != Seat.CORE && p.seat() != Seat.SECOND_CORE);
    }

    /** Only as many repeats are opened or tied as the sizes differ by; all that comes after them is opened and done again. */
    private static Duration minutes(WorkCard was, WorkCard wanted, int back) {
        // Of the whole bodies: where their steps begin and end differs with their length.
        double tied = seconds(was, 0, true);
        double ties = seconds(wanted, 0, true);
        double body = ties < tied ? (tied - ties) * OPENING : ties - tied;
        return Duration.ofSeconds(
                Math.round(body + seconds(was, back, false) * OPENING + seconds(wanted, back, false)));
    }

    private static double seconds(WorkCard card, int back, boolean tying) {
        return card.steps().subList(back, card.steps().size()).stream()
                .filter(s -> s.kind() != StepKind.PREPARE && (s.kind() == StepKind.TIE) == tying)
                .mapToLong(s -> s.time().toSeconds())
                .sum();
    }
}
