package dev.restis.core.piece;

import dev.restis.core.cord.Cord;
import dev.restis.core.cord.Hardware.Measure;
import dev.restis.core.fit.EyeFit;
import dev.restis.core.learning.Tie;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.Sum;
import dev.restis.core.measure.Sum.Term;
import dev.restis.core.pattern.Course;
import dev.restis.core.pattern.Course.Turn;
import dev.restis.core.pattern.Leg;
import dev.restis.core.pattern.Role;
import dev.restis.core.pattern.Section;
import dev.restis.core.pattern.Section.Body;
import dev.restis.core.pattern.Section.Hitch;
import dev.restis.core.pattern.Section.KnotKind;
import dev.restis.core.pattern.Section.StopperKind;
import dev.restis.core.pattern.Section.Threaded;
import dev.restis.core.stitch.Bundle;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Knots;
import dev.restis.core.stitch.OwnStitch;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.Stitches;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.function.Consumer;

/** Works out the sum behind one leg of a strand, section by section. */
final class LegWorker implements Section.Visitor<List<Term>> {

    /** What an end that runs through the closing has there. */
    static final String CLOSURE_TAIL = "closure.tail";

    private static final Length FUSE = Length.ofMillimetres(10);
    /** A customer who ties a kit is given this much more to hold. */
    private static final Length KIT_TAIL = Length.ofMillimetres(50);
    /** Naturals fray while they are threaded, so their ends are trimmed again after each ten beads. */
    private static final Length RE_TRIM = Length.ofMillimetres(10);

    private static final int BEADS_PER_RE_TRIM = 10;

    private final Parts parts;
    private final PieceFit fit;
    private final Role role;
    private final Leg leg;
    /** Which of the role's legs it is. */
    private final int number;

    private final Cord cord;
    private int body;
    private int threaded;

    private LegWorker(Parts parts, PieceFit fit, Role role, int leg) {
        this.parts = parts;
        this.fit = fit;
        this.role = role;
        this.leg = role.legs().get(leg);
        this.number = leg;
        this.cord = parts.cord(role.slotOf(leg));
    }

    /** The sums of all legs of a role. Two that lie alike are worked out once, unless a noose tells the second from the first. */
    static List<Sum> work(Parts parts, PieceFit fit, Role role) {
        List<Sum> sums = new ArrayList<>();
        for (int leg = 0; leg < role.legs().size(); leg++) {
            boolean alike = leg > 0
                    && role.legs().get(leg).equals(role.legs().get(0))
                    && role.slotOf(leg) == role.slotOf(0)
                    && parts.pattern.all(Section.Noose.class).isEmpty();
            sums.add(alike ? sums.get(0) : work(parts, fit, role, leg));
        }
        return sums;
    }

    private static Sum work(Parts parts, PieceFit fit, Role role, int leg) {
        List<Term> terms = new ArrayList<>();
        new LegWorker(parts, fit, role, leg).each(terms::addAll);
        return new Sum(terms);
    }

    /** The sums of one leg: one for each of the pattern's sections, then its turns, then its ends. */
    static List<Sum> bySection(Parts parts, PieceFit fit, Role role, int leg) {
        List<Sum> sums = new ArrayList<>();
        new LegWorker(parts, fit, role, leg).each(terms -> sums.add(new Sum(terms)));
        return sums;
    }

    private void each(Consumer<List<Term>> taker) {
        for (Section section : parts.pattern.sections()) {
            taker.accept(section.accept(this));
        }
        taker.accept(turns());
        taker.accept(ends());
    }

    /** The bends by which each course goes over into the next. */
    private List<Term> turns() {
        List<Term> terms = new ArrayList<>();
        double d = cord.workedMillimetres();
        for (Course course : leg.courses()) {
            Course.Turn turn = course.turn();
            if (turn instanceof Turn.AtPart part) {
                double bar = parts.measure(part.hardware(), Measure.BAR).toMillimetres();
                terms.add(Term.of("turn.part", Knots.foldLeg(bar, d).times(2L)));
            } else if (turn instanceof Turn.Ear) {
                terms.add(Term.of("turn.ear", 2, halfEye()));
            } else if (turn instanceof Turn.Back) {
                terms.add(Term.of("turn.back", Knots.foldLeg(0, d).times(2L)));
            }
        }
        return terms;
    }

