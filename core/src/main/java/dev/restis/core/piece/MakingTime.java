package dev.restis.core.piece;

import dev.restis.core.pattern.Section;
import dev.restis.core.stitch.PathElement;
import dev.restis.core.stitch.Stitch;
import java.time.Duration;
import java.util.List;

/**
 * How long it should take to make a piece, from what the hands do. Starting values of common practice: one movement of
 * the hand for each turn, bight or crossing of a stitch, two seconds each; what the bench logs will replace them. A kit is
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

    public static MakingTime of(WorkedPiece piece) {
        double prepare = SET_OUT + STRAND * piece.strands().size();
        for (WorkedPiece.ThreadingStep step : piece.threading()) {
            prepare += THREADED * Math.max(1, step.count());
        }
        if (piece.request().house().kit()) {
            return new MakingTime(seconds(prepare), Duration.ZERO, Duration.ZERO, Duration.ZERO, Duration.ZERO);
        }
        double body = 0;
        for (WorkedBody worked : piece.fit().bodies()) {
            body += worked.repeats() * perRepeat(worked.section().stitch()) + BEAD * worked.beads();
        }
        long knots = piece.request().pattern().all(Section.Knot.class).size();
        int ends = piece.strands().stream().mapToInt(WorkedStrand::ends).sum();
        return new MakingTime(
                seconds(prepare),
                seconds(body + KNOT * knots),
                seconds(closure(piece)),
                seconds(INSPECT + END * ends),
                piece.cautions().contains(Caution.GLUE) ? GLUE_DRIES : Duration.ZERO);
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
