package dev.restis.core.piece;

import dev.restis.core.learning.Share;
import dev.restis.core.learning.Use;
import dev.restis.core.pattern.Section;
import dev.restis.core.stitch.PathElement;
import dev.restis.core.stitch.Stitch;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * How long it should take to make a piece, from what the hands do. Starting values of common practice: one movement of
 * the hand for each turn, bight or crossing of a stitch, two seconds each; what the bench logs corrects them. A kit is
 * not tied here, so that only its preparing counts.
 *
 * @param prepare cutting to length aside: finding middles, threading, mounting
 * @param body tying
 * @param closure what opens and shuts it
 * @param finish sealing or gluing ends, inspecting
 * @param drying how long it lies afterwards until its glue has dried; holds the piece, not the maker
 */
public record MakingTime(Duration prepare, Duration body, Duration closure, Duration finish, Duration drying) {

    private static final double MOVEMENT = 2;
    /** A strand that only runs along is laid, not tied. */
    private static final double LAY = 0.3;

    /** Seconds that a bead takes that is tied in. */
    public static final double BEAD = 10;

    public static final double SET_OUT = 60;
    public static final double STRAND = 20;
    public static final double THREADED = 8;
    public static final double KNOT = 25;
    public static final double INSPECT = 60;
    public static final double END = 15;
    private static final Duration GLUE_DRIES = Duration.ofDays(1);

    /** Kinds of work beside tying a stitch, of which each is a kind of its own. */
    public static final String PREPARE = "PREPARE";

    public static final String KNOTS = "KNOTS";
    public static final String CLOSE = "CLOSE";
    public static final String FINISH = "FINISH";
    public static final String SET_UP = "SET_UP";
    static final String TIE = "TIE ";

    /** Tying a stitch, as a kind of work. */
    public static String tying(String stitch) {
        return TIE + stitch;
    }

    /** With what was learned of minutes. */
    public static MakingTime of(WorkedPiece piece) {
        Learned learned = piece.request().house().learned();
        double body = 0;
        Map<String, Double> works = works(piece);
        for (Map.Entry<String, Double> work : works.entrySet()) {
            if (work.getKey().startsWith(TIE) || work.getKey().equals(KNOTS)) {
                body += work.getValue() * learned.pace(work.getKey());
            }
        }
        return new MakingTime(
                one(works, PREPARE, learned),
                seconds(body),
                one(works, CLOSE, learned),
                one(works, FINISH, learned),
                works.containsKey(FINISH) && piece.cautions().contains(Caution.GLUE) ? GLUE_DRIES : Duration.ZERO);
    }

    private static Duration one(Map<String, Double> works, String work, Learned learned) {
        return seconds(works.getOrDefault(work, 0.0) * learned.pace(work));
    }

    /** Starting values, in seconds, by kind of work. */
    public static Map<String, Double> works(WorkedPiece piece) {
        Map<String, Double> works = new LinkedHashMap<>();
        double prepare = SET_OUT + STRAND * piece.strands().size();
        for (WorkedPiece.ThreadingStep step : piece.threading()) {
            prepare += THREADED * Math.max(1, step.count());
        }
        works.put(PREPARE, prepare);
        if (piece.request().house().kit()) {
            return works;
        }
        for (WorkedBody worked : piece.fit().bodies()) {
            Stitch stitch = worked.section().stitch();
            works.merge(
                    tying(stitch.code()), worked.repeats() * perRepeat(stitch) + BEAD * worked.beads(), Double::sum);
        }
        works.put(
                KNOTS, KNOT * piece.request().pattern().all(Section.Knot.class).size());
        works.put(CLOSE, closure(piece));
        int ends = piece.strands().stream().mapToInt(WorkedStrand::ends).sum();
        works.put(FINISH, INSPECT + END * ends);
        return works;
    }

    /** How far the minutes of one piece lie from what is reckoned, relative: one standard deviation of their log. */
    public static double spread(WorkedPiece piece) {
        Learned learned = piece.request().house().learned();
        List<Share> shares = works(piece).entrySet().stream()
                .filter(work -> work.getValue() > 0)
                .map(work -> new Share(work.getValue(), Ways.time(work.getKey(), learned.maker())))
                .toList();
        return learned.time().forecast(List.of(new Use("time", 0, shares))).spread(0);
    }

    /** The same for pieces of which only the stitch is known that makes most of them. */
    public static double spread(Learned learned, String stitch) {
        Share all = new Share(1, Ways.time(tying(stitch), learned.maker()));
        return learned.time()
                .forecast(List.of(new Use("time", 0, List.of(all))))
                .spread(0);
    }

    /** Seconds that one repeat takes. */
    public static double perRepeat(Stitch stitch) {
        return stitch.paths().stream()
                .flatMap(p -> p.stretches().stream())
                .mapToDouble(s -> s.element() instanceof PathElement.Along ? LAY : MOVEMENT)
                .sum();
    }

    private static double closure(WorkedPiece piece) {
        return switch (piece.request().pattern().closure()) {
            case SLIDER -> 240;
            case SLIDING_KNOTS -> 180;
            case NOOSE, BUTTONHOLE -> 120;
            case LOOP -> 90;
            case SLIDE_BEAD, BUCKLE, ELASTIC -> 60;
            case NONE -> 0;
        };
    }

    private static Duration seconds(double seconds) {
        return Duration.ofSeconds(Math.round(seconds));
    }

    /** What it takes of a maker's time. */
    public Duration total() {
        return List.of(prepare, body, closure, finish).stream().reduce(Duration.ZERO, Duration::plus);
    }
}
