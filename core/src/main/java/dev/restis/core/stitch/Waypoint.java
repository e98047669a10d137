package dev.restis.core.stitch;

/**
 * A point that a strand passes within one repeat, from which the picture is drawn.
 *
 * @param along position along the body, 0 to 1 of the pitch; may reach past either end where strands overlap
 * @param across position across the body: 0 the middle, 1 the edge of the cores, each further whole one working strand
 * @param level towards the eye, in layers: 1 in front of the core, -1 behind it
 */
public record Waypoint(double along, double across, double level) {

    static Waypoint at(double along, double across, double level) {
        return new Waypoint(along, across, level);
    }

    Waypoint mirrored() {
        return new Waypoint(along, -across, level);
    }

    Waypoint shifted(double by) {
        return new Waypoint(along + by, across, level);
    }

    /** Turned half round the body's axis. */
    Waypoint turned() {
        return new Waypoint(along, -across, -level);
    }

    /** The same place in a repeat of which this one is the part from {@code from}, {@code share} long. */
    Waypoint within(double from, double share) {
        return new Waypoint(from + along * share, across, level);
    }
}
