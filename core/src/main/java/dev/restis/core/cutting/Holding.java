package dev.restis.core.cutting;

import dev.restis.core.measure.Length;
import java.util.List;

/**
 * A physical length of cord that may be cut.
 *
 * @param id identity in stock
 * @param article what it is
 * @param lot which delivery; strands of one article in one piece must come from one lot
 * @param length what is left of it; positive
 * @param flaws places that no strand may cross (flaws and joins), from the free end, ascending, inside the length
 * @param keepLength the least length worth keeping as a remnant
 * @param sealed whether it would have to be opened for this
 * @param ageDays how long it has been in stock; 0 or more
 */
public record Holding(
        long id,
        long article,
        long lot,
        Length length,
        List<Length> flaws,
        Length keepLength,
        boolean sealed,
        long ageDays) {

    /** One that is open, of today. */
    public Holding(long id, long article, long lot, Length length, List<Length> flaws, Length keepLength) {
        this(id, article, lot, length, flaws, keepLength, false, 0);
    }

    public Holding {
        flaws = List.copyOf(flaws);
        if (!length.isPositive()) {
            throw new IllegalArgumentException("length of holding " + id + " must be positive but was " + length);
        }
        Length last = Length.ZERO;
        for (Length flaw : flaws) {
            if (!last.isLessThan(flaw) || !flaw.isLessThan(length)) {
                throw new IllegalArgumentException("flaws of holding " + id
                        + " must ascend and lie inside its length but were " + flaws + " in " + length);
            }
            last = flaw;
        }
    }
}
