package dev.restis.core.piece;

import dev.restis.core.pattern.Course.Turn;
import dev.restis.core.pattern.Leg;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.PatternBook;
import dev.restis.core.pattern.Role;
import dev.restis.core.pattern.Section;
import dev.restis.core.pattern.Section.Body;
import dev.restis.core.pattern.Section.EndBeads;
import dev.restis.core.pattern.Section.Hitch;
import dev.restis.core.pattern.Section.Knot;
import dev.restis.core.pattern.Section.KnotKind;
import dev.restis.core.pattern.Section.Mount;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitches;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** Patterns that nobody wrote: shipped ones changed here and there. Many of them break a rule. */
public final class Compositions {

    private static final List<Seat> SEATS =
            List.of(Seat.CORE, Seat.WORKING, Seat.SECOND_CORE, Seat.SECOND_WORKING, Seat.FALL, Seat.EDGE);

    private final Random random;
    private int made;

    public Compositions(long seed) {
        this.random = new Random(seed);
    }

    /** Each shipped pattern in its turn, changed one to four times. */
    public Pattern next() {
        return changed(PatternBook.all().get(made++ % PatternBook.all().size()), 1 + random.nextInt(4));
    }

    private Pattern changed(Pattern pattern, int times) {
        List<Role> roles = new ArrayList<>(pattern.roles());
        List<Section> sections = new ArrayList<>(pattern.sections());
        for (int t = 0; t < times; t++) {
            switch (random.nextInt(7)) {
                case 0 -> sections.replaceAll(s -> s instanceof Body body ? otherStitch(body) : s);
                case 1 -> sections.add(random.nextInt(sections.size() + 1), knot());
                case 2 -> turned(pattern, roles);
                case 3 -> roles.set(random.nextInt(roles.size()), moreOf(any(roles)));
                case 4 -> sections.add(random.nextInt(sections.size()), hung());
                case 5 ->
                    sections.replaceAll(s -> s instanceof EndBeads e
                            ? new EndBeads(
                                    e.hardware(), e.seats(), random.nextBoolean(), 1 + random.nextInt(3), List.of())
                            : s);
                default ->
                    sections.replaceAll(
                            s -> s instanceof Mount m && m.hardware().isPresent()
                                    ? new Mount(m.hardware().get(), any(List.of(Hitch.values())), m.seats(), m.within())
                                    : s);
            }
        }
        return new Pattern(
                pattern.code(),
                pattern.name(),
                pattern.kind(),
                pattern.cords(),
                pattern.hardware(),
                roles,
                sections,
                pattern.usualLength());
    }

    private <T> T any(List<T> list) {
        return list.get(random.nextInt(list.size()));
    }

    private Body otherStitch(Body body) {
        return new Body(any(Stitches.all()), body.extent(), body.motif(), body.seats(), body.within());
    }

    private Knot knot() {
        List<Seat> seats = List.of(any(SEATS));
        return new Knot(
                any(List.of(KnotKind.values())),
                1 + random.nextInt(4),
                seats,
                random.nextInt(4) == 0 ? seats : List.of(),
                random.nextBoolean());
    }

    private Mount hung() {
        return Mount.onStrands(List.of(any(SEATS)), any(List.of(Hitch.values())), List.of(any(SEATS)));
    }

    private static Role moreOf(Role role) {
        return new Role(role.code(), role.slots(), role.count() + 1, role.legs());
    }

    /** One leg goes back and forth once more. */
    private void turned(Pattern pattern, List<Role> roles) {
        int at = random.nextInt(roles.size());
        Role role = roles.get(at);
        Turn turn = pattern.hardware().isEmpty() || random.nextBoolean()
                ? random.nextInt(4) == 0 ? new Turn.Ear() : new Turn.Back()
                : new Turn.AtPart(any(pattern.hardware()).code());
        List<Leg> legs = new ArrayList<>(role.legs());
        int leg = random.nextInt(legs.size());
        if (legs.get(leg).courses().size() < Leg.MOST) {
            legs.set(leg, legs.get(leg).then(turn, any(SEATS)));
        }
        roles.set(at, new Role(role.code(), role.slots(), role.count(), legs));
    }
}
