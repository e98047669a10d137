package dev.restis.core.piece;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.Sum;
import dev.restis.core.pattern.Course;
import dev.restis.core.pattern.Course.Turn;
import dev.restis.core.pattern.Leg;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.PatternBook;
import dev.restis.core.pattern.PatternRules;
import dev.restis.core.pattern.Role;
import dev.restis.core.pattern.Section;
import dev.restis.core.pattern.Section.Body;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.Stitches;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Cords that lay the core first, turn round, and work back down over it. */
class CoursesTest {

    private static Pattern pattern(String code) {
        return PatternBook.byCode(code).orElseThrow();
    }

    private static Pattern tiedIn(Stitch stitch, Pattern pattern) {
        List<Section> sections = pattern.sections().stream()
                .map(s -> s instanceof Body ? Body.of(stitch) : s)
                .toList();
        return changed(pattern, pattern.roles(), sections);
    }

    private static Pattern changed(Pattern pattern, List<Role> roles, List<Section> sections) {
        return new Pattern(
                "own",
                "Own",
                pattern.kind(),
                pattern.cords(),
                pattern.hardware(),
                roles,
                sections,
                pattern.usualLength());
    }

    private static Pattern withLegs(Pattern pattern, Leg first, Leg second) {
        Role role = pattern.roles().get(0);
        return changed(
                pattern, List.of(new Role(role.code(), role.slots(), 1, List.of(first, second))), pattern.sections());
    }

    private static List<String> faults(Pattern pattern) {
        return PatternRules.check(pattern).stream().map(Fault::code).toList();
    }

    /**
     * Six runs in all: at the bar where it begins the hitch of the fold and two returns, four bends of which the hitched two lie
     * a tenth wider, 2.85 * (2.2 + 2) = 11.97; at the other three, 8.55.
     */
    @Test
    void whatLiesOnABarIsBends() {
        Pattern band = pattern("one-cord-6");
        Leg brief = band.roles().get(0).legs().get(0);
        Leg weaver = band.roles().get(0).legs().get(1);
        assertThat(brief.turnsAt("buckle", true) + weaver.turnsAt("buckle", true))
                .isEqualTo(3);
        assertThat(brief.turnsAt("buckle", false) + weaver.turnsAt("buckle", false))
                .isEqualTo(2);
        Check bar = Examples.worked(Examples.usual(band)).checks().stream()
                .filter(c -> c.code().equals("bar"))
                .findFirst()
                .orElseThrow();
        assertThat(bar.lengths()).containsEntry("width", new Length(11_970));
    }

    /**
     * The same band of half hitches: 52 of 1.15 * 2.85, 170.43 mm; each 6 * 2.85 + 2 pi * 2.85 + 2.85 = 37.857. The short leg
     * 14.889 + 3 * 170.43 + 2 * 9.189 + 15 + 48 = 607.56, the long one a bend and 52 hitches more, 2585.31; at 2.0537 spreads of 0.1558
     * (reckoned apart) both are 3946.95, of whose margin the short leg has 14.889 of 1998.34, 5.62; lengths are kept to the micrometre, so that a pitch of 3.2775 is 3.277.
     */
    @Test
    void aBandOfAnotherStitchIsComposedWithoutALineOfCode() {
        WorkedPiece piece = Examples.worked(Examples.usual(tiedIn(Stitches.HALF_HITCH, pattern("one-cord-6"))));
        assertThat(piece.fit().repeats()).isEqualTo(52);
        WorkedStrand cord = piece.strands().get(0);
        assertThat(cord.legs().get(0).total().toMillimetres()).isCloseTo(607.56, within(0.15));
        assertThat(cord.legs().get(1).total().toMillimetres()).isCloseTo(2585.31, within(0.15));
        assertThat(cord.cutLength()).isEqualTo(Length.ofMillimetres(3950));
        assertThat(cord.mark().map(Mark::at)).contains(Length.ofMillimetres(614));
    }

    /** At equal pitch a further run costs a run and a bend in either leg, and never less weaving. */
    @ParameterizedTest
    @ValueSource(strings = {"one-cord-4", "one-cord-6", "one-cord-8"})
    void moreRunsNeverTakeLess(String code) {
        String fewer = "one-cord-" + (Integer.parseInt(code.substring(9)) - 2);
        WorkedPiece wide = Examples.worked(Examples.usual(pattern(code)));
        WorkedPiece slim = Examples.worked(Examples.usual(pattern(fewer)));
        for (int leg = 0; leg < 2; leg++) {
            Length more = wide.strands()
                    .get(0)
                    .legs()
                    .get(leg)
                    .total()
                    .minus(slim.strands().get(0).legs().get(leg).total());
            assertThat(more).isGreaterThanOrEqualTo(wide.fit().bodyLength());
            assertThat(count(wide, leg, "turn.part"))
                    .isGreaterThan(0)
                    .isEqualTo(wide.request()
                                    .pattern()
                                    .roles()
                                    .get(0)
                                    .legs()
                                    .get(leg)
                                    .courses()
                                    .size()
                            - 1);
        }
    }

    private static long count(WorkedPiece piece, int leg, String code) {
        return piece.strands().get(0).legs().get(leg).terms().stream()
                .filter(t -> t.code().equals(code))
                .mapToLong(Sum.Term::count)
                .sum();
    }

    /** Two legs up and down: cores and tying strands are the same two legs, counted once for each run. */
    @Test
    void aSnakeTiesDownOverItsOwnRuns() {
        WorkedPiece piece = Examples.worked(Examples.usual(pattern("snake-thimble")));
        assertThat(piece.fit().bodies().get(0).gauge().cores()).isEqualTo(2);
        assertThat(piece.strands()).hasSize(1);
        assertThat(piece.hardware()).containsEntry("thimble", 1).containsEntry("shackle", 1);
        Sum leg = piece.strands().get(0).legs().get(0);
        assertThat(leg.terms())
                .extracting(Sum.Term::code)
                .contains("body.straight", "turn.part", "body.snake-over-core");
        assertThat(count(piece, 0, "tail.hand")).isEqualTo(1);
    }

    @Test
    void aLegTurnsWhereItCanAndRunsThroughSections() {
        Pattern band = pattern("one-cord-2");
        Leg core = Leg.in(Seat.CORE);
        assertThat(faults(withLegs(band, core, core.then(new Turn.AtPart("ring"), Seat.WORKING))))
                .containsExactly("pattern.noPart");
        assertThat(faults(withLegs(band, core, core.then(new Turn.Ear(), Seat.WORKING))))
                .contains("pattern.noStopper");
        assertThat(faults(withLegs(
                        band,
                        core,
                        core.then(new Turn.AtPart("buckle"), Seat.WORKING).then(new Turn.Back(), Seat.TAB))))
                .containsExactly("pattern.idle");
    }

    @Test
    void everyCourseButTheLastTurns() {
        Course ends = new Course(Seat.CORE, Course.END);
        assertThatIllegalArgumentException().isThrownBy(() -> new Leg(List.of(ends, ends)));
        assertThatIllegalArgumentException().isThrownBy(() -> new Leg(List.of()));
        assertThatIllegalArgumentException().isThrownBy(() -> new Leg(List.of(new Course(Seat.CORE, new Turn.Back()))));
        List<Course> many = new ArrayList<>();
        for (int run = 0; run < Leg.MOST; run++) {
            many.add(new Course(Seat.CORE, new Turn.Back()));
        }
        many.add(ends);
        assertThatIllegalArgumentException().isThrownBy(() -> new Leg(many)).withMessageContaining("8");
    }
}
