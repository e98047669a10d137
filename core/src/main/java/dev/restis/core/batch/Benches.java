package dev.restis.core.batch;

import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.Section;
import dev.restis.core.stitch.Family;
import dev.restis.core.stitch.Stitch;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** What a piece needs on the bench. */
public final class Benches {

    /** Up to these diameters, in micrometres, cord is of one step: hands and boards do not change within it. */
    private static final List<Integer> STEPS = List.of(1_200, 2_200, 3_200, 4_500);

    private Benches() {}

    /** The stitch that makes most of a pattern: the first that stretches, else the first body; nothing where none is tied. */
    public static Optional<Stitch> main(Pattern pattern) {
        return pattern.stretching().stream()
                .findFirst()
                .or(() -> pattern.first(Section.Body.class))
                .map(Section.Body::stitch);
    }

    /** A family with each gauge step. */
    public static List<String> words(Family family) {
        return IntStream.rangeClosed(1, STEPS.size() + 1)
                .mapToObj(step -> family.name() + " " + step)
                .toList();
    }

    /** Family and gauge step in one word. */
    public static String family(Family family, Length gauge) {
        int step = 1;
        for (int bound : STEPS) {
            step += gauge.micrometres() > bound ? 1 : 0;
        }
        return family.name() + " " + step;
    }

    /** The family of such a word. */
    public static Family familyOf(String word) {
        return Family.valueOf(word.substring(0, word.indexOf(' ')));
    }

    /**
     * The bench for pieces of a line.
     *
     * @param family of the pattern's main stitch
     * @param parts articles of the hardware chosen
     * @param cords articles of the cords chosen
     */
    public static Bench of(
            Pattern pattern, Family family, Length gauge, Collection<Long> parts, Collection<Long> cords) {
        String hardware = new TreeSet<>(parts).stream().map(String::valueOf).collect(Collectors.joining(","));
        return new Bench(
                family(family, gauge), pattern.kind() + " " + pattern.closure() + " " + hardware, new TreeSet<>(cords));
    }
}
