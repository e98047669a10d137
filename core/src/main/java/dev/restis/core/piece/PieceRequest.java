package dev.restis.core.piece;

import dev.restis.core.cord.Cord;
import dev.restis.core.cord.Hardware;
import dev.restis.core.fit.Ease;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Pattern;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Everything that decides what a piece is.
 *
 * @param pattern what is made
 * @param cords one for each of the pattern's cords, in order
 * @param size what it must fit or measure
 * @param parts the hardware chosen, by the pattern's slot
 * @param house how the workshop cuts
 * @param wearer whom it is for
 * @param tapered whether strands' ends are tapered before they are threaded
 * @param accepted codes of checks that the owner takes though they say no; of those that may be taken
 */
public record PieceRequest(
        Pattern pattern,
        List<Cord> cords,
        Size size,
        Map<String, Part> parts,
        House house,
        Wearer wearer,
        boolean tapered,
        Set<String> accepted) {

    public PieceRequest {
        cords = List.copyOf(cords);
        parts = Map.copyOf(parts);
        accepted = Set.copyOf(accepted);
    }

    /** For an adult, with ends as they are cut. */
    public PieceRequest(Pattern pattern, List<Cord> cords, Size size, Map<String, Part> parts, House house) {
        this(pattern, cords, size, parts, house, Wearer.ADULT, false, Set.of());
    }

    /** What the piece is sized by. */
    public sealed interface Size {
        /**
         * A band for a wrist.
         *
         * @param hand girth over the knuckles, thumb tucked
         * @param handAssumed whether the hand comes from the size table rather than a tape
         * @param ease inner circumference wanted beyond the wrist
         */
        record Wrist(Length wrist, Length hand, boolean handAssumed, Length ease) implements Size {
            public Wrist(Length wrist, Length hand, boolean handAssumed, Ease ease) {
                this(wrist, hand, handAssumed, ease.length());
            }
        }

        /** A piece of a stated finished length. */
        record Finished(Length length) implements Size {}
    }

    /** A part chosen; {@code count} only counts where the pattern leaves it to the maker. */
    public record Part(Hardware hardware, int count) {}

    /**
     * How the workshop cuts.
     *
     * @param margin how the safety margin is chosen
     * @param cuttingStep strands are cut to a multiple of this
     * @param learned what swatches and the bench have said
     * @param kit whether the pieces are sold to be tied by the customer, who needs longer tails
     */
    public record House(MarginPolicy margin, Length cuttingStep, Learned learned, boolean kit) {
        public House(MarginPolicy margin, Length cuttingStep) {
            this(margin, cuttingStep, Learned.NOTHING, false);
        }
    }

    /** The part in a slot: the one chosen, or for a slot left open the pattern's usual one; empty for an optional part not chosen. */
    public Optional<Hardware> part(String slot) {
        Part chosen = parts.get(slot);
        return chosen != null
                ? Optional.of(chosen.hardware())
                : pattern.hardware(slot).filter(h -> !h.optional()).map(h -> h.usual());
    }

    /** How many the maker chose of a part that comes in any number. */
    public int chosen(String slot) {
        Part chosen = parts.get(slot);
        return chosen == null ? 0 : chosen.count();
    }

    public PieceRequest with(House other) {
        return new PieceRequest(pattern, cords, size, parts, other, wearer, tapered, accepted);
    }

    public PieceRequest with(Map<String, Part> other) {
        return new PieceRequest(pattern, cords, size, other, house, wearer, tapered, accepted);
    }

    public PieceRequest with(Size other) {
        return new PieceRequest(pattern, cords, other, parts, house, wearer, tapered, accepted);
    }

    public PieceRequest with(Wearer other) {
        return new PieceRequest(pattern, cords, size, parts, house, other, tapered, accepted);
    }

    public PieceRequest withTaperedEnds() {
        return new PieceRequest(pattern, cords, size, parts, house, wearer, true, accepted);
    }

    /** With checks that the owner takes though they say no. */
    public PieceRequest accepting(Set<String> others) {
        return new PieceRequest(pattern, cords, size, parts, house, wearer, tapered, others);
    }
}
