package dev.restis.app.patterns;

import dev.restis.core.fit.Ease;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.piece.Wearer;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * A piece's choices as understood and stored: exact lengths, articles by identity, the pattern in the version it was
 * chosen in.
 *
 * @param articles one cord article for each of the pattern's cords
 * @param parts the hardware chosen, in the order of the pattern's slots
 * @param accepted the check that says no and that the owner takes all the same; whoever chooses anew drops it
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
        Wearer wearer,
        boolean tapered,
        UnitSystem units,
        @Nullable Accepted accepted) {

    /**
     * That the owner takes a piece though a check says no.
     *
     * @param check the check's name
     */
    public record Accepted(String check, String reason, String who, Instant at) {}

    /** Every article it is made of. */
    Stream<Long> allArticles() {
        return Stream.concat(articles.stream(), parts.stream().map(PartSpec::article));
    }

    /** Whether both say the same, in whatever version of the pattern and order of parts. */
    public boolean sameAs(PieceSpec other) {
        return comparable().equals(other.comparable());
    }

    private PieceSpec comparable() {
        List<PartSpec> sorted =
                parts.stream().sorted(Comparator.comparing(PartSpec::slot)).toList();
        return changed(pattern, 0, ease, sorted).taking(null);
    }

    /** The same piece, which the owner takes all the same, or no more. */
    public PieceSpec taking(@Nullable Accepted other) {
        return new PieceSpec(
                pattern,
                patternVersion,
                sizeName,
                wristUm,
                handUm,
                handAssumed,
                ease,
                lengthUm,
                articles,
                parts,
                kit,
                wearer,
                tapered,
                units,
                other);
    }

    PieceSpec with(Ease other) {
        return changed(pattern, patternVersion, other, parts);
    }

    PieceSpec with(List<PartSpec> other) {
        return changed(pattern, patternVersion, ease, other);
    }

    /** The same choices for another pattern that takes the same cords; parts that it has no place for are left out. */
    PieceSpec with(PatternShelf.Shelved other) {
        List<PartSpec> kept = parts.stream()
                .filter(p -> other.pattern().hardware(p.slot()).isPresent())
                .toList();
        return changed(other.pattern().code(), other.version(), ease, kept).taking(null);
    }

    /** The same choices with one article of cord instead of another wherever it is used. */
    PieceSpec replacing(long article, long other) {
        return changed(
                pattern,
                patternVersion,
                ease,
                articles.stream().map(a -> a == article ? other : a).toList(),
                parts);
    }

    private PieceSpec changed(String toPattern, int toVersion, Ease toEase, List<PartSpec> toParts) {
        return changed(toPattern, toVersion, toEase, articles, toParts);
    }

    private PieceSpec changed(
            String toPattern, int toVersion, Ease toEase, List<Long> toArticles, List<PartSpec> toParts) {
        return new PieceSpec(
                toPattern,
                toVersion,
                sizeName,
                wristUm,
                handUm,
                handAssumed,
                toEase,
                lengthUm,
                toArticles,
                toParts,
                kit,
                wearer,
                tapered,
                units,
                accepted);
    }

    /** A part chosen; {@code count} is 0 where the pattern says how many. */
    public record PartSpec(String slot, long article, int count) {}
}
