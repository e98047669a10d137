package dev.restis.core.piece;

import dev.restis.core.cord.Cord;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.Sum;
import dev.restis.core.measure.Sum.Term;
import dev.restis.core.pattern.Role;
import dev.restis.core.pattern.Role.Seat;
import dev.restis.core.pattern.Section;
import dev.restis.core.pattern.Section.Body;
import dev.restis.core.pattern.Section.OverhandEnd;
import dev.restis.core.pattern.Section.RingMount;
import dev.restis.core.pattern.Section.Slider;
import dev.restis.core.stitch.Knots;
import dev.restis.core.stitch.Stitches;
import java.util.ArrayList;
import java.util.List;

/** Works out the sum behind one leg of a strand, section by section. */
final class LegWorker implements Section.Visitor<List<Term>> {

    private final Parts parts;
    private final PieceFit fit;
    private final Role role;
    private final Seat seat;

    private LegWorker(Parts parts, PieceFit fit, Role role, Seat seat) {
        this.parts = parts;
        this.fit = fit;
        this.role = role;
        this.seat = seat;
    }

    static Sum work(Parts parts, PieceFit fit, Role role, Seat seat) {
        LegWorker worker = new LegWorker(parts, fit, role, seat);
        List<Term> terms = new ArrayList<>();
        for (Section section : parts.pattern.sections()) {
            terms.addAll(section.accept(worker));
        }
        Cord cord = parts.cord(role);
        int ends = role.folded() ? 1 : 2;
        terms.add(Term.of("tail.hand", ends, Knots.handTail(cord.material().stiff(), parts.worked(role))));
        terms.add(Term.of("tail.fray", ends, cord.material().frayAllowance()));
        return new Sum(terms);
    }

    @Override
    public List<Term> ringMount(RingMount section) {
        return List.of(Term.tied("mount.larksHead", 1, parts.larksHeadLeg(role)));
    }

    @Override
    public List<Term> body(Body section) {
        if (seat == Seat.CLOSURE) {
            return List.of();
        }
        List<Term> terms = new ArrayList<>();
        if (seat == Seat.CORE) {
            terms.add(Term.of("body.straight", fit.repeats(), fit.pitch()));
        } else {
            terms.add(Term.tied(
                    "body." + section.stitch().code(),
                    fit.repeats(),
                    section.stitch().use(parts.bodyGauge)));
        }
        parts.request.beads().filter(b -> b.count() > 0).ifPresent(beads -> {
            Length through = beads.bead().length();
            Length around = through.plus(beads.bead().diameter().times(Math.PI / 2 - 1));
            terms.add(
                    seat == section.beadSeat()
                            ? Term.of("bead.through", beads.count(), through)
                            : Term.of("bead.around", beads.count(), around));
        });
        return terms;
    }

    @Override
    public List<Term> slider(Slider section) {
        if (seat == Seat.CLOSURE) {
            return List.of(
                    Term.tied("closure.half-knot", section.halfKnots(), Stitches.HALF_KNOT.use(parts.sliderGauge())));
        }
        if (!role.slides()) {
            return List.of();
        }
        Length tail = fit.band().orElseThrow().tail();
        Length knot = Knots.overhand(parts.pattern.tailsPerSide(), parts.thickestTail());
        return List.of(Term.of("closure.tail", 2, tail), Term.tied("closure.endStop", 2, knot));
    }

    @Override
    public List<Term> overhandEnd(OverhandEnd section) {
        int ends = parts.allEnds();
        double d = parts.thickestOfAll();
        return List.of(
                Term.tied("finish.overhand", 1, Knots.overhand(ends, d)),
                Term.of("finish.knotHeight", Knots.overhandHeight(ends, d)),
                Term.of("finish.fringe", section.fringe()));
    }
}
