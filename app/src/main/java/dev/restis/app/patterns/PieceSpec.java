package dev.restis.app.patterns;

import dev.restis.core.fit.Ease;
import dev.restis.core.measure.UnitSystem;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A piece's choices as understood and stored: exact lengths, articles by identity, the pattern in the version it was
 * chosen in.
 *
 * @param articles one cord article for each of the pattern's cords
 * @param parts the hardware chosen, in the order of the pattern's slots
 */
public record PieceSpec(
        String pattern,
        int patternVersion,
        @Nullable String sizeName,
        @Nullable Long wristUm,
        @Nullable Long handUm,
        boolean handAssumed,
        Ease ease,
        @Nullable Long lengthUm,
        List<Long> articles,
        List<PartSpec> parts,
        boolean kit,
        UnitSystem units) {

    /** Whether both say the same, in whatever version of the pattern and order of parts. */
    public boolean sameAs(PieceSpec other) {
        return comparable().equals(other.comparable());
    }

    private PieceSpec comparable() {
        return new PieceSpec(
                pattern,
                0,
                sizeName,
                wristUm,
                handUm,
                handAssumed,
                ease,
                lengthUm,
                articles,
                parts.stream().sorted(Comparator.comparing(PartSpec::slot)).toList(),
                kit,
                units);
    }

    /** A part chosen; {@code count} is 0 where the pattern says how many. */
    public record PartSpec(String slot, long article, int count) {}
}
