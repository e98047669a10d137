package dev.restis.core.piece;

import dev.restis.core.cord.Bead;
import dev.restis.core.cord.Cord;
import dev.restis.core.fit.SliderFit;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Role.Seat;
import dev.restis.core.piece.Check.Verdict;
import dev.restis.core.piece.PieceRequest.Size;
import dev.restis.core.stitch.Bundle;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** The checks made on a piece before anything is cut. */
final class Checks {

    /** Bundle over hole up to which strands go through as they are, and up to which tapered ends still pass. */
    private static final double PASSES = 0.92;

    private static final double PASSES_TAPERED = 1.03;

    private Checks() {}

    static List<Check> of(Parts parts, PieceFit fit) {
        List<Check> checks = new ArrayList<>();
        fit.band().ifPresent(band -> {
            Size.Wrist size = (Size.Wrist) parts.request.size();
            checks.add(opens(band));
            checks.add(closes(band, size.wrist().plus(size.ease().length())));
        });
        parts.request.beads().filter(b -> b.count() > 0).ifPresent(b -> checks.add(hole(parts, b.bead())));
        checks.add(ends(parts));
        return checks;
    }

    private static Check opens(PieceFit.Band band) {
        Length needed = SliderFit.needed(band.hand());
        Verdict verdict = band.open().isLessThan(needed) ? Verdict.NO : Verdict.GOOD;
        String code = band.handAssumed() ? "opens.assumed" : "opens";
        return new Check(code, verdict, Map.of("open", band.open(), "needed", needed, "hand", band.hand()), Map.of());
    }

    private static Check closes(PieceFit.Band band, Length most) {
        Verdict verdict = most.isLessThan(band.closed()) ? Verdict.NO : Verdict.GOOD;
        return new Check("closes", verdict, Map.of("closed", band.closed(), "most", most), Map.of());
    }

    /** ratio = bundle(n) * d * compression / D. */
    private static Check hole(Parts parts, Bead bead) {
        Seat seat = parts.pattern.body().beadSeat();
        int strands = parts.pattern.legsIn(seat);
        Cord cord = parts.cord(parts.pattern.firstIn(seat));
        double bundle = Bundle.packedDiameter(strands)
                * cord.diameter().toMillimetres()
                * cord.material().holeCompression();
        double ratio = bundle / bead.hole().toMillimetres();
        Verdict verdict = ratio <= PASSES ? Verdict.GOOD : ratio <= PASSES_TAPERED ? Verdict.TIGHT : Verdict.NO;
        Length least = Length.ofMillimetres(bundle / PASSES);
        return new Check(
                "hole",
                verdict,
                Map.of("hole", bead.hole(), "bundle", Length.ofMillimetres(bundle), "least", least),
                Map.of("strands", (double) strands, "ratio", ratio));
    }

    private static Check ends(Parts parts) {
        boolean allSeal =
                parts.request.cords().stream().allMatch(c -> c.material().heatSealable());
        return new Check(allSeal ? "ends.heat" : "ends.noFlame", Verdict.GOOD, Map.of(), Map.of());
    }
}
