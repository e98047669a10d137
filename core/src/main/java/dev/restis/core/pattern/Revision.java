package dev.restis.core.pattern;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Why shipped patterns were changed, so that a workshop that knows the earlier version is told. */
public enum Revision {
    /** Each colour runs up as a core, folds over into an ear, and works back down. */
    EARS("interlocked"),
    /** The strands that weave lock the ends of the weave with a square knot; slip loops are held by a half hitch before it. */
    SQUARE_KNOT_LOCKS("ladder", "ladder-two", "slip-loop", "falls", "falls-tab"),
    /** Straight edges tied to both bars by noose knots, and braiding strands of which the outer two are cut behind. */
    TIED_EDGES("edged-braid"),
    /** Strands hang on strands, and not on a part of their own. */
    HUNG_ON_STRANDS("crossing-weave", "diamond-fob"),
    /** The outermost strand of either side hitches the buttonhole over the others. */
    OUTER_STRAND_HITCHES("alternating"),
    /** The long cord ties all barrels around the short one, and both go through the shank. */
    LONG_AND_SHORT("leather"),
    /** Elastic is tied twice. */
    TWO_REEF_KNOTS("elastic-beads");

    private final List<String> patterns;

    Revision(String... patterns) {
        this.patterns = List.of(patterns);
    }

    /** Codes of the patterns that it changed. */
    public List<String> patterns() {
        return patterns;
    }

    /** The last revision of a shipped pattern; nothing for one that is as it was shipped first. */
    public static @Nullable Revision last(String pattern) {
        Revision last = null;
        for (Revision revision : values()) {
            last = revision.patterns.contains(pattern) ? revision : last;
        }
        return last;
    }

    /** The revision of that name, if this release knows it. */
    public static Optional<Revision> named(String name) {
        return Arrays.stream(values()).filter(r -> r.name().equals(name)).findFirst();
    }
}
