package dev.restis.core.pattern;

import static dev.restis.core.stitch.Seat.CORE;
import static dev.restis.core.stitch.Seat.EDGE;
import static dev.restis.core.stitch.Seat.FALL;
import static dev.restis.core.stitch.Seat.SECOND_FALL;
import static dev.restis.core.stitch.Seat.SECOND_WORKING;
import static dev.restis.core.stitch.Seat.TAB;
import static dev.restis.core.stitch.Seat.WORKING;

import dev.restis.core.cord.Hardware;
import dev.restis.core.cord.Hardware.Kind;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Course.Turn;
import dev.restis.core.pattern.Section.Body;
import dev.restis.core.pattern.Section.Buttonhole;
import dev.restis.core.pattern.Section.Eye;
import dev.restis.core.pattern.Section.Hitch;
import dev.restis.core.pattern.Section.Knot;
import dev.restis.core.pattern.Section.KnotKind;
import dev.restis.core.pattern.Section.Mount;
import dev.restis.core.pattern.Section.Stopper;
import dev.restis.core.pattern.Section.StopperKind;
import dev.restis.core.pattern.Section.TuckBack;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitches;
import java.util.List;
import java.util.Optional;

/** The shipped bracelets that are woven, braided or tied over cores side by side. */
final class Weaves {

    /** What keeps a weave from opening: a square knot of the strands that weave, over the cores. */
    private static final Body LOCK = Body.of(Stitches.SQUARE_KNOT).repeats(1);

    /** Two rows of cord of the usual gauges, and what lies between them. */
    private static final Length DRAWN_UNDER = Length.ofMillimetres(15);

    private static final Hardware SHANK_BUTTON = Hardware.of(Kind.BUTTON, 15, 2);

    private Weaves() {}

    /**
     * One cord, folded off its middle and hitched to one half of the buckle: both legs run to the other half and back, then the
     * long one weaves all rows, and the short one is drawn back under two of them.
     *
     * @param runs of each leg
     */
    static Pattern oneCord(String code, String name, int runs) {
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

    /**
     * From the join each colour runs up as a core, folds over into an ear, and works back down; both ends go through the join, each
     * through the ear of its colour, and are stopped by one button.
     */
    static Pattern interlocked(String code, String stopName, KnotKind stop) {
        return Draft.bracelet(code, "Two-colour interlocked bar, two ears and " + stopName)
                .cord("first", 2, Draft.MARIGOLD)
                .cord("second", 2, Draft.NIGHT_TIDE)
                .fused("cord", 0, 1, 1, Leg.in(CORE).then(new Turn.Ear(), WORKING))
                .then(Body.of(Stitches.INTERLOCKED))
                .then(Mount.onStrands(List.of(WORKING), Hitch.FOLD, List.of(CORE)))
                .then(new Stopper(new StopperKind.Knotted(stop), List.of(WORKING)))
                .pattern();
    }

    static Pattern ladder(String code, String name, boolean fused, KnotKind stop) {
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
                .then(new Stopper(new StopperKind.Knotted(stop), List.of(CORE)))
                .pattern();
    }

    static Pattern figureEight(String code, String name, int runs) {
        return Draft.bracelet(code, name)
                .cord("runs", 3, Draft.PITCH)
                .cord("weaver", 3, Draft.EMBER)
                .part("buckle", Hardware.of(Kind.BUCKLE, 28, Math.max(16, 7 * runs + 4), 3))
                .folded("run", 0, runs, CORE)
                .straight("weaver", 1, 1, WORKING)
                .then(new Mount("buckle", Hitch.LARKS_HEAD, List.of(CORE), true))
                .then(Body.of(Stitches.FIGURE_EIGHT))
                .then(TuckBack.around("buckle", List.of(CORE), Bracelets.TUCK))
                .pattern();
    }

    /** Edges tied to both bars; of the braiding strands two are folded over the first one and one is tied to it. */
    static Pattern edgedBraid() {
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
                .then(TuckBack.around("buckle", List.of(WORKING, SECOND_WORKING), Bracelets.TUCK))
                .pattern();
    }

    /**
     * Two cords of two colours hang over the bight of the pair that weaves; one of them makes the eye and the stop, and all others
     * are cut behind it.
     */
    static Pattern crossingWeave(String code, String stopName, KnotKind stop) {
        return Draft.bracelet(code, "Crossing weave in three colours, loop and " + stopName)
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
                .then(new Stopper(new StopperKind.Knotted(stop), List.of(FALL)))
                .pattern();
    }

    /** Locked at the end by a half hitch of the strand that stands higher, and a square knot; either may be the higher one. */
    static Pattern slipLoop(String code, String stopName, KnotKind stop) {
        return Draft.bracelet(code, "Slip-loop bar, loop and " + stopName)
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
                .then(new Stopper(new StopperKind.Knotted(stop), List.of(CORE)))
                .pattern();
    }

    /** A colour for each side, so that they meet in the middle. */
    static Pattern falls(String code, String name, boolean tab, KnotKind stop) {
        Draft draft = fallsIn(code, name, "falls, one side", "falls, other side");
        if (tab) {
            draft.cord("tab", 1, Draft.OAT);
        }
        weavers(draft).straight("fall, one side", 2, 3, FALL).straight("fall, other side", 3, 3, FALL);
        if (tab) {
            draft.folded("tab", 4, 1, TAB);
        }
        fallsTied(draft, stop);
        if (tab) {
            draft.then(Body.of(Stitches.SQUARE_KNOT).repeats(5).on(WORKING, TAB).beside());
        }
        return draft.pattern();
    }

    /**
     * Falls of three colours, from one edge to the other in the order of their roles.
     *
     * @param mirrored whether the second half runs back from the middle; else each colour is a stripe of two
     */
    static Pattern fallsInThree(String code, String name, boolean mirrored) {
        Draft draft = fallsIn(code, name, "falls, first", "falls, second", "falls, third");
        weavers(draft);
        if (mirrored) {
            draft.straight("fall, first, one side", 2, 1, FALL)
                    .straight("fall, second, one side", 3, 1, FALL)
                    .straight("fall, third", 4, 2, FALL)
                    .straight("fall, second, other side", 3, 1, FALL)
                    .straight("fall, first, other side", 2, 1, FALL);
        } else {
            draft.straight("fall, first", 2, 2, FALL)
                    .straight("fall, second", 3, 2, FALL)
                    .straight("fall, third", 4, 2, FALL);
        }
        fallsTied(draft, KnotKind.BUTTON);
        return draft.pattern();
    }

    private static Draft fallsIn(String code, String name, String... falls) {
        List<String> colours = List.of(Draft.BRINE, Draft.EMBER, Draft.MARIGOLD);
        Draft draft = Draft.bracelet(code, name).cord("core", 2, Draft.PITCH).cord("weavers", 2, Draft.OAT);
        for (int i = 0; i < falls.length; i++) {
            draft.cord(falls[i], 2, colours.get(i));
        }
        return draft;
    }

    private static Draft weavers(Draft draft) {
        return draft.folded("core", 0, 1, CORE).folded("weaver", 1, 1, WORKING);
    }

    private static void fallsTied(Draft draft, KnotKind stop) {
        draft.then(new Eye(List.of(CORE)))
                .then(LOCK)
                .then(Body.of(Stitches.WRAPPED_FALLS))
                .then(LOCK)
                .then(new Stopper(new StopperKind.Knotted(stop), List.of(CORE)));
    }

    /** The outermost strand of either side hitches the buttonhole, and square knots over all others close it. */
    static Pattern alternating() {
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
}
