package dev.restis.core.pattern;

import dev.restis.core.cord.Hardware;
import dev.restis.core.measure.Fault;
import dev.restis.core.pattern.Section.Attached;
import dev.restis.core.pattern.Section.Body;
import dev.restis.core.pattern.Section.Buttonhole;
import dev.restis.core.pattern.Section.EndBeads;
import dev.restis.core.pattern.Section.Extent;
import dev.restis.core.pattern.Section.Eye;
import dev.restis.core.pattern.Section.Fringe;
import dev.restis.core.pattern.Section.Knot;
import dev.restis.core.pattern.Section.KnotKind;
import dev.restis.core.pattern.Section.Mount;
import dev.restis.core.pattern.Section.Noose;
import dev.restis.core.pattern.Section.SlideBead;
import dev.restis.core.pattern.Section.Slider;
import dev.restis.core.pattern.Section.SlidingKnots;
import dev.restis.core.pattern.Section.Stopper;
import dev.restis.core.pattern.Section.StopperKind;
import dev.restis.core.pattern.Section.Threaded;
import dev.restis.core.pattern.Section.TuckBack;
import dev.restis.core.pattern.Section.Wrapped;
import dev.restis.core.stitch.Bundle;
import dev.restis.core.stitch.OwnStitch;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.StitchRules;
import java.util.Collection;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/** What keeps the sections of a pattern from being made, one after the other. */
final class SectionRules implements Section.Visitor<Boolean> {

    private static final int MOST_REPEATS = 500;
    private static final int MOST_BEADS = 100;

    private final Pattern pattern;
    private final List<Fault> faults;
    private final Set<Seat> used = EnumSet.noneOf(Seat.class);
    private String at = "";

    /**
     * @param faults where to say what is found
     */
    SectionRules(Pattern pattern, List<Fault> faults) {
        this.pattern = pattern;
        this.faults = faults;
    }

    void check() {
        for (int i = 0; i < pattern.sections().size(); i++) {
            at = "sections[" + i + "]";
            pattern.sections().get(i).accept(this);
        }
    }

    /** Seats that some section uses. */
    Set<Seat> used() {
        return used;
    }

    private void fault(String field, String code, Object... args) {
        faults.add(Fault.of(field, code, args));
    }

    private void seats(Collection<Seat> seats) {
        if (seats.isEmpty()) {
            fault(at, "pattern.noSeat");
        }
        for (Seat seat : seats) {
            used.add(seat);
            if (pattern.runsIn(seat) == 0) {
                fault(at, "pattern.noStrand", seat);
            }
        }
        int legs = pattern.runsIn(seats);
        if (legs > Bundle.MOST) {
            fault(at, "pattern.bundle", Bundle.MOST, legs);
        }
    }

    private void part(String slot, Hardware.Kind... kinds) {
        part(at, slot, kinds);
    }

    /** Whether there is such a part, of one of these kinds. */
    void part(String at, String slot, Hardware.Kind... kinds) {
        var found = pattern.hardware(slot);
        if (found.isEmpty()) {
            fault(at, "pattern.noPart", slot);
        } else if (List.of(kinds).stream().noneMatch(k -> k == found.get().kind())) {
            fault(at, "pattern.wrongPart", slot, found.get().kind());
        }
    }

    @Override
    public Boolean mount(Mount section) {
        seats(section.seats());
        section.hardware()
                .ifPresent(slot -> part(
                        slot,
                        Hardware.Kind.RING,
                        Hardware.Kind.CLASP,
                        Hardware.Kind.BUCKLE,
                        Hardware.Kind.SHACKLE,
                        Hardware.Kind.THIMBLE,
                        Hardware.Kind.CENTREPIECE,
                        Hardware.Kind.BUTTON));
        if (section.hardware().isPresent() != section.on().isEmpty()) {
            fault(at, "pattern.mountedOn");
        }
        section.on().stream()
                .filter(seat -> pattern.runsIn(seat) == 0 || section.seats().contains(seat))
                .forEach(seat -> fault(at, "pattern.noStrand", seat));
        if (section.hitch() != Section.Hitch.NOOSE_KNOT) {
            folded(section.seats());
        }
        return true;
    }

    private void folded(List<Seat> seats) {
        boolean straight = pattern.roles().stream().anyMatch(r -> !r.folded() && r.takes(seats));
        if (straight) {
            fault(at, "pattern.notFolded");
        }
    }

    @Override
    public Boolean eye(Eye section) {
        seats(section.seats());
        folded(section.seats());
        return true;
    }

    @Override
    public Boolean body(Body section) {
        if (section.extent() instanceof Extent.Repeats repeats
                && (repeats.count() < 1 || repeats.count() > MOST_REPEATS)) {
            fault(at, "pattern.count", 1, MOST_REPEATS, repeats.count());
        }
        if (section.stitch().code().startsWith(OwnStitch.PREFIX)
                && OwnStitch.of(section.stitch()).isEmpty()) {
            StitchRules.check(section.stitch())
                    .forEach(f -> faults.add(new Fault(at + ".stitch." + f.field(), f.code(), f.args())));
        }
        for (Seat place : List.of(Seat.WORKING, Seat.FALL, Seat.EDGE)) {
            int needed = section.stitch().pathsOf(place);
            int there = pattern.runsIn(section.legsOf(place));
            boolean asked = section.seats().containsKey(place) || needed > 0;
            if (needed > 0) {
                used.addAll(section.legsOf(place));
            }
            if (asked && needed != there) {
                fault(at, "pattern.legs", section.stitch().code(), place, needed, there);
            }
        }
        int cores = pattern.runsIn(section.legsOf(Seat.CORE));
        if (section.stitch().cores().most() > 0) {
            used.addAll(section.legsOf(Seat.CORE));
            if (!section.stitch().cores().allows(cores)) {
                fault(
                        at,
                        "pattern.cores",
                        section.stitch().code(),
                        section.stitch().cores().least(),
                        section.stitch().cores().most(),
                        cores);
            }
        }
        section.motif().ifPresent(motif -> {
            seats(motif.seats());
            part(motif.hardware(), Hardware.Kind.BEAD);
            if (motif.every() < 0 || motif.every() > MOST_REPEATS) {
                fault(at, "pattern.count", 0, MOST_REPEATS, motif.every());
            }
        });
        return true;
    }

