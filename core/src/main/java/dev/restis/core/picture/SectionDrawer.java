package dev.restis.core.picture;

import dev.restis.core.cord.Hardware;
import dev.restis.core.cord.Hardware.Measure;
import dev.restis.core.fit.EyeFit;
import dev.restis.core.pattern.Course;
import dev.restis.core.pattern.Leg;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.Role;
import dev.restis.core.pattern.Section;
import dev.restis.core.pattern.Section.Body;
import dev.restis.core.pattern.Section.KnotKind;
import dev.restis.core.pattern.Section.StopperKind;
import dev.restis.core.picture.Lanes.Lane;
import dev.restis.core.picture.Picture.Place;
import dev.restis.core.picture.PictureDrawer.Detail;
import dev.restis.core.piece.PieceFit;
import dev.restis.core.piece.WorkedBody;
import dev.restis.core.piece.WorkedPiece;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.Stitches;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Draws a piece section by section from left to right. */
final class SectionDrawer implements Section.Visitor<Boolean> {

    private static final double GAP = 3;
    /** Depth of a layer in diameters of the thinnest cord: less than cords that cross lie apart, and as few as can be. */
    static final double LAYER = 0.5;

    private static final List<Seat> BODY_SEATS = List.of(Seat.CORE, Seat.WORKING, Seat.FALL, Seat.EDGE);

    private final WorkedPiece piece;
    private final Pattern pattern;
    private final Detail detail;
    private final CentreLines centreLines;
    private final Canvas canvas;
    private final Schematics parts;
    private double x;
    private double measuredTo;
    private int body;
    private final Set<String> mountedOn = new HashSet<>();
    private boolean shortened;

    SectionDrawer(WorkedPiece piece, Detail detail, CentreLines centreLines) {
        this.centreLines = centreLines;
        this.piece = piece;
        this.pattern = piece.request().pattern();
        this.detail = detail;
        double thinnest = piece.request().cords().stream()
                .mapToDouble(c -> c.workedMillimetres())
                .min()
                .orElse(1);
        this.canvas = new Canvas(LAYER * thinnest);
        this.parts = new Schematics(canvas, piece);
    }

    boolean hasStitchedBody() {
        return pattern.stretching().stream().anyMatch(b -> b.stitch() != Stitches.PLAIN);
    }

    /** A section that is not drawn; bodies must be counted all the same. */
    void passed(Section section) {
        if (section instanceof Body) {
            body++;
        }
    }

    Picture picture() {
        return canvas.picture(0, measuredTo, shortened);
    }

    private void on(double length) {
        x += length;
        measuredTo = x;
    }

    private double millimetres(String slot, Measure measure) {
        return hardware(slot).map(h -> h.millimetres(measure)).orElse(0.0);
    }

    private Optional<Hardware> hardware(String slot) {
        var chosen = piece.request().parts().get(slot);
        return chosen != null
                ? Optional.of(chosen.hardware())
                : pattern.hardware(slot).filter(h -> !h.optional()).map(h -> h.usual());
    }

    private int slotNumber(String slot) {
        for (int i = 0; i < pattern.hardware().size(); i++) {
            if (pattern.hardware().get(i).code().equals(slot)) {
                return i;
            }
        }
        return 0;
    }

    private void straight(Collection<Seat> seats, double from, double to) {
        lanes(Lanes.of(piece, seats), from, to);
    }

    private void lanes(List<Lane> lanes, double from, double to) {
        for (Lane lane : lanes) {
            canvas.straight(lane.slot(), lane.thickness(), from, lane.across(), to, lane.across(), 0);
        }
    }

