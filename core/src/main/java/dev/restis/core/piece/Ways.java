package dev.restis.core.piece;

import dev.restis.core.cord.Material;
import dev.restis.core.learning.Load;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What hands and cords differ by, as the features of what is learned. A figure is that of its stitch, corrected by the strand's path
 * in it, the maker, the maker's way with that stitch, the material and the gauges: a maker's first falls profit from their square
 * knots, and a new maker from the others'. Spreads are those of docs/learning.md.
 */
public final class Ways {

    /** Take-up from geometry alone. */
    static final double STITCH = 0.12;

    private static final double PATH = 0.05;
    private static final double MAKER = 0.05;
    private static final double WAY = 0.04;
    private static final double MATERIAL = 0.03;
    /** The slope over the log of working against core cord. */
    private static final double GAUGE = 0.05;

    /** The house's pace: the starting values of minutes are guesses. */
    private static final double PACE = 0.5;

    private static final double WORK = 0.3;
    private static final double MAKERS_PACE = 0.2;
    private static final double WAY_OF_WORKING = 0.1;

    /** From one piece to the next. */
    private static final double HAND_WALKS = 0.002;

    private static final double STITCH_WALKS = 0.0005;

    /** Single knots are learned together. */
    private static final String KNOTS = "knots";
    /** Whoever ties it; one nobody knows yet. */
    private static final String SOMEBODY = "?";

    private Ways() {}

    /** The feature of a stitch, for whoever ties it in whatever. */
    public static String feature(Stitch stitch) {
        return "stitch " + stitch.code();
    }

    /** How a strand goes in a stitch. */
    public static List<Load> of(Stitch stitch, Seat place, Material material, Gauge gauge, Optional<String> maker) {
        return loads(stitch.code(), feature(stitch), place.name(), material, ratio(gauge), maker);
    }

    /** How long a stitch comes out; it has no paths. */
    public static List<Load> pitch(Stitch stitch, Material material, Gauge gauge, Optional<String> maker) {
        return loads(stitch.code(), feature(stitch), "", material, ratio(gauge), maker);
    }

    /** A single knot. */
    public static List<Load> knot(String kind, Material material, Optional<String> maker) {
        return loads(KNOTS, KNOTS, kind, material, 0, maker);
    }

    /** Time that somebody takes for a kind of work. */
    public static List<Load> time(String work, Optional<String> maker) {
        String who = maker.orElse(SOMEBODY);
        return List.of(
                new Load("pace", PACE, HAND_WALKS, 1),
                new Load("work " + work, WORK, STITCH_WALKS, 1),
                new Load("maker " + who, MAKERS_PACE, HAND_WALKS, 1),
                new Load("way " + work + " " + who, WAY_OF_WORKING, HAND_WALKS, 1));
    }

    private static double ratio(Gauge gauge) {
        return StrictMath.log(gauge.ratio());
    }

    private static List<Load> loads(
            String what, String stitch, String path, Material material, double ratio, Optional<String> maker) {
        List<Load> loads = new ArrayList<>();
        String who = maker.orElse(SOMEBODY);
        loads.add(new Load(stitch, STITCH, STITCH_WALKS, 1));
        if (!path.isEmpty()) {
            loads.add(new Load("path " + what + " " + path, PATH, 0, 1));
        }
        loads.add(new Load("maker " + who, MAKER, HAND_WALKS, 1));
        loads.add(new Load("way " + what + " " + who, WAY, HAND_WALKS, 1));
        loads.add(new Load("material " + material.code(), MATERIAL, 0, 1));
        if (ratio != 0) {
            loads.add(new Load("gauge", GAUGE, 0, ratio));
        }
        return loads;
    }
}
