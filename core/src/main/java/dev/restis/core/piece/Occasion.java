package dev.restis.core.piece;

import dev.restis.core.pattern.Pattern.Closure;
import java.util.EnumMap;
import java.util.Map;

/** What in making a piece uses up a consumable: glue, thread, a bag. */
public enum Occasion {
    /** Each piece, tied here or sent as a kit. */
    PIECE,
    /** Each end of a cord that heat seals. */
    END_SEALED,
    /** Each end of a cord that must not meet a flame: it is glued. */
    END_GLUED,
    /** Each piece that closes so, as the rest. */
    SLIDER,
    SLIDE_BEAD,
    SLIDING_KNOTS,
    NOOSE,
    BUTTONHOLE,
    LOOP,
    BUCKLE,
    ELASTIC;

    /** How often each arises in one piece; in a kit all but the piece itself is left to the customer. */
    public static Map<Occasion, Integer> of(WorkedPiece piece) {
        Map<Occasion, Integer> times = new EnumMap<>(Occasion.class);
        times.put(PIECE, 1);
        if (piece.request().house().kit()) {
            return times;
        }
        for (WorkedStrand strand : piece.strands()) {
            boolean sealed =
                    piece.request().cords().get(strand.slot()).material().heatSealable();
            if (strand.ends() > 0) {
                times.merge(sealed ? END_SEALED : END_GLUED, strand.ends(), Integer::sum);
            }
        }
        Closure closure = piece.request().pattern().closure();
        if (closure != Closure.NONE) {
            times.put(valueOf(closure.name()), 1);
        }
        return times;
    }
}
