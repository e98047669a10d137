package dev.restis.core.pattern;

import static dev.restis.core.stitch.Seat.CORE;
import static dev.restis.core.stitch.Seat.EDGE;
import static dev.restis.core.stitch.Seat.FALL;
import static dev.restis.core.stitch.Seat.SECOND_CORE;
import static dev.restis.core.stitch.Seat.SECOND_FALL;
import static dev.restis.core.stitch.Seat.SECOND_WORKING;
import static dev.restis.core.stitch.Seat.TAB;
import static dev.restis.core.stitch.Seat.WORKING;

import dev.restis.core.cord.Hardware;
import dev.restis.core.cord.Hardware.Kind;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Course.Turn;
import dev.restis.core.pattern.Section.Attached;
import dev.restis.core.pattern.Section.Body;
import dev.restis.core.pattern.Section.Buttonhole;
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
import java.util.Optional;

/** The shipped bracelets. */
final class Bracelets {

    static final int SLIDER_HALF_KNOTS = 10;
    private static final int BARREL_WRAPS = 3;
    private static final Length TUCK = Length.ofMillimetres(25);
    /** Two rows of cord of the usual gauges, and what lies between them. */
    private static final Length DRAWN_UNDER = Length.ofMillimetres(15);

    /** What keeps a weave from opening: a square knot of the strands that weave, over the cores. */
    private static final Body LOCK = Body.of(Stitches.SQUARE_KNOT).repeats(1);

    static final Hardware BEAD = Hardware.of(Kind.BEAD, 8, 9, 4.4);
    private static final Hardware WIDE_BEAD = Hardware.of(Kind.BEAD, 10, 12, 6);
    private static final Hardware SMALL_BEAD = Hardware.of(Kind.BEAD, 6, 6, 3);
    static final Hardware BUCKLE = Hardware.of(Kind.BUCKLE, 28, 16, 3);
    private static final Hardware SHANK_BUTTON = Hardware.of(Kind.BUTTON, 15, 2);

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
                squareBar("square-bar-framed", "Square-knot bar around framed beads", List.of(CORE))
                        .pattern(),
                spiral(),
                centrepiece(),
                SNAKE,
                snakeShackle(),
                snakeThimble(),
                snakeNoose(),
                interlocked(),
                ladder("ladder", "Ladder band of one cord, loop and button", false),
                ladder("ladder-two", "Ladder band of two fused colours, loop and button", true),
                figureEight("figure-eight-2", "Slim figure-eight band with buckle", 1),
                figureEight("figure-eight-4", "Figure-eight band with buckle", 2),
                figureEight("figure-eight-6", "Wide figure-eight band with buckle", 3),
                figureEight("figure-eight-8", "Broad figure-eight band with buckle", 4),
                oneCord("one-cord-2", "Slim buckle band of one cord", 1),
                oneCord("one-cord-4", "Buckle band of one cord", 2),
                oneCord("one-cord-6", "Wide buckle band of one cord", 3),
                oneCord("one-cord-8", "Broad buckle band of one cord", 4),
                edgedBraid(),
                crossingWeave(),
                slipLoop(),
                falls("falls", "Wrapped falls, loop and button", false),
                falls("falls-tab", "Wrapped falls with a knotted tab", true),
                alternating(),
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

