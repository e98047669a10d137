package dev.restis.core.stitch;

import dev.restis.core.measure.Length;
import java.util.List;

/**
 * A stitch: the unit that repeats along the body, described once by the path of its working strands. Cord used comes
 * from the paths' elements, the picture from their waypoints. Derivations stand in docs/take-up.md.
 *
 * @param code stable key
 * @param paths the working strands' paths through one repeat, as many as the stitch has working strands
 * @param pitchFactor body length one repeat adds, in worked working diameters
 * @param thickness how thick the band is
 * @param width how wide the band is
 * @param turnPerRepeat how far the body twists with each repeat, degrees
 * @param needsCore whether it is tied around core strands
 */
public record Stitch(
        String code,
        List<StrandPath> paths,
        double pitchFactor,
        Layers thickness,
        Layers width,
        double turnPerRepeat,
        boolean needsCore) {

    public Stitch {
        paths = List.copyOf(paths);
    }

    /**
     * One working strand's way through a repeat.
     *
     * @param elements stretches that sum to the cord used
     * @param waypoints points to draw through, in order along the strand
     * @param next index of the path that this strand follows in the next repeat
     */
    public record StrandPath(List<PathElement> elements, List<Waypoint> waypoints, int next) {
        public StrandPath {
            elements = List.copyOf(elements);
            waypoints = List.copyOf(waypoints);
        }
    }

    /**
     * A size as layers of cord.
     *
     * @param perCore worked core diameters for each core strand that lies in this direction
     * @param perWorking worked working diameters
     */
    public record Layers(double perCore, double perWorking) {
        double millimetres(double core, double working) {
            return perCore * core + perWorking * working;
        }
    }

    /** Body length that one repeat adds. */
    public Length pitch(Gauge gauge) {
        return Length.ofMillimetres(pitchFactor * gauge.working());
    }

    /** Cord that one working strand uses in one repeat; all working strands of the shipped stitches use the same. */
    public Length use(Gauge gauge) {
        double sum = paths.get(0).elements().stream()
                .mapToDouble(e -> e.millimetres(gauge))
                .sum();
        return Length.ofMillimetres(sum);
    }

    public Length thickness(Gauge gauge) {
        return Length.ofMillimetres(thickness.millimetres(gauge.core(), gauge.working()));
    }

    public Length width(Gauge gauge) {
        return Length.ofMillimetres(width.millimetres(gauge.core() * gauge.cores(), gauge.working()));
    }
}
