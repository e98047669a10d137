package dev.restis.core.pattern;

import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Pattern.Kind;
import dev.restis.core.pattern.Role.Seat;
import dev.restis.core.stitch.Stitches;
import java.util.List;
import java.util.Optional;

/** The patterns Restis ships with. */
public final class PatternBook {

    private static final int SLIDER_HALF_KNOTS = 10;
    private static final Length FRINGE = Length.ofMillimetres(25);

    /** A bar of square knots over two cores; the cores run on as sliding tails. */
    public static final Pattern SQUARE_BAR = new Pattern(
            "square-bar",
            "Square-knot bar with slider",
            Kind.BRACELET,
            List.of("core", "working"),
            List.of(
                    new Role("core", 0, 2, List.of(Seat.CORE), true),
                    new Role("working", 1, 1, List.of(Seat.WORKING, Seat.WORKING), false),
                    new Role("slider", 1, 1, List.of(Seat.CLOSURE, Seat.CLOSURE), false)),
            List.of(new Section.Body(Stitches.SQUARE_KNOT, Seat.CORE, 15), new Section.Slider(SLIDER_HALF_KNOTS)),
            Length.ofMillimetres(2));

    /** Two strands tied around each other; both run on as sliding tails. */
    public static final Pattern SNAKE = new Pattern(
            "snake",
            "Snake-knot band with slider",
            Kind.BRACELET,
            List.of("first", "second"),
            List.of(
                    new Role("first", 0, 1, List.of(Seat.WORKING), true),
                    new Role("second", 1, 1, List.of(Seat.WORKING), true),
                    new Role("slider", 1, 1, List.of(Seat.CLOSURE, Seat.CLOSURE), false)),
            List.of(new Section.Body(Stitches.SNAKE_KNOT, Seat.WORKING, 1), new Section.Slider(SLIDER_HALF_KNOTS)),
            Length.ofMillimetres(2));

    /** Two cords folded off-centre over a ring: short legs as core, long legs as working strands. */
    public static final Pattern SPIRAL_FOB = new Pattern(
            "spiral-fob",
            "Spiral key fob on a ring",
            Kind.FOB,
            List.of("first", "second"),
            List.of(
                    new Role("first", 0, 1, List.of(Seat.CORE, Seat.WORKING), false),
                    new Role("second", 1, 1, List.of(Seat.CORE, Seat.WORKING), false)),
            List.of(
                    new Section.RingMount(),
                    new Section.Body(Stitches.HALF_KNOT, Seat.CORE, 0),
                    new Section.OverhandEnd(FRINGE)),
            Length.ofMillimetres(2));

    private static final List<Pattern> ALL = List.of(SQUARE_BAR, SNAKE, SPIRAL_FOB);

    private PatternBook() {}

    public static List<Pattern> all() {
        return ALL;
    }

    public static Optional<Pattern> byCode(String code) {
        return ALL.stream().filter(p -> p.code().equals(code)).findFirst();
    }
}
