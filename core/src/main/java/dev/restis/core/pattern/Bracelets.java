package dev.restis.core.pattern;

import static dev.restis.core.stitch.Seat.CORE;
import static dev.restis.core.stitch.Seat.SECOND_CORE;
import static dev.restis.core.stitch.Seat.SECOND_WORKING;
import static dev.restis.core.stitch.Seat.WORKING;

import dev.restis.core.cord.Hardware;
import dev.restis.core.cord.Hardware.Kind;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Course.Turn;
import dev.restis.core.pattern.Section.Attached;
import dev.restis.core.pattern.Section.Body;
import dev.restis.core.pattern.Section.EndBeads;
import dev.restis.core.pattern.Section.Eye;
import dev.restis.core.pattern.Section.Hitch;
import dev.restis.core.pattern.Section.Knot;
import dev.restis.core.pattern.Section.KnotKind;
import dev.restis.core.pattern.Section.Motif;
import dev.restis.core.pattern.Section.Mount;
import dev.restis.core.pattern.Section.Noose;
import dev.restis.core.pattern.Section.SlideBead;
import dev.restis.core.pattern.Section.Slider;
import dev.restis.core.pattern.Section.SlidingKnots;
import dev.restis.core.pattern.Section.Stopper;
import dev.restis.core.pattern.Section.StopperKind;
import dev.restis.core.pattern.Section.Threaded;
import dev.restis.core.pattern.Section.TuckBack;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitches;
import java.util.List;

/** The shipped bracelets. */
final class Bracelets {

    static final int SLIDER_HALF_KNOTS = 10;
    private static final int FEW_SNAKES = 4;
    private static final int BARREL_WRAPS = 3;
    static final Length TUCK = Length.ofMillimetres(25);

    static final Hardware BEAD = Hardware.of(Kind.BEAD, 8, 9, 4.4);
    private static final Hardware WIDE_BEAD = Hardware.of(Kind.BEAD, 10, 12, 6);
    private static final Hardware SMALL_BEAD = Hardware.of(Kind.BEAD, 6, 6, 3);
    static final Hardware BUCKLE = Hardware.of(Kind.BUCKLE, 28, 16, 3);

    static final Pattern SQUARE_BAR = squareBar("square-bar", "Square-knot bar with slider", List.of(CORE))
            .pattern();

    static final Pattern SNAKE = Draft.bracelet("snake", "Snake-knot band with slider")
            .cord("first", 2, Draft.NIGHT_TIDE)
            .cord("second", 2, Draft.MARIGOLD)
            .beads(1, WIDE_BEAD)
            .straight("first", 0, 1, WORKING)
            .straight("second", 1, 1, WORKING)
            .closing(1)
            .then(Body.of(Stitches.SNAKE_KNOT).with(new Motif("bead", List.of(WORKING), 0)))
            .then(new Slider(SLIDER_HALF_KNOTS, List.of(WORKING)))
            .pattern();

    private Bracelets() {}

