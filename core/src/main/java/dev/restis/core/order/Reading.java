package dev.restis.core.order;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What was understood of an order written in a line.
 *
 * @param marks every stretch of the text with what it was taken for, in order
 * @param lines of the order; at least one, and empty of choices where nothing was understood
 * @param customer as written after {@code for}
 * @param due the day it is wanted
 */
public record Reading(List<Mark> marks, List<Line> lines, Optional<String> customer, Optional<LocalDate> due) {

    public Reading {
        marks = List.copyOf(marks);
        lines = List.copyOf(lines);
    }

    /** What a stretch of the text was taken for. */
    public enum Kind {
        QUANTITY,
        PATTERN,
        SIZE,
        WRIST,
        HAND,
        LENGTH,
        COLOUR,
        PART,
        EASE,
        WEARER,
        KIT,
        MATCHING,
        TAPERED,
        DUE,
        CUSTOMER,
        NOTE,
        /** More than one thing could be meant; one of the choices says which. */
        UNCLEAR,
        /** Nothing could be meant by it. */
        UNKNOWN
    }

    /**
     * A stretch of the text.
     *
     * @param from first character
     * @param to behind the last
     * @param place which cord or part of the pattern it fills; else empty
     * @param value what it means: a code, a name, a number, a length as written, a day
     * @param choices what could be written instead to be understood; for what is unclear or unknown
     */
    public record Mark(int from, int to, Kind kind, String place, String value, List<Choice> choices) {
        public Mark {
            choices = List.copyOf(choices);
        }

        Mark(int from, int to, Kind kind, String value) {
            this(from, to, kind, "", value, List.of());
        }
    }

    /** Text that would be understood, and what it would mean. */
    public record Choice(String text, String meaning) {}

    /**
     * One line of the order; lengths as they were written.
     *
     * @param colours codes by the pattern's cord
     * @param parts by the pattern's part
     */
    public record Line(
            Optional<String> pattern,
            int quantity,
            Optional<String> size,
            Optional<String> wrist,
            Optional<String> hand,
            Optional<String> length,
            Map<String, String> colours,
            Map<String, Part> parts,
            Optional<String> ease,
            Optional<String> wearer,
            boolean kit,
            boolean matching,
            boolean tapered,
            String note) {}

    /** A part chosen; {@code count} is 0 where nothing was said. */
    public record Part(String article, int count) {}

    /** Whether every word was understood in one way only. */
    public boolean clear() {
        return marks.stream().allMatch(m -> m.kind() != Kind.UNCLEAR && m.kind() != Kind.UNKNOWN);
    }
}
