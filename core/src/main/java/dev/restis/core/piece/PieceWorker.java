package dev.restis.core.piece;

import dev.restis.core.cord.Hardware.Measure;
import dev.restis.core.learning.Normal;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.Sum;
import dev.restis.core.measure.Sum.Term;
import dev.restis.core.pattern.Role;
import dev.restis.core.pattern.Section;
import dev.restis.core.pattern.Stage;
import dev.restis.core.stitch.Seat;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Works a piece out: pattern, choices, cord and size in; fit, strands, hardware and verdicts out. Pure and
 * deterministic; cost is linear in strands.
 */
public final class PieceWorker {

    /** A tail is counted on at this many spreads below what is expected: one in twenty is shorter. */
    private static final double LOW_END = Normal.quantile(0.95);

    private final Parts parts;
    private final PieceFit fit;

    private PieceWorker(Parts parts, PieceFit fit) {
        this.parts = parts;
        this.fit = fit;
    }

    public static WorkOut workOut(PieceRequest request) {
        List<Fault> faults = RequestChecker.check(request);
        if (!faults.isEmpty()) {
            return new WorkOut.Refused(faults);
        }
        Parts parts = new Parts(request);
        Optional<PieceFit> fit = new FitWorker(parts).work();
        if (fit.isEmpty()) {
            return new WorkOut.Refused(List.of(tooSmall(parts)));
        }
        return new WorkOut.Worked(new PieceWorker(parts, fit.get()).piece());
    }

    /** Blames the beads when the piece could be made without them. */
    private static Fault tooSmall(Parts parts) {
        PieceRequest request = parts.request;
        for (var part : request.parts().entrySet()) {
            if (part.getValue().count() > 0) {
                var fewer = new java.util.HashMap<>(request.parts());
                fewer.put(part.getKey(), new PieceRequest.Part(part.getValue().hardware(), 0));
                if (new FitWorker(new Parts(request.with(fewer))).work().isPresent()) {
                    return Fault.of(
                            "parts[" + part.getKey() + "].count",
                            "beads.tooMany",
                            part.getValue().count());
                }
            }
        }
        String field = request.size() instanceof PieceRequest.Size.Wrist ? "wrist" : "length";
        return Fault.of(field, field + ".noBody");
    }

    private WorkedPiece piece() {
        return new WorkedPiece(
                parts.request,
                fit,
                strands(),
                HardwareCounter.count(parts, fit),
                Checks.of(parts, fit),
                Threading.of(parts, fit),
                Caution.of(parts));
    }

    private List<WorkedStrand> strands() {
        List<Margins.Alike> alike = new ArrayList<>();
        double costIfShort = 0;
        for (Role role : parts.pattern.roles()) {
            List<Sum> legs = LegWorker.work(parts, fit, role);
            for (int leg = 0; leg < legs.size(); leg++) {
                costIfShort += role.count()
                        * legs.get(leg).total().toMillimetres()
                        / 1000
                        * parts.cord(role.slotOf(leg)).pricePerMetre();
            }
            // The strands of a role are alike but for their numbers.
            int apart = role.fused() ? 2 : 1;
            for (int leg = 0; leg < apart; leg++) {
                List<Sum> own = role.fused() ? legs.subList(leg, leg + 1) : legs;
                double price = parts.cord(role.slotOf(leg)).pricePerMetre();
                alike.add(new Margins.Alike(role, leg, own, price));
            }
        }
        Margins margins = Margins.of(alike, costIfShort, parts.request.house());
        List<WorkedStrand> strands = new ArrayList<>();
        for (int next = 0; next < alike.size(); ) {
            Role role = alike.get(next).role();
            List<WorkedStrand> ofRole = new ArrayList<>();
            for (; next < alike.size() && alike.get(next).role() == role; next++) {
                ofRole.add(strand(alike.get(next), margins, next));
            }
            int number = 1;
            for (int i = 0; i < role.count(); i++) {
                for (WorkedStrand strand : ofRole) {
                    strands.add(strand.numbered(number++));
                }
            }
        }
        return strands;
    }

