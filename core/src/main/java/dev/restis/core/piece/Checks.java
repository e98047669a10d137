package dev.restis.core.piece;

import dev.restis.core.cord.Cord;
import dev.restis.core.cord.Hardware;
import dev.restis.core.cord.Hardware.Measure;
import dev.restis.core.fit.EyeFit;
import dev.restis.core.fit.SlidingFit;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Course;
import dev.restis.core.pattern.HardwareSlot;
import dev.restis.core.pattern.Leg;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.Role;
import dev.restis.core.pattern.Section;
import dev.restis.core.pattern.Section.Body;
import dev.restis.core.pattern.Section.EndBeads;
import dev.restis.core.pattern.Section.Mount;
import dev.restis.core.pattern.Section.SlideBead;
import dev.restis.core.pattern.Section.Threaded;
import dev.restis.core.pattern.Section.TuckBack;
import dev.restis.core.piece.Check.Verdict;
import dev.restis.core.piece.PieceRequest.Size;
import dev.restis.core.stitch.Bundle;
import dev.restis.core.stitch.Seat;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The checks made on a piece before anything is cut. */
final class Checks {

    /** A slide bead with its lining grips only what fills it so far. */
    private static final double GRIPS = 0.8;
    /** An elastic's rated stretch, and what is safe for daily wear. */
    private static final double RATED_STRETCH = 1.6;

    private static final double DAILY_STRETCH = 1.4;
    /** How wide each leg of a lark's head lies on its bar, in diameters. */
    private static final double HITCHED = 1.1;

    private final Parts parts;
    private final PieceFit fit;
    private final List<Check> checks = new ArrayList<>();

    private Checks(Parts parts, PieceFit fit) {
        this.parts = parts;
        this.fit = fit;
    }

    static List<Check> of(Parts parts, PieceFit fit) {
        Checks checks = new Checks(parts, fit);
        checks.size();
        checks.holes();
        checks.bars();
        fit.eye().ifPresent(checks::eye);
        checks.ends();
        checks.unequal();
        checks.wearer();
        checks.breakaway();
        checks.fused();
        return checks.checks;
    }

    private void size() {
        if (!(parts.request.size() instanceof Size.Wrist size)) {
            return;
        }
        fit.band().ifPresent(band -> {
            Length needed = SlidingFit.needed(band.hand());
            Verdict opens = band.open().isLessThan(needed) ? Verdict.NO : Verdict.GOOD;
            String code = band.handAssumed() ? "opens.assumed" : "opens";
            checks.add(Check.of(code, opens, Map.of("open", band.open(), "needed", needed, "hand", band.hand())));
            Length most = size.wrist().plus(size.ease());
            Verdict closes = most.isLessThan(band.closed()) ? Verdict.NO : Verdict.GOOD;
            checks.add(Check.of("closes", closes, Map.of("closed", band.closed(), "most", most)));
        });
        fit.inner().ifPresent(inner -> fixed(inner, size));
    }

    private void fixed(Length inner, Size.Wrist size) {
        Length wanted = size.wrist().plus(size.ease());
        boolean tight = inner.isLessThan(size.wrist());
        boolean far = Math.abs(inner.minus(wanted).toMillimetres())
                > Math.max(4, size.ease().toMillimetres());
        Verdict verdict = tight ? Verdict.NO : far ? Verdict.TIGHT : Verdict.GOOD;
        checks.add(Check.of("fits", verdict, Map.of("inner", inner, "wanted", wanted, "wrist", size.wrist())));
        if (fit.around() > 0) {
            double stretch = size.hand().toMillimetres() / inner.toMillimetres();
            Verdict stretches =
                    stretch <= DAILY_STRETCH ? Verdict.GOOD : stretch <= RATED_STRETCH ? Verdict.TIGHT : Verdict.NO;
            checks.add(new Check(
                    "stretches",
                    stretches,
                    "",
                    Map.of("hand", size.hand(), "inner", inner),
                    Map.of("stretch", stretch, "rated", RATED_STRETCH)));
        }
    }