    @Override
    public Boolean mount(Section.Mount section) {
        List<Lane> lanes = Lanes.of(piece, section.seats());
        if (section.hardware().isEmpty()) {
            parts.larksHeads(lanes, x, 1);
            return true;
        }
        String slot = section.hardware().get();
        Optional<Hardware> part = hardware(slot);
        if (part.isEmpty()) {
            return false;
        }
        double length = part.get().millimetres(Measure.LENGTH);
        double stands =
                section.hitch() == Section.Hitch.FOLD ? 0 : 2 * lanes.get(0).thickness();
        if (!mountedOn.add(slot)) {
            again(slot, lanes);
            return true;
        }
        boolean middle = section.seats().contains(Seat.SECOND_CORE) && section.within();
        if (middle) {
            double head = 2 * lanes.get(0).thickness();
            lanes = Lanes.of(piece, List.of(Seat.CORE));
            parts.larksHeads(lanes, x + head, -1);
            parts.draw(part.get(), slotNumber(slot), x + head, x + head + length);
            parts.larksHeads(Lanes.of(piece, List.of(Seat.SECOND_CORE)), x + head + length, 1);
            on(2 * head + length);
        } else if (section.within()) {
            parts.draw(part.get(), slotNumber(slot), x, x + length);
            List<int[]> returns = bends(slot, section.seats(), false);
            if (returns.isEmpty()) {
                parts.larksHeads(lanes, x + length, 1);
            } else {
                parts.larksHeads(lanes.subList(lanes.size() / 2 - 1, lanes.size() / 2 + 1), x + length, 1);
                parts.bends(lanes, returns, x + length, 1);
            }
            on(length + stands);
        } else {
            double reach = length > 0
                    ? length
                    : part.get().millimetres(Measure.INNER_WIDTH) + part.get().millimetres(Measure.BAR);
            reach = Math.max(reach, part.get().millimetres(Measure.ACROSS));
            boolean atStart = x == 0;
            parts.draw(part.get(), slotNumber(slot), atStart ? x - reach : x + reach, x);
            parts.larksHeads(lanes, x, atStart ? 1 : -1);
            x += atStart ? stands : reach;
            measuredTo = atStart ? x : measuredTo;
        }
        return true;
    }

    /** More strands on a part that is drawn: beside the others at the start, on its other half at the end. */
    private void again(String slot, List<Lane> lanes) {
        if (body == 0) {
            parts.larksHeads(lanes, x - 2 * lanes.get(0).thickness(), 1);
            return;
        }
        parts.larksHeads(lanes, x, -1);
        boolean drawnBack = pattern.all(Section.TuckBack.class).stream()
                .anyMatch(t -> t.hardware().filter(slot::equals).isPresent());
        if (!drawnBack) {
            otherHalf(slot);
        }
    }

    /**
     * What turns at one end of the piece, as indices of its lanes: a run and its return, or twice a run that goes over into
     * something else. A cord's fold lies in the middle, and each leg runs to and fro outwards from there.
     *
     * @param far the end that is made last
     */
    private List<int[]> bends(String slot, Collection<Seat> seats, boolean far) {
        List<int[]> pairs = new ArrayList<>();
        int lanes = 0;
        for (Role role : pattern.roles()) {
            int first = role.legs().get(0).runsIn(seats);
            for (int leg = 0; leg < role.legs().size(); leg++) {
                List<Course> courses = role.legs().get(leg).courses();
                int middle = lanes + first;
                int towards = leg == 0 ? -1 : 1;
                int from = leg == 0 ? middle - 1 : middle;
                for (int run = far ? 0 : 1; run < courses.size(); run += 2) {
                    boolean here = courses.get(run).turn() instanceof Course.Turn.AtPart part
                            && part.hardware().equals(slot)
                            && seats.contains(courses.get(run).seat());
                    if (here) {
                        boolean returns = seats.contains(courses.get(run + 1).seat());
                        pairs.add(new int[] {from + towards * run, from + towards * (returns ? run + 1 : run)});
                    }
                }
            }
            lanes += role.runsIn(seats);
        }
        return pairs;
    }

    /** What is seen of the far end once all sections are drawn: bars that strands turned at. */
    void farEnd() {
        for (var part : pattern.hardware()) {
            String slot = part.code();
            Set<Seat> seats = EnumSet.noneOf(Seat.class);
            for (Role role : pattern.roles()) {
                for (Leg leg : role.legs()) {
                    if (leg.turnsAt(slot, true) > 0) {
                        seats.add(leg.first());
                    }
                }
            }
            if (!seats.isEmpty()) {
                boolean mounted = pattern.all(Section.Mount.class).stream().anyMatch(m -> m.within() && m.isOn(slot));
                double start = mounted ? x : x - millimetres(slot, Measure.LENGTH);
                double bar = millimetres(slot, Measure.BAR);
                if (mounted) {
                    otherHalf(slot);
                }
                parts.bends(Lanes.of(piece, seats), bends(slot, seats, true), start + bar, -1);
            }
        }
    }

