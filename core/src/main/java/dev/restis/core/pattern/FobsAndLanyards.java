package dev.restis.core.pattern;

import static dev.restis.core.stitch.Seat.CORE;
import static dev.restis.core.stitch.Seat.FALL;
import static dev.restis.core.stitch.Seat.SECOND_CORE;
import static dev.restis.core.stitch.Seat.SECOND_WORKING;
import static dev.restis.core.stitch.Seat.WORKING;
import static dev.restis.core.stitch.Seat.WRAP;

import dev.restis.core.cord.Hardware;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Pattern.Kind;
import dev.restis.core.pattern.Section.Attached;
import dev.restis.core.pattern.Section.Body;
import dev.restis.core.pattern.Section.Fringe;
import dev.restis.core.pattern.Section.Hitch;
import dev.restis.core.pattern.Section.Knot;
import dev.restis.core.pattern.Section.KnotKind;
import dev.restis.core.pattern.Section.Motif;
import dev.restis.core.pattern.Section.Mount;
import dev.restis.core.pattern.Section.Wrapped;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitches;
import java.util.List;

/** The shipped key fobs and lanyards. */
final class FobsAndLanyards {

    private static final int WRAP_TURNS = 7;
    private static final Length FRINGE = Length.ofMillimetres(25);
    private static final Hardware RING = Hardware.of(Hardware.Kind.RING, 25, 2);
    private static final Hardware CLIP = Hardware.of(Hardware.Kind.CLASP, 38, 12, 3);
    private static final Hardware WIDE_CLIP = Hardware.of(Hardware.Kind.CLASP, 38, 16, 3);
    private static final Hardware BREAKAWAY = Hardware.of(Hardware.Kind.BREAKAWAY, 22, 7);

    static final Pattern SPIRAL_FOB = spiralFob("spiral-fob", "Spiral key fob on a ring", false);

    private FobsAndLanyards() {}

    static List<Pattern> all() {
        return List.of(
                SPIRAL_FOB,
                spiralFob("spiral-fob-whipped", "Spiral key fob with whipped end", true),
                squareFob("square-fob", "Square-knot key fob with beads", false),
                squareFob("square-fob-whipped", "Square-knot key fob with beads, whipped end", true),
                squareFobOffCentre(),
                diamondFob(),
                snakeFob(),
                ladderFob(),
                fallsFob(),
                figureEightFob("figure-eight-fob", "Figure-eight key fob on a ring", 1),
                figureEightFob("figure-eight-fob-wide", "Wide figure-eight key fob on a ring", 2),
                alternatingFob(),
                slipLoopFob(),
                neckSnake("neck-snake", "Neck lanyard of snake knots", false),
                neckSnake("neck-snake-drop", "Neck lanyard of snake knots with beaded drop", true),
                neckSquare(),
                neckBraid(),
                neckPlain(),
                wristSnake(),
                wristBraid());
    }

    private static void end(Draft draft, boolean whipped, int wrapCord, List<Seat> ends) {
        if (whipped) {
            draft.straight("whipping", wrapCord, 1, WRAP).then(new Wrapped(WRAP_TURNS, ends));
        } else {
            draft.then(new Knot(KnotKind.OVERHAND, 1, ends, true));
        }
        draft.then(new Fringe(FRINGE, ends));
    }

    private static Pattern spiralFob(String code, String name, boolean whipped) {
        Draft draft = Draft.piece(Kind.FOB, code, name, 120)
                .cord("first", 2, Draft.BRINE)
                .cord("second", 2, Draft.OAT)
                .part("ring", RING)
                .folded("first", 0, 1, CORE, WORKING)
                .folded("second", 1, 1, CORE, WORKING)
                .then(new Mount("ring", Hitch.LARKS_HEAD, List.of(CORE, WORKING), false))
                .then(Body.of(Stitches.HALF_KNOT));
        end(draft, whipped, 1, List.of(CORE, WORKING));
        return draft.pattern();
    }

