package dev.restis.core.pattern;

import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Role.Seat;
import dev.restis.core.stitch.Stitch;
import java.util.List;

/**
 * A pattern: what a piece is composed of, as data.
 *
 * @param code stable key, also used in files
 * @param name plain descriptive name
 * @param kind what it is sized by
 * @param slots the colours it takes, by name key, in order
 * @param roles in the order they are cut
 * @param sections in the order they are made
 * @param gauge diameter of the cord it is meant for
 */
public record Pattern(
        String code,
        String name,
        Kind kind,
        List<String> slots,
        List<Role> roles,
        List<Section> sections,
        Length gauge) {

    /** What a piece is sized by: the wrist, or its finished length. */
    public enum Kind {
        BRACELET,
        FOB
    }

    public Pattern {
        slots = List.copyOf(slots);
        roles = List.copyOf(roles);
        sections = List.copyOf(sections);
        for (Role role : roles) {
            if (role.slot() < 0 || role.slot() >= slots.size()) {
                throw new IllegalArgumentException(
                        "role " + role.code() + " takes colour " + role.slot() + " of " + slots.size());
            }
        }
        if (sections.stream().filter(Section.Body.class::isInstance).count() != 1) {
            throw new IllegalArgumentException("a pattern has one body but " + code + " has another number");
        }
    }

    public Section.Body body() {
        return sections.stream()
                .filter(Section.Body.class::isInstance)
                .map(Section.Body.class::cast)
                .findFirst()
                .orElseThrow();
    }

    public Stitch stitch() {
        return body().stitch();
    }

    /** How many strands run in {@code seat} along the body. */
    public int legsIn(Seat seat) {
        return roles.stream().mapToInt(r -> r.legsIn(seat)).sum();
    }

    public boolean hangsOnRing() {
        return sections.stream().anyMatch(Section.RingMount.class::isInstance);
    }

    /** The first role with a leg in {@code seat}; its cord sets the gauge of that seat. */
    public Role firstIn(Seat seat) {
        return roles.stream()
                .filter(r -> r.legs().contains(seat))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(code + " has no strand in seat " + seat));
    }

    /** How many tails slide on each side. */
    public int tailsPerSide() {
        return roles.stream().filter(Role::slides).mapToInt(Role::count).sum();
    }
}
