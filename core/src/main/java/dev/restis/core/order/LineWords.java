package dev.restis.core.order;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;

/** The words of one line, to be gone through from the first to the last. */
final class LineWords {

    private static final Pattern UNIT = Pattern.compile("mm|cm|in|inch|inches|ft|foot|feet|\"|'");
    private static final Pattern FRACTION = Pattern.compile("\\d+/\\d+[a-z\"']*");
    private static final Pattern FEET = Pattern.compile(".*(ft|foot|feet|')");
    private static final Pattern SPAN = Pattern.compile("\\d+(d|w|days?|weeks?)");

    private final String text;
    private final List<Token> tokens;

    LineWords(String text, List<Token> tokens) {
        this.text = text;
        this.tokens = tokens;
    }

    int size() {
        return tokens.size();
    }

    Token get(int at) {
        return tokens.get(at);
    }

    String word(int at) {
        return at < tokens.size() ? tokens.get(at).text().toLowerCase(Locale.ROOT) : "";
    }

    /** So many words from here as they were written; empty where the line or a comma ends before. */
    Optional<String> joined(int at, int count) {
        if (count < 1
                || at + count > tokens.size()
                || tokens.subList(at, at + count).stream().anyMatch(Token::comma)) {
            return Optional.empty();
        }
        return Optional.of(
                text.substring(tokens.get(at).from(), tokens.get(at + count - 1).to()));
    }

    /** How many words from here to the next comma or the end. */
    int toComma(int at) {
        int count = 0;
        while (at + count < tokens.size() && !tokens.get(at + count).comma()) {
            count++;
        }
        return count;
    }

    /** How many words a length takes that begins here: its number, a fraction, its unit, inches behind feet. */
    int lengthWords(int at) {
        int count = 1;
        if (FRACTION.matcher(word(at + count)).matches()) {
            count++;
        }
        if (UNIT.matcher(word(at + count)).matches() && !(word(at + count).equals("in") && days(at + count + 1))) {
            count++;
        }
        if (FEET.matcher(word(at + count - 1)).matches() && word(at + count).matches("\\d+([.,]\\d+)?(in|\")?")) {
            count++;
            count += FRACTION.matcher(word(at + count)).matches() ? 1 : 0;
            count += word(at + count).matches("in|inch|inches|\"") && !days(at + count + 1) ? 1 : 0;
        }
        return count;
    }

    /** Whether a number of days or weeks stands here. */
    private boolean days(int at) {
        return SPAN.matcher(word(at)).matches()
                || word(at).matches("\\d+") && word(at + 1).matches("d|w|days?|weeks?");
    }
}