    private static Pattern squareFob(String code, String name, boolean whipped) {
        Draft draft = Draft.piece(Kind.FOB, code, name, 120)
                .cord("core", 2, Draft.PITCH)
                .cord("working", 2, Draft.MARIGOLD)
                .part("ring", RING)
                .beads(6, Bracelets.BEAD)
                .folded("core", 0, 1, CORE)
                .folded("working", 1, 1, WORKING)
                .then(new Mount("ring", Hitch.LARKS_HEAD, List.of(CORE, WORKING), false))
                .then(Body.of(Stitches.SQUARE_KNOT).with(new Motif("bead", List.of(CORE), 0)));
        end(draft, whipped, 1, List.of(CORE, WORKING));
        return draft.pattern();
    }

    /** Two like cords, each folded off its middle: its short leg is a core, and its long one works. */
    private static Pattern squareFobOffCentre() {
        Draft draft = Draft.piece(Kind.FOB, "square-fob-off-centre", "Square-knot key fob of two like cords", 120)
                .cord("first", 2, Draft.NIGHT_TIDE)
                .cord("second", 2, Draft.EMBER)
                .part("ring", RING)
                .folded("first", 0, 1, CORE, WORKING)
                .folded("second", 1, 1, CORE, WORKING)
                .then(new Mount("ring", Hitch.LARKS_HEAD, List.of(CORE, WORKING), false))
                .then(Body.of(Stitches.SQUARE_KNOT));
        end(draft, false, 1, List.of(CORE, WORKING));
        return draft.pattern();
    }

    private static Pattern alternatingFob() {
        List<Seat> all = List.of(CORE, WORKING, SECOND_WORKING);
        Draft draft = Draft.piece(Kind.FOB, "alternating-fob", "Key fob of alternating square knots on a ring", 95)
                .cord("inner", 1.5, Draft.OAT)
                .cord("outer", 1.5, Draft.BRINE)
                .part("ring", RING)
                .folded("inner", 0, 1, CORE)
                .folded("middle", 1, 1, SECOND_WORKING)
                .folded("outer", 1, 1, WORKING)
                .then(new Mount("ring", Hitch.LARKS_HEAD, all, false))
                .then(Body.of(Stitches.ALTERNATING_SQUARE).on(WORKING, WORKING, SECOND_WORKING));
        end(draft, false, 0, all);
        return draft.pattern();
    }

    private static Pattern slipLoopFob() {
        Draft draft = Draft.piece(Kind.FOB, "slip-loop-fob", "Slip-loop key fob on a ring", 95)
                .cord("core", 2.5, Draft.PITCH)
                .cord("working", 2, Draft.LICHEN)
                .part("ring", RING)
                .folded("core", 0, 1, CORE)
                .folded("working", 1, 1, WORKING)
                .then(new Mount("ring", Hitch.LARKS_HEAD, List.of(CORE, WORKING), false))
                .then(Body.of(Stitches.SLIP_LOOP));
        end(draft, false, 0, List.of(CORE, WORKING));
        return draft.pattern();
    }

    private static Pattern diamondFob() {
        List<Seat> all = List.of(CORE, WORKING);
        Draft draft = Draft.piece(Kind.FOB, "diamond-fob", "Key fob of hitched diamonds on a swivel clasp", 130)
                .cord("anchors", 2, Draft.NIGHT_TIDE)
                .cord("hitched", 2, Draft.BRINE)
                .part("clasp", WIDE_CLIP)
                .folded("anchor", 0, 1, CORE)
                .folded("hitched", 1, 2, WORKING)
                .then(new Mount("clasp", Hitch.LARKS_HEAD, List.of(CORE), false))
                .then(Mount.onStrands(List.of(CORE), Hitch.LARKS_HEAD, List.of(WORKING)))
                .then(Body.of(Stitches.HITCHED_DIAMOND));
        draft.straight("gathering", 0, 1, WRAP)
                .then(new Wrapped(WRAP_TURNS, all))
                .then(new Fringe(Length.ofMillimetres(35), all));
        return draft.pattern();
    }

