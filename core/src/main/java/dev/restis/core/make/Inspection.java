package dev.restis.core.make;

import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.Section;
import dev.restis.core.piece.WorkedPiece;
import dev.restis.core.stitch.Seat;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What is measured and looked at when a piece is done.
 *
 * @param length what its finished length should be
 * @param tolerance how far it may be off either way
 * @param open inner circumference that it should open to, for what slides
 * @param looks what to look at, in order
 */
public record Inspection(Length length, Length tolerance, Optional<Length> open, List<Look> looks) {

    /** What is looked at. */
    public enum Look {
        CLOSES_AND_GRIPS,
        EYE_OVER_STOP,
        SIDES_EQUAL,
        NO_GAPS,
        FACE_AND_BACK,
        KNOTS_EVEN,
        ENDS_SAFE,
        PARTS_COUNTED,
        JOIN_HIDDEN,
        EDGES_STRAIGHT,
        FRINGE_EVEN,
        COLOURS_RIGHT,
        TAILS_MEASURED,
        KIT_COMPLETE
    }

    /** How a measured length stands against what it should be. */
    public enum Outcome {
        WITHIN,
        TOO_SHORT,
        TOO_LONG
    }

    /** Common practice by closure: what slides can be off most, a fixed loop least. */
    private static final Length FIXED = Length.ofMillimetres(3);

    private static final Length BUCKLED = Length.ofMillimetres(4);
    private static final Length SLIDING = Length.ofMillimetres(8);
    private static final Length WITHOUT_CLOSURE = Length.ofMillimetres(5);

    public Inspection {
        looks = List.copyOf(looks);
    }

    static Inspection of(WorkedPiece piece) {
        if (piece.request().house().kit()) {
            return new Inspection(Length.ZERO, Length.ZERO, Optional.empty(), List.of(Look.KIT_COMPLETE));
        }
        return new Inspection(
                piece.fit().reached(),
                tolerance(piece.request().pattern().closure()),
                piece.fit().band().map(b -> b.open()),
                looks(piece));
    }

    /** How far a piece that closes so may be off. */
    public static Length tolerance(Pattern.Closure closure) {
        return switch (closure) {
            case SLIDER, SLIDE_BEAD, SLIDING_KNOTS, NOOSE -> SLIDING;
            case BUCKLE -> BUCKLED;
            case LOOP, BUTTONHOLE -> FIXED;
            case ELASTIC, NONE -> WITHOUT_CLOSURE;
        };
    }

    private static List<Look> looks(WorkedPiece piece) {
        Pattern pattern = piece.request().pattern();
        List<Look> looks = new ArrayList<>();
        switch (pattern.closure()) {
            case LOOP, BUTTONHOLE -> looks.add(Look.EYE_OVER_STOP);
            case NONE -> {}
            default -> looks.add(Look.CLOSES_AND_GRIPS);
        }
        if (pattern.stretching().size() > 1) {
            looks.add(Look.SIDES_EQUAL);
        }
        if (!piece.hardware().isEmpty()) {
            looks.add(Look.NO_GAPS);
            looks.add(Look.PARTS_COUNTED);
        }
        looks.add(Look.FACE_AND_BACK);
        looks.add(Look.KNOTS_EVEN);
        if (pattern.roles().stream().anyMatch(r -> r.fused())) {
            looks.add(Look.JOIN_HIDDEN);
        }
        if (pattern.runsIn(Seat.EDGE) > 0) {
            looks.add(Look.EDGES_STRAIGHT);
        }
        if (pattern.first(Section.Fringe.class).isPresent()) {
            looks.add(Look.FRINGE_EVEN);
        }
        looks.add(Look.ENDS_SAFE);
        looks.add(Look.COLOURS_RIGHT);
        looks.add(Look.TAILS_MEASURED);
        return looks;
    }

    public Outcome measured(Length is) {
        if (is.isLessThan(length.minus(tolerance))) {
            return Outcome.TOO_SHORT;
        }
        return length.plus(tolerance).isLessThan(is) ? Outcome.TOO_LONG : Outcome.WITHIN;
    }
}
