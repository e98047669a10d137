package dev.restis.core.stitch;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The stitches Restis ships with. */
public final class Stitches {

    public static final Stitch PLAIN = WovenStitches.PLAIN;
    public static final Stitch HALF_KNOT = KnottedStitches.HALF_KNOT;
    public static final Stitch SQUARE_KNOT = KnottedStitches.SQUARE_KNOT;
    public static final Stitch ALTERNATING_SQUARE = KnottedStitches.ALTERNATING_SQUARE;
    public static final Stitch SNAKE_KNOT = KnottedStitches.SNAKE_KNOT;
    public static final Stitch SNAKE_OVER_CORE = KnottedStitches.SNAKE_OVER_CORE;
    public static final Stitch INTERLOCKED = KnottedStitches.INTERLOCKED;
    public static final Stitch HALF_HITCH = KnottedStitches.HALF_HITCH;
    public static final Stitch LARKS_HEAD = KnottedStitches.LARKS_HEAD;
    public static final Stitch HITCHED_DIAMOND = KnottedStitches.HITCHED_DIAMOND;
    public static final Stitch FIGURE_EIGHT = WovenStitches.FIGURE_EIGHT;
    public static final Stitch LADDER = WovenStitches.LADDER;
    public static final Stitch BRAID_THREE = WovenStitches.BRAID_THREE;
    public static final Stitch BRAID_ROUND = WovenStitches.BRAID_ROUND;
    public static final Stitch BRAID_FIVE = WovenStitches.BRAID_FIVE;
    public static final Stitch BRAID_EDGED = WovenStitches.BRAID_EDGED;
    public static final Stitch CROSSING_WEAVE = WovenStitches.CROSSING_WEAVE;
    public static final Stitch SLIP_LOOP = WovenStitches.SLIP_LOOP;
    public static final Stitch WRAPPED_FALLS = WovenStitches.WRAPPED_FALLS;

    private static final List<Stitch> ALL = List.of(
            PLAIN,
            HALF_KNOT,
            SQUARE_KNOT,
            ALTERNATING_SQUARE,
            SNAKE_KNOT,
            SNAKE_OVER_CORE,
            INTERLOCKED,
            HALF_HITCH,
            LARKS_HEAD,
            HITCHED_DIAMOND,
            FIGURE_EIGHT,
            LADDER,
            BRAID_THREE,
            BRAID_ROUND,
            BRAID_FIVE,
            BRAID_EDGED,
            CROSSING_WEAVE,
            SLIP_LOOP,
            WRAPPED_FALLS);

    private static final Map<String, Stitch> BY_CODE = byCode();

    private Stitches() {}

    /** In the order they are offered. */
    public static List<Stitch> all() {
        return ALL;
    }

    public static Optional<Stitch> byCode(String code) {
        return Optional.ofNullable(BY_CODE.get(code));
    }

    private static Map<String, Stitch> byCode() {
        Map<String, Stitch> map = new LinkedHashMap<>();
        ALL.forEach(s -> map.put(s.code(), s));
        return map;
    }
}
