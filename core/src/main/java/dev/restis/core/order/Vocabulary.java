package dev.restis.core.order;

import dev.restis.core.measure.Length;
import java.util.List;

/**
 * The words that an order written in a line may use.
 *
 * @param sizes names of the house sizes
 */
public record Vocabulary(List<PatternWord> patterns, List<CordWord> cords, List<PartWord> parts, List<String> sizes) {

    public Vocabulary {
        patterns = List.copyOf(patterns);
        cords = List.copyOf(cords);
        parts = List.copyOf(parts);
        sizes = List.copyOf(sizes);
    }

    /** Something that can be named by its code, or by its name and any beginning of it. */
    sealed interface Word permits PatternWord, CordWord, PartWord {
        String code();

        String name();
    }

    /** A cord that a pattern takes. */
    public record CordPlace(String code, Length gauge) {}

    /**
     * A part that a pattern takes.
     *
     * @param kind what kind of part fits there
     * @param counted whether it is said how many
     */
    public record PartPlace(String code, String kind, boolean counted) {}

    /**
     * A pattern.
     *
     * @param byWrist whether a bare length is a wrist; else it is the finished length
     */
    public record PatternWord(String code, String name, boolean byWrist, List<CordPlace> cords, List<PartPlace> parts)
            implements Word {}

    /** An article of cord. */
    public record CordWord(String code, String name, Length diameter) implements Word {}

    /** A bead, ring or other part. */
    public record PartWord(String code, String name, String kind) implements Word {}
}
