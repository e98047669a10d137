package dev.restis.core.order;

import dev.restis.core.measure.Length;
import dev.restis.core.measure.LengthReader;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.order.Reading.Choice;
import dev.restis.core.order.Reading.Kind;
import dev.restis.core.order.Reading.Line;
import dev.restis.core.order.Reading.Mark;
import dev.restis.core.order.Reading.Part;
import dev.restis.core.order.Vocabulary.CordPlace;
import dev.restis.core.order.Vocabulary.CordWord;
import dev.restis.core.order.Vocabulary.PartPlace;
import dev.restis.core.order.Vocabulary.PartWord;
import dev.restis.core.order.Vocabulary.PatternWord;
import dev.restis.core.order.Vocabulary.Word;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** Reads one line of an order, word by word. */
final class LineReader {

    static final Line EMPTY = new Line(
            Optional.empty(),
            1,
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Map.of(),
            Map.of(),
            Optional.empty(),
            Optional.empty(),
            false,
            false,
            false,
            "");

    private static final int MOST_PIECES = 1000;
    private static final int LONGEST_NAME = 3;
    private static final int MOST_CHOICES = 6;
    private static final String ALL = "all";
    private static final Pattern WHOLE = Pattern.compile("(\\d{1,4})(x?)");
    private static final Pattern NUMBER = Pattern.compile("[\\d½¼¾⅛⅜⅝⅞].*|[.,]\\d.*");
    private static final Pattern MEASURED = Pattern.compile("([whl])([.,]?[\\d½¼¾⅛⅜⅝⅞].*)");
    private static final Pattern PLACED = Pattern.compile("([\\p{L}][\\p{L}-]*)\\.(\\S+)");
    private static final Set<Kind> OF_THE_ORDER = Set.of(Kind.CUSTOMER, Kind.DUE);
    private final LineWords words;
    private final Vocabulary vocabulary;
    private final UnitSystem units;
    private final Days days;
    private final Optional<Line> before;
    private final Optional<PatternWord> pattern;
    private final List<Mark> marks = new ArrayList<>();
    private final Map<String, String> colours = new TreeMap<>();
    private final Map<String, Part> parts = new TreeMap<>();

    /**
     * Reads the line.
     *
     * @param named its pattern, when it is known already
     * @param before the line before it, which a line without a pattern goes on with
     */
    LineReader(
            LineWords words,
            Vocabulary vocabulary,
            UnitSystem units,
            LocalDate today,
            Optional<PatternWord> named,
            Optional<Line> before) {
        this.words = words;
        this.vocabulary = vocabulary;
        this.units = units;
        this.days = new Days(today);
        this.before = named.isPresent() ? Optional.empty() : before;
        this.pattern = named.or(() -> this.before
                .flatMap(Line::pattern)
                .flatMap(code -> vocabulary.patterns().stream()
                        .filter(p -> p.code().equals(code))
                        .findFirst()));
        int at = 0;
        while (at < words.size()) {
            at += words.get(at).comma() ? 1 : take(at);
        }
    }

    List<Mark> marks() {
        return marks;
    }

    /** Whether it only says for whom or when. */
    boolean onlyOfTheOrder() {
        return marks.stream().allMatch(m -> OF_THE_ORDER.contains(m.kind()));
    }

    Line line() {
        Line last = before.orElse(EMPTY);
        Map<String, String> allColours = new TreeMap<>(last.colours());
        allColours.putAll(colours);
        Map<String, Part> allParts = new TreeMap<>(last.parts());
        allParts.putAll(parts);
        return new Line(
                pattern.map(PatternWord::code),
                last(Kind.QUANTITY).map(Integer::parseInt).orElse(1),
                last(Kind.SIZE),
                last(Kind.WRIST),
                last(Kind.HAND),
                last(Kind.LENGTH).or(() -> pattern.filter(p -> !p.byWrist()).flatMap(p -> last.length())),
                allColours,
                allParts,
                last(Kind.EASE).or(last::ease),
                last(Kind.WEARER).or(last::wearer),
                has(Kind.KIT) || last.kit(),
                has(Kind.MATCHING) || last.matching(),
                has(Kind.TAPERED) || last.tapered(),
                last(Kind.NOTE).orElse(""));
    }

