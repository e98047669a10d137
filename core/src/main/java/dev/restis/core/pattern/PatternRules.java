package dev.restis.core.pattern;

import dev.restis.core.cord.Hardware;
import dev.restis.core.measure.Fault;
import dev.restis.core.pattern.Section.Buttonhole;
import dev.restis.core.pattern.Section.Eye;
import dev.restis.core.pattern.Section.Noose;
import dev.restis.core.pattern.Section.SlideBead;
import dev.restis.core.pattern.Section.Slider;
import dev.restis.core.pattern.Section.SlidingKnots;
import dev.restis.core.pattern.Section.Stopper;
import dev.restis.core.pattern.Section.TuckBack;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Says everything that keeps a pattern from being made: a pattern without faults can be worked out. */
public final class PatternRules {

    private static final int MOST_CORDS = 8;
    private static final int MOST_HARDWARE = 8;
    private static final int MOST_ROLES = 12;
    private static final int MOST_SECTIONS = 24;
    private static final int MOST_BEADS = 100;
    private static final int MOST_STRANDS = 24;

    /**
     * Patterns that passed lately, by identity: they are immutable, and every piece asks. Written without a lock; a thread that
     * misses another's entry checks once more.
     */
    private static final Pattern[] PASSED = new Pattern[256];

    private final Pattern pattern;
    private final List<Fault> faults = new ArrayList<>();
    private final SectionRules sections;

    private PatternRules(Pattern pattern) {
        this.pattern = pattern;
        this.sections = new SectionRules(pattern, faults);
    }

    public static List<Fault> check(Pattern pattern) {
        int place = System.identityHashCode(pattern) & (PASSED.length - 1);
        if (PASSED[place] == pattern) {
            return List.of();
        }
        PatternRules rules = new PatternRules(pattern);
        rules.checkLists();
        rules.checkRoles();
        rules.sections.check();
        rules.checkWhole();
        if (rules.faults.isEmpty()) {
            PASSED[place] = pattern;
        }
        return List.copyOf(rules.faults);
    }

    private void checkLists() {
        size("cords", pattern.cords(), MOST_CORDS);
        size("roles", pattern.roles(), MOST_ROLES);
        size("sections", pattern.sections(), MOST_SECTIONS);
        if (pattern.hardware().size() > MOST_HARDWARE) {
            fault(
                    "hardware",
                    "pattern.tooMany",
                    MOST_HARDWARE,
                    pattern.hardware().size());
        }
        unique("cords", pattern.cords().stream().map(CordSlot::code).toList());
        unique("hardware", pattern.hardware().stream().map(HardwareSlot::code).toList());
        unique("roles", pattern.roles().stream().map(Role::code).toList());
        for (int i = 0; i < pattern.hardware().size(); i++) {
            int most = pattern.hardware().get(i).chosenCount();
            if (most < 0 || most > MOST_BEADS) {
                fault("hardware[" + i + "].chosenCount", "pattern.count", 0, MOST_BEADS, most);
            }
        }
    }

    private void size(String field, List<?> list, int most) {
        if (list.isEmpty()) {
            fault(field, "pattern.empty");
        } else if (list.size() > most) {
            fault(field, "pattern.tooMany", most, list.size());
        }
    }

    private void unique(String field, List<String> codes) {
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < codes.size(); i++) {
            if (codes.get(i).isBlank()) {
                fault(field + "[" + i + "].code", "missing");
            } else if (!seen.add(codes.get(i))) {
                fault(field + "[" + i + "].code", "pattern.twice", codes.get(i));
            }
        }
    }

    private void checkRoles() {
        int strands = 0;
        for (int i = 0; i < pattern.roles().size(); i++) {
            Role role = pattern.roles().get(i);
            strands += role.count();
            for (int slot : role.slots()) {
                if (slot < 0 || slot >= pattern.cords().size()) {
                    fault(
                            "roles[" + i + "].slots",
                            "pattern.cord",
                            slot + 1,
                            pattern.cords().size());
                }
            }
            for (int leg = 0; leg < role.legs().size(); leg++) {
                turns("roles[" + i + "].legs[" + leg + "]", role.legs().get(leg));
            }
        }
        if (strands > MOST_STRANDS) {
            fault("roles", "pattern.strands", MOST_STRANDS, strands);
        }
    }

    /** A leg turns at what it can turn at. */
    private void turns(String at, Leg leg) {
        for (Course course : leg.courses()) {
            if (course.turn() instanceof Course.Turn.AtPart part) {
                sections.part(
                        at,
                        part.hardware(),
                        Hardware.Kind.RING,
                        Hardware.Kind.CLASP,
                        Hardware.Kind.BUCKLE,
                        Hardware.Kind.SHACKLE,
                        Hardware.Kind.THIMBLE,
                        Hardware.Kind.CENTREPIECE);
            } else if (course.turn() instanceof Course.Turn.Ear
                    && pattern.first(Stopper.class).isEmpty()) {
                fault(at, "pattern.noStopper");
            }
        }
    }

    private void checkWhole() {
        for (int i = 0; i < pattern.roles().size(); i++) {
            Role role = pattern.roles().get(i);
            boolean idleCourse = role.legs().stream()
                    .filter(leg -> leg.courses().size() > 1)
                    .flatMap(leg -> leg.courses().stream())
                    .anyMatch(course -> !sections.used().contains(course.seat()));
            if (!role.takes(sections.used()) || idleCourse) {
                fault("roles[" + i + "].legs", "pattern.idle", role.code());
            }
        }
        long closures = pattern.sections().stream()
                .filter(s -> s instanceof Slider
                        || s instanceof SlideBead
                        || s instanceof SlidingKnots
                        || s instanceof Noose
                        || s instanceof Stopper
                        || s instanceof TuckBack back && back.hardware().isPresent())
                .count();
        boolean around = pattern.closure() == Pattern.Closure.ELASTIC;
        if (closures > 1) {
            fault("sections", "pattern.closures", closures);
        }
        if (pattern.kind().sizedByWrist()
                && closures == 0
                && !around
                && !closesOnItself()
                && pattern.closure() != Pattern.Closure.BUCKLE) {
            fault("sections", "pattern.open");
        }
        if (pattern.stretching().isEmpty() && !around) {
            fault("sections", "pattern.noBody");
        }
        boolean stopper = pattern.first(Stopper.class).isPresent();
        boolean opening = pattern.first(Eye.class).isPresent()
                || pattern.first(Buttonhole.class).isPresent()
                || pattern.turns(Course.Turn.Ear.class);
        if (stopper != opening) {
            fault("sections", stopper ? "pattern.noEye" : "pattern.noStopper");
        }
    }

    private boolean closesOnItself() {
        return pattern.hardware().stream().anyMatch(h -> h.kind() == Hardware.Kind.CLASP);
    }

    private void fault(String field, String code, Object... args) {
        faults.add(Fault.of(field, code, args));
    }
}