    private void holes() {
        for (WorkedBody body : fit.bodies()) {
            body.section()
                    .motif()
                    .filter(m -> body.beads() > 0)
                    .ifPresent(m -> hole(m.hardware(), m.seats(), parts.runs(m.seats())));
        }
        for (Section section : parts.pattern.sections()) {
            if (section instanceof Threaded threaded && HardwareCounter.beads(threaded, parts, fit) > 0) {
                hole(threaded.hardware(), threaded.seats(), parts.runs(threaded.seats()));
            } else if (section instanceof EndBeads ends) {
                hole(ends.hardware(), ends.seats(), ends.together() ? parts.tailsPerSide(ends.seats()) : 1);
            } else if (section instanceof SlideBead bead) {
                slideBead(bead);
            } else if (section instanceof Section.Stopper stopper
                    && stopper.kind() instanceof Section.StopperKind.Part part) {
                hole(part.hardware(), stopper.seats(), parts.runs(stopper.seats()));
            } else if (section instanceof Section.Attached attached && !turnedAt(attached.hardware())) {
                List<Seat> all = List.of(Seat.CORE, Seat.WORKING);
                hole(attached.hardware(), all, parts.runs(all));
            }
        }
    }

    private void slideBead(SlideBead bead) {
        int strands = Math.min(Bundle.MOST, parts.pattern.endsIn(bead.tails()));
        hole(bead.hardware(), bead.tails(), strands);
        Optional<Hardware> part = parts.part(bead.hardware());
        part.ifPresent(h -> {
            double ratio = ratio(h, bead.tails(), strands);
            Verdict grips = ratio >= GRIPS ? Verdict.GOOD : Verdict.NO;
            checks.add(new Check(
                    "grips",
                    grips,
                    bead.hardware(),
                    Map.of("hole", h.the(Measure.HOLE)),
                    Map.of("ratio", ratio, "strands", (double) strands)));
        });
    }

    /** ratio = bundle(n) * d * compression / D. */
    private double ratio(Hardware part, Collection<Seat> seats, int strands) {
        return bundle(seats, strands) / part.millimetres(Measure.HOLE);
    }

    private double bundle(Collection<Seat> seats, int strands) {
        double most = 0;
        for (Role role : parts.pattern.roles()) {
            for (int leg = 0; leg < role.legs().size(); leg++) {
                if (role.legs().get(leg).takes(seats)) {
                    Cord cord = parts.cord(role.slotOf(leg));
                    most = Math.max(
                            most,
                            cord.diameter().toMillimetres() * cord.material().holeCompression());
                }
            }
        }
        return Bundle.packedDiameter(Math.max(1, strands)) * most;
    }

    private void hole(String slot, Collection<Seat> seats, int strands) {
        Optional<Hardware> part = parts.part(slot).filter(h -> h.kind().threaded());
        if (part.isEmpty()) {
            return;
        }
        double ratio = ratio(part.get(), seats, strands);
        boolean tapered = parts.request.tapered() && ratio > PartFit.PASSES && ratio <= PartFit.PASSES_TAPERED;
        Verdict verdict = ratio <= PartFit.PASSES || tapered
                ? Verdict.GOOD
                : ratio <= PartFit.PASSES_TAPERED ? Verdict.TIGHT : Verdict.NO;
        double bundle = bundle(seats, strands);
        checks.add(new Check(
                tapered ? "hole.tapered" : "hole",
                verdict,
                slot,
                Map.of(
                        "hole", part.get().the(Measure.HOLE),
                        "bundle", Length.ofMillimetres(bundle),
                        "least", Length.ofMillimetres(bundle / PartFit.PASSES)),
                Map.of("strands", (double) strands, "ratio", ratio)));
    }

