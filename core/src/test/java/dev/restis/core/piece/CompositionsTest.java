package dev.restis.core.piece;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.measure.Length;
import dev.restis.core.measure.Sum.Term;
import dev.restis.core.pattern.Course.Turn;
import dev.restis.core.pattern.Leg;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.PatternBook;
import dev.restis.core.pattern.PatternRules;
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
import org.junit.jupiter.api.Test;

/** Whatever is composed: it is refused with a reason, or it can be cut. */
class CompositionsTest {

    private static final int COMPOSED = 10_000;
    private static final List<Seat> SEATS =
            List.of(Seat.CORE, Seat.WORKING, Seat.SECOND_CORE, Seat.SECOND_WORKING, Seat.FALL, Seat.EDGE);

    private final Random random = new Random(20_261_130);

    @Test
    void isRefusedOrCanBeCut() {
        int made = 0;
        for (int n = 0; n < COMPOSED; n++) {
            Pattern pattern =
                    changed(PatternBook.all().get(n % PatternBook.all().size()), 1 + random.nextInt(4));
            if (!PatternRules.check(pattern).isEmpty()) {
                continue;
            }
            WorkOut out = PieceWorker.workOut(Examples.usual(pattern));
            made += out.fold(
                    piece -> {
                        canBeCut(piece);
                        return 1;
                    },
                    faults -> {
                        assertThat(faults).isNotEmpty();
                        return 0;
                    });
        }
        assertThat(made).isGreaterThan(COMPOSED / 10);
    }

    private static void canBeCut(WorkedPiece piece) {
        assertThat(piece.strands()).isNotEmpty();
        for (WorkedStrand strand : piece.strands()) {
            String which = piece.request().pattern() + ": " + strand.role();
            assertThat(strand.sum().total()).as(which).isEqualTo(strand.cutLength());
            assertThat(strand.sum().terms().stream().map(Term::code))
                    .as(which)
                    .anyMatch(code ->
                            !code.startsWith("tail.") && !code.startsWith("margin") && !code.equals("rounding"));
            assertThat(strand.sum().terms().stream().filter(t -> !t.code().equals("rounding")))
                    .as(which)
                    .allMatch(t -> !t.total().isNegative());
            assertThat(strand.tails()).as(which).allMatch(Length::isPositive);
            strand.mark()
                    .map(Mark::at)
                    .ifPresent(fold -> assertThat(fold).as(which).isLessThan(strand.cutLength()));
        }
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
