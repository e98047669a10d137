package dev.restis.core.make;

import dev.restis.core.measure.Length;
import dev.restis.core.stitch.Seat;
import java.time.Duration;
import java.util.List;

/**
 * How a piece is made, step by step.
 *
 * @param version of the rules that made it
 * @param strands in the order in which they are cut
 * @param bodies how the strands lie in each body
 * @param steps in the order to do them; inspecting is the last
 * @param inspection what to look at and measure at the end
 * @param spread one standard deviation of its minutes, relative
 */
public record WorkCard(
        int version,
        List<CardStrand> strands,
        List<BodyPlaces> bodies,
        List<CardStep> steps,
        Inspection inspection,
        double spread) {

    /** To be raised with every change by which an unchanged piece gets other steps. */
    public static final int VERSION = 1;

    /**
     * Where strands lie in a body.
     *
     * @param section place of the body in the pattern's list
     * @param places from left to right, the work hanging down
     */
    public record BodyPlaces(int section, List<Place> places) {
        public BodyPlaces {
            places = List.copyOf(places);
        }
    }

    /**
     * A leg in its place.
     *
     * @param strand its place in the card's list
     * @param leg which of its legs, from 0
     * @param seat what it does there
     */
    public record Place(int strand, int leg, Seat seat) {}

    public WorkCard {
        strands = List.copyOf(strands);
        bodies = List.copyOf(bodies);
        steps = List.copyOf(steps);
    }

    /** What all steps together should take. */
    public Duration time() {
        return steps.stream().map(CardStep::time).reduce(Duration.ZERO, Duration::plus);
    }

    /** How long the piece is at last. */
    public Length length() {
        return steps.get(steps.size() - 1).reach();
    }
}
