package dev.restis.core.piece;

import dev.restis.core.cord.Cord;
import dev.restis.core.cord.Hardware;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.Role;
import java.util.ArrayList;
import java.util.List;

/** The usual cautions of a piece; its words stand in the message files. The seller follows local rules all the same. */
public enum Caution {
    /** Ends are sealed with an open flame; molten cord sticks to skin. */
    FLAME,
    /** Natural fibre burns: never a flame. */
    NO_FLAME,
    /** Glue: its label, fresh air, drying time before wear. */
    GLUE,
    /** Worn around the neck: a breakaway joint, not for small children, not near machinery. */
    NECK,
    /** Beads and cords are small parts. */
    SMALL_PARTS,
    /** Leather cracks when it is pulled too hard. */
    LEATHER,
    /** Metal on skin. */
    METAL;

    static List<Caution> of(Parts parts) {
        List<Caution> cautions = new ArrayList<>();
        List<Cord> cords = parts.pattern.roles().stream()
                .map(Role::slots)
                .flatMap(List::stream)
                .map(parts::cord)
                .toList();
        if (cords.stream().anyMatch(c -> c.material().heatSealable())) {
            cautions.add(FLAME);
        }
        if (cords.stream().anyMatch(c -> !c.material().heatSealable())) {
            cautions.add(NO_FLAME);
            cautions.add(GLUE);
        }
        if (parts.pattern.kind() == Pattern.Kind.NECK_LANYARD) {
            cautions.add(NECK);
        }
        if (cords.stream().anyMatch(c -> c.material().code().equals("leather"))) {
            cautions.add(LEATHER);
        }
        if (parts.pattern.hardware().stream().anyMatch(h -> h.kind() != Hardware.Kind.BEAD)) {
            cautions.add(METAL);
        }
        cautions.add(SMALL_PARTS);
        return cautions;
    }
}