    static List<Pattern> all() {
        return List.of(
                plainNoose(),
                beadsBetweenBarrels(
                        "beads-sliding",
                        "Beads between barrel knots, two sliding knots",
                        new SlidingKnots(5, List.of(CORE))),
                beadsBetweenBarrels(
                        "beads-slider",
                        "Beads between barrel knots, slider",
                        new Slider(SLIDER_HALF_KNOTS, List.of(CORE))),
                SQUARE_BAR,
                squareBarOverOne(),
                squareBar("square-bar-framed", "Square-knot bar around framed beads", List.of(CORE))
                        .pattern(),
                spiral(),
                centrepiece(),
                SNAKE,
                fewSnakes(),
                snakeShackle(),
                snakeThimble(),
                snakeNoose(),
                Weaves.interlocked("interlocked", "button", KnotKind.BUTTON),
                Weaves.interlocked("interlocked-simple", "simple stop", KnotKind.SIMPLE_STOP),
                Weaves.ladder("ladder", "Ladder band of one cord, loop and button", false, KnotKind.BUTTON),
                Weaves.ladder(
                        "ladder-simple", "Ladder band of one cord, loop and simple stop", false, KnotKind.SIMPLE_STOP),
                Weaves.ladder("ladder-two", "Ladder band of two fused colours, loop and button", true, KnotKind.BUTTON),
                Weaves.figureEight("figure-eight-2", "Slim figure-eight band with buckle", 1),
                Weaves.figureEight("figure-eight-4", "Figure-eight band with buckle", 2),
                Weaves.figureEight("figure-eight-6", "Wide figure-eight band with buckle", 3),
                Weaves.figureEight("figure-eight-8", "Broad figure-eight band with buckle", 4),
                Weaves.oneCord("one-cord-2", "Slim buckle band of one cord", 1),
                Weaves.oneCord("one-cord-4", "Buckle band of one cord", 2),
                Weaves.oneCord("one-cord-6", "Wide buckle band of one cord", 3),
                Weaves.oneCord("one-cord-8", "Broad buckle band of one cord", 4),
                Weaves.edgedBraid(),
                Weaves.crossingWeave("crossing-weave", "button", KnotKind.BUTTON),
                Weaves.crossingWeave("crossing-weave-simple", "simple stop", KnotKind.SIMPLE_STOP),
                Weaves.slipLoop("slip-loop", "button", KnotKind.BUTTON),
                Weaves.slipLoop("slip-loop-simple", "simple stop", KnotKind.SIMPLE_STOP),
                Weaves.falls("falls", "Wrapped falls, loop and button", false, KnotKind.BUTTON),
                Weaves.falls("falls-simple", "Wrapped falls, loop and simple stop", false, KnotKind.SIMPLE_STOP),
                Weaves.falls("falls-tab", "Wrapped falls with a knotted tab", true, KnotKind.BUTTON),
                Weaves.fallsInThree("falls-three", "Wrapped falls in three stripes, loop and button", false),
                Weaves.fallsInThree("falls-mirrored", "Wrapped falls in three mirrored colours, loop and button", true),
                Weaves.alternating(),
                leather(),
                beadAndKnot("bead-and-knot", "Bead and knot, loop and overhand", false),
                beadAndKnot("bead-and-knot-bead", "Bead and knot, loop and end bead", true),
                elastic());
    }

    private static Pattern plainNoose() {
        return Draft.bracelet("plain-noose", "Doubled cord with noose and connecting knot")
                .cord("cord", 2, Draft.BRINE)
                .folded("cord", 0, 1, CORE)
                .then(Body.of(Stitches.PLAIN))
                .then(new Noose(KnotKind.CONNECTING, List.of(CORE)))
                .pattern();
    }

    private static Pattern beadsBetweenBarrels(String code, String name, Section closure) {
        Draft draft = Draft.bracelet(code, name).cord("cord", 1.5, Draft.PITCH);
        boolean slider = closure instanceof Slider;
        if (slider) {
            draft.cord("slider", 1.5, Draft.EMBER);
        }
        draft.beads(9, SMALL_BEAD).straight("cord", 0, 1, CORE);
        if (slider) {
            draft.closing(1);
        }
        return draft.then(Body.of(Stitches.PLAIN))
                .then(new Knot(KnotKind.BARREL, BARREL_WRAPS, List.of(CORE), true))
                .then(new Threaded("bead", Threaded.CHOSEN, List.of(CORE)))
                .then(new Knot(KnotKind.BARREL, BARREL_WRAPS, List.of(CORE), true))
                .then(Body.of(Stitches.PLAIN))
                .then(closure)
                .pattern();
    }

    private static Draft squareBar(String code, String name, List<Seat> through) {
        boolean framed = code.endsWith("framed");
        Draft draft = Draft.bracelet(code, name)
                .cord("core", 2, Draft.OAT)
                .cord("working", 2, framed ? Draft.LICHEN : Draft.EMBER);
        return (framed ? draft.part("bead", WIDE_BEAD) : draft.beads(15, BEAD))
                .straight("core", 0, 2, CORE)
                .folded("working", 1, 1, WORKING)
                .closing(1)
                .then(Body.of(Stitches.SQUARE_KNOT).with(new Motif("bead", through, framed ? 3 : 0)))
                .then(new Slider(SLIDER_HALF_KNOTS, List.of(CORE)));
    }

