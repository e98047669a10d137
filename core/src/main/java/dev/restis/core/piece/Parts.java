package dev.restis.core.piece;

import dev.restis.core.cord.Cord;
import dev.restis.core.cord.Hardware;
import dev.restis.core.cord.Hardware.Measure;
import dev.restis.core.cord.Material;
import dev.restis.core.fit.EyeFit;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.Role;
import dev.restis.core.pattern.Section;
import dev.restis.core.pattern.Section.Body;
import dev.restis.core.pattern.Section.KnotKind;
import dev.restis.core.pattern.Section.Motif;
import dev.restis.core.pattern.Section.Stopper;
import dev.restis.core.pattern.Section.StopperKind;
import dev.restis.core.stitch.Bundle;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Gauge.CoreLayout;
import dev.restis.core.stitch.Knots;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitches;
import java.util.Collection;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The gauges and parts of a request that several sums share. */
final class Parts {

    final PieceRequest request;
    final Pattern pattern;
    private final Map<Body, Gauge> gauges = new IdentityHashMap<>(4);

    Parts(PieceRequest request) {
        this.request = request;
        this.pattern = request.pattern();
    }

    Cord cord(int slot) {
        return request.cords().get(slot);
    }

    double worked(int slot) {
        return cord(slot).workedMillimetres();
    }

    /** The thickest worked cord among the legs in {@code seats}, so that knots are never reckoned too small. */
    double thickest(Collection<Seat> seats) {
        double thickest = 0;
        for (Role role : pattern.roles()) {
            for (int leg = 0; leg < role.legs().size(); leg++) {
                if (role.legs().get(leg).takes(seats)) {
                    thickest = Math.max(thickest, worked(role.slotOf(leg)));
                }
            }
        }
        return thickest;
    }

    /** How many strands lie side by side in these seats, at most as many as the bundle tables cover. */
    int runs(Collection<Seat> seats) {
        return Math.min(Bundle.MOST, pattern.runsIn(seats));
    }

    /** Free ends gathered together, at most as many as the bundle tables cover. */
    int ends(Collection<Seat> seats) {
        return Math.max(1, Math.min(Bundle.MOST, pattern.endsIn(seats)));
    }

    Gauge gauge(Body body) {
        // Every leg asks for every body: as good as new, and seldom more than three.
        Gauge known = gauges.get(body);
        if (known == null) {
            known = reckoned(body);
            gauges.put(body, known);
        }
        return known;
    }

    private Gauge reckoned(Body body) {
        List<Seat> core = body.legsOf(Seat.CORE);
        double working = thickest(body.legsOf(Seat.WORKING));
        double cores = thickest(core);
        double side = Math.max(thickest(body.legsOf(Seat.FALL)), thickest(body.legsOf(Seat.EDGE)));
        double any = working > 0 ? working : cores;
        boolean cored = body.stitch().cores().most() > 0;
        return new Gauge(
                any,
                cored && cores > 0 ? cores : any,
                cored ? runs(core) : 0,
                body.stitch().coreLayout(),
                side > 0 ? side : any);
    }

    TakeUp takeUp(Body body, Gauge gauge) {
        return request.house().learned().takeUp(body.stitch(), tiedIn(body), gauge);
    }

    /** What the strands are of that tie a body. */
    Material tiedIn(Body body) {
        List<Seat> tying = body.legsOf(Seat.WORKING);
        for (Role role : pattern.roles()) {
            for (int leg = 0; leg < role.legs().size(); leg++) {
                if (role.legs().get(leg).takes(tying)) {
                    return cord(role.slotOf(leg)).material();
                }
            }
        }
        return cord(0).material();
    }

    /** The chosen part, or for a slot left open the pattern's usual one; empty for an optional part not chosen. */
    Optional<Hardware> part(String slot) {
        return request.part(slot);
    }

    /** A measure of a part; zero without the part. */
    Length measure(String slot, Measure measure) {
        return part(slot).map(h -> h.the(measure)).orElse(Length.ZERO);
    }

    /** How many the maker chose of a part that comes in any number. */
    int chosen(String slot) {
        return request.chosen(slot);
    }

    /** Length of each bead of a motif; zero when the piece carries none. */
    Length beadLength(Motif motif) {
        boolean none = pattern.hardware(motif.hardware())
                        .filter(h -> h.chosenCount() > 0)
                        .isPresent()
                && chosen(motif.hardware()) == 0
                && motif.every() == 0;
        return none ? Length.ZERO : measure(motif.hardware(), Measure.LENGTH);
    }

    /** Whether these tails end in beads, which stop them. */
    boolean endBeads(Collection<Seat> tails) {
        return pattern.all(Section.EndBeads.class).stream()
                .anyMatch(b ->
                        part(b.hardware()).isPresent() && b.seats().stream().anyMatch(tails::contains));
    }

    /** Tails on each side of a sliding closure. */
    int tailsPerSide(Collection<Seat> tails) {
        return Math.max(1, pattern.endsIn(tails) / 2);
    }

    /** Half knots of the slider's cord around the tails of both sides, which lie overlapped. */
    Gauge sliderGauge(Collection<Seat> tails) {
        return new Gauge(
                thickest(List.of(Seat.CLOSURE)),
                thickest(tails),
                Math.min(Bundle.MOST, 2 * tailsPerSide(tails)),
                CoreLayout.PACKED);
    }

    Length sliderLength(int halfKnots, Collection<Seat> tails) {
        return Stitches.HALF_KNOT.pitch(sliderGauge(tails)).times((long) halfKnots);
    }

    boolean stiff(Collection<Seat> seats) {
        return pattern.roles().stream()
                .filter(r -> r.takes(seats))
                .anyMatch(r -> cord(r.slotOf(0)).material().stiff());
    }

    /** What the eye or buttonhole is made for, if the piece has a stopper. */
    Optional<EyeFit> eye() {
        return pattern.first(Stopper.class).map(stopper -> EyeFit.madeFor(diameter(stopper), stiff(stopper.seats())));
    }

    Length diameter(Stopper stopper) {
        if (stopper.kind() instanceof StopperKind.Part part) {
            return measure(part.hardware(), Measure.ACROSS);
        }
        KnotKind knot = ((StopperKind.Knotted) stopper.kind()).knot();
        double d = thickest(stopper.seats());
        return switch (knot) {
            case OVERHAND -> Knots.overhandDiameter(runs(stopper.seats()), d);
            case SIMPLE_STOP -> Knots.simpleStopDiameter(d);
            default -> Knots.buttonDiameter(d);
        };
    }

    /** Strands of a knot and its height along the body. */
    Length knotHeight(KnotKind kind, int wraps, Collection<Seat> seats) {
        return KnotSize.height(kind, wraps, runs(seats), thickest(seats));
    }

    /** Cord that each strand of a knot uses beyond its height. */
    Length knotUse(KnotKind kind, int wraps, Collection<Seat> seats) {
        return KnotSize.use(kind, wraps, runs(seats), thickest(seats));
    }

    boolean beadGiven(Motif motif) {
        return beadLength(motif).isPositive();
    }
}
