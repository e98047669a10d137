package dev.restis.core.piece;

import dev.restis.core.cord.Hardware.Measure;
import dev.restis.core.fit.EyeFit;
import dev.restis.core.fit.FlatLength;
import dev.restis.core.fit.Repeats;
import dev.restis.core.fit.SlidingFit;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.Sum;
import dev.restis.core.measure.Sum.Term;
import dev.restis.core.pattern.Course;
import dev.restis.core.pattern.Section;
import dev.restis.core.pattern.Section.Body;
import dev.restis.core.pattern.Section.Extent;
import dev.restis.core.pattern.Section.Noose;
import dev.restis.core.pattern.Section.SlideBead;
import dev.restis.core.pattern.Section.Slider;
import dev.restis.core.pattern.Section.SlidingKnots;
import dev.restis.core.pattern.Section.Threaded;
import dev.restis.core.piece.PieceRequest.Size;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Knots;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitches;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Works out size: target length, what is left to stretch, whole repeats, opening and closing. */
final class FitWorker {

    /** Fewer repeats than this are a knot or two, not a body. */
    private static final int FEWEST_REPEATS = 3;

    private final Parts parts;
    private final boolean slides;

    FitWorker(Parts parts) {
        this.parts = parts;
        this.slides = parts.pattern.closure().slides();
    }

    /** Empty when nothing fits between the other parts. */
    Optional<PieceFit> work() {
        List<Body> all = parts.pattern.all(Body.class);
        Length thickness = thickness(all);
        Sum target = target(thickness);
        Sum room = new Sum(List.of(Term.of("fit.target", target.total())));
        Deduction deduction = new Deduction(target.total(), FlatLength.curvature(thickness));
        for (Section section : parts.pattern.sections()) {
            room = room.and(new Sum(section.accept(deduction)));
        }
        room = room.and(new Sum(deduction.ears()));
        int stretching = parts.pattern.stretching().size();
        int around = stretching == 0 ? around(room.total()) : 0;
        if (stretching == 0 && around < FEWEST_REPEATS) {
            return Optional.empty();
        }
        List<WorkedBody> bodies = new ArrayList<>();
        for (Body body : all) {
            Optional<WorkedBody> worked = body.extent() instanceof Extent.Repeats repeats
                    ? Optional.of(fixed(body, repeats.count()))
                    : stretched(body, new Length(room.total().micrometres() / stretching), target.total());
            if (worked.isEmpty()) {
                return Optional.empty();
            }
            bodies.add(worked.get());
        }
        Length filled = aroundLength().times((long) around);
        for (WorkedBody body : bodies) {
            if (body.section().extent() instanceof Extent.Rest) {
                filled = filled.plus(body.length());
            }
        }
        Length reached = target.total().minus(room.total()).plus(filled);
        return Optional.of(finished(target, room, thickness, bodies, around, reached, deduction));
    }

    /** How far each of the pattern's sections goes along the measured length of a piece that came out like this. */
    List<Length> along(PieceFit fit) {
        Deduction deduction = new Deduction(fit.target().total(), FlatLength.curvature(fit.thickness()));
        List<Length> along = new ArrayList<>();
        int body = 0;
        for (Section section : parts.pattern.sections()) {
            Length taken = Length.ZERO.minus(new Sum(section.accept(deduction)).total());
            if (section instanceof Body stitched) {
                Length own = fit.bodies().get(body++).length();
                along.add(stitched.within() ? own : Length.ZERO);
            } else if (section instanceof Threaded beads && beads.count() == Threaded.ALL_AROUND) {
                along.add(aroundLength().times((long) fit.around()));
            } else {
                along.add(taken);
            }
        }
        return along;
    }

    private PieceFit finished(
            Sum target,
            Sum room,
            Length thickness,
            List<WorkedBody> bodies,
            int around,
            Length reached,
            Deduction deduction) {
        Length curvature = FlatLength.curvature(thickness);
        boolean wrist = parts.request.size() instanceof Size.Wrist;
        Length width = bodies.stream()
                .map(b -> b.section().stitch().width(b.gauge()))
                .reduce(Length.ZERO, Length::max)
                .max(around > 0 ? thickness : Length.ZERO);
        return new PieceFit(
                target,
                room,
                thickness,
                width,
                bodies,
                around,
                reached,
                slides && wrist ? Optional.of(band(reached, curvature, deduction)) : Optional.empty(),
                slides || !wrist ? Optional.empty() : Optional.of(reached.minus(curvature)),
                eye());
    }