    private Optional<String> last(Kind kind) {
        return marks.stream().filter(m -> m.kind() == kind).map(Mark::value).reduce((one, later) -> later);
    }

    private boolean has(Kind kind) {
        return marks.stream().anyMatch(m -> m.kind() == kind);
    }

    /** Takes what begins at a word, marks it, and says how many words it was. */
    private int take(int at) {
        String word = words.word(at);
        if (word.equals("for") || word.equals("note")) {
            return takeText(at, word.equals("for") ? Kind.CUSTOMER : Kind.NOTE);
        }
        if (word.equals("by") || word.equals("in")) {
            return takeDay(at);
        }
        Mark keyword = LineKeywords.KEYWORDS.get(word);
        if (keyword != null) {
            return mark(at, 1, keyword.kind(), keyword.value());
        }
        Optional<String> size = vocabulary.sizes().stream()
                .filter(s -> s.equalsIgnoreCase(word))
                .findFirst();
        if (size.isPresent()) {
            return mark(at, 1, Kind.SIZE, size.get());
        }
        Matcher measured = MEASURED.matcher(word);
        if (measured.matches() && vocabulary.cords().stream().noneMatch(c -> Words.rank(word, c) == 0)) {
            return takeLength(at, kindOf(measured.group(1)), 1);
        }
        if (NUMBER.matcher(word).matches()) {
            return takeNumber(at);
        }
        return takeName(at, 0);
    }

    private static Kind kindOf(String letter) {
        return letter.equals("w") ? Kind.WRIST : letter.equals("h") ? Kind.HAND : Kind.LENGTH;
    }

    private int takeText(int at, Kind kind) {
        int count = words.toComma(at + 1);
        Optional<String> text = words.joined(at + 1, count).filter(t -> !t.isBlank());
        return text.isPresent() ? mark(at, count + 1, kind, text.get()) : unknown(at, 1, List.of());
    }

    private int takeDay(int at) {
        for (int count = Math.min(3, words.toComma(at + 1)); count > 0; count--) {
            String text = words.joined(at + 1, count).orElse("");
            List<LocalDate> found =
                    words.word(at).equals("in") ? days.ahead(text).stream().toList() : days.read(text);
            if (found.size() == 1) {
                return mark(at, count + 1, Kind.DUE, found.get(0).toString());
            }
            if (found.size() > 1) {
                List<Choice> choices = found.stream()
                        .map(d -> new Choice("by " + d, d.toString()))
                        .toList();
                return mark(at, count + 1, Kind.UNCLEAR, text, choices);
            }
        }
        return unknown(at, 1, List.of());
    }

    private int takeNumber(int at) {
        Matcher whole = WHOLE.matcher(words.word(at));
        int length = words.lengthWords(at);
        if (!whole.matches() || length > 1) {
            if (whole.matches() && partAt(at + 1)) {
                return takeCounted(at, Integer.parseInt(whole.group(1)));
            }
            return takeLength(
                    at, pattern.map(p -> p.byWrist() ? Kind.WRIST : Kind.LENGTH).orElse(Kind.WRIST), 0);
        }
        int number = Integer.parseInt(whole.group(1));
        if (partAt(at + 1)) {
            return takeCounted(at, number);
        }
        boolean patternBefore = before.isPresent() || has(Kind.PATTERN);
        boolean quantity = !whole.group(2).isEmpty() || !patternBefore && !has(Kind.QUANTITY);
        if (!quantity && before.isPresent() && !has(Kind.QUANTITY) && sizedBehind(at + 1)) {
            quantity = true;
        }
        if (quantity) {
            return number >= 1 && number <= MOST_PIECES
                    ? mark(at, 1, Kind.QUANTITY, String.valueOf(number))
                    : unknown(at, 1, List.of());
        }
        return takeLength(
                at, pattern.map(p -> p.byWrist() ? Kind.WRIST : Kind.LENGTH).orElse(Kind.WRIST), 0);
    }

    /** In a line that goes on with the last one's pattern, a number before a size is how many. */
    private boolean sizedBehind(int at) {
        String word = words.word(at);
        return NUMBER.matcher(word).matches()
                || MEASURED.matcher(word).matches()
                || vocabulary.sizes().stream().anyMatch(s -> s.equalsIgnoreCase(word));
    }

