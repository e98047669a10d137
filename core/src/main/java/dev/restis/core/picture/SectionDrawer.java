package dev.restis.core.picture;

import dev.restis.core.cord.Hardware.Measure;
import dev.restis.core.pattern.Section;
import dev.restis.core.pattern.Section.Body;
import dev.restis.core.picture.Lanes.Lane;
import dev.restis.core.picture.Picture.Place;
import dev.restis.core.picture.PictureDrawer.Detail;
import dev.restis.core.piece.WorkedBody;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitches;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/** Draws a piece section by section from left to right. */
final class SectionDrawer implements Section.Visitor<Boolean> {

    private static final List<Seat> BODY_SEATS = List.of(Seat.CORE, Seat.WORKING, Seat.FALL, Seat.EDGE);

    private final Sheet sheet;
    private final Mounts mounts;
    private final Closings closings;

    SectionDrawer(Sheet sheet) {
        this.sheet = sheet;
        this.mounts = new Mounts(sheet);
        this.closings = new Closings(sheet);
    }

    boolean hasStitchedBody() {
        return sheet.pattern.stretching().stream().anyMatch(b -> b.stitch() != Stitches.PLAIN);
    }

    /** A section that is not drawn; bodies must be counted all the same. */
    void passed(Section section) {
        if (section instanceof Body) {
            sheet.bodies++;
        }
    }

    @Override
    public Boolean body(Body section) {
        WorkedBody worked = sheet.piece.fit().bodies().get(sheet.bodies++);
        if (!section.within()) {
            tab(section, worked);
            return true;
        }
        double pitch = worked.pitch().toMillimetres();
        int most = Math.max(3, (int) (sheet.detail.longestBody() / pitch));
        int left = most;
        double bead = worked.beadLength().toMillimetres();
        List<Integer> groups = worked.groups();
        List<StitchRun.Stretch> stretches = new ArrayList<>();
        List<Place> beads = new ArrayList<>();
        for (int g = 0; g < groups.size() && left > 0; g++) {
            if (g > 0) {
                beads.add(Place.along(sheet.x));
                sheet.on(bead);
                left -= (int) Math.ceil(bead / pitch);
            }
            int repeats = Math.max(1, Math.min(groups.get(g), left));
            stretches.add(new StitchRun.Stretch(sheet.x, repeats));
            sheet.on(repeats * pitch);
            left -= repeats;
        }
        new StitchRun(sheet.canvas, sheet.centreLines, section.stitch(), worked.gauge(), cords(section), pitch)
                .draw(stretches);
        if (!beads.isEmpty()) {
            sheet.canvas.repeated(beads, () -> bead(section, worked, bead));
        }
        if (left <= 0 && worked.repeats() > most) {
            sheet.shortened = true;
            // A chip shows the stitch and nothing else, so that nothing in it needs a mark.
            if (sheet.detail != Detail.CHIP) {
                sheet.canvas.cut(
                        sheet.x, worked.section().stitch().width(worked.gauge()).toMillimetres() / 2 + 2);
            }
        }
        return true;
    }

    private Map<Seat, List<Integer>> cords(Body section) {
        Map<Seat, List<Integer>> cords = new EnumMap<>(Seat.class);
        for (Seat place : BODY_SEATS) {
            List<Integer> slots = new ArrayList<>();
            section.legsOf(place).forEach(seat -> slots.addAll(Lanes.slots(sheet.piece, List.of(seat))));
            cords.put(place, slots);
        }
        return cords;
    }