    private static Pattern snakeFob() {
        Draft draft = Draft.piece(Kind.FOB, "snake-fob", "Snake-knot key fob on a ring", 90)
                .cord("cord", 3, Draft.HEATHER)
                .part("ring", RING)
                .folded("cord", 0, 1, WORKING)
                .then(new Mount("ring", Hitch.FOLD, List.of(WORKING), false))
                .then(Body.of(Stitches.SNAKE_KNOT));
        end(draft, false, 0, List.of(WORKING));
        return draft.pattern();
    }

    private static Pattern ladderFob() {
        Draft draft = Draft.piece(Kind.FOB, "ladder-fob", "Ladder key fob on a ring", 95)
                .cord("core", 3, Draft.PITCH)
                .cord("working", 3, Draft.MARIGOLD)
                .part("ring", RING)
                .folded("core", 0, 1, CORE)
                .folded("working", 1, 1, WORKING)
                .then(new Mount("ring", Hitch.LARKS_HEAD, List.of(CORE, WORKING), false))
                .then(Body.of(Stitches.LADDER));
        end(draft, false, 0, List.of(CORE, WORKING));
        return draft.pattern();
    }

    private static Pattern fallsFob() {
        List<Seat> ends = List.of(CORE, WORKING, FALL);
        Draft draft = Draft.piece(Kind.FOB, "falls-fob", "Key fob of wrapped falls on a ring", 95)
                .cord("core", 2, Draft.PITCH)
                .cord("weavers", 2, Draft.OAT)
                .cord("falls", 2, Draft.LICHEN)
                .part("ring", RING)
                .folded("core", 0, 1, CORE)
                .folded("weaver", 1, 1, WORKING)
                .folded("fall", 2, 3, FALL)
                .then(new Mount("ring", Hitch.LARKS_HEAD, ends, false))
                .then(Body.of(Stitches.WRAPPED_FALLS));
        end(draft, false, 0, ends);
        return draft.pattern();
    }

    private static Pattern figureEightFob(String code, String name, int runs) {
        Draft draft = Draft.piece(Kind.FOB, code, name, 90)
                .cord("runs", 3, Draft.PITCH)
                .cord("weaver", 3, Draft.EMBER)
                .part("ring", RING)
                .folded("run", 0, runs, CORE)
                .straight("weaver", 1, 1, WORKING)
                .then(new Mount("ring", Hitch.LARKS_HEAD, List.of(CORE), false))
                .then(Body.of(Stitches.FIGURE_EIGHT));
        end(draft, false, 0, List.of(CORE));
        return draft.pattern();
    }

    /** Around the neck, then gathered and ending in a clip; a drop hangs between. */
    private static Pattern neckSnake(String code, String name, boolean drop) {
        Draft draft = Draft.piece(Kind.NECK_LANYARD, code, name, 900)
                .cord("first", 2.5, Draft.NIGHT_TIDE)
                .cord("second", 2.5, Draft.OAT)
                .part("breakaway", BREAKAWAY)
                .part("clip", CLIP);
        if (drop) {
            draft.beads(5, Hardware.of(Hardware.Kind.BEAD, 10, 12, 6));
        }
        draft.straight("first", 0, 1, WORKING).straight("second", 1, 1, WORKING);
        if (drop) {
            draft.folded("drop core", 1, 1, SECOND_CORE).folded("drop working", 0, 1, SECOND_WORKING);
        }
        draft.straight("gathering", 1, 1, WRAP)
                .then(new Attached("breakaway", true))
                .then(Body.of(Stitches.SNAKE_KNOT))
                .then(new Wrapped(WRAP_TURNS, List.of(WORKING)));
        if (drop) {
            draft.then(Body.of(Stitches.SQUARE_KNOT)
                            .repeats(8)
                            .on(CORE, SECOND_CORE)
                            .on(WORKING, SECOND_WORKING)
                            .with(new Motif("bead", List.of(SECOND_CORE), 0))
                            .beside())
                    .then(new Mount("clip", Hitch.LARKS_HEAD, List.of(SECOND_CORE), false));
        } else {
            draft.then(new Attached("clip", false));
        }
        return draft.pattern();
    }

