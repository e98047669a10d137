package dev.restis.core.make;

import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Section.KnotKind;
import dev.restis.core.piece.Caution;
import java.time.Duration;
import java.util.List;
import java.util.Optional;

/**
 * One step of a card. Nothing in it is words: they come from the message files, filled with what stands here.
 *
 * @param doing what hands do
 * @param gate what must be so, where it is a gate or a check
 * @param strands who takes part, as places in the card's list
 * @param part what goes on, or is worked at
 * @param stitch code of what is tied
 * @param knot which single knot is tied
 * @param repeats which repeats of its body are tied
 * @param count what its words count: turns, wraps, half knots, hitches; 0 for nothing
 * @param size a length that its words name: an eye's inside, a distance, a tail; zero for none
 * @param reach how far the piece is on its ruler when the step is done; zero until it has any length
 * @param time what it should take
 * @param lies how long the piece must then lie
 * @param cautions what to mind here
 * @param repairs what goes wrong here, and what mends it
 * @param tools what must lie at hand
 * @param made how far the picture is when it is done
 * @param measure what is measured at a check
 * @param left what the tying strands should have left
 */
public record CardStep(
        Doing doing,
        Optional<Gate> gate,
        List<Integer> strands,
        Optional<PartUse> part,
        Optional<String> stitch,
        Optional<KnotKind> knot,
        Optional<Repeats> repeats,
        int count,
        Length size,
        Length reach,
        Duration time,
        Duration lies,
        List<Caution> cautions,
        List<Repair> repairs,
        List<Tool> tools,
        Made made,
        Optional<Measure> measure,
        List<CordLeft> left) {

    /**
     * A part and how many.
     *
     * @param slot the pattern's
     */
    public record PartUse(String slot, int count) {}

    /**
     * Repeats of a body.
     *
     * @param first counted from 1
     * @param last likewise
     * @param of how many the body has
     */
    public record Repeats(int first, int last, int of) {}

    /**
     * How far the piece is made.
     *
     * @param section place of the section in the pattern's list; -1 before the first
     * @param share of that section that is done, 0 to 1
     */
    public record Made(int section, double share) {
        static final Made NOTHING = new Made(-1, 0);
    }

    /**
     * What is measured at a check.
     *
     * @param soFar length of the body that should be reached
     * @param whole length that the whole body should have
     * @param pitch of one repeat
     */
    public record Measure(Length soFar, Length whole, Length pitch) {}

    public CardStep {
        strands = List.copyOf(strands);
        cautions = List.copyOf(cautions);
        repairs = List.copyOf(repairs);
        tools = List.copyOf(tools);
        left = List.copyOf(left);
    }

    public StepKind kind() {
        return gate.map(Gate::kind).orElse(doing.kind());
    }

    CardStep taking(Duration other) {
        return new CardStep(
                doing, gate, strands, part, stitch, knot, repeats, count, size, reach, other, lies, cautions, repairs,
                tools, made, measure, left);
    }
}