    /** The ears into which legs fold over, at the end from which they work back. */
    void ears() {
        List<Integer> slots = new ArrayList<>();
        for (Role role : pattern.roles()) {
            for (int leg = 0; leg < role.legs().size(); leg++) {
                if (role.legs().get(leg).courses().stream().anyMatch(c -> c.turn() instanceof Course.Turn.Ear)) {
                    slots.addAll(Collections.nCopies(2, role.slotOf(leg)));
                }
            }
        }
        if (!slots.isEmpty()) {
            loop(slots);
        }
    }

    private void loop(List<Integer> slots) {
        double inside = piece.fit()
                .eye()
                .map(EyeFit::inside)
                .map(l -> l.toMillimetres())
                .orElse(8.0);
        parts.loop(slots, x, x + inside);
        on(inside);
    }

    @Override
    public Boolean eye(Section.Eye section) {
        loop(Lanes.slots(piece, section.seats()));
        return true;
    }

    @Override
    public Boolean body(Body section) {
        WorkedBody worked = piece.fit().bodies().get(body++);
        if (!section.within()) {
            tab(section, worked);
            return true;
        }
        double pitch = worked.pitch().toMillimetres();
        int most = Math.max(3, (int) (detail.longestBody() / pitch));
        int left = most;
        double bead = worked.beadLength().toMillimetres();
        List<Integer> groups = worked.groups();
        List<StitchRun.Stretch> stretches = new ArrayList<>();
        List<Place> beads = new ArrayList<>();
        for (int g = 0; g < groups.size() && left > 0; g++) {
            if (g > 0) {
                beads.add(Place.along(x));
                on(bead);
                left -= (int) Math.ceil(bead / pitch);
            }
            int repeats = Math.max(1, Math.min(groups.get(g), left));
            stretches.add(new StitchRun.Stretch(x, repeats));
            on(repeats * pitch);
            left -= repeats;
        }
        new StitchRun(canvas, centreLines, section.stitch(), worked.gauge(), cords(section), pitch).draw(stretches);
        if (!beads.isEmpty()) {
            canvas.repeated(beads, () -> bead(section, worked, bead));
        }
        if (left <= 0 && worked.repeats() > most) {
            shortened = true;
            // A chip shows the stitch and nothing else, so that nothing in it needs a mark.
            if (detail != Detail.CHIP) {
                canvas.cut(x, worked.section().stitch().width(worked.gauge()).toMillimetres() / 2 + 2);
            }
        }
        return true;
    }

    private Map<Seat, List<Integer>> cords(Body section) {
        Map<Seat, List<Integer>> cords = new EnumMap<>(Seat.class);
        for (Seat place : BODY_SEATS) {
            List<Integer> slots = new ArrayList<>();
            section.legsOf(place).forEach(seat -> slots.addAll(Lanes.slots(piece, List.of(seat))));
            cords.put(place, slots);
        }
        return cords;
    }