    private Optional<EyeFit> eye() {
        Optional<EyeFit> eye = parts.eye();
        return parts.pattern
                .first(Section.Buttonhole.class)
                .flatMap(hole -> eye.map(e -> e.inWholeHitches(hole.hitch().pitch(buttonholeGauge(parts, hole)))))
                .or(() -> eye);
    }

    /** One strand of a side hitched around the others of it; the piece's strands part into two equal sides. */
    static Gauge buttonholeGauge(Parts parts, Section.Buttonhole hole) {
        double d = parts.thickest(hole.seats());
        return new Gauge(d, d, Math.max(1, parts.runs(hole.seats()) / 2 - 1), Gauge.CoreLayout.PACKED);
    }

    private Length thickness(List<Body> all) {
        Length most = Length.ZERO;
        for (Body body : all) {
            if (body.within()) {
                most = most.max(body.stitch().thickness(parts.gauge(body)));
            }
        }
        return aroundBead()
                .map(t -> parts.measure(t.hardware(), Measure.ACROSS))
                .orElse(Length.ZERO)
                .max(most);
    }

    private Optional<Threaded> aroundBead() {
        return parts.pattern.all(Threaded.class).stream()
                .filter(t -> t.count() == Threaded.ALL_AROUND)
                .findFirst();
    }

    private Length aroundLength() {
        return aroundBead()
                .map(t -> parts.measure(t.hardware(), Measure.LENGTH))
                .orElse(Length.ZERO);
    }

    /** N = ceil(room / bead length): snug plus a little, never stretched on the wrist. */
    private int around(Length room) {
        Length bead = aroundLength();
        return room.isPositive() ? (int) -Math.floorDiv(-room.micrometres(), bead.micrometres()) : 0;
    }

    private Sum target(Length thickness) {
        if (parts.request.size() instanceof Size.Wrist band) {
            return FlatLength.of(band.wrist(), band.ease(), thickness);
        }
        return new Sum(List.of(Term.of("fit.finished", ((Size.Finished) parts.request.size()).length())));
    }

    private WorkedBody fixed(Body body, int repeats) {
        Gauge gauge = parts.gauge(body);
        TakeUp takeUp = parts.takeUp(body, gauge);
        Length bead = body.motif().map(parts::beadLength).orElse(Length.ZERO);
        int groups = body.motif().map(this::beadsOf).orElse(0) + 1;
        List<Integer> shares = Repeats.share(Math.max(groups, Repeats.symmetrical(repeats, groups)), groups);
        return worked(body, gauge, takeUp, takeUp.pitch(body.stitch(), gauge), shares, bead);
    }

    private int beadsOf(Section.Motif motif) {
        return parts.beadGiven(motif) ? parts.chosen(motif.hardware()) : 0;
    }

    private Optional<WorkedBody> stretched(Body body, Length room, Length target) {
        Gauge gauge = parts.gauge(body);
        TakeUp takeUp = parts.takeUp(body, gauge);
        Length pitch = takeUp.pitch(body.stitch(), gauge);
        Length bead = body.motif().map(parts::beadLength).orElse(Length.ZERO);
        if (body.motif().isPresent() && body.motif().get().every() > 0 && bead.isPositive()) {
            List<Integer> groups = Repeats.withBeadEvery(body.motif().get().every(), room, pitch, bead);
            return groups.isEmpty() ? Optional.empty() : Optional.of(worked(body, gauge, takeUp, pitch, groups, bead));
        }
        int groups = body.motif().map(this::beadsOf).orElse(0) + 1;
        Length knotted = room.minus(bead.times((long) (groups - 1)));
        int repeats = wholeRepeats(knotted, pitch, groups, target);
        if (repeats < Math.max(groups, FEWEST_REPEATS)) {
            return Optional.empty();
        }
        return Optional.of(worked(body, gauge, takeUp, pitch, Repeats.share(repeats, groups), bead));
    }

    private static WorkedBody worked(
            Body body, Gauge gauge, TakeUp takeUp, Length pitch, List<Integer> groups, Length bead) {
        long repeats = groups.stream().mapToLong(Integer::longValue).sum();
        Length length = pitch.times(repeats).plus(bead.times((long) (groups.size() - 1)));
        return new WorkedBody(body, gauge, takeUp, pitch, groups, groups.size() > 1 ? bead : Length.ZERO, length);
    }

