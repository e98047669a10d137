package dev.restis.core.make;

import dev.restis.core.cord.Hardware;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Section;
import dev.restis.core.pattern.Section.KnotKind;
import dev.restis.core.pattern.Section.StopperKind;
import dev.restis.core.piece.PieceFit;
import dev.restis.core.stitch.Seat;
import java.util.List;
import java.util.Set;

/** What opens and shuts a piece, turn by turn. */
final class Closing {

    private static final double TURN = 12;
    private static final double HITCH = 6;
    private static final double KNOT = 25;
    private static final double LAY = 30;

    /** Knots that can still be moved until they are pulled tight. */
    private static final Set<KnotKind> MOVED_HOME =
            Set.of(KnotKind.BARREL, KnotKind.BUTTON, KnotKind.SIMPLE_STOP, KnotKind.CONNECTING);

    private final CardDraft card;

    Closing(CardDraft card) {
        this.card = card;
    }

    static boolean movedHome(KnotKind kind) {
        return MOVED_HOME.contains(kind);
    }

    private Length tail() {
        return card.piece.fit().band().map(PieceFit.Band::tail).orElse(Length.ZERO);
    }

    void slider(Section.Slider section) {
        List<Integer> tails = card.endingIn(section.tails());
        List<Integer> tying = card.in(List.of(Seat.CLOSURE));
        card.countParts();
        card.step(Doing.LAY_TAILS).strands(tails).size(tail()).weighs(LAY).add();
        card.step(Doing.TIE_SLIDER)
                .strands(tying)
                .count(section.halfKnots())
                .weighs(TURN * section.halfKnots())
                .add();
        card.gate(Gate.SLIDES).strands(tying).add();
        card.triedOn();
        endStops(section.tails(), tails);
    }

    /** A knot in each pair of tails, unless beads stop them. */
    private void endStops(List<Seat> seats, List<Integer> tails) {
        boolean beads = card.pattern.all(Section.EndBeads.class).stream()
                .anyMatch(b -> card.piece.request().part(b.hardware()).isPresent()
                        && b.seats().stream().anyMatch(seats::contains));
        if (!beads) {
            card.gate(Gate.ENDS_EVEN).strands(tails).add();
            card.step(Doing.TIE_END_STOPS)
                    .strands(tails)
                    .count(2)
                    .size(tail())
                    .weighs(2 * KNOT)
                    .mends(Repair.STOP_TOO_LOOSE)
                    .add();
        }
    }

    void slideBead(Section.SlideBead section) {
        List<Integer> tails = card.endingIn(section.tails());
        card.gate(Gate.BEAD_PASSES)
                .part(section.hardware(), 1)
                .mends(Repair.BEAD_WILL_NOT_PASS)
                .add();
        card.step(Doing.THREAD_SLIDE_BEAD)
                .strands(tails)
                .part(section.hardware(), 1)
                .weighs(LAY)
                .mends(Repair.BEAD_WILL_NOT_PASS)
                .add();
        card.putOn(section.hardware(), 1);
        card.gate(Gate.SLIDES).strands(tails).part(section.hardware(), 1).add();
        card.triedOn();
    }

    void slidingKnots(Section.SlidingKnots section) {
        List<Integer> tails = card.endingIn(section.tails());
        card.countParts();
        for (int knot = 1; knot <= 2; knot++) {
            card.step(Doing.TIE_SLIDING_KNOT)
                    .strands(tails)
                    .count(section.wraps())
                    .size(tail())
                    .weighs(TURN * section.wraps())
                    .share(knot / 2.0)
                    .add();
            card.gate(Gate.SLIDES).strands(tails).share(knot / 2.0).add();
        }
        card.triedOn();
    }

    /** Its eye was tied when the piece was begun. */
    void noose(Section.Noose section) {
        List<Integer> tails = card.endingIn(section.tails());
        card.countParts();
        card.step(Doing.DRAW_THROUGH_NOOSE)
                .strands(tails)
                .size(tail())
                .weighs(LAY)
                .add();
        card.gate(Gate.SLIDES).strands(tails).add();
        card.triedOn();
        stop(section.stop(), tails);
    }

    private void stop(KnotKind kind, List<Integer> strands) {
        card.step(Doing.TIE_STOP)
                .knot(kind)
                .strands(strands)
                .weighs(KNOT)
                .mends(Repair.STOP_STRAND_WRONG)
                .share(0.5)
                .add();
        card.gate(Gate.STOP_HOLDS)
                .strands(strands)
                .mends(Repair.STOP_TOO_LOOSE, Repair.EYE_TOO_SMALL)
                .share(0.5)
                .add();
        card.step(Doing.SET_STOP).knot(kind).strands(strands).weighs(KNOT).add();
    }

    void stopper(Section.Stopper section) {
        List<Integer> strands = card.endingIn(section.seats());
        if (section.kind() instanceof StopperKind.Knotted knotted) {
            card.countParts();
            stop(knotted.knot(), strands);
            return;
        }
        String slot = ((StopperKind.Part) section.kind()).hardware();
        boolean threaded = card.piece
                .request()
                .part(slot)
                .map(Hardware::kind)
                .filter(Hardware.Kind::threaded)
                .isPresent();
        if (threaded) {
            card.gate(Gate.BEAD_PASSES)
                    .part(slot, 1)
                    .mends(Repair.BEAD_WILL_NOT_PASS)
                    .add();
            card.step(Doing.THREAD)
                    .part(slot, 1)
                    .strands(strands)
                    .weighs(LAY)
                    .mends(Repair.BEAD_WILL_NOT_PASS)
                    .share(0)
                    .add();
            card.putOn(slot, 1);
            card.countParts();
            stop(KnotKind.OVERHAND, strands);
        }
    }

    void buttonhole(Section.Buttonhole section) {
        int hitches = card.figures.buttonholeHitches();
        List<Integer> tying = card.in(section.tiedBy());
        card.step(Doing.TIE_BUTTONHOLE)
                .strands(tying)
                .stitch(section.hitch().code())
                .count(hitches)
                .size(card.piece.fit().eye().map(e -> e.inside()).orElse(Length.ZERO))
                .weighs(2 * HITCH * hitches)
                .add();
        card.gate(Gate.EYE_AT_SIZE)
                .strands(card.in(section.seats()))
                .size(card.piece.fit().eye().map(e -> e.inside()).orElse(Length.ZERO))
                .mends(Repair.EYE_TOO_SMALL)
                .add();
    }

    void endBeads(Section.EndBeads section) {
        if (card.piece.request().part(section.hardware()).isEmpty()) {
            return;
        }
        List<Integer> ends = card.endingIn(section.seats());
        int beads = section.together() ? 2 : card.pattern.endsIn(section.seats());
        card.gate(Gate.BEAD_PASSES)
                .part(section.hardware(), beads)
                .mends(Repair.BEAD_WILL_NOT_PASS)
                .add();
        card.step(Doing.THREAD)
                .part(section.hardware(), beads)
                .strands(ends)
                .weighs(LAY)
                .mends(Repair.BEAD_WILL_NOT_PASS)
                .share(0)
                .add();
        card.putOn(section.hardware(), beads);
        card.countParts();
        card.gate(Gate.ENDS_EVEN).strands(ends).add();
        card.step(Doing.TIE_END_BEADS)
                .strands(ends)
                .knot(section.wraps() > 1 ? KnotKind.BARREL : KnotKind.OVERHAND)
                .count(section.wraps())
                .weighs(KNOT * beads)
                .mends(Repair.STOP_TOO_LOOSE)
                .add();
    }
}
