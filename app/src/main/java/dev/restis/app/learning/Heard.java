package dev.restis.app.learning;

import dev.restis.core.learning.Observation.Kind;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Something that was measured.
 *
 * @param sources rows of its source that say so
 * @param piece what it is of; nothing for a sample
 * @param maker whose hand it was; empty when nobody knows
 * @param value millimetres or seconds, by its subject
 * @param reading one standard deviation of the reading itself, likewise
 * @param about what geometry must be asked to know what to expect
 * @param cutUm how long the strands were cut
 * @param ranShort whether one of them was too short
 */
public record Heard(
        Subject subject,
        Source source,
        List<Long> sources,
        @Nullable Long piece,
        String maker,
        LocalDate day,
        double value,
        double reading,
        Kind bound,
        About about,
        long cutUm,
        boolean ranShort) {

    public Heard {
        sources = List.copyOf(sources);
    }

    /**
     * What geometry must be asked.
     *
     * @param strands those whose cord it is
     * @param what the stitch whose length it is, or the kind of work
     * @param share how many repeats of the stitch; how much of the work was timed
     */
    public record About(List<OfStrand> strands, @Nullable String what, double share) {
        public static final About NOTHING = new About(List.of(), null, 1);

        public About {
            strands = strands == null ? List.of() : List.copyOf(strands);
        }

        public static About of(String what, double share) {
            return new About(List.of(), what, share);
        }
    }

    /** A strand of a piece by its role and number. */
    public record OfStrand(long piece, String role, int number) {}
}
