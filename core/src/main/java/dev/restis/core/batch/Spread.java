package dev.restis.core.batch;

import java.util.List;

/**
 * How far minutes lie from what is reckoned; each factor is log-normal with the mean 1.
 *
 * @param pieces of each parcel, one standard deviation of a piece's minutes, relative; the more pieces, the less it matters
 * @param family shared by all that is of one family: an estimate is wrong for all of it
 * @param maker shared by all that one maker ties
 */
public record Spread(List<Double> pieces, double family, double maker) {

    /** Before ten pieces are logged. */
    public static final double FAMILY = 0.10;

    public static final double MAKER = 0.08;

    public Spread {
        pieces = List.copyOf(pieces);
        if (!(family >= 0) || !(maker >= 0) || pieces.stream().anyMatch(p -> !(p >= 0))) {
            throw new IllegalArgumentException("spreads must not be negative");
        }
    }
}
