package dev.restis.core.piece;

import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.Sum;
import dev.restis.core.measure.Sum.Term;
import dev.restis.core.pattern.Role;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Works a piece out: pattern, choices, cord and size in; fit, strands, hardware and verdicts out. Pure and
 * deterministic; cost is linear in strands.
 */
public final class PieceWorker {

    /** Relative spread (one standard deviation) of take-up reckoned from geometry alone. */
    public static final double GEOMETRY_SPREAD = 0.12;

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

    private static Fault tooSmall(Parts parts) {
        if (parts.beadCount() > 0) {
            return Fault.of("beadCount", "beads.tooMany", parts.beadCount());
        }
        String field = parts.request.size() instanceof PieceRequest.Size.Wrist ? "wrist" : "length";
        return Fault.of(field, field + ".noBody");
    }

    private WorkedPiece piece() {
        return new WorkedPiece(
                parts.request,
                fit,
                strands(),
                parts.beadCount(),
                parts.pattern.hangsOnRing() ? 1 : 0,
                Checks.of(parts, fit));
    }

    private List<WorkedStrand> strands() {
        List<List<Sum>> legsByRole = new ArrayList<>();
        double costIfShort = 0;
        for (Role role : parts.pattern.roles()) {
            List<Sum> legs = role.legs().stream()
                    .map(seat -> LegWorker.work(parts, fit, role, seat))
                    .toList();
            legsByRole.add(legs);
            for (Sum leg : legs) {
                costIfShort += role.count()
                        * leg.total().toMillimetres()
                        / 1000
                        * parts.cord(role).pricePerMetre();
            }
        }
        List<WorkedStrand> strands = new ArrayList<>();
        for (int r = 0; r < legsByRole.size(); r++) {
            Role role = parts.pattern.roles().get(r);
            for (int number = 1; number <= role.count(); number++) {
                strands.add(strand(role, number, legsByRole.get(r), costIfShort));
            }
        }
        return strands;
    }

    private WorkedStrand strand(Role role, int number, List<Sum> legs, double costIfShort) {
        double spread = legs.stream().mapToDouble(l -> l.tied().toMillimetres()).sum() * GEOMETRY_SPREAD;
        double costOfSpread = spread / 1000 * parts.cord(role).pricePerMetre();
        double risk = parts.request.margin().risk(costIfShort, costOfSpread);
        double perTied = GEOMETRY_SPREAD * NormalQuantile.of(1 - risk);
        List<Term> margins = new ArrayList<>();
        Length before = Length.ZERO;
        for (Sum leg : legs) {
            Length margin = leg.tied().times(perTied);
            margins.add(Term.of(legs.size() == 1 || !role.foldedOffCentre() ? "margin" : "margin.leg", margin));
            before = before.plus(leg.total()).plus(margin);
        }
        Length cut = before.roundUpTo(parts.request.cuttingStep());
        margins.add(Term.of("rounding", cut.minus(before)));
        return new WorkedStrand(
                role.code(),
                number,
                role.slot(),
                legs,
                risk,
                new Sum(margins),
                cut,
                role.folded() ? Optional.of(foldMark(role, legs, perTied, cut)) : Optional.empty());
    }

    /** The middle for equal legs; else the first leg with its own margin, and the rounding goes to the longer one. */
    private static Length foldMark(Role role, List<Sum> legs, double perTied, Length cut) {
        if (!role.foldedOffCentre()) {
            return new Length(cut.micrometres() / 2);
        }
        Sum first = legs.get(0);
        Length mark = first.total().plus(first.tied().times(perTied));
        return mark.roundUpTo(Length.ofMillimetres(1));
    }
}