    private int takeCounted(int at, int number) {
        int first = marks.size();
        int taken = takeName(at + 1, number) + 1;
        Token counted = words.get(at);
        // The part may not go where it is named; then the number before it counts nothing.
        if (marks.get(first).from() != counted.from()) {
            marks.add(first, new Mark(counted.from(), counted.to(), Kind.UNKNOWN, counted.text()));
        }
        return taken;
    }

    private int takeLength(int at, Kind kind, int prefix) {
        for (int count = words.lengthWords(at); count > 0; count--) {
            Optional<String> text = words.joined(at, count).map(t -> t.substring(prefix));
            if (text.flatMap(t -> LengthReader.read(t, units))
                    .filter(Length::isPositive)
                    .isPresent()) {
                return has(kind) ? unknown(at, count, List.of()) : mark(at, count, kind, text.get());
            }
        }
        return unknown(at, 1, List.of());
    }

    /** Whether the words here name a part and nothing else as well. */
    private boolean partAt(int at) {
        return IntStream.iterate(LONGEST_NAME, n -> n > 0, n -> n - 1)
                .mapToObj(count -> words.joined(at, count).map(t -> candidates(t, Optional.empty())))
                .flatMap(Optional::stream)
                .filter(found -> !found.isEmpty())
                .findFirst()
                .filter(found -> found.stream().allMatch(PartWord.class::isInstance))
                .isPresent();
    }

    private int takeName(int at, int number) {
        Matcher placed = PLACED.matcher(words.word(at));
        Optional<String> place = placed.matches() ? place(placed.group(1)) : Optional.empty();
        int prefix = place.isPresent() ? placed.group(1).length() + 1 : 0;
        for (int count = LONGEST_NAME; count > 0; count--) {
            Optional<String> text = words.joined(at, count).map(t -> t.substring(prefix));
            List<Word> found = text.map(t -> candidates(t, place)).orElse(List.of());
            if (found.size() == 1) {
                return takeWord(at, count, number, found.get(0), place);
            }
            if (found.size() > 1) {
                return mark(
                                at - (number > 0 ? 1 : 0),
                                count + (number > 0 ? 1 : 0),
                                Kind.UNCLEAR,
                                text.orElse(""),
                                choices(found, place, number))
                        - (number > 0 ? 1 : 0);
            }
        }
        List<Word> all = new ArrayList<>(vocabulary.cords());
        all.addAll(vocabulary.patterns());
        all.addAll(vocabulary.parts());
        List<Word> like = Words.like(words.word(at).substring(prefix), all, MOST_CHOICES);
        return unknown(at, 1, choices(like, place, number));
    }

    private int takeWord(int at, int count, int number, Word word, Optional<String> place) {
        if (word instanceof PatternWord) {
            return has(Kind.PATTERN) ? unknown(at, count, List.of()) : mark(at, count, Kind.PATTERN, word.code());
        }
        if (word instanceof CordWord) {
            return takeColour(at, count, word.code(), place);
        }
        PartWord part = (PartWord) word;
        Optional<String> free = place.or(() -> freePlace(part));
        if (free.isEmpty()) {
            return pattern.isPresent() ? unknown(at, count, List.of()) : mark(at, count, Kind.PART, word.code());
        }
        parts.put(free.get(), new Part(part.code(), number));
        int from = number > 0 ? at - 1 : at;
        return add(from, at + count - 1, Kind.PART, free.get(), part.code(), List.of(), count);
    }

    private int takeColour(int at, int count, String code, Optional<String> place) {
        if (pattern.isEmpty()) {
            return mark(at, count, Kind.COLOUR, code);
        }
        List<String> all = pattern.get().cords().stream().map(CordPlace::code).toList();
        if (place.filter(ALL::equals).isPresent()) {
            all.forEach(p -> colours.put(p, code));
            return add(at, at + count - 1, Kind.COLOUR, ALL, code, List.of(), count);
        }
        Optional<String> free =
                place.or(() -> all.stream().filter(p -> !colours.containsKey(p)).findFirst());
        if (free.isEmpty()) {
            return unknown(at, count, List.of());
        }
        colours.put(free.get(), code);
        return add(at, at + count - 1, Kind.COLOUR, free.get(), code, List.of(), count);
    }

