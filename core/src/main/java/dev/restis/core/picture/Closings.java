package dev.restis.core.picture;

import dev.restis.core.cord.Hardware.Measure;
import dev.restis.core.fit.EyeFit;
import dev.restis.core.pattern.Role;
import dev.restis.core.pattern.Section;
import dev.restis.core.pattern.Section.KnotKind;
import dev.restis.core.pattern.Section.StopperKind;
import dev.restis.core.picture.Lanes.Lane;
import dev.restis.core.piece.PieceFit;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.Stitches;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;

/** Draws how a piece opens and shuts: tails with what slides over them, eyes with what they close over. */
final class Closings {

    private final Sheet sheet;

    Closings(Sheet sheet) {
        this.sheet = sheet;
    }

    private double tail() {
        return Math.min(
                sheet.detail.longestTail(),
                sheet.piece
                        .fit()
                        .band()
                        .map(PieceFit.Band::tail)
                        .map(l -> l.toMillimetres())
                        .orElse(sheet.detail.longestTail()));
    }

    private double part() {
        return sheet.piece
                .fit()
                .band()
                .map(PieceFit.Band::part)
                .map(l -> l.toMillimetres())
                .orElse(10.0);
    }

    /** One tail of each strand on the left of the piece, with its stop. */
    private double leftTails(Collection<Seat> seats, boolean stopped) {
        List<Lane> lanes = oneSide(seats);
        double tail = tail();
        sheet.lanes(lanes, -tail, 0.5);
        if (stopped) {
            sheet.parts.knot(KnotKind.OVERHAND, 1, lanes, -tail - Lanes.width(lanes), -tail);
        }
        return tail;
    }

    /** The strands as they leave one end of the piece: half of all free ends. */
    private List<Lane> oneSide(Collection<Seat> seats) {
        List<Integer> slots = new ArrayList<>();
        for (Role role : sheet.pattern.roles()) {
            for (int leg = 0; leg < role.legs().size(); leg++) {
                Seat seat = role.legs().get(leg).last();
                boolean otherSide = role.folded() && seat == Seat.SECOND_CORE && seats.contains(Seat.CORE);
                if (seats.contains(seat) && !otherSide) {
                    for (int i = 0; i < role.count(); i++) {
                        slots.add(role.slotOf(leg));
                    }
                }
            }
        }
        return Lanes.sideBySide(sheet.piece, slots);
    }

    void slider(Section.Slider section) {
        List<Lane> lanes = oneSide(section.tails());
        double reach = Math.max(leftTails(section.tails(), true), part() + 8);
        sheet.lanes(lanes, sheet.x, sheet.x + reach + Sheet.GAP);
        List<Integer> closing = Lanes.slots(sheet.piece, List.of(Seat.CLOSURE));
        double working = Lanes.diameter(sheet.piece, closing.get(0));
        Stitch square = Stitches.SQUARE_KNOT;
        Gauge gauge = new Gauge(working, Lanes.width(lanes) / lanes.size(), lanes.size(), Gauge.CoreLayout.FLAT);
        StitchRun run = new StitchRun(
                sheet.canvas,
                sheet.centreLines,
                square,
                gauge,
                Map.of(Seat.WORKING, closing, Seat.CORE, List.of()),
                square.pitch(gauge).toMillimetres());
        run.draw(sheet.x + Sheet.GAP, section.halfKnots() / 2);
        sheet.parts.knot(
                KnotKind.OVERHAND,
                1,
                lanes,
                sheet.x + reach + Sheet.GAP,
                sheet.x + reach + Sheet.GAP + Lanes.width(lanes));
        sheet.measuredTo = sheet.x + Sheet.GAP + part();
        sheet.x += reach + Sheet.GAP + Lanes.width(lanes);
    }

    void slideBead(Section.SlideBead section) {
        List<Lane> lanes = oneSide(section.tails());
        double reach = Math.max(leftTails(section.tails(), false), part() + 8);
        sheet.lanes(lanes, sheet.x, sheet.x + reach);
        sheet.hardware(section.hardware())
                .ifPresent(h -> sheet.canvas.bead(
                        sheet.slotNumber(section.hardware()),
                        sheet.x + Sheet.GAP + part() / 2,
                        0,
                        3,
                        part() / 2,
                        h.millimetres(Measure.ACROSS) / 2,
                        h.millimetres(Measure.HOLE) / 2));
        sheet.measuredTo = sheet.x + Sheet.GAP + part();
        sheet.x += reach;
    }

    void slidingKnots(Section.SlidingKnots section) {
        List<Lane> lanes = oneSide(section.tails());
        double tail = leftTails(section.tails(), false);
        sheet.lanes(lanes, sheet.x, sheet.x + tail);
        double height = sheet.parts.knotHeight(KnotKind.BARREL, section.wraps(), lanes);
        sheet.parts.knot(KnotKind.BARREL, section.wraps(), lanes, -tail, -tail + height);
        sheet.parts.knot(KnotKind.BARREL, section.wraps(), lanes, sheet.x + tail - height, sheet.x + tail);
        sheet.measuredTo = sheet.x;
        sheet.x += tail;
    }