    private static Pattern squareBarOverOne() {
        return Draft.bracelet("square-bar-one", "Square knots and beads on one core, slider")
                .cord("core", 2, Draft.NIGHT_TIDE)
                .cord("working", 2, Draft.HEATHER)
                .beads(15, BEAD)
                .straight("core", 0, 1, CORE)
                .folded("working", 1, 1, WORKING)
                .closing(1)
                .then(Body.of(Stitches.SQUARE_KNOT).with(new Motif("bead", List.of(CORE), 0)))
                .then(new Slider(SLIDER_HALF_KNOTS, List.of(CORE)))
                .pattern();
    }

    /** A few knots hold the bead; the cords run plain from there. */
    private static Pattern fewSnakes() {
        Body few = Body.of(Stitches.SNAKE_KNOT).repeats(FEW_SNAKES);
        Body plain = Body.of(Stitches.PLAIN).on(CORE, WORKING);
        return Draft.bracelet("snake-few", "A bead between a few snake knots on doubled cord, slider")
                .cord("first", 2, Draft.HEATHER)
                .cord("second", 2, Draft.OAT)
                .part("bead", WIDE_BEAD)
                .straight("first", 0, 1, WORKING)
                .straight("second", 1, 1, WORKING)
                .closing(0)
                .then(plain)
                .then(few)
                .then(new Threaded("bead", 1, List.of(WORKING)))
                .then(few)
                .then(plain)
                .then(new Slider(SLIDER_HALF_KNOTS, List.of(WORKING)))
                .pattern();
    }

    private static Pattern spiral() {
        return Draft.bracelet("spiral-bar", "Half-knot spiral with slider")
                .cord("core", 2, Draft.NIGHT_TIDE)
                .cord("working", 2, Draft.BRINE)
                .straight("core", 0, 2, CORE)
                .folded("working", 1, 1, WORKING)
                .closing(1)
                .then(Body.of(Stitches.HALF_KNOT))
                .then(new Slider(SLIDER_HALF_KNOTS, List.of(CORE)))
                .pattern();
    }

    private static Pattern centrepiece() {
        return Draft.bracelet("centrepiece", "Centrepiece between two square-knot bars, slider")
                .cord("core", 1.5, Draft.OAT)
                .cord("working", 1.5, Draft.HEATHER)
                .part("centrepiece", Hardware.of(Kind.CENTREPIECE, 24, 6, 1.6))
                .extra("end bead", Hardware.of(Kind.BEAD, 5, 5, 2.4))
                .extra("charm", Hardware.of(Kind.CHARM, 9, 1))
                .folded("core, one side", 0, 1, CORE)
                .folded("working, one side", 1, 1, WORKING)
                .folded("core, other side", 0, 1, SECOND_CORE)
                .folded("working, other side", 1, 1, SECOND_WORKING)
                .closing(1)
                .then(Body.of(Stitches.SQUARE_KNOT))
                .then(new Mount("centrepiece", Hitch.LARKS_HEAD, List.of(CORE, SECOND_CORE), true))
                .then(Body.of(Stitches.SQUARE_KNOT).on(CORE, SECOND_CORE).on(WORKING, SECOND_WORKING))
                .then(new Slider(SLIDER_HALF_KNOTS, List.of(CORE, SECOND_CORE)))
                .then(EndBeads.each("end bead", List.of(CORE, SECOND_CORE)))
                .then(new Attached("charm", false))
                .pattern();
    }

    private static Pattern snakeShackle() {
        return Draft.bracelet("snake-shackle", "Snake knot over a core with shackle")
                .cord("core", 3, Draft.PITCH)
                .cord("working", 2, Draft.LICHEN)
                .part("shackle", Hardware.of(Kind.SHACKLE, 18, 12, 4))
                .folded("core", 0, 1, CORE)
                .folded("working", 1, 1, WORKING)
                .then(new Mount("shackle", Hitch.FOLD, List.of(CORE), true))
                .then(Body.of(Stitches.SNAKE_OVER_CORE))
                .then(TuckBack.around("shackle", List.of(CORE), TUCK))
                .pattern();
    }

    /** The middle lies in the thimble; both legs lay the core up to the shackle, turn there, and tie down over it. */
    private static Pattern snakeThimble() {
        Leg upAndDown = Leg.in(CORE).then(new Turn.AtPart("shackle"), WORKING);
        return Draft.bracelet("snake-thimble", "Snake knot over its own core, shackle and thimble")
                .cord("cord", 3, Draft.NIGHT_TIDE)
                .part("thimble", Hardware.of(Kind.THIMBLE, 14, 8, 4))
                .part("shackle", Hardware.of(Kind.SHACKLE, 18, 12, 4))
                .folded("cord", 0, 1, upAndDown, upAndDown)
                .then(new Mount("thimble", Hitch.FOLD, List.of(CORE), true))
                .then(Body.of(Stitches.SNAKE_OVER_CORE))
                .then(new Attached("shackle", true))
                .pattern();
    }

