package dev.restis.core.piece;

import dev.restis.core.fit.FlatLength;
import dev.restis.core.fit.Repeats;
import dev.restis.core.fit.SliderFit;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.Sum;
import dev.restis.core.measure.Sum.Term;
import dev.restis.core.pattern.Section;
import dev.restis.core.pattern.Section.OverhandEnd;
import dev.restis.core.pattern.Section.RingMount;
import dev.restis.core.pattern.Section.Slider;
import dev.restis.core.piece.PieceRequest.Size;
import dev.restis.core.stitch.Knots;
import dev.restis.core.stitch.Stitch;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Works out size: target length, what is left for the body, whole repeats, opening and closing. */
final class FitWorker {

    /** Fewer repeats than this are a knot or two, not a body. */
    private static final int FEWEST_REPEATS = 3;

    private final Parts parts;

    FitWorker(Parts parts) {
        this.parts = parts;
    }

    /** Empty when no whole repeat fits between the other parts. */
    Optional<PieceFit> work() {
        Stitch stitch = parts.pattern.stitch();
        Length thickness = stitch.thickness(parts.bodyGauge);
        Length pitch = stitch.pitch(parts.bodyGauge);
        Sum target = target(thickness);
        Sum body = new Sum(List.of(Term.of("fit.target", target.total())));
        for (Section section : parts.pattern.sections()) {
            body = body.and(new Sum(section.accept(new Deduction())));
        }
        Length beads = beadLength();
        Length knotted = body.total().minus(beads);
        int groups = parts.beadCount() + 1;
        int repeats = wholeRepeats(knotted, pitch, groups);
        if (repeats < Math.max(groups, FEWEST_REPEATS)) {
            return Optional.empty();
        }
        Length bodyLength = pitch.times((long) repeats).plus(beads);
        Length reached = target.total().minus(body.total()).plus(bodyLength);
        return Optional.of(new PieceFit(
                target,
                body,
                thickness,
                stitch.width(parts.bodyGauge),
                pitch,
                Repeats.share(repeats, groups),
                bodyLength,
                reached,
                band(bodyLength, thickness)));
    }

    /**
     * A band is rounded down, because what closes too far can still be worn with a gap and what cannot close is lost; a
     * piece of stated length is rounded to the nearest.
     */
    private int wholeRepeats(Length knotted, Length pitch, int groups) {
        if (!knotted.isPositive()) {
            return 0;
        }
        long down = knotted.micrometres() / pitch.micrometres();
        long nearest = (knotted.micrometres() + pitch.micrometres() / 2) / pitch.micrometres();
        boolean slides = parts.request.size() instanceof Size.Wrist;
        return Repeats.symmetrical((int) (slides ? down : nearest), groups);
    }

    private Sum target(Length thickness) {
        if (parts.request.size() instanceof Size.Wrist band) {
            return FlatLength.of(band.wrist(), band.ease(), thickness);
        }
        return new Sum(List.of(Term.of("fit.finished", ((Size.Finished) parts.request.size()).length())));
    }

    private Length beadLength() {
        return parts.request
                .beads()
                .map(b -> b.bead().length().times((long) b.count()))
                .orElse(Length.ZERO);
    }

    private Optional<PieceFit.Band> band(Length bodyLength, Length thickness) {
        Optional<Slider> slider = parts.pattern.sections().stream()
                .filter(Slider.class::isInstance)
                .map(Slider.class::cast)
                .findFirst();
        if (slider.isEmpty() || !(parts.request.size() instanceof Size.Wrist size)) {
            return Optional.empty();
        }
        SliderFit fit = new SliderFit(bodyLength, parts.sliderLength(slider.get()), FlatLength.curvature(thickness));
        Length tail = fit.tail(size.hand());
        return Optional.of(new PieceFit.Band(
                fit.slider(),
                tail,
                fit.tailTwice(size.hand()),
                fit.closed(),
                fit.open(tail),
                size.hand(),
                size.handAssumed()));
    }

    /** What each section takes from the target before the body. */
    private final class Deduction implements Section.Visitor<List<Term>> {
        @Override
        public List<Term> ringMount(RingMount section) {
            return List.of(Term.of("fit.mount", Knots.larksHeadHeight(parts.thickestOfAll()))
                    .negated());
        }

        @Override
        public List<Term> body(Section.Body section) {
            return List.of();
        }

        @Override
        public List<Term> slider(Slider section) {
            return List.of(Term.of("fit.slider", parts.sliderLength(section)).negated());
        }

        @Override
        public List<Term> overhandEnd(OverhandEnd section) {
            List<Term> terms = new ArrayList<>();
            terms.add(Term.of("fit.endKnot", Knots.overhandHeight(parts.allEnds(), parts.thickestOfAll()))
                    .negated());
            terms.add(Term.of("fit.fringe", section.fringe()).negated());
            return terms;
        }
    }
}