    private List<Term> ends() {
        List<Term> terms = new ArrayList<>();
        int ends = role.folded() ? 1 : 2;
        if (role.fused()) {
            terms.add(Term.of("join.fuse", FUSE));
        }
        terms.add(Term.of("tail.hand", ends, Knots.handTail(cord.material().stiff(), cord.workedMillimetres())));
        if (parts.request.house().kit()) {
            terms.add(Term.of("tail.kit", ends, KIT_TAIL));
        }
        terms.add(Term.of("tail.fray", ends, cord.material().frayAllowance()));
        int trims = threaded / BEADS_PER_RE_TRIM;
        if (trims > 0 && cord.material().frays()) {
            terms.add(Term.of("tail.reTrim", trims, RE_TRIM));
        }
        return terms;
    }

    /** How many of the leg's free ends lie in these seats. */
    private int endsIn(Collection<Seat> seats) {
        return role.endsOf(leg, seats);
    }

    /** A single knot. */
    private Term knotted(String code, long count, Length geometry) {
        return tied(code, count, geometry, parts.request.house().learned().knot(code, cord.material()));
    }

    private Term stitched(String code, long count, Stitch stitch, Seat place, Gauge gauge) {
        Tie tie = parts.request.house().learned().tie(stitch, place, cord.material(), gauge);
        return tied(code, count, stitch.use(gauge, place), tie);
    }

    private static Term tied(String code, long count, Length geometry, Tie tie) {
        return Term.tied(code, count, tie.factor() == 1 ? geometry : geometry.times(tie.factor()), tie);
    }

    @Override
    public List<Term> mount(Section.Mount section) {
        if (!section.seats().contains(leg.first())) {
            return List.of();
        }
        double bar = section.hardware()
                .map(slot -> parts.measure(slot, Measure.BAR).toMillimetres())
                .orElseGet(() -> Bundle.packedDiameter(parts.runs(section.on())) * parts.thickest(section.on()));
        double d = cord.workedMillimetres();
        return switch (section.hitch()) {
            case LARKS_HEAD -> List.of(knotted("mount.larksHead", 1, Knots.larksHeadLeg(bar, d)));
            case FOLD -> List.of(knotted("mount.fold", 1, Knots.foldLeg(bar, d)));
            case NOOSE_KNOT ->
                List.of(
                        Term.of("mount.around", Knots.foldLeg(bar, d).times(2L)),
                        knotted("mount.nooseKnot", 1, Knots.barrel(Hitch.WRAPS, d)),
                        Term.of("knot.height", Knots.barrelHeight(Hitch.WRAPS, d)));
        };
    }

    /** Half the eye: its inside length, and the quarter turn by which the centre line lies outside it. */
    @Override
    public List<Term> eye(Section.Eye section) {
        return section.seats().contains(leg.first()) ? List.of(Term.of("closure.eye", halfEye())) : List.of();
    }

    private Length halfEye() {
        Length inside = fit.eye().map(EyeFit::inside).orElse(Length.ZERO);
        return inside.plus(Knots.foldLeg(0, 2 * cord.workedMillimetres()));
    }

    @Override
    public List<Term> body(Body section) {
        WorkedBody worked = fit.bodies().get(body++);
        List<Term> terms = new ArrayList<>();
        for (Course course : leg.courses()) {
            section.placeOf(course.seat())
                    .filter(place -> place == Seat.CORE || section.stitch().ties(place))
                    .ifPresent(place -> terms.addAll(bodyTerms(section, worked, course.seat(), place)));
        }
        return terms;
    }

    private List<Term> bodyTerms(Body section, WorkedBody worked, Seat seat, Seat place) {
        if (place == Seat.CORE && section.stitch().cores().most() == 0) {
            return List.of();
        }
        List<Term> terms = new ArrayList<>();
        terms.add(
                section.stitch().ties(place)
                        ? stitched(bodyCode(section), worked.repeats(), section.stitch(), place, worked.gauge())
                        : Term.of("body.straight", worked.repeats(), straight(section.stitch(), worked, place)));
        if (worked.beads() > 0) {
            section.motif().ifPresent(motif -> terms.add(bead(motif, worked, seat)));
        }
        return terms;
    }

    /** A strand that is not tied runs along; where lengths were measured, as far as they say. */
    private static Length straight(Stitch stitch, WorkedBody worked, Seat place) {
        return worked.takeUp().pitchRatio() == 1
                ? stitch.use(worked.gauge(), place)
                : worked.takeUp().pitch(stitch, worked.gauge());
    }