    private Optional<String> freePlace(PartWord part) {
        return pattern.flatMap(p -> p.parts().stream()
                .filter(place -> place.kind().equals(part.kind()) && !parts.containsKey(place.code()))
                .map(PartPlace::code)
                .findFirst());
    }

    /** The place of the pattern that a word before a point names. */
    private Optional<String> place(String named) {
        if (named.equals(ALL)) {
            return Optional.of(ALL);
        }
        List<String> found = pattern.stream()
                .flatMap(p -> Stream.concat(
                        p.cords().stream().map(CordPlace::code),
                        p.parts().stream().map(PartPlace::code)))
                .filter(code -> code.startsWith(named))
                .toList();
        return found.size() == 1 || found.contains(named)
                ? Optional.of(found.contains(named) ? named : found.get(0))
                : Optional.empty();
    }

    /** Everything that the text names best, among what fits: cords of the place's gauge, parts that the pattern takes. */
    private List<Word> candidates(String text, Optional<String> place) {
        List<Word> all = new ArrayList<>();
        if (place.isEmpty()) {
            all.addAll(pattern.isPresent() && before.isEmpty() ? List.of(pattern.get()) : vocabulary.patterns());
        }
        boolean ofPart = place.isPresent()
                && pattern.stream()
                        .flatMap(p -> p.parts().stream())
                        .anyMatch(p -> p.code().equals(place.get()));
        if (!ofPart) {
            all.addAll(fitting(Words.named(text, vocabulary.cords()), place));
        }
        if (place.isEmpty() || ofPart) {
            vocabulary.parts().stream().filter(p -> fits(p, place)).forEach(all::add);
        }
        return Words.named(text, all);
    }

    private boolean fits(PartWord part, Optional<String> place) {
        return pattern.isEmpty()
                || pattern.get().parts().stream()
                        .anyMatch(p -> p.kind().equals(part.kind())
                                && place.map(p.code()::equals).orElse(true));
    }

    /** Of cords that are named alike, those nearest to the gauge of the place they would fill. */
    private List<CordWord> fitting(List<CordWord> named, Optional<String> place) {
        Optional<Length> gauge = pattern.flatMap(p -> p.cords().stream()
                .filter(c -> place.filter(named2 -> !named2.equals(ALL))
                        .map(c.code()::equals)
                        .orElse(!colours.containsKey(c.code())))
                .map(CordPlace::gauge)
                .findFirst());
        if (pattern.isEmpty() && named.stream().map(CordWord::name).distinct().count() == 1) {
            // Which of its gauges is meant will be settled by the pattern, once that is clear.
            return named.subList(0, 1);
        }
        if (gauge.isEmpty()) {
            return named;
        }
        long target = gauge.get().micrometres();
        long nearest = named.stream()
                .mapToLong(c -> Math.abs(c.diameter().micrometres() - target))
                .min()
                .orElse(0);
        return named.stream()
                .filter(c -> Math.abs(c.diameter().micrometres() - target) == nearest)
                .toList();
    }

    private static List<Choice> choices(List<Word> found, Optional<String> place, int number) {
        String before =
                (number > 0 ? number + " " : "") + place.map(p -> p + ".").orElse("");
        return found.stream()
                .limit(MOST_CHOICES)
                .map(w -> new Choice(before + w.code().toLowerCase(java.util.Locale.ROOT), w.name()))
                .toList();
    }

    private int unknown(int at, int count, List<Choice> choices) {
        return mark(at, count, Kind.UNKNOWN, words.joined(at, count).orElse(""), choices);
    }

    private int mark(int at, int count, Kind kind, String value) {
        return mark(at, count, kind, value, List.of());
    }

    private int mark(int at, int count, Kind kind, String value, List<Choice> choices) {
        return add(at, at + count - 1, kind, "", value, choices, count);
    }

    private int add(int first, int last, Kind kind, String place, String value, List<Choice> choices, int taken) {
        marks.add(new Mark(words.get(first).from(), words.get(last).to(), kind, place, value, choices));
        return taken;
    }
}