    private static Pattern neckSquare() {
        return Draft.piece(Kind.NECK_LANYARD, "neck-square", "Neck lanyard with square-knot bar", 900)
                .cord("core", 2, Draft.PITCH)
                .cord("working", 2, Draft.EMBER)
                .part("breakaway", BREAKAWAY)
                .part("clip", CLIP)
                .straight("core", 0, 2, CORE)
                .folded("working", 1, 1, WORKING)
                .straight("gathering", 1, 1, WRAP)
                .then(new Attached("breakaway", true))
                .then(Body.of(Stitches.SQUARE_KNOT))
                .then(new Wrapped(WRAP_TURNS, List.of(CORE)))
                .then(new Attached("clip", false))
                .pattern();
    }

    private static Pattern neckBraid() {
        return Draft.piece(Kind.NECK_LANYARD, "neck-braid", "Neck lanyard of four-strand round braid", 900)
                .cord("first", 2, Draft.NIGHT_TIDE)
                .cord("second", 2, Draft.MARIGOLD)
                .part("breakaway", BREAKAWAY)
                .part("clip", CLIP)
                .straight("first", 0, 2, WORKING)
                .straight("second", 1, 2, WORKING)
                .straight("gathering", 0, 1, WRAP)
                .then(new Attached("breakaway", true))
                .then(Body.of(Stitches.BRAID_ROUND))
                .then(new Wrapped(WRAP_TURNS, List.of(WORKING)))
                .then(new Attached("clip", false))
                .pattern();
    }

    private static Pattern neckPlain() {
        return Draft.piece(Kind.NECK_LANYARD, "neck-plain", "Plain neck lanyard of doubled cord", 900)
                .cord("cord", 3, Draft.LICHEN)
                .cord("gathering", 1.5, Draft.PITCH)
                .part("breakaway", BREAKAWAY)
                .part("clip", CLIP)
                .straight("cord", 0, 2, CORE)
                .straight("gathering", 1, 1, WRAP)
                .then(new Attached("breakaway", true))
                .then(Body.of(Stitches.PLAIN))
                .then(new Wrapped(WRAP_TURNS, List.of(CORE)))
                .then(new Attached("clip", false))
                .pattern();
    }

    private static Pattern wristSnake() {
        Draft draft = Draft.piece(Kind.WRIST_LANYARD, "wrist-snake", "Wrist lanyard of snake knots on a clip", 320)
                .cord("first", 2.5, Draft.HEATHER)
                .cord("second", 2.5, Draft.OAT)
                .part("clip", CLIP)
                .straight("first", 0, 1, WORKING)
                .straight("second", 1, 1, WORKING)
                .straight("gathering", 1, 1, WRAP);
        return draft.then(Body.of(Stitches.SNAKE_KNOT))
                .then(new Wrapped(WRAP_TURNS, List.of(WORKING)))
                .then(new Attached("clip", false))
                .pattern();
    }

    private static Pattern wristBraid() {
        return Draft.piece(Kind.WRIST_LANYARD, "wrist-braid", "Wrist lanyard of three-strand braid on a clip", 320)
                .cord("first", 2.5, Draft.BRINE)
                .cord("second", 2.5, Draft.OAT)
                .part("clip", CLIP)
                .straight("first", 0, 2, WORKING)
                .straight("second", 1, 1, WORKING)
                .straight("gathering", 1, 1, WRAP)
                .then(Body.of(Stitches.BRAID_THREE))
                .then(new Wrapped(WRAP_TURNS, List.of(WORKING)))
                .then(new Attached("clip", false))
                .pattern();
    }
}