    /**
     * A sliding band is rounded down, because what closes too far can still be worn with a gap and what cannot close is
     * lost. Others are rounded to the nearest, but a closed band never below the wrist: its ease may shrink by all but
     * nothing.
     */
    private int wholeRepeats(Length knotted, Length pitch, int groups, Length target) {
        if (!knotted.isPositive()) {
            return 0;
        }
        long down = knotted.micrometres() / pitch.micrometres();
        if (slides) {
            return Repeats.symmetrical((int) down, groups);
        }
        long nearest = (knotted.micrometres() + pitch.micrometres() / 2) / pitch.micrometres();
        int best = Repeats.symmetrical((int) nearest, groups);
        if (parts.request.size() instanceof Size.Wrist band) {
            int step = groups % 2 == 0 ? 2 : 1;
            while (knotted.minus(pitch.times((long) best)).compareTo(band.ease()) > 0) {
                best += step;
            }
        }
        return best;
    }

    private PieceFit.Band band(Length reached, Length curvature, Deduction deduction) {
        Size.Wrist size = (Size.Wrist) parts.request.size();
        Length part = deduction.part;
        Length inBand = deduction.kind == SlidingFit.Kind.AROUND_EACH_OTHER ? deduction.slidingTail : part;
        SlidingFit fit = new SlidingFit(deduction.kind, reached.minus(inBand), part, curvature);
        Length tail =
                deduction.kind == SlidingFit.Kind.AROUND_EACH_OTHER ? deduction.slidingTail : fit.tail(size.hand());
        return new PieceFit.Band(
                deduction.kind,
                part,
                tail,
                fit.tailSum(size.hand()),
                fit.closed(tail),
                fit.open(tail),
                size.hand(),
                size.handAssumed());
    }

    /** What each section takes from the target before the bodies. */
    private final class Deduction implements Section.Visitor<List<Term>> {
        private final Length target;
        private final Length curvature;
        private SlidingFit.Kind kind = SlidingFit.Kind.OVER_TAILS;
        private Length part = Length.ZERO;
        private Length slidingTail = Length.ZERO;
        /** How far hitches that sit side by side stand off their bar; the highest counts. */
        private Length mounted = Length.ZERO;

        private Deduction(Length target, Length curvature) {
            this.target = target;
            this.curvature = curvature;
        }

        private static List<Term> takes(String code, Length length) {
            return length.isPositive() ? List.of(Term.of(code, length).negated()) : List.of();
        }

        private List<Term> takes(String code, int count, Length each) {
            return count > 0 && each.isPositive()
                    ? List.of(Term.of(code, count, each).negated())
                    : List.of();
        }

        @Override
        public List<Term> mount(Section.Mount section) {
            List<Term> terms = new ArrayList<>();
            Length length = section.hardware()
                    .filter(slot -> section.within() && firstOn(slot) == section)
                    .map(slot -> parts.measure(slot, Measure.LENGTH))
                    .orElse(Length.ZERO);
            terms.addAll(takes("fit.part", length));
            if (section.hardware().isPresent() && alongThePiece(section)) {
                Length height = height(section).minus(mounted).max(Length.ZERO);
                mounted = mounted.plus(height);
                int sides = length.isPositive() && bothSides(section) ? 2 : 1;
                terms.addAll(takes("fit.mount", sides, height));
            }
            return terms;
        }

        /** How far a hitch stands off its bar. */
        private Length height(Section.Mount section) {
            double d = parts.thickest(section.seats());
            return switch (section.hitch()) {
                case LARKS_HEAD -> Knots.larksHeadHeight(d);
                case NOOSE_KNOT -> Knots.barrelHeight(Section.Hitch.WRAPS, d);
                case FOLD -> Length.ZERO;
            };
        }

        /** A part lies along the piece once, however many strands are mounted on it one after another. */
        private Section.Mount firstOn(String slot) {
            return parts.pattern.all(Section.Mount.class).stream()
                    .filter(m -> m.isOn(slot))
                    .findFirst()
                    .orElseThrow();
        }