    /** One strand to cut, of those that are alike. */
    private WorkedStrand strand(Margins.Alike alike, Margins margins, int at) {
        List<Sum> legs = alike.legs();
        List<Term> closing = new ArrayList<>();
        List<Length> above = new ArrayList<>();
        Length before = Length.ZERO;
        boolean offCentre = legs.size() == 2 && offCentre(legs);
        for (int leg = 0; leg < legs.size(); leg++) {
            Length margin = margins.of(at, leg);
            above.add(margin);
            closing.add(Term.of(!offCentre ? "margin" : "margin.leg", margin));
            before = before.plus(legs.get(leg).total()).plus(margin);
        }
        Length cut = before.roundUpTo(parts.request.house().cuttingStep());
        closing.add(Term.of("rounding", cut.minus(before)));
        return new WorkedStrand(
                alike.role().code(),
                1,
                alike.role().slotOf(alike.leg()),
                legs,
                margins.risk(at),
                new Sum(closing),
                cut,
                legs.size() == 2 ? Optional.of(fold(legs, offCentre, above.get(0), cut)) : firstKnot(alike.role(), cut),
                parts.request.house().kit() ? List.of() : tails(legs, margins, at),
                stage(alike.role(), legs));
    }

    private static Stage stage(Role role, List<Sum> legs) {
        if (role.takes(List.of(Seat.CLOSURE))) {
            return Stage.CLOSING;
        }
        boolean closedOver = legs.stream()
                .flatMap(l -> l.terms().stream())
                .anyMatch(t -> t.code().equals(LegWorker.CLOSURE_TAIL) && t.count() > 0);
        return closedOver ? Stage.CLOSED_OVER : Stage.BODY;
    }

    /** What the hand held, and what is left of the margin when more cord was used than expected. */
    private static List<Length> tails(List<Sum> legs, Margins margins, int at) {
        List<Length> tails = new ArrayList<>();
        for (int leg = 0; leg < legs.size(); leg++) {
            Length spare = margins.of(at, leg).minus(margins.above(at, leg, LOW_END));
            for (Term held : legs.get(leg).terms()) {
                if (held.code().equals("tail.hand") && held.count() > 0) {
                    Length left = held.total().plus(spare);
                    Length each = new Length(Math.floorDiv(left.micrometres(), held.count()));
                    for (int end = 0; end < held.count() && each.isPositive(); end++) {
                        tails.add(each);
                    }
                }
            }
        }
        tails.sort(Comparator.reverseOrder());
        return tails;
    }

    /** Whether one end of a folded strand is longer than the other. */
    private static boolean offCentre(List<Sum> legs) {
        return legs.get(0) != legs.get(1)
                && (!legs.get(0).total().equals(legs.get(1).total())
                        || !tied(legs.get(0)).equals(tied(legs.get(1))));
    }

    private static Length tied(Sum leg) {
        return leg.terms().stream()
                .filter(t -> t.tie().isPresent())
                .map(Term::total)
                .reduce(Length.ZERO, Length::plus);
    }

    /** The middle for equal legs; else the first leg with its own margin, and the rounding goes to the longer one. */
    private static Mark fold(List<Sum> legs, boolean offCentre, Length margin, Length cut) {
        if (!offCentre) {
            return new Mark(Mark.Kind.MIDDLE, new Length(cut.micrometres() / 2));
        }
        return new Mark(Mark.Kind.SHORT_LEG, legs.get(0).total().plus(margin).roundUpTo(Length.ofMillimetres(1)));
    }

    /** Where the first knot goes on a straight strand that carries beads in its middle, alike on either side of them. */
    private Optional<Mark> firstKnot(Role role, Length cut) {
        List<Section> along = parts.pattern.sections().stream()
                .filter(s -> s instanceof Section.Body || s instanceof Section.Knot || s instanceof Section.Threaded)
                .toList();
        List<Section> mirrored = new ArrayList<>(along);
        Collections.reverse(mirrored);
        if (along.size() < 3 || !along.equals(mirrored)) {
            return Optional.empty();
        }
        Section middle = along.get(along.size() / 2);
        if (!(middle instanceof Section.Threaded beads) || !role.takes(beads.seats())) {
            return Optional.empty();
        }
        int count = HardwareCounter.beads(beads, parts, fit);
        Length half = new Length((cut.micrometres()
                        - parts.measure(beads.hardware(), Measure.LENGTH).micrometres() * count)
                / 2);
        return count == 0 ? Optional.empty() : Optional.of(new Mark(Mark.Kind.FIRST_KNOT, half));
    }
}