    /** Whether what bends around a bar lies on it: a band on a buckle, a fob on its ring, a lanyard on its clip. */
    private void bars() {
        Set<String> seen = new LinkedHashSet<>();
        for (Section section : parts.pattern.sections()) {
            if (section instanceof Mount mount) {
                mount.hardware().ifPresent(seen::add);
            } else if (section instanceof TuckBack back) {
                back.hardware().ifPresent(seen::add);
            } else if (section instanceof Section.Attached attached && !turnedAt(attached.hardware())) {
                bar(attached.hardware(), attachedWidth());
            }
        }
        for (Role role : parts.pattern.roles()) {
            for (Leg leg : role.legs()) {
                for (Course course : leg.courses()) {
                    if (course.turn() instanceof Course.Turn.AtPart part) {
                        seen.add(part.hardware());
                    }
                }
            }
        }
        // Two halves of a buckle are alike: what is wider at one of them decides.
        seen.forEach(slot -> bar(slot, widthAt(slot, false).max(widthAt(slot, true))));
    }

    private boolean turnedAt(String slot) {
        return widthAt(slot, true).isPositive() || widthAt(slot, false).isPositive();
    }

    private Length attachedWidth() {
        List<Seat> all = List.of(Seat.CORE, Seat.WORKING);
        return Length.ofMillimetres(parts.thickest(all) * parts.runs(all));
    }

    /**
     * What lies side by side on a bar: a run and its return lie in one bend, so what counts is bends, and not strands. A lark's
     * head lies there twice, and a little wider for its bight.
     */
    private Length widthAt(String slot, boolean far) {
        double width = 0;
        for (Role role : parts.pattern.roles()) {
            for (int leg = 0; leg < role.legs().size(); leg++) {
                Leg way = role.legs().get(leg);
                double bends = way.turnsAt(slot, far);
                bends += mounted(way, slot, far) + (far ? tucked(role, way, slot) : 0);
                width += bends * role.count() * parts.worked(role.slotOf(leg));
            }
        }
        return Length.ofMillimetres(width);
    }

    /**
     * A leg's part of the hitch by which it is mounted; a centrepiece has one side's folds at each of its ends.
     *
     * @param far what is mounted after the body
     */
    private double mounted(Leg leg, String slot, boolean far) {
        double most = 0;
        boolean tied = false;
        for (Section section : parts.pattern.sections()) {
            tied |= section instanceof Body;
            if (section instanceof Mount mount
                    && tied == far
                    && mount.isOn(slot)
                    && mount.seats().contains(leg.first())) {
                double each = switch (mount.hitch()) {
                    case LARKS_HEAD -> HITCHED;
                    case NOOSE_KNOT -> 1;
                    case FOLD -> 0.5;
                };
                most = Math.max(most, mount.seats().contains(Seat.SECOND_CORE) ? each / 2 : each);
            }
        }
        return most;
    }

    private int tucked(Role role, Leg leg, String slot) {
        int ends = 0;
        for (TuckBack back : parts.pattern.all(TuckBack.class)) {
            if (back.hardware().filter(slot::equals).isPresent()) {
                ends = Math.max(ends, Math.min(1, role.endsOf(leg, back.seats())));
            }
        }
        return ends;
    }

    private void bar(String slot, Length width) {
        Optional<Hardware> part =
                parts.part(slot).filter(h -> h.kind().measures().contains(Measure.INNER_WIDTH));
        if (part.isEmpty()) {
            return;
        }
        Length body = parts.pattern.all(Body.class).stream()
                .filter(Body::within)
                .map(b -> b.stitch().width(parts.gauge(b)))
                .reduce(Length.ZERO, Length::max);
        Length inner = part.get().the(Measure.INNER_WIDTH);
        double ratio = width.toMillimetres() / inner.toMillimetres();
        Verdict verdict =
                ratio <= PartFit.FITS_BAR ? Verdict.GOOD : ratio <= PartFit.BUNCHES_ON_BAR ? Verdict.TIGHT : Verdict.NO;
        checks.add(new Check(
                "bar", verdict, slot, Map.of("width", width, "inner", inner, "body", body), Map.of("ratio", ratio)));
    }

    private void eye(EyeFit eye) {
        checks.add(Check.of(
                "eye",
                eye.holds() ? Verdict.GOOD : Verdict.TIGHT,
                Map.of("inside", eye.inside(), "stopper", eye.stopper(), "ideal", eye.ideal())));
    }

