package dev.restis.app.patterns;

import dev.restis.core.measure.UnitSystem;
import java.util.List;
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
 * @param colours article codes, one for each of the pattern's colours, in order
 * @param bead article code of the beads, if any
 * @param beadCount how many beads
 * @param ring article code of the ring, if the pattern hangs on one
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
        @Nullable String bead,
        @Nullable Integer beadCount,
        @Nullable String ring,
        UnitSystem units) {}
