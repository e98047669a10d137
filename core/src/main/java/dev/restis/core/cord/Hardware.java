package dev.restis.core.cord;

import dev.restis.core.measure.Length;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/**
 * A bead, ring, buckle or other part, as the rules see it.
 *
 * @param kind what it is; decides which measures it has
 * @param measures exactly those the kind needs
 */
public record Hardware(Kind kind, Map<Measure, Length> measures) {

    /** A measure of a part. */
    public enum Measure {
        /** Along the band: a bead along its hole, a buckle between the bars that the cord goes around. */
        LENGTH(500, 120_000),
        /** Across: a bead's or button's diameter, a buckle's whole width. */
        ACROSS(500, 80_000),
        /** The hole that cord goes through. */
        HOLE(300, 40_000),
        /** Inner width of the bar or ring that a band lies on. */
        INNER_WIDTH(2_000, 100_000),
        /** Thickness of the bar, wire or shank that cord closes around. */
        BAR(300, 12_000);

        private final Length least;
        private final Length most;

        Measure(long least, long most) {
            this.least = new Length(least);
            this.most = new Length(most);
        }

        public Length least() {
            return least;
        }

        public Length most() {
            return most;
        }
    }

    /** What kinds of parts there are, and what is measured of each. */
    public enum Kind {
        BEAD(Measure.LENGTH, Measure.ACROSS, Measure.HOLE),
        /** A bead with a lining that grips the cords it slides on. */
        SLIDE_BEAD(Measure.LENGTH, Measure.ACROSS, Measure.HOLE),
        RING(Measure.INNER_WIDTH, Measure.BAR),
        CLASP(Measure.LENGTH, Measure.INNER_WIDTH, Measure.BAR),
        BUCKLE(Measure.LENGTH, Measure.INNER_WIDTH, Measure.BAR),
        SHACKLE(Measure.LENGTH, Measure.INNER_WIDTH, Measure.BAR),
        /** A grooved eye in which the middle of a band lies. */
        THIMBLE(Measure.LENGTH, Measure.INNER_WIDTH, Measure.BAR),
        /** A connector in the middle of a band, with a bar at either side. */
        CENTREPIECE(Measure.LENGTH, Measure.INNER_WIDTH, Measure.BAR),
        /** A button on a shank. */
        BUTTON(Measure.ACROSS, Measure.BAR),
        /** A joint that opens under load, for everything worn around the neck. */
        BREAKAWAY(Measure.LENGTH, Measure.HOLE),
        /** A pendant with a ring or loop. */
        CHARM(Measure.ACROSS, Measure.BAR);

        private final Set<Measure> measures;

        Kind(Measure... measures) {
            this.measures = Set.of(measures);
        }

        public Set<Measure> measures() {
            return measures;
        }

        /** Whether cord is threaded through it. */
        public boolean threaded() {
            return measures.contains(Measure.HOLE);
        }
    }

    public Hardware {
        measures = Map.copyOf(measures);
        if (!measures.keySet().equals(kind.measures())) {
            throw new IllegalArgumentException(
                    "a " + kind + " has the measures " + kind.measures() + " but got " + measures.keySet());
        }
        measures.forEach((measure, length) -> {
            if (length.isLessThan(measure.least()) || measure.most().isLessThan(length)) {
                throw new IllegalArgumentException(
                        measure + " must be " + measure.least() + " to " + measure.most() + " but was " + length);
            }
        });
    }

    /** With measures in millimetres, in the order of {@link Measure}, those that the kind has. */
    public static Hardware of(Kind kind, double... millimetres) {
        Map<Measure, Length> measures = new TreeMap<>();
        int next = 0;
        for (Measure measure : Measure.values()) {
            if (kind.measures().contains(measure)) {
                measures.put(measure, Length.ofMillimetres(millimetres[next++]));
            }
        }
        return new Hardware(kind, measures);
    }

    /** The measure, or zero for a kind that has none. */
    public Length the(Measure measure) {
        return measures.getOrDefault(measure, Length.ZERO);
    }

    public double millimetres(Measure measure) {
        return the(measure).toMillimetres();
    }
}
