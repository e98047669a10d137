package dev.restis.core.piece;

import dev.restis.core.cord.Cord;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.Role;
import dev.restis.core.pattern.Role.Seat;
import dev.restis.core.pattern.Section;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Gauge.CoreLayout;
import dev.restis.core.stitch.Knots;
import dev.restis.core.stitch.Stitches;

/** The gauges and fixed parts of a request that several sums share. */
final class Parts {

    final PieceRequest request;
    final Pattern pattern;
    final Gauge bodyGauge;

    Parts(PieceRequest request) {
        this.request = request;
        this.pattern = request.pattern();
        double working = worked(pattern.firstIn(Seat.WORKING));
        int cores = pattern.legsIn(Seat.CORE);
        double core = cores == 0 ? working : worked(pattern.firstIn(Seat.CORE));
        this.bodyGauge = new Gauge(working, core, Math.max(1, cores), CoreLayout.FLAT);
    }

    Cord cord(Role role) {
        return request.cords().get(role.slot());
    }

    double worked(Role role) {
        return cord(role).workedMillimetres();
    }

    /** The thickest cord among the strands that run in {@code seat}, so that knots are never reckoned too small. */
    double thickest(Seat seat) {
        return pattern.roles().stream()
                .filter(r -> r.legs().contains(seat))
                .mapToDouble(this::worked)
                .max()
                .orElse(bodyGauge.working());
    }

    double thickestTail() {
        return pattern.roles().stream()
                .filter(Role::slides)
                .mapToDouble(this::worked)
                .max()
                .orElse(bodyGauge.working());
    }

    /** Half knots of the slider's cord around the tails of both sides, which lie overlapped. */
    Gauge sliderGauge() {
        return new Gauge(thickest(Seat.CLOSURE), thickestTail(), 2 * pattern.tailsPerSide(), CoreLayout.PACKED);
    }

    Length sliderLength(Section.Slider slider) {
        return Stitches.HALF_KNOT.pitch(sliderGauge()).times((long) slider.halfKnots());
    }

    int allEnds() {
        return pattern.roles().stream()
                .mapToInt(r -> r.count() * r.legs().size())
                .sum();
    }

    double thickestOfAll() {
        return pattern.roles().stream().mapToDouble(this::worked).max().orElseThrow();
    }

    Length larksHeadLeg(Role role) {
        return Knots.larksHeadLeg(request.ring().orElseThrow().bar().toMillimetres(), worked(role));
    }

    int beadCount() {
        return request.beads().map(PieceRequest.Beads::count).orElse(0);
    }
}