    /** A bead between two groups, from 0 on: some strands through it, the others around its outside. */
    private void bead(Body section, WorkedBody worked, double length) {
        Section.Motif motif = section.motif().orElseThrow();
        double across = sheet.millimetres(motif.hardware(), Measure.ACROSS);
        double hole = sheet.millimetres(motif.hardware(), Measure.HOLE);
        Gauge gauge = worked.gauge();
        double middle = length / 2;
        sheet.canvas.bead(
                sheet.slotNumber(motif.hardware()), middle, 0, gauge.core(), length / 2, across / 2, hole / 2);
        sheet.straight(motif.seats(), -gauge.working() / 2, length + gauge.working() / 2);
        List<Seat> outside = new ArrayList<>();
        for (Seat place : BODY_SEATS) {
            if (section.legsOf(place).stream().noneMatch(motif.seats()::contains)
                    && section.stitch().ties(place)) {
                outside.addAll(section.legsOf(place));
            }
        }
        List<Integer> around = Lanes.slots(sheet.piece, outside);
        double edge = section.stitch().width(gauge).toMillimetres() / 2 - gauge.working() / 2;
        for (int i = 0; i < around.size(); i++) {
            double side = i % 2 == 0 ? -1 : 1;
            double out = across / 2 + gauge.working() * (0.4 + i / 2);
            sheet.canvas.cord(
                    around.get(i),
                    Lanes.diameter(sheet.piece, around.get(i)),
                    CentreLine.smooth(
                            List.of(
                                    new Point(-gauge.working(), side * edge, 0),
                                    new Point(0.22 * length, side * Math.max(out * 0.86, edge), 0),
                                    new Point(middle, side * Math.max(out, edge), 0),
                                    new Point(0.78 * length, side * Math.max(out * 0.86, edge), 0),
                                    new Point(length + gauge.working(), side * edge, 0)),
                            4));
        }
    }

    /** A body beside the piece, drawn beyond its end in its own cord. */
    private void tab(Body section, WorkedBody worked) {
        double start = sheet.x + Sheet.GAP;
        double pitch = worked.pitch().toMillimetres();
        StitchRun run =
                new StitchRun(sheet.canvas, sheet.centreLines, section.stitch(), worked.gauge(), cords(section), pitch);
        double at = start;
        List<Integer> groups = worked.groups();
        for (int g = 0; g < groups.size(); g++) {
            if (g > 0) {
                double bead = worked.beadLength().toMillimetres();
                Section.Motif motif = section.motif().orElseThrow();
                sheet.canvas.bead(
                        sheet.slotNumber(motif.hardware()),
                        at + bead / 2,
                        0,
                        worked.gauge().core() * 2,
                        bead / 2,
                        sheet.millimetres(motif.hardware(), Measure.ACROSS) / 2,
                        sheet.millimetres(motif.hardware(), Measure.HOLE) / 2);
                at += bead;
            }
            at = run.draw(at, groups.get(g));
        }
        sheet.x = at;
    }

    @Override
    public Boolean knot(Section.Knot section) {
        List<Lane> lanes = Lanes.of(sheet.piece, section.seats());
        if (!section.within()) {
            return true;
        }
        double height = sheet.parts.knotHeight(section.kind(), section.wraps(), lanes);
        sheet.lanes(sheet.narrowed(Lanes.of(sheet.piece, BODY_SEATS), 0.8), sheet.x - 1, sheet.x + height + 1);
        sheet.parts.knot(section.kind(), section.wraps(), lanes, sheet.x, sheet.x + height);
        sheet.on(height);
        return true;
    }

