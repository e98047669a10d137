package dev.restis.core.pattern;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** The patterns Restis ships with. */
public final class PatternBook {

    public static final Pattern SQUARE_BAR = Bracelets.SQUARE_BAR;
    public static final Pattern SNAKE = Bracelets.SNAKE;
    public static final Pattern SPIRAL_FOB = FobsAndLanyards.SPIRAL_FOB;

    private static final List<Pattern> ALL = Stream.concat(Bracelets.all().stream(), FobsAndLanyards.all().stream())
            .toList();

    private static final Map<String, Pattern> BY_CODE =
            ALL.stream().collect(Collectors.toMap(Pattern::code, Function.identity()));

    private PatternBook() {}

    /** Bracelets, then fobs, then lanyards. */
    public static List<Pattern> all() {
        return ALL;
    }

    public static Optional<Pattern> byCode(String code) {
        return Optional.ofNullable(BY_CODE.get(code));
    }
}