    void noose(Section.Noose section) {
        List<Lane> lanes = Lanes.of(sheet.piece, section.tails());
        double closed = -sheet.parts.knotHeight(KnotKind.BARREL, Section.Noose.WRAPS, lanes);
        sheet.parts.loop(Lanes.slots(sheet.piece, section.tails()), closed - 2.2 * Lanes.width(lanes), closed);
        sheet.lanes(lanes, closed, 0);
        sheet.parts.knot(KnotKind.BARREL, Section.Noose.WRAPS, lanes, closed, 0);
        double tail = tail();
        sheet.lanes(lanes, sheet.x, sheet.x + tail);
        double height = sheet.parts.knotHeight(section.stop(), 2, lanes);
        sheet.parts.knot(section.stop(), 2, lanes, sheet.x + tail, sheet.x + tail + height);
        sheet.lanes(lanes, sheet.x + tail + height, sheet.x + tail + height + 6);
        sheet.x += tail + height + 6;
    }

    void stopper(Section.Stopper section) {
        List<Lane> lanes = Lanes.of(sheet.piece, section.seats());
        double neck = Lanes.width(lanes) * 0.4;
        if (section.kind() instanceof StopperKind.Knotted knotted) {
            double height = sheet.parts.knotHeight(knotted.knot(), 1, lanes);
            sheet.lanes(lanes, sheet.x, sheet.x + neck);
            sheet.parts.knot(knotted.knot(), 1, lanes, sheet.x + neck, sheet.x + neck + height);
            sheet.x += neck + height;
            return;
        }
        String slot = ((StopperKind.Part) section.kind()).hardware();
        sheet.hardware(slot).filter(h -> h.kind().threaded()).ifPresent(h -> {
            double length = h.millimetres(Measure.LENGTH);
            sheet.lanes(lanes, sheet.x, sheet.x + length + neck);
            sheet.canvas.bead(
                    sheet.slotNumber(slot),
                    sheet.x + neck + length / 2,
                    0,
                    4,
                    length / 2,
                    h.millimetres(Measure.ACROSS) / 2,
                    h.millimetres(Measure.HOLE) / 2);
            sheet.x += neck + length;
            double height = sheet.parts.knotHeight(KnotKind.OVERHAND, 1, lanes);
            sheet.parts.knot(KnotKind.OVERHAND, 1, lanes, sheet.x, sheet.x + height);
            sheet.x += height;
        });
    }

    void buttonhole(Section.Buttonhole section) {
        double inside = sheet.piece
                .fit()
                .eye()
                .map(EyeFit::inside)
                .map(l -> l.toMillimetres())
                .orElse(10.0);
        List<Integer> slots = Lanes.slots(sheet.piece, section.tiedBy());
        List<Seat> within = section.seats().stream()
                .filter(seat -> !section.tiedBy().contains(seat))
                .toList();
        List<Integer> cores = Lanes.slots(sheet.piece, within.isEmpty() ? section.seats() : within);
        double d = Lanes.diameter(sheet.piece, slots.get(0));
        Gauge gauge = new Gauge(d, d, 1, Gauge.CoreLayout.PACKED);
        double pitch = section.hitch().pitch(gauge).toMillimetres();
        int hitches = Math.max(2, (int) Math.round(inside / pitch));
        for (int side : new int[] {-1, 1}) {
            Map<Seat, List<Integer>> cords = Map.of(
                    Seat.WORKING,
                    List.of(slots.get(side < 0 ? 0 : slots.size() - 1)),
                    Seat.CORE,
                    List.of(cores.get(0)));
            new StitchRun(sheet.canvas, sheet.centreLines, section.hitch(), gauge, cords, inside / hitches)
                    .bowed(sheet.x, hitches, side * 2.2 * d);
        }
        sheet.on(inside);
    }

    void endBeads(Section.EndBeads section) {
        sheet.hardware(section.hardware()).ifPresent(h -> {
            List<Lane> lanes = oneSide(section.seats());
            double length = h.millimetres(Measure.LENGTH);
            double across = h.millimetres(Measure.ACROSS);
            if (section.together()) {
                double width = Math.max(across, 1.2 * Lanes.width(lanes));
                for (double at : new double[] {sheet.x + Sheet.GAP, -tail() - Sheet.GAP - length}) {
                    sheet.lanes(lanes, at - Sheet.GAP, at + length + Sheet.GAP);
                    sheet.canvas.bead(
                            sheet.slotNumber(section.hardware()),
                            at + length / 2,
                            0,
                            4,
                            length / 2,
                            width / 2,
                            h.millimetres(Measure.HOLE) / 2);
                }
                lanes = List.of();
            }
            for (int i = 0; i < lanes.size(); i++) {
                double spread = (i - (lanes.size() - 1) / 2.0)
                        * Math.max(across, lanes.get(i).thickness());
                for (double at : new double[] {sheet.x + Sheet.GAP, -tail() - Sheet.GAP - length}) {
                    List<Lane> one =
                            List.of(new Lane(lanes.get(i).slot(), lanes.get(i).thickness(), spread));
                    sheet.lanes(one, at - Sheet.GAP, at + length + Sheet.GAP);
                    sheet.canvas.bead(
                            sheet.slotNumber(section.hardware()),
                            at + length / 2,
                            spread,
                            4,
                            length / 2,
                            across / 2,
                            h.millimetres(Measure.HOLE) / 2);
                }
            }
            sheet.x += length + 2 * Sheet.GAP;
        });
    }
}
