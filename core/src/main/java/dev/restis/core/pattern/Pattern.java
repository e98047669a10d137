package dev.restis.core.pattern;

import dev.restis.core.measure.Length;
import dev.restis.core.stitch.Seat;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;

/**
 * A pattern: what a piece is composed of, as data. Whether the parts go together is for {@link PatternRules} to say.
 *
 * @param code stable key, also used in files
 * @param name plain descriptive name
 * @param kind what it is, and so what it is sized by
 * @param cords the cords it takes, in the order they are chosen
 * @param hardware the parts it takes, in the order they are chosen
 * @param roles in the order they are cut
 * @param sections in the order they are made
 * @param usualLength finished length offered for a piece that is not sized by the wrist; zero for one that is
 */
public record Pattern(
        String code,
        String name,
        Kind kind,
        List<CordSlot> cords,
        List<HardwareSlot> hardware,
        List<Role> roles,
        List<Section> sections,
        Length usualLength) {

    /** What a piece is. */
    public enum Kind {
        BRACELET,
        FOB,
        NECK_LANYARD,
        WRIST_LANYARD;

        /** Whether it is sized by a wrist; else by its finished length. */
        public boolean sizedByWrist() {
            return this == BRACELET;
        }
    }

    /** How a piece opens and shuts. */
    public enum Closure {
        SLIDER,
        SLIDE_BEAD,
        SLIDING_KNOTS,
        NOOSE,
        LOOP,
        BUTTONHOLE,
        BUCKLE,
        ELASTIC,
        NONE;

        /** Whether its length can be changed while worn. */
        public boolean slides() {
            return this == SLIDER || this == SLIDE_BEAD || this == SLIDING_KNOTS || this == NOOSE;
        }
    }

    public Pattern {
        cords = List.copyOf(cords);
        hardware = List.copyOf(hardware);
        roles = List.copyOf(roles);
        sections = List.copyOf(sections);
    }

    public <S extends Section> List<S> all(Class<S> kind) {
        List<S> all = new ArrayList<>();
        for (Section section : sections) {
            if (kind.isInstance(section)) {
                all.add(kind.cast(section));
            }
        }
        return all;
    }

    public <S extends Section> Optional<S> first(Class<S> kind) {
        for (Section section : sections) {
            if (kind.isInstance(section)) {
                return Optional.of(kind.cast(section));
            }
        }
        return Optional.empty();
    }

    /** The bodies that share what the other sections leave. */
    public List<Section.Body> stretching() {
        return all(Section.Body.class).stream()
                .filter(b -> b.extent() instanceof Section.Extent.Rest)
                .toList();
    }

    /** How many strands lie side by side in {@code seats}: a leg that runs there and back counts for each run. */
    public int runsIn(Collection<Seat> seats) {
        int runs = 0;
        for (Role role : roles) {
            runs += role.runsIn(seats);
        }
        return runs;
    }

    public int runsIn(Seat seat) {
        return runsIn(List.of(seat));
    }

    /** How many free ends the legs in {@code seats} have: two of a straight strand, one of a folded one's leg. */
    public int endsIn(Collection<Seat> seats) {
        int ends = 0;
        for (Role role : roles) {
            ends += role.endsIn(seats);
        }
        return ends;
    }

    /** Whether a leg turns in such a way. */
    public boolean turns(Class<? extends Course.Turn> kind) {
        for (Role role : roles) {
            for (Leg leg : role.legs()) {
                for (Course course : leg.courses()) {
                    if (kind.isInstance(course.turn())) {
                        return true;
                    }
                }
            }
        }
        return false;
    }

    public Optional<HardwareSlot> hardware(String slot) {
        return hardware.stream().filter(h -> h.code().equals(slot)).findFirst();
    }

    public Closure closure() {
        if (first(Section.Slider.class).isPresent()) {
            return Closure.SLIDER;
        } else if (first(Section.SlideBead.class).isPresent()) {
            return Closure.SLIDE_BEAD;
        } else if (first(Section.SlidingKnots.class).isPresent()) {
            return Closure.SLIDING_KNOTS;
        } else if (first(Section.Noose.class).isPresent()) {
            return Closure.NOOSE;
        } else if (first(Section.Buttonhole.class).isPresent()) {
            return Closure.BUTTONHOLE;
        } else if (first(Section.Eye.class).isPresent() || turns(Course.Turn.Ear.class)) {
            return Closure.LOOP;
        } else if (all(Section.TuckBack.class).stream()
                        .anyMatch(t -> t.hardware().isPresent())
                || turns(Course.Turn.AtPart.class)) {
            return Closure.BUCKLE;
        }
        boolean around = all(Section.Threaded.class).stream().anyMatch(t -> t.count() == Section.Threaded.ALL_AROUND);
        return around ? Closure.ELASTIC : Closure.NONE;
    }
}