    private static String bodyCode(Body section) {
        String stitch = section.stitch().code();
        return stitch.startsWith(OwnStitch.PREFIX) ? "body.own" : "body." + stitch;
    }

    private Term bead(Section.Motif motif, WorkedBody worked, Seat seat) {
        Length through = worked.beadLength();
        if (motif.seats().contains(seat)) {
            threaded += worked.beads();
            return Term.of("bead.through", worked.beads(), through);
        }
        Length across = parts.measure(motif.hardware(), Measure.ACROSS);
        return Term.of("bead.around", worked.beads(), through.plus(across.times(Math.PI / 2 - 1)));
    }

    @Override
    public List<Term> knot(Section.Knot section) {
        int runs = leg.runsIn(section.seats());
        if (runs == 0) {
            return List.of();
        }
        return ties(section.tiedBy())
                ? knotTerms(section.kind(), section.wraps(), section.seats(), runs)
                : List.of(knotHeight(section.kind(), section.wraps(), section.seats(), runs));
    }

    /** Whether this strand ties a knot, and does not only run through it. */
    private boolean ties(Collection<Seat> tiedBy) {
        return tiedBy.isEmpty() || leg.takes(tiedBy);
    }

    private List<Term> knotTerms(KnotKind kind, int wraps, Collection<Seat> seats, int count) {
        return List.of(
                knotted("knot." + kind, count, parts.knotUse(kind, wraps, seats)),
                knotHeight(kind, wraps, seats, count));
    }

    private Term knotHeight(KnotKind kind, int wraps, Collection<Seat> seats, int count) {
        return Term.of("knot.height", count, parts.knotHeight(kind, wraps, seats));
    }

    @Override
    public List<Term> threaded(Threaded section) {
        int beads = switch (section.count()) {
            case Threaded.ALL_AROUND -> fit.around();
            case Threaded.CHOSEN -> parts.chosen(section.hardware());
            default -> section.count();
        };
        int count = leg.runsIn(section.seats()) * beads;
        threaded += count;
        return count == 0
                ? List.of()
                : List.of(Term.of("bead.through", count, parts.measure(section.hardware(), Measure.LENGTH)));
    }

    private Length tail() {
        return fit.band().map(PieceFit.Band::tail).orElse(Length.ZERO);
    }

    @Override
    public List<Term> slider(Section.Slider section) {
        if (leg.first() == Seat.CLOSURE) {
            Gauge gauge = parts.sliderGauge(section.tails());
            return List.of(stitched("closure.half-knot", section.halfKnots(), Stitches.HALF_KNOT, Seat.WORKING, gauge));
        }
        return endsIn(section.tails()) > 0 ? tails(section.tails()) : List.of();
    }

    private List<Term> tails(Collection<Seat> seats) {
        int ends = endsIn(seats);
        List<Term> terms = new ArrayList<>(List.of(Term.of(CLOSURE_TAIL, ends, tail())));
        if (!parts.endBeads(seats)) {
            Length knot = Knots.overhand(parts.tailsPerSide(seats), parts.thickest(seats));
            terms.add(knotted("closure.endStop", ends, knot));
        }
        return terms;
    }

    @Override
    public List<Term> slideBead(Section.SlideBead section) {
        int ends = endsIn(section.tails());
        return ends > 0 ? List.of(Term.of(CLOSURE_TAIL, ends, tail())) : List.of();
    }

    @Override
    public List<Term> slidingKnots(Section.SlidingKnots section) {
        int ends = endsIn(section.tails());
        if (ends == 0) {
            return List.of();
        }
        return List.of(
                Term.of(CLOSURE_TAIL, ends, tail()),
                knotted("closure.slidingKnot", ends, Knots.sliding(section.wraps(), cord.workedMillimetres())));
    }

    /** The barrel that closes the eye, half the eye around all tails, then the tail and its stop. */
    @Override
    public List<Term> noose(Section.Noose section) {
        if (endsIn(section.tails()) == 0) {
            return List.of();
        }
        List<Term> terms = new ArrayList<>();
        double d = cord.workedMillimetres();
        double bundle = Bundle.packedDiameter(parts.runs(section.tails())) * d;
        if (number > 0) {
            terms.add(knotted("closure.nooseKnot", 1, Knots.barrel(Section.Noose.WRAPS, d)));
        }
        terms.add(Term.of("knot.height", Knots.barrelHeight(Section.Noose.WRAPS, d)));
        terms.add(Term.of("closure.noose", Knots.foldLeg(bundle, d).times(2L)));
        terms.add(Term.of(CLOSURE_TAIL, tail()));
        terms.addAll(knotTerms(section.stop(), 1, section.tails(), 1));
        return terms;
    }

