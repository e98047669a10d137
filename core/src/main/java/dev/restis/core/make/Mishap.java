package dev.restis.core.make;

import dev.restis.core.measure.Length;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
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
     * @param scrap what of the old cord is of no more use
     * @param part slot of a part that is needed anew
     * @param minutes what it takes of the maker's time
     */
    public record Choice(
            Way way,
            int backTo,
            Optional<Integer> strand,
            Length cord,
            Length scrap,
            Optional<String> part,
            Duration minutes) {

        private static Choice again(Way way, int backTo, Duration minutes) {
            return new Choice(way, backTo, Optional.empty(), Length.ZERO, Length.ZERO, Optional.empty(), minutes);
        }
    }

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
                    splice(card, step, s).ifPresent(choices::add);
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
                partsOn(card, step)
                        .forEach((slot, at) -> choices.add(new Choice(
                                Way.NEW_PART,
                                at,
                                Optional.empty(),
                                Length.ZERO,
                                Length.ZERO,
                                Optional.of(slot),
                                again(card, at, step))));
        }
        choices.add(Choice.again(Way.GIVE_UP, step, card.time()));
        return choices;
    }

    /**
     * Joined on: what it must still give, as long as it may turn out, with both overlaps. Empty for a strand that ties nothing: no
     * knot would hide the join.
     */
    private static Optional<Choice> splice(WorkCard card, int step, int strand) {
        Length whole = card.strands().get(strand).cut();
        Length hold = card.strands().get(strand).hold();
        return card.steps().subList(0, Math.min(step + 1, card.steps().size())).stream()
                .flatMap(s -> s.left().stream())
                .filter(l -> l.strand() == strand)
                .reduce((a, b) -> b)
                .map(l -> l.need().plus(l.tiedNeed().times(2 * l.spread())))
                .map(need -> need.plus(OVERLAP.times(2L)).plus(hold))
                .map(cord -> new Choice(
                        Way.SPLICE,
                        step,
                        Optional.of(strand),
                        cord.isLessThan(whole) ? cord : whole,
                        Length.ZERO,
                        Optional.empty(),
                        SPLICING));
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
                card.strands().get(strand).cut(),
                Optional.empty(),
                again(card, first, step));
    }

    private static boolean comesIn(CardStep step, int strand) {
        return step.strands().contains(strand) && step.kind() != StepKind.PREPARE;
    }

    private static Choice unpick(WorkCard card, int back, int step) {
        return Choice.again(Way.UNPICK, back, again(card, back, step));
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

    /** The last step up to this one that put a part on. */
    private static Optional<Integer> part(WorkCard card, int step) {
        return partsOn(card, step).values().stream().max(Integer::compare);
    }

    /** The slots of the parts that are on by now, each with the last step that put one there. */
    private static Map<String, Integer> partsOn(WorkCard card, int step) {
        Map<String, Integer> on = new LinkedHashMap<>();
        for (int at = 0; at <= Math.min(step, card.steps().size() - 1); at++) {
            CardStep one = card.steps().get(at);
            int here = at;
            if (!one.kind().passed()) {
                one.part().ifPresent(p -> on.put(p.slot(), here));
            }
        }
        return on;
    }
}
