package dev.restis.app.patterns;

import dev.restis.core.fit.Ease;
import dev.restis.core.measure.UnitSystem;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A piece's choices as understood and stored: exact lengths, and articles by identity.
 *
 * @param articles one cord article for each of the pattern's colours
 */
public record PieceSpec(
        String pattern,
        @Nullable String sizeName,
        @Nullable Long wristUm,
        @Nullable Long handUm,
        boolean handAssumed,
        Ease ease,
        @Nullable Long lengthUm,
        List<Long> articles,
        @Nullable Long bead,
        int beadCount,
        @Nullable Long ring,
        UnitSystem units) {}