    /** A child who ties a kit has no flame: ends are knotted or glued, and on wax no glue holds. */
    private void ends() {
        boolean allSeal =
                parts.request.cords().stream().allMatch(c -> c.material().heatSealable());
        boolean kitOfChild = parts.request.house().kit() && parts.request.wearer() != Wearer.ADULT;
        if (kitOfChild) {
            boolean glueHolds =
                    parts.request.cords().stream().noneMatch(c -> c.material().waxed());
            checks.add(Check.of("ends.kit", glueHolds ? Verdict.GOOD : Verdict.NO, Map.of()));
        } else {
            checks.add(Check.of(allSeal ? "ends.heat" : "ends.noFlame", Verdict.GOOD, Map.of()));
        }
    }

    /** Strands of one seat tied in unlike gauges make an uneven body. */
    private void unequal() {
        for (Seat seat : List.of(Seat.WORKING, Seat.FALL)) {
            double least = Double.MAX_VALUE;
            double most = 0;
            for (Role role : parts.pattern.roles()) {
                for (int leg = 0; leg < role.legs().size(); leg++) {
                    if (role.legs().get(leg).takes(List.of(seat))) {
                        double d = parts.worked(role.slotOf(leg));
                        least = Math.min(least, d);
                        most = Math.max(most, d);
                    }
                }
            }
            if (most > 1.15 * least) {
                checks.add(Check.of(
                        "unequal",
                        Verdict.TIGHT,
                        Map.of("thin", Length.ofMillimetres(least), "thick", Length.ofMillimetres(most))));
            }
        }
    }

    /**
     * What is worn around the neck must come open by itself: at a joint that lies between the two ends of what goes around. One
     * that cord runs through, or that hangs at one end, holds as a bead or a ring does.
     */
    private void breakaway() {
        if (parts.pattern.kind() != Pattern.Kind.NECK_LANYARD) {
            return;
        }
        List<String> joints = parts.pattern.hardware().stream()
                .map(HardwareSlot::code)
                .filter(code -> parts.part(code)
                        .filter(h -> h.kind() == Hardware.Kind.BREAKAWAY)
                        .isPresent())
                .toList();
        boolean opens = parts.pattern.all(Section.Attached.class).stream()
                .anyMatch(a -> a.within() && joints.contains(a.hardware()) && !turnedAt(a.hardware()));
        String code = opens ? "breakaway" : joints.isEmpty() ? "breakaway.none" : "breakaway.tied";
        boolean accepted = !opens
                && parts.request.wearer() == Wearer.ADULT
                && parts.request.accepted().contains(Check.BREAKAWAY);
        checks.add(Check.of(
                accepted ? "breakaway.accepted" : code,
                opens ? Verdict.GOOD : accepted ? Verdict.TIGHT : Verdict.NO,
                Map.of()));
    }

    /** Two cords are fused at a flame: both must melt. */
    private void fused() {
        boolean burns = parts.pattern.roles().stream()
                .filter(Role::fused)
                .flatMap(role -> role.slots().stream())
                .anyMatch(slot -> !parts.cord(slot).material().heatSealable());
        if (burns) {
            checks.add(Check.of("fused", Verdict.NO, Map.of()));
        }
    }

    /** What is worn around the neck can strangle, and what comes off can be swallowed; the younger, the worse. */
    private void wearer() {
        Wearer wearer = parts.request.wearer();
        if (parts.pattern.kind() == Pattern.Kind.NECK_LANYARD) {
            Verdict verdict = switch (wearer) {
                case ADULT -> Verdict.GOOD;
                case CHILD -> Verdict.TIGHT;
                case UNDER_THREE -> Verdict.NO;
            };
            checks.add(Check.of("wearer.neck", verdict, Map.of()));
        } else if (wearer != Wearer.ADULT) {
            boolean small =
                    wearer == Wearer.UNDER_THREE && !parts.request.parts().isEmpty();
            checks.add(Check.of(small ? "wearer.parts" : "wearer.child", small ? Verdict.NO : Verdict.TIGHT, Map.of()));
        }
    }
}
