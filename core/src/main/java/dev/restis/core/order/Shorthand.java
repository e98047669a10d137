package dev.restis.core.order;

import dev.restis.core.measure.UnitSystem;
import dev.restis.core.order.Reading.Kind;
import dev.restis.core.order.Reading.Line;
import dev.restis.core.order.Reading.Mark;
import dev.restis.core.order.Vocabulary.PatternWord;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Reads an order written in one line, for people who type with one hand: words in any order, nothing that needs a shift
 * key, any beginning of a name.
 *
 * <pre>
 * 3 square-bar 16.5 oat ember 2 harbour by fri for Marit
 * snake night oat m; 2 l; 17.5 set                      several lines; a line without a pattern goes on with the last one's
 * spiral-fob 12cm core.brine working.chalk rg25 kit     a place named where order would not do
 * </pre>
 *
 * <p>A bare whole number is the quantity before the pattern is named and a length behind it, except in front of a part,
 * where it is how many. A number with decimals, a fraction or a unit is a length: the wrist of a band, the finished length
 * of anything else; {@code w}, {@code h} and {@code l} before it say wrist, hand or length. {@code for} begins the
 * customer and {@code note} a note, to the next comma or semicolon; {@code by} and {@code in} begin the day. What could be
 * meant in two ways is marked with its choices and left out, never guessed. Cost: words of the text times words known.
 */
public final class Shorthand {

    public static final int LONGEST = 1000;

    private Shorthand() {}

    /**
     * Reads a text; any text, though little may be understood of it.
     *
     * @param units what bare lengths are in
     * @throws IllegalArgumentException when it is longer than {@value #LONGEST} characters
     */
    public static Reading read(String text, Vocabulary vocabulary, UnitSystem units, LocalDate today) {
        if (text.length() > LONGEST) {
            throw new IllegalArgumentException(
                    "text must have at most " + LONGEST + " characters but has " + text.length());
        }
        List<Mark> marks = new ArrayList<>();
        List<Line> lines = new ArrayList<>();
        for (List<Token> tokens : Token.lines(text)) {
            LineWords words = new LineWords(text, tokens);
            List<Mark> first =
                    new LineReader(words, vocabulary, units, today, Optional.empty(), Optional.empty()).marks();
            Optional<Line> before = lines.isEmpty() || maybePattern(first, vocabulary)
                    ? Optional.empty()
                    : Optional.of(lines.get(lines.size() - 1));
            LineReader line = new LineReader(words, vocabulary, units, today, named(first, vocabulary), before);
            marks.addAll(line.marks());
            if (!line.onlyOfTheOrder()) {
                lines.add(line.line());
            }
        }
        if (lines.isEmpty()) {
            lines.add(LineReader.EMPTY);
        }
        return new Reading(marks, lines, customer(marks), due(marks));
    }

    /** The pattern of a line decides what its other words may mean, wherever it stands. */
    private static Optional<PatternWord> named(List<Mark> first, Vocabulary vocabulary) {
        return first.stream()
                .filter(m -> m.kind() == Kind.PATTERN)
                .findFirst()
                .flatMap(m -> vocabulary.patterns().stream()
                        .filter(p -> p.code().equals(m.value()))
                        .findFirst());
    }

    /** Whether an unclear word may name a pattern; then the line does not go on with the last one's. */
    private static boolean maybePattern(List<Mark> first, Vocabulary vocabulary) {
        return first.stream()
                .filter(m -> m.kind() == Kind.UNCLEAR)
                .flatMap(m -> m.choices().stream())
                .anyMatch(c ->
                        vocabulary.patterns().stream().anyMatch(p -> p.code().equals(c.text())));
    }

    private static Optional<String> customer(List<Mark> marks) {
        return marks.stream()
                .filter(m -> m.kind() == Kind.CUSTOMER)
                .map(Mark::value)
                .reduce((one, later) -> later);
    }

    private static Optional<LocalDate> due(List<Mark> marks) {
        return marks.stream()
                .filter(m -> m.kind() == Kind.DUE)
                .map(m -> LocalDate.parse(m.value()))
                .reduce((one, later) -> later);
    }
}