        /** Strands that tie only what hangs beside the measured length take nothing from it. */
        private boolean alongThePiece(Section.Mount section) {
            return parts.pattern.all(Body.class).stream()
                    .filter(Body::within)
                    .anyMatch(body -> section.seats().stream()
                            .anyMatch(seat -> body.placeOf(seat).isPresent()));
        }

        /** A centrepiece has strands mounted at either side. */
        private boolean bothSides(Section.Mount section) {
            return section.seats().contains(Seat.SECOND_CORE);
        }

        /** Ears lie side by side, and are drawn together over the stopper as an eye is. */
        private List<Term> ears() {
            return parts.pattern.turns(Course.Turn.Ear.class)
                    ? takes("fit.eye", parts.eye().map(EyeFit::inside).orElse(Length.ZERO))
                    : List.of();
        }

        @Override
        public List<Term> eye(Section.Eye section) {
            return takes("fit.eye", parts.eye().map(EyeFit::inside).orElse(Length.ZERO));
        }

        @Override
        public List<Term> body(Body section) {
            mounted = Length.ZERO;
            if (section.within() && section.extent() instanceof Extent.Repeats repeats) {
                return takes("fit.fixedBody", fixed(section, repeats.count()).length());
            }
            return List.of();
        }

        @Override
        public List<Term> knot(Section.Knot section) {
            if (!section.within()) {
                return List.of();
            }
            return takes("fit.knot", parts.knotHeight(section.kind(), section.wraps(), section.seats()));
        }

        @Override
        public List<Term> threaded(Threaded section) {
            if (section.count() == Threaded.ALL_AROUND) {
                return List.of();
            }
            int count = section.count() == Threaded.CHOSEN ? parts.chosen(section.hardware()) : section.count();
            return takes("fit.beads", count, parts.measure(section.hardware(), Measure.LENGTH));
        }

        @Override
        public List<Term> slider(Slider section) {
            part = parts.sliderLength(section.halfKnots(), section.tails());
            return takes("fit.slider", part);
        }

        @Override
        public List<Term> slideBead(SlideBead section) {
            part = parts.measure(section.hardware(), Measure.LENGTH);
            return takes("fit.slideBead", part);
        }

        @Override
        public List<Term> slidingKnots(SlidingKnots section) {
            kind = SlidingFit.Kind.AROUND_EACH_OTHER;
            part = Knots.barrelHeight(section.wraps(), parts.thickest(section.tails()));
            if (!(parts.request.size() instanceof Size.Wrist size)) {
                return List.of();
            }
            Length slack = Stitches.PLAIN
                    .pitch(parts.gauge(parts.pattern.stretching().get(0)))
                    .times(2L);
            for (Body body : parts.pattern.stretching()) {
                slack = slack.max(body.stitch().pitch(parts.gauge(body)).times(2L));
            }
            slidingTail = SlidingFit.tailOfSlidingKnots(target, size.hand(), curvature, part, slack);
            return takes("fit.slidingKnots", slidingTail);
        }

        @Override
        public List<Term> noose(Noose section) {
            kind = SlidingFit.Kind.THROUGH_EYE;
            double d = parts.thickest(section.tails());
            part = Length.ofMillimetres(d * 2);
            List<Term> terms = new ArrayList<>(takes("fit.noose", part));
            terms.addAll(takes("fit.knot", Knots.barrelHeight(Noose.WRAPS, d)));
            return terms;
        }

        @Override
        public List<Term> stopper(Section.Stopper section) {
            return List.of();
        }

        @Override
        public List<Term> buttonhole(Section.Buttonhole section) {
            return takes(
                    "fit.buttonhole", FitWorker.this.eye().map(EyeFit::inside).orElse(Length.ZERO));
        }

        @Override
        public List<Term> tuckBack(Section.TuckBack section) {
            return List.of();
        }

        @Override
        public List<Term> wrapped(Section.Wrapped section) {
            double d = parts.thickest(List.of(Seat.WRAP));
            return takes("fit.wrap", Length.ofMillimetres(d * section.turns()));
        }

        @Override
        public List<Term> fringe(Section.Fringe section) {
            return takes("fit.fringe", section.length());
        }

        @Override
        public List<Term> endBeads(Section.EndBeads section) {
            return List.of();
        }

        @Override
        public List<Term> attached(Section.Attached section) {
            return section.within() ? takes("fit.part", parts.measure(section.hardware(), Measure.LENGTH)) : List.of();
        }
    }
}