    @Override
    public Boolean knot(Knot section) {
        seats(section.seats());
        if (section.wraps() < 1 || section.wraps() > 20) {
            fault(at, "pattern.count", 1, 20, section.wraps());
        }
        pair(section.kind(), section.seats());
        tiedBy(section.tiedBy(), section.seats());
        return true;
    }

    /** Who ties is one of those who are there, and not all of them. */
    private void tiedBy(List<Seat> ties, List<Seat> seats) {
        if (!seats.containsAll(ties)) {
            fault(at, "pattern.tiedBy");
        }
    }

    /** Knots of two strands need two. */
    private void pair(KnotKind kind, List<Seat> seats) {
        boolean two = kind == KnotKind.CONNECTING
                || kind == KnotKind.SNAKE
                || kind == KnotKind.SIMPLE_STOP
                || kind == KnotKind.BUTTON;
        if (two && pattern.runsIn(seats) < 2) {
            fault(at, "pattern.pair", kind, pattern.runsIn(seats));
        }
    }

    @Override
    public Boolean threaded(Threaded section) {
        seats(section.seats());
        part(section.hardware(), Hardware.Kind.BEAD, Hardware.Kind.SLIDE_BEAD);
        if (section.count() < Threaded.ALL_AROUND || section.count() > MOST_BEADS) {
            fault(at, "pattern.count", 0, MOST_BEADS, section.count());
        }
        return true;
    }

    @Override
    public Boolean slider(Slider section) {
        seats(section.tails());
        used.add(Seat.CLOSURE);
        if (pattern.runsIn(Seat.CLOSURE) != 2) {
            fault(at, "pattern.closureStrand", pattern.runsIn(Seat.CLOSURE));
        }
        if (section.halfKnots() < 4 || section.halfKnots() > 60) {
            fault(at, "pattern.count", 4, 60, section.halfKnots());
        }
        return true;
    }

    @Override
    public Boolean slideBead(SlideBead section) {
        seats(section.tails());
        part(section.hardware(), Hardware.Kind.SLIDE_BEAD);
        return true;
    }

    @Override
    public Boolean slidingKnots(SlidingKnots section) {
        seats(section.tails());
        if (section.wraps() < 2 || section.wraps() > 12) {
            fault(at, "pattern.count", 2, 12, section.wraps());
        }
        return true;
    }

    @Override
    public Boolean noose(Noose section) {
        seats(section.tails());
        folded(section.tails());
        pair(section.stop(), section.tails());
        return true;
    }

    @Override
    public Boolean stopper(Stopper section) {
        seats(section.seats());
        if (section.kind() instanceof StopperKind.Part part) {
            part(part.hardware(), Hardware.Kind.BEAD, Hardware.Kind.BUTTON);
        } else if (section.kind() instanceof StopperKind.Knotted knotted) {
            pair(knotted.knot(), section.seats());
        }
        return true;
    }

    @Override
    public Boolean buttonhole(Buttonhole section) {
        used.add(Seat.WORKING);
        if (pattern.runsIn(Seat.WORKING) < 2) {
            fault(at, "pattern.pair", "BUTTONHOLE", pattern.runsIn(Seat.WORKING));
        }
        seats(section.seats());
        tiedBy(section.tiedBy(), section.seats());
        if (section.tiedBy().isEmpty()) {
            fault(at, "pattern.noSeat");
        }
        return true;
    }

    @Override
    public Boolean tuckBack(TuckBack section) {
        seats(section.seats());
        section.hardware()
                .ifPresent(slot -> part(slot, Hardware.Kind.BUCKLE, Hardware.Kind.SHACKLE, Hardware.Kind.CLASP));
        return true;
    }

    @Override
    public Boolean wrapped(Wrapped section) {
        seats(section.seats());
        used.add(Seat.WRAP);
        if (pattern.runsIn(Seat.WRAP) != 1) {
            fault(at, "pattern.wrapStrand", pattern.runsIn(Seat.WRAP));
        }
        if (section.turns() < 2 || section.turns() > 40) {
            fault(at, "pattern.count", 2, 40, section.turns());
        }
        return true;
    }

    @Override
    public Boolean fringe(Fringe section) {
        seats(section.seats());
        if (section.length().isNegative()) {
            fault(at, "pattern.fringe", section.length());
        }
        return true;
    }

    @Override
    public Boolean endBeads(EndBeads section) {
        seats(section.seats());
        part(section.hardware(), Hardware.Kind.BEAD);
        if (section.wraps() < 1 || section.wraps() > 20) {
            fault(at, "pattern.count", 1, 20, section.wraps());
        }
        tiedBy(section.tiedBy(), section.seats());
        return true;
    }

    @Override
    public Boolean attached(Attached section) {
        if (pattern.hardware(section.hardware()).isEmpty()) {
            fault(at, "pattern.noPart", section.hardware());
        }
        return true;
    }
}
