package dev.restis.core.piece;

import dev.restis.core.pattern.Section;
import dev.restis.core.pattern.Section.EndBeads;
import dev.restis.core.pattern.Section.Threaded;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Counts the parts that a piece takes. */
final class HardwareCounter {

    /** A closed piece has two ends. */
    static final int SIDES = 2;

    private HardwareCounter() {}

    /** How many of each slot's part, in the pattern's order; slots that take none are left out. */
    static Map<String, Integer> count(Parts parts, PieceFit fit) {
        Map<String, Integer> counts = new LinkedHashMap<>();
        for (var slot : parts.pattern.hardware()) {
            if (parts.part(slot.code()).isPresent()) {
                counts.put(slot.code(), 0);
            }
        }
        for (WorkedBody body : fit.bodies()) {
            body.section().motif().ifPresent(m -> counts.merge(m.hardware(), body.beads(), Integer::sum));
        }
        for (Threaded section : parts.pattern.all(Threaded.class)) {
            counts.merge(section.hardware(), beads(section, parts, fit), Integer::sum);
        }
        for (EndBeads section : parts.pattern.all(EndBeads.class)) {
            int beads = section.together() ? SIDES : parts.pattern.endsIn(section.seats());
            counts.computeIfPresent(section.hardware(), (slot, n) -> n + beads);
        }
        for (String single : singles(parts)) {
            counts.computeIfPresent(single, (slot, n) -> Math.max(n, 1));
        }
        counts.values().removeIf(n -> n == 0);
        return counts;
    }

    static int beads(Threaded section, Parts parts, PieceFit fit) {
        return switch (section.count()) {
            case Threaded.ALL_AROUND -> fit.around();
            case Threaded.CHOSEN -> parts.chosen(section.hardware());
            default -> section.count();
        };
    }

    /** Slots of parts that a section uses one of, however often it is named. */
    private static List<String> singles(Parts parts) {
        return parts.pattern.sections().stream()
                .flatMap(section -> {
                    if (section instanceof Section.Mount mount) {
                        return mount.hardware().stream();
                    } else if (section instanceof Section.SlideBead bead) {
                        return java.util.stream.Stream.of(bead.hardware());
                    } else if (section instanceof Section.Attached attached) {
                        return java.util.stream.Stream.of(attached.hardware());
                    } else if (section instanceof Section.Stopper stopper
                            && stopper.kind() instanceof Section.StopperKind.Part part) {
                        return java.util.stream.Stream.of(part.hardware());
                    }
                    return java.util.stream.Stream.empty();
                })
                .toList();
    }
}
