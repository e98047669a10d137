package dev.restis.core.piece;

import dev.restis.core.cord.Material;
import dev.restis.core.learning.Load;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

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

    private static final Set<String> WORKS =
            Set.of(MakingTime.PREPARE, MakingTime.KNOTS, MakingTime.CLOSE, MakingTime.FINISH, MakingTime.SET_UP);

    private static final String GAUGES = "gauge";
    private static final String PACES = "pace";
    /** Whoever ties it; one nobody knows yet. */
    public static final String SOMEBODY = "?";

    private Ways() {}

    /** What a feature is of. */
    public enum Kind {
        STITCH,
        PATH,
        /** Single knots together. */
        KNOTS,
        MAKER,
        WAY,
        MATERIAL,
        /** Working against core cord. */
        GAUGE,
        /** The house's, in minutes. */
        PACE,
        WORK
    }

    /**
     * A feature by what it is of; what it is not of is empty.
     *
     * @param what code of the stitch, or the kind of work
     * @param path the strand's seat in it, or the kind of knot
     * @param maker whose hand
     * @param material code
     */
    public record Named(Kind kind, String what, String path, String maker, String material) {}

    /**
     * A feature by its name, with what is believed of it beforehand.
     *
     * @param minutes whether it is of minutes, whose hands differ more
     * @param value how much of it acts
     */
    public static Load load(String feature, boolean minutes, double value) {
        return switch (named(feature).kind()) {
            case STITCH, KNOTS -> new Load(feature, STITCH, STITCH_WALKS, value);
            case PATH -> new Load(feature, PATH, 0, value);
            case MAKER -> new Load(feature, minutes ? MAKERS_PACE : MAKER, HAND_WALKS, value);
            case WAY -> new Load(feature, minutes ? WAY_OF_WORKING : WAY, HAND_WALKS, value);
            case MATERIAL -> new Load(feature, MATERIAL, 0, value);
            case GAUGE -> new Load(feature, GAUGE, 0, value);
            case PACE -> new Load(feature, PACE, HAND_WALKS, value);
            case WORK -> new Load(feature, WORK, STITCH_WALKS, value);
        };
    }

    /** Reads the name of a feature. */
    public static Named named(String feature) {
        String[] parts = feature.split(" ", 2);
        String rest = parts.length > 1 ? parts[1] : "";
        return switch (parts[0]) {
            case "stitch" -> new Named(Kind.STITCH, rest, "", "", "");
            case "path" -> new Named(Kind.PATH, before(rest, 1), after(rest, 1), "", "");
            case KNOTS -> new Named(Kind.KNOTS, "", "", "", "");
            case "maker" -> new Named(Kind.MAKER, "", "", rest, "");
            case "way" -> {
                int words = rest.startsWith(MakingTime.TIE) ? 2 : 1;
                yield new Named(Kind.WAY, before(rest, words), "", after(rest, words), "");
            }
            case "material" -> new Named(Kind.MATERIAL, "", "", "", rest);
            case GAUGES -> new Named(Kind.GAUGE, "", "", "", "");
            case PACES -> new Named(Kind.PACE, "", "", "", "");
            case "work" -> new Named(Kind.WORK, rest, "", "", "");
            default -> throw new IllegalArgumentException("no feature " + feature);
        };
    }

    /** The feature of what a way is with, for whoever does it. */
    public static String ofAll(String what) {
        boolean work = what.startsWith(MakingTime.TIE) || WORKS.contains(what);
        return what.equals(KNOTS) ? KNOTS : (work ? "work " : "stitch ") + what;
    }

    /** The first words; codes have no spaces, makers may. */
    private static String before(String text, int words) {
        int end = end(text, words);
        return end < 0 ? text : text.substring(0, end);
    }

    private static String after(String text, int words) {
        int end = end(text, words);
        return end < 0 ? "" : text.substring(end + 1);
    }

    private static int end(String text, int words) {
        int at = text.indexOf(' ');
        return words == 1 || at < 0 ? at : text.indexOf(' ', at + 1);
    }

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
                new Load(PACES, PACE, HAND_WALKS, 1),
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
            loads.add(new Load(GAUGES, GAUGE, 0, ratio));
        }
        return loads;
    }
}