    /**
     * One cord, folded off its middle and hitched to one half of the buckle: both legs run to the other half and back, then the
     * long one weaves all rows, and the short one is drawn back under two of them.
     *
     * @param runs of each leg
     */
    private static Pattern oneCord(String code, String name, int runs) {
        Turn atBuckle = new Turn.AtPart("buckle");
        Leg core = Leg.in(CORE);
        for (int run = 1; run < runs; run++) {
            core = core.then(atBuckle, CORE);
        }
        return Draft.bracelet(code, name)
                .cord("cord", 3, Draft.LICHEN)
                .part("buckle", Hardware.of(Kind.BUCKLE, 28, Math.max(16, 7 * runs + 4), 3))
                .folded("cord", 0, 1, core, core.then(atBuckle, WORKING))
                .then(new Mount("buckle", Hitch.LARKS_HEAD, List.of(CORE), true))
                .then(Body.of(Stitches.FIGURE_EIGHT))
                .then(new TuckBack(Optional.empty(), List.of(CORE, WORKING), DRAWN_UNDER))
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
     * From the join each colour runs up as a core, folds over into an ear, and works back down; both ends go through the join, each
     * through the ear of its colour, and are stopped by one button.
     */
    private static Pattern interlocked() {
        return Draft.bracelet("interlocked", "Two-colour interlocked bar, two ears and button")
                .cord("first", 2, Draft.MARIGOLD)
                .cord("second", 2, Draft.NIGHT_TIDE)
                .fused("cord", 0, 1, 1, Leg.in(CORE).then(new Turn.Ear(), WORKING))
                .then(Body.of(Stitches.INTERLOCKED))
                .then(Mount.onStrands(List.of(WORKING), Hitch.FOLD, List.of(CORE)))
                .then(new Stopper(new StopperKind.Knotted(KnotKind.BUTTON), List.of(WORKING)))
                .pattern();
    }

    private static Pattern ladder(String code, String name, boolean fused) {
        Draft draft =
                Draft.bracelet(code, name).cord("core", 3, Draft.NIGHT_TIDE).cord("first", 3, Draft.BRINE);
        if (fused) {
            draft.cord("second", 3, Draft.OAT);
        }
        draft.folded("core", 0, 1, CORE);
        if (fused) {
            draft.fused("working", 1, 2, 1, WORKING);
        } else {
            draft.folded("working", 1, 1, WORKING);
        }
        return draft.then(new Eye(List.of(CORE)))
                .then(LOCK)
                .then(Body.of(Stitches.LADDER))
                .then(LOCK)
                .then(new Stopper(new StopperKind.Knotted(KnotKind.BUTTON), List.of(CORE)))
                .pattern();
    }

    private static Pattern figureEight(String code, String name, int runs) {
        return Draft.bracelet(code, name)
                .cord("runs", 3, Draft.PITCH)
                .cord("weaver", 3, Draft.EMBER)
                .part("buckle", Hardware.of(Kind.BUCKLE, 28, Math.max(16, 7 * runs + 4), 3))
                .folded("run", 0, runs, CORE)
                .straight("weaver", 1, 1, WORKING)
                .then(new Mount("buckle", Hitch.LARKS_HEAD, List.of(CORE), true))
                .then(Body.of(Stitches.FIGURE_EIGHT))
                .then(TuckBack.around("buckle", List.of(CORE), TUCK))
                .pattern();
    }

    /** Edges tied to both bars; of the braiding strands two are folded over the first one and one is tied to it. */
    private static Pattern edgedBraid() {
        return Draft.bracelet("edged-braid", "Flat five-strand braid between straight edges, buckle")
                .cord("edge", 2.5, Draft.PITCH)
                .cord("first", 2, Draft.MARIGOLD)
                .cord("second", 2, Draft.HEATHER)
                .part("buckle", Hardware.of(Kind.BUCKLE, 28, 20, 3))
                .straight("edge", 0, 2, EDGE)
                .folded("braid, first colour", 1, 1, WORKING)
                .folded("braid, second colour", 2, 1, WORKING)
                .straight("braid, tied on", 1, 1, SECOND_WORKING)
                .then(new Mount("buckle", Hitch.NOOSE_KNOT, List.of(EDGE, SECOND_WORKING), true))
                .then(new Mount("buckle", Hitch.LARKS_HEAD, List.of(WORKING), true))
                .then(Body.of(Stitches.BRAID_EDGED).on(WORKING, WORKING, SECOND_WORKING))
                .then(new Mount("buckle", Hitch.NOOSE_KNOT, List.of(EDGE), true))
                .then(TuckBack.around("buckle", List.of(WORKING, SECOND_WORKING), TUCK))
                .pattern();
    }

    /**
     * Two cords of two colours hang over the bight of the pair that weaves; one of them makes the eye and the stop, and all others
     * are cut behind it.
     */
    private static Pattern crossingWeave() {
        return Draft.bracelet("crossing-weave", "Crossing weave in three colours, loop and button")
                .cord("weaver", 2, Draft.OAT)
                .cord("first", 2, Draft.NIGHT_TIDE)
                .cord("second", 2, Draft.EMBER)
                .folded("weaver", 0, 1, WORKING)
                .folded("first", 1, 1, FALL)
                .folded("second", 2, 1, SECOND_FALL)
                .then(Mount.onStrands(List.of(WORKING), Hitch.LARKS_HEAD, List.of(FALL)))
                .then(Mount.onStrands(List.of(WORKING), Hitch.FOLD, List.of(SECOND_FALL)))
                .then(new Eye(List.of(FALL)))
                .then(Body.of(Stitches.CROSSING_WEAVE).on(FALL, FALL, SECOND_FALL))
                .then(new Stopper(new StopperKind.Knotted(KnotKind.BUTTON), List.of(FALL)))
                .pattern();
    }

    /** Locked at the end by a half hitch of the strand that stands higher, and a square knot; either may be the higher one. */
    private static Pattern slipLoop() {
        return Draft.bracelet("slip-loop", "Slip-loop bar, loop and button")
                .cord("core", 2.5, Draft.OAT)
                .cord("first", 2, Draft.NIGHT_TIDE)
                .cord("second", 2, Draft.EMBER)
                .folded("core", 0, 1, CORE)
                .fused("working", 1, 2, 1, WORKING)
                .then(new Eye(List.of(CORE)))
                .then(LOCK)
                .then(Body.of(Stitches.SLIP_LOOP))
                .then(new Knot(KnotKind.HALF_HITCH, 1, List.of(WORKING), true))
                .then(LOCK)
                .then(new Stopper(new StopperKind.Knotted(KnotKind.BUTTON), List.of(CORE)))
                .pattern();
    }

    private static Pattern falls(String code, String name, boolean tab) {
        Draft draft = Draft.bracelet(code, name)
                .cord("core", 2, Draft.PITCH)
                .cord("weavers", 2, Draft.OAT)
                .cord("falls, one side", 2, Draft.BRINE)
                .cord("falls, other side", 2, Draft.EMBER);
        if (tab) {
            draft.cord("tab", 1, Draft.OAT);
        }
        draft.folded("core", 0, 1, CORE)
                .folded("weaver", 1, 1, WORKING)
                .straight("fall, one side", 2, 3, FALL)
                .straight("fall, other side", 3, 3, FALL);
        if (tab) {
            draft.folded("tab", 4, 1, TAB);
        }
        draft.then(new Eye(List.of(CORE)))
                .then(LOCK)
                .then(Body.of(Stitches.WRAPPED_FALLS))
                .then(LOCK)
                .then(new Stopper(new StopperKind.Knotted(KnotKind.BUTTON), List.of(CORE)));
        if (tab) {
            draft.then(Body.of(Stitches.SQUARE_KNOT).repeats(5).on(WORKING, TAB).beside());
        }
        return draft.pattern();
    }

    /** The outermost strand of either side hitches the buttonhole, and square knots over all others close it. */
    private static Pattern alternating() {
        List<Seat> all = List.of(CORE, WORKING, SECOND_WORKING);
        return Draft.bracelet("alternating", "Alternating square knots with buttonhole and shank button")
                .cord("inner", 1.5, Draft.OAT)
                .cord("outer", 1.5, Draft.LICHEN)
                .part("button", SHANK_BUTTON)
                .folded("inner", 0, 1, CORE)
                .folded("middle", 1, 1, SECOND_WORKING)
                .folded("outer", 1, 1, WORKING)
                .then(new Mount("button", Hitch.LARKS_HEAD, all, false))
                .then(new Stopper(new StopperKind.Part("button"), List.of(CORE)))
                .then(Body.of(Stitches.ALTERNATING_SQUARE).on(WORKING, WORKING, SECOND_WORKING))
                .then(new Buttonhole(Stitches.HALF_HITCH, all, List.of(WORKING)))
                .then(Body.of(Stitches.SQUARE_KNOT).repeats(2).on(CORE, CORE, SECOND_WORKING))
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
