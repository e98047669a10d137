package dev.restis.app.patterns;

import dev.restis.core.measure.UnitSystem;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What someone chose for a piece, as typed; lengths are text in any unit. A form, a file and a feed all speak this.
 *
 * @param pattern code of a pattern
 * @param size name of a house size, instead of a wrist
 * @param wrist girth of the wrist
 * @param hand girth of the hand, if measured
 * @param ease SNUG, COMFORTABLE or LOOSE; comfortable when missing
 * @param length finished length of a piece that is no band
 * @param colours article codes, one for each of the pattern's cords, in order
 * @param parts the hardware chosen, by the pattern's slot
 * @param kit whether it is sold to be tied by the customer
 * @param wearer ADULT, CHILD or UNDER_THREE; an adult when missing
 * @param tapered whether ends are tapered before they are threaded
 * @param units what bare numbers mean, and the step strands are cut to
 */
public record PieceChoices(
        String pattern,
        @Nullable String size,
        @Nullable String wrist,
        @Nullable String hand,
        @Nullable String ease,
        @Nullable String length,
        List<String> colours,
        @Nullable Map<String, PartChoice> parts,
        @Nullable Boolean kit,
        @Nullable String wearer,
        @Nullable Boolean tapered,
        UnitSystem units) {

    /**
     * A part chosen.
     *
     * @param article its code; empty for none
     * @param count how many, where the pattern leaves it to the maker
     */
    public record PartChoice(String article, @Nullable Integer count) {}
}
