package dev.restis.core.make;

import dev.restis.core.measure.Length;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What goes wrong while a piece is made, and what can be done about it. */
public enum Mishap {
    STRAND_SHORT,
    PART_FORGOTTEN,
    PART_BROKEN,
    COLOUR_WRONG,
    TENSION_UNEVEN,
    CORD_DAMAGED,
    TRIMMED_TOO_EARLY;

    /** What can be done. */
    public enum Way {
        /** A new length is joined to the strand where it is hidden. */
        SPLICE,
        /** Opened back to a step, and tied again with the same cord. */
        UNPICK,
        /** A new strand, cut from stock, and tied again from where it came in. */
        NEW_STRAND,
        /** A part is replaced from stock. */
        NEW_PART,
        /** The piece is given up, and another takes its place. */
        GIVE_UP
    }

    /**
     * A way out and what it costs.
     *
     * @param backTo step that is tied again first; the present one where nothing is opened
     * @param strand which strand is cut anew, if any
     * @param cord how long
     * @param part slot of a part that is needed anew
     * @param minutes what it takes of the maker's time
     */
    public record Choice(
            Way way, int backTo, Optional<Integer> strand, Length cord, Optional<String> part, Duration minutes) {}

    /** Opening takes about half as long as tying. */
    private static final double OPENING = 0.5;
    /** Joining a strand and hiding the join. */
    private static final Duration SPLICING = Duration.ofMinutes(6);
    /** Each side of a splice runs along the other. */
    private static final Length OVERLAP = Length.ofMillimetres(20);

    /**
     * The ways out, the cheapest in minutes first.
     *
     * @param step the step that is next
     * @param strand the one it is about, if it is about one
     */
    public List<Choice> choices(WorkCard card, int step, Optional<Integer> strand) {
        List<Choice> choices = new ArrayList<>();
        switch (this) {
            case STRAND_SHORT, TRIMMED_TOO_EARLY, CORD_DAMAGED -> {
                strand.ifPresent(s -> {
                    choices.add(splice(card, step, s));
                    if (this == STRAND_SHORT) {
                        choices.add(unpick(card, lastMark(card, step), step));
                    }
                    choices.add(newStrand(card, step, s));
                });
            }
            case COLOUR_WRONG -> {
                choices.add(unpick(card, lastMark(card, step), step));
                strand.ifPresent(s -> choices.add(newStrand(card, step, s)));
            }
            case TENSION_UNEVEN -> choices.add(unpick(card, lastMark(card, step), step));
            case PART_FORGOTTEN -> part(card, step).ifPresent(at -> choices.add(unpick(card, at, step)));
            case PART_BROKEN ->
                part(card, step)
                        .ifPresent(at -> choices.add(new Choice(
                                Way.NEW_PART,
                                at,
                                Optional.empty(),
                                Length.ZERO,
                                card.steps().get(at).part().map(CardStep.PartUse::slot),
                                again(card, at, step))));
        }
        choices.add(new Choice(Way.GIVE_UP, step, Optional.empty(), Length.ZERO, Optional.empty(), card.time()));
        return choices;
    }

    /** Joined on: what it must still give, as long as it may turn out, with both overlaps. */
    private static Choice splice(WorkCard card, int step, int strand) {
        Length need = card.steps().subList(0, Math.min(step + 1, card.steps().size())).stream()
                .flatMap(s -> s.left().stream())
                .filter(l -> l.strand() == strand)
                .reduce((a, b) -> b)
                .map(l -> l.need().plus(l.tiedNeed().times(2 * l.spread())))
                .orElse(card.strands().get(strand).cut());
        Length cord =
                need.plus(OVERLAP.times(2L)).plus(card.strands().get(strand).hold());
        return new Choice(
                Way.SPLICE,
                step,
                Optional.of(strand),
                cord.isLessThan(card.strands().get(strand).cut())
                        ? cord
                        : card.strands().get(strand).cut(),
                Optional.empty(),
                SPLICING);
    }

    private static Choice newStrand(WorkCard card, int step, int strand) {
        int first = 0;
        while (first < step && !comesIn(card.steps().get(first), strand)) {
            first++;
        }
        return new Choice(
                Way.NEW_STRAND,
                first,
                Optional.of(strand),
                card.strands().get(strand).cut(),
                Optional.empty(),
                again(card, first, step));
    }

    private static boolean comesIn(CardStep step, int strand) {
        return step.strands().contains(strand) && step.kind() != StepKind.PREPARE;
    }

    private static Choice unpick(WorkCard card, int back, int step) {
        return new Choice(Way.UNPICK, back, Optional.empty(), Length.ZERO, Optional.empty(), again(card, back, step));
    }

    /** Opening what is done and doing it once more. */
    private static Duration again(WorkCard card, int back, int step) {
        long seconds = 0;
        for (int s = back; s < step; s++) {
            seconds += card.steps().get(s).time().toSeconds();
        }
        return Duration.ofSeconds(Math.round(seconds * (1 + OPENING)));
    }

    /** The step that tied last. */
    private static int lastMark(WorkCard card, int step) {
        int at = Math.min(step, card.steps().size() - 1);
        while (at > 0 && card.steps().get(at).kind() != StepKind.TIE) {
            at--;
        }
        return at;
    }

    /** The last step before this one that put a part on. */
    private static Optional<Integer> part(WorkCard card, int step) {
        for (int at = Math.min(step, card.steps().size() - 1); at >= 0; at--) {
            CardStep one = card.steps().get(at);
            if (one.part().isPresent() && !one.kind().passed()) {
                return Optional.of(at);
            }
        }
        return Optional.empty();
    }
}
