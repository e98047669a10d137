package dev.restis.core.pattern;

import dev.restis.core.cord.Hardware;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Pattern.Kind;
import dev.restis.core.stitch.Seat;
import java.util.ArrayList;
import java.util.List;

/** Writes a shipped pattern down part by part. */
final class Draft {

    /** House colours that patterns are shown in. */
    static final String NIGHT_TIDE = "#22365C";

    static final String EMBER = "#C4472E";
    static final String LICHEN = "#8D9C5A";
    static final String OAT = "#D8C8A8";
    static final String HEATHER = "#8F6B9B";
    static final String BRINE = "#5B9BA3";
    static final String MARIGOLD = "#E2A624";
    static final String DUNE = "#C9A877";
    static final String PITCH = "#24282C";

    private final String code;
    private final String name;
    private final Kind kind;
    private final Length usual;
    private final List<CordSlot> cords = new ArrayList<>();
    private final List<HardwareSlot> hardware = new ArrayList<>();
    private final List<Role> roles = new ArrayList<>();
    private final List<Section> sections = new ArrayList<>();

    private Draft(String code, String name, Kind kind, Length usual) {
        this.code = code;
        this.name = name;
        this.kind = kind;
        this.usual = usual;
    }

    static Draft bracelet(String code, String name) {
        return new Draft(code, name, Kind.BRACELET, Length.ZERO);
    }

    static Draft piece(Kind kind, String code, String name, long millimetres) {
        return new Draft(code, name, kind, Length.ofMillimetres(millimetres));
    }

    Draft cord(String slot, double gauge, String colour) {
        cords.add(new CordSlot(slot, Length.ofMillimetres(gauge), colour));
        return this;
    }

    Draft part(String slot, Hardware usualPart) {
        hardware.add(HardwareSlot.needed(slot, usualPart));
        return this;
    }

    /** A part that may be left out. */
    Draft extra(String slot, Hardware usualPart) {
        hardware.add(new HardwareSlot(slot, usualPart, true, 0));
        return this;
    }

    Draft beads(int most, Hardware usualPart) {
        hardware.add(HardwareSlot.upTo(most, "bead", usualPart));
        return this;
    }

    Draft straight(String role, int cord, int count, Seat seat) {
        roles.add(Role.straight(role, cord, count, seat));
        return this;
    }

    Draft folded(String role, int cord, int count, Seat seat) {
        return folded(role, cord, count, seat, seat);
    }

    Draft folded(String role, int cord, int count, Seat first, Seat second) {
        roles.add(Role.folded(role, cord, count, first, second));
        return this;
    }

    /** A cord folded off its middle or back over itself. */
    Draft folded(String role, int cord, int count, Leg first, Leg second) {
        roles.add(new Role(role, List.of(cord), count, List.of(first, second)));
        return this;
    }

    /** Two cords joined at the fold, each a leg that runs as {@code leg}. */
    Draft fused(String role, int first, int second, int count, Leg leg) {
        roles.add(new Role(role, List.of(first, second), count, List.of(leg, leg)));
        return this;
    }

    Draft fused(String role, int first, int second, int count, Seat seat) {
        roles.add(Role.fused(role, first, second, count, seat));
        return this;
    }

    /** The strand that ties the slider. */
    Draft closing(int cord) {
        return folded("slider", cord, 1, Seat.CLOSURE);
    }

    Draft then(Section section) {
        sections.add(section);
        return this;
    }

    Pattern pattern() {
        return new Pattern(code, name, kind, cords, hardware, roles, sections, usual);
    }
}