    @Override
    public List<Term> stopper(Section.Stopper section) {
        if (endsIn(section.seats()) == 0) {
            return List.of();
        }
        if (section.kind() instanceof StopperKind.Knotted knotted) {
            return knotTerms(knotted.knot(), 1, section.seats(), 1);
        }
        String slot = ((StopperKind.Part) section.kind()).hardware();
        if (!parts.part(slot).filter(h -> h.kind().threaded()).isPresent()) {
            return List.of();
        }
        List<Term> terms = new ArrayList<>();
        terms.add(Term.of("bead.through", parts.measure(slot, Measure.LENGTH)));
        terms.addAll(knotTerms(KnotKind.OVERHAND, 1, section.seats(), 1));
        return terms;
    }

    /** One strand of each side hitches over all others of it, which run along. */
    @Override
    public List<Term> buttonhole(Section.Buttonhole section) {
        if (!section.seats().contains(leg.last())) {
            return List.of();
        }
        Gauge gauge = FitWorker.buttonholeGauge(parts, section);
        Length pitch = section.hitch().pitch(gauge);
        int hitches = fit.eye().map(e -> e.hitches(pitch)).orElse(0);
        if (!section.tiedBy().contains(leg.last())) {
            return List.of(Term.of("closure.buttonholeCore", hitches, pitch));
        }
        int takers = Math.max(1, parts.runs(section.tiedBy()) / 2);
        int own = -Math.floorDiv(-hitches, takers);
        return List.of(
                stitched("closure.buttonhole", own, section.hitch(), Seat.WORKING, gauge),
                Term.of("closure.buttonholeCore", hitches - own, pitch));
    }

    @Override
    public List<Term> tuckBack(Section.TuckBack section) {
        if (!section.seats().contains(leg.last())) {
            return List.of();
        }
        List<Term> terms = new ArrayList<>();
        section.hardware().ifPresent(slot -> {
            double bar = parts.measure(slot, Measure.BAR).toMillimetres();
            Length around = Knots.foldLeg(bar, cord.workedMillimetres()).times(2L);
            terms.add(Term.of("closure.aroundBar", around));
        });
        terms.add(Term.of("closure.tuck", section.tuck()));
        return terms;
    }

    @Override
    public List<Term> wrapped(Section.Wrapped section) {
        double d = parts.thickest(List.of(Seat.WRAP));
        if (leg.first() == Seat.WRAP) {
            return List.of(knotted(
                    "finish.wrap",
                    1,
                    Knots.wrap(section.turns(), parts.ends(section.seats()), parts.thickest(section.seats()), d)));
        }
        int ends = endsIn(section.seats());
        return ends > 0
                ? List.of(Term.of("finish.wrapHeight", ends, Length.ofMillimetres(d * section.turns())))
                : List.of();
    }

    @Override
    public List<Term> fringe(Section.Fringe section) {
        int ends = endsIn(section.seats());
        return ends > 0 && section.length().isPositive()
                ? List.of(Term.of("finish.fringe", ends, section.length()))
                : List.of();
    }

    @Override
    public List<Term> endBeads(Section.EndBeads section) {
        int ends = endsIn(section.seats());
        if (ends == 0 || parts.part(section.hardware()).isEmpty()) {
            return List.of();
        }
        List<Term> terms = new ArrayList<>();
        terms.add(Term.of("bead.through", ends, parts.measure(section.hardware(), Measure.LENGTH)));
        int strands = section.together() ? parts.tailsPerSide(section.seats()) : 1;
        double d = section.together() ? parts.thickest(section.seats()) : cord.workedMillimetres();
        KnotKind kind = section.wraps() > 1 ? KnotKind.BARREL : KnotKind.OVERHAND;
        if (ties(section.tiedBy())) {
            terms.add(knotted("finish.endKnot", ends, KnotSize.use(kind, section.wraps(), strands, d)));
        }
        return terms;
    }

    @Override
    public List<Term> attached(Section.Attached section) {
        return List.of();
    }
}
