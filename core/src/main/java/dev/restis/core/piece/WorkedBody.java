package dev.restis.core.piece;

import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Section.Body;
import dev.restis.core.stitch.Gauge;
import java.util.List;

/**
 * A body as it comes out.
 *
 * @param section what it is
 * @param gauge what it is tied in
 * @param takeUp what its cord use was reckoned with
 * @param pitch body length of one repeat
 * @param groups repeats between the beads, from one end to the other; one group without beads
 * @param beadLength what each bead between two groups adds; zero without beads
 * @param length its whole length
 */
public record WorkedBody(
        Body section,
        Gauge gauge,
        TakeUp takeUp,
        Length pitch,
        List<Integer> groups,
        Length beadLength,
        Length length) {

    public WorkedBody {
        groups = List.copyOf(groups);
    }

    public int repeats() {
        return groups.stream().mapToInt(Integer::intValue).sum();
    }

    public int beads() {
        return beadLength.isPositive() ? groups.size() - 1 : 0;
    }
}
