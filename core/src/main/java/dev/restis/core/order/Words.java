package dev.restis.core.order;

import dev.restis.core.order.Vocabulary.Word;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;

/** Finds what people mean by a word: its code, its name, or any beginning of a name's words. */
final class Words {

    private static final int NEVER = 9;

    private Words() {}

    /** All that are named equally well by the text, and better than the others; empty when none is named. */
    static <W extends Word> List<W> named(String text, Collection<W> words) {
        int best = NEVER;
        List<W> found = new ArrayList<>();
        for (W word : words) {
            int rank = rank(text, word);
            if (rank < best) {
                best = rank;
                found.clear();
            }
            if (rank == best && rank < NEVER) {
                found.add(word);
            }
        }
        return found;
    }

    /** How well the text names the word: 0 is its code or its whole name, {@value #NEVER} not at all. */
    static int rank(String text, Word word) {
        String asked = plain(text);
        String code = plain(word.code());
        String name = plain(word.name());
        if (asked.isEmpty()) {
            return NEVER;
        }
        if (asked.equals(code) || asked.equals(name)) {
            return 0;
        }
        if (name.startsWith(asked + " ") || code.startsWith(asked + " ")) {
            return 1;
        }
        if (name.startsWith(asked) || code.startsWith(asked)) {
            return 2;
        }
        return (" " + name).contains(" " + asked) ? 3 : NEVER;
    }

    /** The likeliest that a mistyped word was meant to be, the nearest first. */
    static <W extends Word> List<W> like(String text, Collection<W> words, int most) {
        String asked = plain(text);
        int farthest = asked.length() < 4 ? 1 : 2;
        record Near<T>(T word, int distance) {}
        return words.stream()
                .map(w -> new Near<>(w, Math.min(nearest(asked, plain(w.name())), nearest(asked, plain(w.code())))))
                .filter(n -> n.distance() <= farthest)
                .sorted(Comparator.<Near<W>>comparingInt(Near::distance)
                        .thenComparing(n -> n.word().code()))
                .limit(most)
                .map(Near::word)
                .toList();
    }

    private static int nearest(String asked, String name) {
        int best = distance(asked, name);
        for (String word : name.split(" ")) {
            best = Math.min(best, distance(asked, word));
        }
        return best;
    }

    /** Hyphens and case do not matter. */
    private static String plain(String text) {
        return text.toLowerCase(Locale.ROOT).replace('-', ' ').strip();
    }

    /** Single letters changed, left out, put in or swapped with their neighbour. */
    static int distance(String one, String other) {
        int[][] d = new int[one.length() + 1][other.length() + 1];
        for (int i = 0; i <= one.length(); i++) {
            for (int j = 0; j <= other.length(); j++) {
                if (i == 0 || j == 0) {
                    d[i][j] = i + j;
                    continue;
                }
                int changed = d[i - 1][j - 1] + (one.charAt(i - 1) == other.charAt(j - 1) ? 0 : 1);
                d[i][j] = Math.min(changed, Math.min(d[i - 1][j], d[i][j - 1]) + 1);
                if (i > 1
                        && j > 1
                        && one.charAt(i - 1) == other.charAt(j - 2)
                        && one.charAt(i - 2) == other.charAt(j - 1)) {
                    d[i][j] = Math.min(d[i][j], d[i - 2][j - 2] + 1);
                }
            }
        }
        return d[one.length()][other.length()];
    }
}