    @Override
    public Boolean threaded(Section.Threaded section) {
        int count = section.count() == Section.Threaded.ALL_AROUND
                ? sheet.piece.fit().around()
                : section.count() == Section.Threaded.CHOSEN
                        ? sheet.piece.request().chosen(section.hardware())
                        : section.count();
        double length = sheet.millimetres(section.hardware(), Measure.LENGTH);
        int most = Math.max(2, (int) (sheet.detail.longestBody() / Math.max(1, length)));
        if (count > most) {
            sheet.shortened = true;
            count = most;
        }
        if (count == 0) {
            return true;
        }
        sheet.straight(section.seats(), sheet.x - 1, sheet.x + count * length + 1);
        double start = sheet.x;
        List<Place> at = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            at.add(Place.along(start + i * length));
        }
        double across = sheet.millimetres(section.hardware(), Measure.ACROSS);
        double hole = sheet.millimetres(section.hardware(), Measure.HOLE);
        sheet.canvas.repeated(
                at,
                () -> sheet.canvas.bead(
                        sheet.slotNumber(section.hardware()),
                        length / 2,
                        0,
                        across / 4,
                        length / 2,
                        across / 2,
                        hole / 2));
        sheet.on(count * length);
        return true;
    }

    @Override
    public Boolean wrapped(Section.Wrapped section) {
        List<Lane> lanes = Lanes.of(sheet.piece, section.seats());
        int slot = Lanes.slots(sheet.piece, List.of(Seat.WRAP)).get(0);
        double d = Lanes.diameter(sheet.piece, slot);
        double height = d * section.turns();
        sheet.lanes(sheet.narrowed(lanes, 0.7), sheet.x - 1, sheet.x + height + 1);
        sheet.parts.wraps(slot, d, section.turns(), Lanes.width(lanes) * 0.35 + d * 0.4, sheet.x);
        sheet.on(height);
        return true;
    }

    @Override
    public Boolean fringe(Section.Fringe section) {
        double length = section.length().toMillimetres();
        List<Lane> lanes = Lanes.of(sheet.piece, section.seats());
        for (int i = 0; i < lanes.size(); i++) {
            Lane lane = lanes.get(i);
            sheet.canvas.cord(
                    lane.slot(),
                    lane.thickness(),
                    CentreLine.smooth(
                            List.of(
                                    new Point(sheet.x - 0.5, lane.across() * 0.6, -0.1 * i),
                                    new Point(sheet.x + length * 0.4, lane.across() * 1.05, -0.1 * i),
                                    new Point(sheet.x + length, lane.across() * 1.5, -0.1 * i)),
                            5));
        }
        sheet.on(length);
        return true;
    }

    @Override
    public Boolean attached(Section.Attached section) {
        sheet.hardware(section.hardware()).ifPresent(h -> {
            double length = Math.max(h.millimetres(Measure.LENGTH), h.millimetres(Measure.ACROSS));
            double start = section.within() ? sheet.x : sheet.x + 1;
            sheet.parts.draw(h, sheet.slotNumber(section.hardware()), start, start + length);
            if (section.within()) {
                sheet.on(length);
            } else {
                sheet.x = start + length;
            }
        });
        return true;
    }

    @Override
    public Boolean slider(Section.Slider section) {
        closings.slider(section);
        return true;
    }

    @Override
    public Boolean slideBead(Section.SlideBead section) {
        closings.slideBead(section);
        return true;
    }

    @Override
    public Boolean slidingKnots(Section.SlidingKnots section) {
        closings.slidingKnots(section);
        return true;
    }

    @Override
    public Boolean noose(Section.Noose section) {
        closings.noose(section);
        return true;
    }

    @Override
    public Boolean stopper(Section.Stopper section) {
        closings.stopper(section);
        return true;
    }

    @Override
    public Boolean buttonhole(Section.Buttonhole section) {
        closings.buttonhole(section);
        return true;
    }

    @Override
    public Boolean endBeads(Section.EndBeads section) {
        closings.endBeads(section);
        return true;
    }

    @Override
    public Boolean mount(Section.Mount section) {
        return mounts.mount(section);
    }

    @Override
    public Boolean eye(Section.Eye section) {
        return mounts.eye(section);
    }

    @Override
    public Boolean tuckBack(Section.TuckBack section) {
        return mounts.tuckBack(section);
    }

    /** What is seen of the ends once all sections are drawn. */
    void ends() {
        mounts.farEnd();
    }

    /** The ears into which legs fold over, before anything else is drawn. */
    void ears() {
        mounts.ears();
    }
}