    private static Pattern snakeNoose() {
        return Draft.bracelet("snake-noose", "Snake-knot band drawn through its own loop")
                .cord("cord", 2, Draft.EMBER)
                .folded("cord", 0, 1, WORKING)
                .then(Body.of(Stitches.SNAKE_KNOT))
                .then(new Noose(KnotKind.SNAKE, List.of(WORKING)))
                .pattern();
    }

    /**
     * Both cords through the button; on either side the long one ties a barrel around the other before and behind the beads, and
     * one behind the end bead.
     */
    private static Pattern leather() {
        List<Seat> both = List.of(CORE, SECOND_CORE);
        Knot barrel = new Knot(KnotKind.BARREL, BARREL_WRAPS, both, List.of(CORE), true);
        Threaded beads = new Threaded("bead", Threaded.CHOSEN, both);
        return Draft.bracelet("leather", "Two leather cords through a button, slide bead")
                .cord("cord", 2, "#5A3A28")
                .part("button", Hardware.of(Kind.BEAD, 18, 18, 5.5))
                .beads(6, Hardware.of(Kind.BEAD, 9, 11, 5))
                .part("slide bead", Hardware.of(Kind.SLIDE_BEAD, 9, 10, 5.4))
                .part("end bead", Hardware.of(Kind.BEAD, 6, 9, 5))
                .straight("long", 0, 1, CORE)
                .straight("short", 0, 1, SECOND_CORE)
                .then(Body.of(Stitches.PLAIN).on(CORE, CORE, SECOND_CORE))
                .then(barrel)
                .then(beads)
                .then(barrel)
                .then(new Threaded("button", 1, both))
                .then(barrel)
                .then(beads)
                .then(barrel)
                .then(Body.of(Stitches.PLAIN).on(CORE, CORE, SECOND_CORE))
                .then(new SlideBead("slide bead", both))
                .then(new EndBeads("end bead", both, true, Hitch.WRAPS, List.of(CORE)))
                .pattern();
    }

    private static Pattern beadAndKnot(String code, String name, boolean endBead) {
        Draft draft = Draft.bracelet(code, name)
                .cord("core", 1.5, Draft.DUNE)
                .cord("working", 1.5, Draft.BRINE)
                .part("bead", SMALL_BEAD);
        if (endBead) {
            draft.part("end bead", Hardware.of(Kind.BEAD, 9, 10, 4.5));
        }
        return draft.folded("core", 0, 1, CORE)
                .folded("working", 1, 1, WORKING)
                .then(new Eye(List.of(CORE, WORKING)))
                .then(new Knot(KnotKind.OVERHAND, 1, List.of(CORE, WORKING), true))
                .then(Body.of(Stitches.SQUARE_KNOT).with(new Motif("bead", List.of(CORE), 1)))
                .then(new Stopper(
                        endBead ? new StopperKind.Part("end bead") : new StopperKind.Knotted(KnotKind.OVERHAND),
                        List.of(CORE, WORKING)))
                .pattern();
    }

    private static Pattern elastic() {
        return Draft.bracelet("elastic-beads", "Beads on elastic with clip-on charms")
                .cord("elastic", 1, "#EDE9DF")
                .part("bead", Hardware.of(Kind.BEAD, 8, 8, 2))
                .part("cover bead", Hardware.of(Kind.BEAD, 9, 10, 4))
                .extra("charm", Hardware.of(Kind.CHARM, 9, 1))
                .straight("elastic", 0, 1, CORE)
                .then(new Threaded("bead", Threaded.ALL_AROUND, List.of(CORE)))
                .then(new Threaded("cover bead", 1, List.of(CORE)))
                .then(new Knot(KnotKind.REEF, 1, List.of(CORE), false))
                .then(new Knot(KnotKind.REEF, 1, List.of(CORE), false))
                .then(new Attached("charm", false))
                .pattern();
    }
}
