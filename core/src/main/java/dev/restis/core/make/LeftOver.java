package dev.restis.core.make;

import dev.restis.core.learning.Forecast;
import dev.restis.core.learning.Learner;
import dev.restis.core.measure.Length;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * What was left of a strand when its piece was done.
 *
 * @param how how the figure was got
 * @param left all that was trimmed off it
 */
public record LeftOver(How how, Length left) {

    /** How a figure was got; what it is worth differs. */
    public enum How {
        /** Held against a ruler. */
        MEASURED,
        /** Told by spans of the hand, or by eye. */
        ABOUT,
        /** Weighed together with others, each by what was expected of it. */
        WEIGHED
    }

    /** What is odd about a figure. */
    public enum Doubt {
        /** More is left than was cut. */
        MORE_THAN_CUT,
        /** Less was used than the straight parts alone take. */
        LESS_THAN_STRAIGHT,
        /** Far more or less was used than hands differ. */
        STRANGE
    }

    /** What the piece took of the strand. */
    public Length used(CardStrand strand) {
        return strand.cut().minus(left);
    }

    /** Less was left after the last knot than its ends need to be finished. */
    public boolean shortOf(CardStrand strand) {
        return left.isLessThan(strand.finish());
    }

    /**
     * Why it is asked about before it is believed; empty when it can be so.
     *
     * @param forecast of what the strand takes, by geometry and what was learned; nothing where no hand changes it
     */
    public Optional<Doubt> doubt(CardStrand strand, Optional<Forecast> forecast) {
        if (strand.cut().isLessThan(left)) {
            return Optional.of(Doubt.MORE_THAN_CUT);
        }
        if (used(strand).isLessThan(strand.straight())) {
            return Optional.of(Doubt.LESS_THAN_STRAIGHT);
        }
        boolean strange = forecast.filter(
                        f -> Math.abs(f.surprise(0, used(strand).toMillimetres())) > Learner.DOUBTED_BEYOND)
                .isPresent();
        return strange ? Optional.of(Doubt.STRANGE) : Optional.empty();
    }

    /**
     * What was likely meant by a figure in doubt: a tenth of it or ten times as much, where a unit was mixed up.
     *
     * @return empty when that is no better
     */
    public Optional<Length> meant(CardStrand strand, Optional<Forecast> forecast) {
        return Stream.of(left.times(0.1), left.times(10))
                .filter(other ->
                        new LeftOver(how, other).doubt(strand, forecast).isEmpty())
                .findFirst();
    }
}
