package dev.restis.core.stitch;

import dev.restis.core.stitch.PathElement.Across;
import dev.restis.core.stitch.PathElement.AroundCore;
import dev.restis.core.stitch.PathElement.AroundPartner;
import dev.restis.core.stitch.PathElement.Bight;
import dev.restis.core.stitch.Stitch.Layers;
import dev.restis.core.stitch.Stitch.StrandPath;
import java.util.List;
import java.util.Map;

/** The stitches Restis ships with. */
public final class Stitches {

    /** Pitch of one half knot in worked working diameters. */
    public static final double HALF_KNOT_PITCH = 1.08;

    private static final double SPIRAL_TURN_DEGREES = 28;

    private static final List<PathElement> HALF_KNOT_USE = List.of(new AroundCore(0.5), new Bight());
    private static final List<PathElement> SNAKE_USE = List.of(new Across(2), new AroundPartner());

    /** The strand that starts on the low side, crosses in front of the core, and ends on the high side. */
    private static final List<Waypoint> IN_FRONT = List.of(
            new Waypoint(0.08, -1.6, -0.1),
            new Waypoint(0.2, -1.35, 0.3),
            new Waypoint(0.3, -0.95, 0.85),
            new Waypoint(0.5, 0, 1.0),
            new Waypoint(0.7, 0.95, 0.85),
            new Waypoint(0.85, 1.4, 0.1),
            new Waypoint(0.95, 1.6, -0.4));

    /** Its partner: from the high side over the first strand's end, behind the core, and up through its start. */
    private static final List<Waypoint> BEHIND = List.of(
            new Waypoint(-0.05, 1.7, 0.25),
            new Waypoint(0.35, 1.95, 0.55),
            new Waypoint(0.7, 1.75, 0.2),
            new Waypoint(0.72, 1.1, -0.8),
            new Waypoint(0.5, 0, -1.0),
            new Waypoint(0.35, -1.1, -0.8),
            new Waypoint(0.45, -1.6, 0),
            new Waypoint(0.7, -1.75, 0.3));

    private static final List<Waypoint> SNAKE_UPPER = List.of(
            new Waypoint(0.0, -0.35, 0.35),
            new Waypoint(0.1, 0.2, 0.95),
            new Waypoint(0.2, 1.1, 0.9),
            new Waypoint(0.45, 1.75, 0.1),
            new Waypoint(0.75, 1.2, -0.85),
            new Waypoint(0.9, 0.2, -0.95),
            new Waypoint(0.97, -0.3, -0.35));

    /** One half knot: one strand over, the other under; tied always to the same hand it spirals. */
    public static final Stitch HALF_KNOT = new Stitch(
            "half-knot",
            List.of(new StrandPath(HALF_KNOT_USE, IN_FRONT, 1), new StrandPath(HALF_KNOT_USE, BEHIND, 0)),
            HALF_KNOT_PITCH,
            new Layers(1, 2),
            new Layers(1, 2),
            SPIRAL_TURN_DEGREES,
            true);

    /** Two half knots of opposite hands: the same strand stays in front, and the bar lies flat. */
    public static final Stitch SQUARE_KNOT = new Stitch(
            "square-knot",
            List.of(
                    new StrandPath(twice(HALF_KNOT_USE), thereAndBack(IN_FRONT), 0),
                    new StrandPath(twice(HALF_KNOT_USE), thereAndBack(BEHIND), 1)),
            2 * HALF_KNOT_PITCH,
            new Layers(1, 1.4),
            new Layers(1, 3),
            0,
            true);

    /** Two strands, each once around the other, without a core. */
    public static final Stitch SNAKE_KNOT = new Stitch(
            "snake-knot",
            List.of(
                    new StrandPath(SNAKE_USE, SNAKE_UPPER, 0),
                    new StrandPath(
                            SNAKE_USE,
                            SNAKE_UPPER.stream()
                                    .map(w -> w.turned().shifted(-0.5))
                                    .toList(),
                            1)),
            1.3,
            new Layers(0, 2.6),
            new Layers(0, 3),
            0,
            false);

    private static final Map<String, Stitch> BY_CODE =
            Map.of(HALF_KNOT.code(), HALF_KNOT, SQUARE_KNOT.code(), SQUARE_KNOT, SNAKE_KNOT.code(), SNAKE_KNOT);

    private Stitches() {}

    public static Stitch byCode(String code) {
        Stitch stitch = BY_CODE.get(code);
        if (stitch == null) {
            throw new IllegalArgumentException("no stitch has the code '" + code + "'; there are " + BY_CODE.keySet());
        }
        return stitch;
    }

    private static List<PathElement> twice(List<PathElement> elements) {
        return java.util.stream.Stream.concat(elements.stream(), elements.stream())
                .toList();
    }

    private static List<Waypoint> thereAndBack(List<Waypoint> half) {
        return java.util.stream.Stream.concat(
                        half.stream().map(w -> new Waypoint(w.along() / 2, w.across(), w.level())),
                        half.stream().map(w -> new Waypoint(0.5 + w.along() / 2, -w.across(), w.level())))
                .toList();
    }
}
