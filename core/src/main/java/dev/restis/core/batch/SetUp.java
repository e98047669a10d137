package dev.restis.core.batch;

import dev.restis.core.measure.Length;
import dev.restis.core.piece.Check.Verdict;
import dev.restis.core.piece.WorkedPiece;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;

/**
 * What stays on the bench from one piece to the next, by which open pieces are grouped: the pattern, and the cords in its places.
 *
 * @param pattern its code
 * @param cords which article lies in each of the pattern's cord places, in their order; at least one
 * @param gauge diameter of the cord that is tied: the one in the last place
 * @param cord that one piece takes, all strands together
 * @param verdict on the piece
 */
public record SetUp(String pattern, List<Long> cords, Length gauge, Length cord, Verdict verdict) {

    private static final char BEHIND_PATTERN = '|';

    public SetUp {
        cords = List.copyOf(cords);
        if (pattern.isEmpty() || pattern.indexOf(BEHIND_PATTERN) >= 0 || cords.isEmpty()) {
            throw new IllegalArgumentException("a set-up has a pattern and cords but was " + pattern + " in " + cords);
        }
    }

    /** @param cords the article in each of the pattern's cord places */
    public static SetUp of(WorkedPiece piece, List<Long> cords, Length gauge) {
        return new SetUp(
                piece.request().pattern().code(),
                cords,
                gauge,
                new Length(piece.strands().stream()
                        .mapToLong(s -> s.cutLength().micrometres())
                        .sum()),
                piece.verdict());
    }

    /** The same for pieces that are made without changing what lies on the bench, and for no others. */
    public String key() {
        return pattern + BEHIND_PATTERN + cords.stream().map(String::valueOf).collect(Collectors.joining(","));
    }

    /** The articles of cord that a key ends with. */
    public static List<Long> cordsOf(String key) {
        return Arrays.stream(key.substring(key.indexOf(BEHIND_PATTERN) + 1).split(","))
                .map(Long::valueOf)
                .toList();
    }

    /** The pattern that a key begins with. */
    public static String patternOf(String key) {
        return key.substring(0, key.indexOf(BEHIND_PATTERN));
    }
}