    /** A bead between two groups, from 0 on: some strands through it, the others around its outside. */
    private void bead(Body section, WorkedBody worked, double length) {
        Section.Motif motif = section.motif().orElseThrow();
        double across = millimetres(motif.hardware(), Measure.ACROSS);
        double hole = millimetres(motif.hardware(), Measure.HOLE);
        Gauge gauge = worked.gauge();
        double middle = length / 2;
        canvas.bead(slotNumber(motif.hardware()), middle, 0, gauge.core(), length / 2, across / 2, hole / 2);
        straight(motif.seats(), -gauge.working() / 2, length + gauge.working() / 2);
        List<Seat> outside = new ArrayList<>();
        for (Seat place : BODY_SEATS) {
            if (section.legsOf(place).stream().noneMatch(motif.seats()::contains)
                    && section.stitch().ties(place)) {
                outside.addAll(section.legsOf(place));
            }
        }
        List<Integer> around = Lanes.slots(piece, outside);
        double edge = section.stitch().width(gauge).toMillimetres() / 2 - gauge.working() / 2;
        for (int i = 0; i < around.size(); i++) {
            double side = i % 2 == 0 ? -1 : 1;
            double out = across / 2 + gauge.working() * (0.4 + i / 2);
            canvas.cord(
                    around.get(i),
                    Lanes.diameter(piece, around.get(i)),
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
        double start = x + GAP;
        double pitch = worked.pitch().toMillimetres();
        StitchRun run = new StitchRun(canvas, centreLines, section.stitch(), worked.gauge(), cords(section), pitch);
        double at = start;
        List<Integer> groups = worked.groups();
        for (int g = 0; g < groups.size(); g++) {
            if (g > 0) {
                double bead = worked.beadLength().toMillimetres();
                Section.Motif motif = section.motif().orElseThrow();
                canvas.bead(
                        slotNumber(motif.hardware()),
                        at + bead / 2,
                        0,
                        worked.gauge().core() * 2,
                        bead / 2,
                        millimetres(motif.hardware(), Measure.ACROSS) / 2,
                        millimetres(motif.hardware(), Measure.HOLE) / 2);
                at += bead;
            }
            at = run.draw(at, groups.get(g));
        }
        x = at;
    }

    @Override
    public Boolean knot(Section.Knot section) {
        List<Lane> lanes = Lanes.of(piece, section.seats());
        if (!section.within()) {
            return true;
        }
        double height = parts.knotHeight(section.kind(), section.wraps(), lanes);
        lanes(narrowed(Lanes.of(piece, BODY_SEATS), 0.8), x - 1, x + height + 1);
        parts.knot(section.kind(), section.wraps(), lanes, x, x + height);
        on(height);
        return true;
    }

    @Override
    public Boolean threaded(Section.Threaded section) {
        int count = section.count() == Section.Threaded.ALL_AROUND
                ? piece.fit().around()
                : section.count() == Section.Threaded.CHOSEN
                        ? Optional.ofNullable(piece.request().parts().get(section.hardware()))
                                .map(p -> p.count())
                                .orElse(0)
                        : section.count();
        double length = millimetres(section.hardware(), Measure.LENGTH);
        int most = Math.max(2, (int) (detail.longestBody() / Math.max(1, length)));
        if (count > most) {
            shortened = true;
            count = most;
        }
        if (count == 0) {
            return true;
        }
        straight(section.seats(), x - 1, x + count * length + 1);
        double start = x;
        List<Place> at = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            at.add(Place.along(start + i * length));
        }
        double across = millimetres(section.hardware(), Measure.ACROSS);
        double hole = millimetres(section.hardware(), Measure.HOLE);
        canvas.repeated(
                at,
                () -> canvas.bead(
                        slotNumber(section.hardware()), length / 2, 0, across / 4, length / 2, across / 2, hole / 2));
        on(count * length);
        return true;
    }

    private double tail() {
        return Math.min(
                detail.longestTail(),
                piece.fit()
                        .band()
                        .map(PieceFit.Band::tail)
                        .map(l -> l.toMillimetres())
                        .orElse(detail.longestTail()));
    }

    private double part() {
        return piece.fit()
                .band()
                .map(PieceFit.Band::part)
                .map(l -> l.toMillimetres())
                .orElse(10.0);
    }

    /** One tail of each strand on the left of the piece, with its stop. */
    private double leftTails(Collection<Seat> seats, boolean stopped) {
        List<Lane> lanes = oneSide(seats);
        double tail = tail();
        lanes(lanes, -tail, 0.5);
        if (stopped) {
            parts.knot(KnotKind.OVERHAND, 1, lanes, -tail - Lanes.width(lanes), -tail);
        }
        return tail;
    }

    /** The strands as they leave one end of the piece: half of all free ends. */
    private List<Lane> oneSide(Collection<Seat> seats) {
        List<Integer> slots = new ArrayList<>();
        for (Role role : pattern.roles()) {
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
        return Lanes.sideBySide(piece, slots);
    }

    @Override
    public Boolean slider(Section.Slider section) {
        List<Lane> lanes = oneSide(section.tails());
        double reach = Math.max(leftTails(section.tails(), true), part() + 8);
        lanes(lanes, x, x + reach + GAP);
        List<Integer> closing = Lanes.slots(piece, List.of(Seat.CLOSURE));
        double working = Lanes.diameter(piece, closing.get(0));
        Stitch square = Stitches.SQUARE_KNOT;
        Gauge gauge = new Gauge(working, Lanes.width(lanes) / lanes.size(), lanes.size(), Gauge.CoreLayout.FLAT);
        StitchRun run = new StitchRun(
                canvas,
                centreLines,
                square,
                gauge,
                Map.of(Seat.WORKING, closing, Seat.CORE, List.of()),
                square.pitch(gauge).toMillimetres());
        run.draw(x + GAP, section.halfKnots() / 2);
        parts.knot(KnotKind.OVERHAND, 1, lanes, x + reach + GAP, x + reach + GAP + Lanes.width(lanes));
        measuredTo = x + GAP + part();
        x += reach + GAP + Lanes.width(lanes);
        return true;
    }

    @Override
    public Boolean slideBead(Section.SlideBead section) {
        List<Lane> lanes = oneSide(section.tails());
        double reach = Math.max(leftTails(section.tails(), false), part() + 8);
        lanes(lanes, x, x + reach);
        hardware(section.hardware())
                .ifPresent(h -> canvas.bead(
                        slotNumber(section.hardware()),
                        x + GAP + part() / 2,
                        0,
                        3,
                        part() / 2,
                        h.millimetres(Measure.ACROSS) / 2,
                        h.millimetres(Measure.HOLE) / 2));
        measuredTo = x + GAP + part();
        x += reach;
        return true;
    }

    @Override
    public Boolean slidingKnots(Section.SlidingKnots section) {
        List<Lane> lanes = oneSide(section.tails());
        double tail = leftTails(section.tails(), false);
        lanes(lanes, x, x + tail);
        double height = parts.knotHeight(KnotKind.BARREL, section.wraps(), lanes);
        parts.knot(KnotKind.BARREL, section.wraps(), lanes, -tail, -tail + height);
        parts.knot(KnotKind.BARREL, section.wraps(), lanes, x + tail - height, x + tail);
        measuredTo = x;
        x += tail;
        return true;
    }

    @Override
    public Boolean noose(Section.Noose section) {
        List<Lane> lanes = Lanes.of(piece, section.tails());
        double width = Lanes.width(lanes);
        parts.loop(Lanes.slots(piece, section.tails()), -2.2 * width, 0);
        double tail = tail();
        lanes(lanes, x, x + tail);
        double height = parts.knotHeight(section.stop(), 2, lanes);
        parts.knot(section.stop(), 2, lanes, x + tail, x + tail + height);
        lanes(lanes, x + tail + height, x + tail + height + 6);
        x += tail + height + 6;
        return true;
    }

    @Override
    public Boolean stopper(Section.Stopper section) {
        List<Lane> lanes = Lanes.of(piece, section.seats());
        double neck = Lanes.width(lanes) * 0.4;
        if (section.kind() instanceof StopperKind.Knotted knotted) {
            double height = parts.knotHeight(knotted.knot(), 1, lanes);
            lanes(lanes, x, x + neck);
            parts.knot(knotted.knot(), 1, lanes, x + neck, x + neck + height);
            x += neck + height;
            return true;
        }
        String slot = ((StopperKind.Part) section.kind()).hardware();
        hardware(slot).filter(h -> h.kind().threaded()).ifPresent(h -> {
            double length = h.millimetres(Measure.LENGTH);
            lanes(lanes, x, x + length + neck);
            canvas.bead(
                    slotNumber(slot),
                    x + neck + length / 2,
                    0,
                    4,
                    length / 2,
                    h.millimetres(Measure.ACROSS) / 2,
                    h.millimetres(Measure.HOLE) / 2);
            x += neck + length;
            double height = parts.knotHeight(KnotKind.OVERHAND, 1, lanes);
            parts.knot(KnotKind.OVERHAND, 1, lanes, x, x + height);
            x += height;
        });
        return true;
    }

    @Override
    public Boolean buttonhole(Section.Buttonhole section) {
        double inside = piece.fit()
                .eye()
                .map(EyeFit::inside)
                .map(l -> l.toMillimetres())
                .orElse(10.0);
        List<Integer> slots = Lanes.slots(piece, section.tiedBy());
        List<Seat> within = section.seats().stream()
                .filter(seat -> !section.tiedBy().contains(seat))
                .toList();
        List<Integer> cores = Lanes.slots(piece, within.isEmpty() ? section.seats() : within);
        double d = Lanes.diameter(piece, slots.get(0));
        Gauge gauge = new Gauge(d, d, 1, Gauge.CoreLayout.PACKED);
        double pitch = section.hitch().pitch(gauge).toMillimetres();
        int hitches = Math.max(2, (int) Math.round(inside / pitch));
        for (int side : new int[] {-1, 1}) {
            Map<Seat, List<Integer>> cords = Map.of(
                    Seat.WORKING,
                    List.of(slots.get(side < 0 ? 0 : slots.size() - 1)),
                    Seat.CORE,
                    List.of(cores.get(0)));
            new StitchRun(canvas, centreLines, section.hitch(), gauge, cords, inside / hitches)
                    .bowed(x, hitches, side * 2.2 * d);
        }
        on(inside);
        return true;
    }

    private void otherHalf(String slot) {
        hardware(slot).ifPresent(part -> parts.other(part, slotNumber(slot), x));
    }

    @Override
    public Boolean tuckBack(Section.TuckBack section) {
        section.hardware().ifPresent(this::otherHalf);
        if (section.hardware().isPresent()) {
            straight(section.seats(), x - 1, x + 2);
        }
        return true;
    }

    @Override
    public Boolean wrapped(Section.Wrapped section) {
        List<Lane> lanes = Lanes.of(piece, section.seats());
        int slot = Lanes.slots(piece, List.of(Seat.WRAP)).get(0);
        double d = Lanes.diameter(piece, slot);
        double height = d * section.turns();
        lanes(narrowed(lanes, 0.7), x - 1, x + height + 1);
        parts.wraps(slot, d, section.turns(), Lanes.width(lanes) * 0.35 + d * 0.4, x);
        on(height);
        return true;
    }

    private static List<Lane> narrowed(List<Lane> lanes, double by) {
        return lanes.stream()
                .map(l -> new Lane(l.slot(), l.thickness(), l.across() * by))
                .toList();
    }

    @Override
    public Boolean fringe(Section.Fringe section) {
        double length = section.length().toMillimetres();
        List<Lane> lanes = Lanes.of(piece, section.seats());
        for (int i = 0; i < lanes.size(); i++) {
            Lane lane = lanes.get(i);
            canvas.cord(
                    lane.slot(),
                    lane.thickness(),
                    CentreLine.smooth(
                            List.of(
                                    new Point(x - 0.5, lane.across() * 0.6, -0.1 * i),
                                    new Point(x + length * 0.4, lane.across() * 1.05, -0.1 * i),
                                    new Point(x + length, lane.across() * 1.5, -0.1 * i)),
                            5));
        }
        on(length);
        return true;
    }

    @Override
    public Boolean endBeads(Section.EndBeads section) {
        hardware(section.hardware()).ifPresent(h -> {
            List<Lane> lanes = oneSide(section.seats());
            double length = h.millimetres(Measure.LENGTH);
            double across = h.millimetres(Measure.ACROSS);
            if (section.together()) {
                double width = Math.max(across, 1.2 * Lanes.width(lanes));
                for (double at : new double[] {x + GAP, -tail() - GAP - length}) {
                    lanes(lanes, at - GAP, at + length + GAP);
                    canvas.bead(
                            slotNumber(section.hardware()),
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
                for (double at : new double[] {x + GAP, -tail() - GAP - length}) {
                    List<Lane> one =
                            List.of(new Lane(lanes.get(i).slot(), lanes.get(i).thickness(), spread));
                    lanes(one, at - GAP, at + length + GAP);
                    canvas.bead(
                            slotNumber(section.hardware()),
                            at + length / 2,
                            spread,
                            4,
                            length / 2,
                            across / 2,
                            h.millimetres(Measure.HOLE) / 2);
                }
            }
            x += length + 2 * GAP;
        });
        return true;
    }

    @Override
    public Boolean attached(Section.Attached section) {
        hardware(section.hardware()).ifPresent(h -> {
            double length = Math.max(h.millimetres(Measure.LENGTH), h.millimetres(Measure.ACROSS));
            double start = section.within() ? x : x + 1;
            parts.draw(h, slotNumber(section.hardware()), start, start + length);
            if (section.within()) {
                on(length);
            } else {
                x = start + length;
            }
        });
        return true;
    }
}
