package dev.restis.core.piece;

import static dev.restis.core.piece.Examples.usual;
import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.cord.Cord;
import dev.restis.core.cord.Hardware;
import dev.restis.core.cord.Hardware.Kind;
import dev.restis.core.fit.Ease;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.PatternBook;
import dev.restis.core.pattern.Role;
import dev.restis.core.pattern.Section;
import dev.restis.core.piece.Check.Verdict;
import dev.restis.core.piece.PieceRequest.Part;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What is judged before anything is cut, at the edges of each verdict. */
class ChecksTest {

    private static Pattern pattern(String code) {
        return PatternBook.byCode(code).orElseThrow();
    }

    private static PieceRequest with(String code, String slot, Hardware part) {
        PieceRequest usual = usual(pattern(code));
        Map<String, Part> parts = new HashMap<>(usual.parts());
        parts.put(slot, new Part(part, 0));
        return usual.with(parts);
    }

    private static Check check(PieceRequest request, String code) {
        return Examples.worked(request).checks().stream()
                .filter(c -> c.code().equals(code))
                .findFirst()
                .orElseThrow();
    }

    /** Four cords of 3 mm worked at 2.85 lie 11.4 mm wide, hitched 12.54: on 13 mm good, on 11 tight, on 10 not at all. */
    @ParameterizedTest
    @CsvSource({"13, GOOD", "11, TIGHT", "10, NO"})
    void cordsOnTheBarOfABuckle(double inner, Verdict verdict) {
        Check check = check(with("figure-eight-4", "buckle", Hardware.of(Kind.BUCKLE, 28, inner, 3)), "bar");
        assertThat(check.verdict()).isEqualTo(verdict);
        assertThat(check.part()).isEqualTo("buckle");
        assertThat(check.lengths()).containsEntry("width", new Length(12_540));
    }

    /** Two cords of 2 mm, folded over a ring: four legs worked at 1.9 and hitched lie 8.36 mm wide. */
    @ParameterizedTest
    @CsvSource({"9, GOOD", "8, TIGHT", "7, NO"})
    void aFobOnItsRing(double inner, Verdict verdict) {
        Check check = check(with("spiral-fob", "ring", Hardware.of(Kind.RING, inner, 2)), "bar");
        assertThat(check.verdict()).isEqualTo(verdict);
        assertThat(check.lengths()).containsEntry("width", new Length(8_360));
    }

    /** Four leather tails of 2 mm make 4.828 mm: they fill 5.4 to 0.894, slip in 6.5, and do not go through 4.6. */
    @ParameterizedTest
    @CsvSource({"5.4, GOOD, GOOD", "6.5, GOOD, NO", "5.0, TIGHT, GOOD", "4.6, NO, GOOD"})
    void aSlideBeadMustPassAndGrip(double hole, Verdict passes, Verdict grips) {
        PieceRequest request = with("leather", "slide bead", Hardware.of(Kind.SLIDE_BEAD, 9, 10, hole));
        WorkedPiece piece = Examples.worked(request);
        assertThat(piece.checks())
                .filteredOn(c -> c.part().equals("slide bead"))
                .extracting(Check::code, Check::verdict)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple("hole", passes),
                        org.assertj.core.groups.Tuple.tuple("grips", grips));
    }

    /** A hand of 210 over 183.9 mm inside stretches 1.14 times; one of 270 mm 1.47 times, one of 300 mm 1.63 times. */
    @ParameterizedTest
    @CsvSource({"210, GOOD", "270, TIGHT", "300, NO"})
    void elasticStretchesOverTheHand(long hand, Verdict verdict) {
        PieceRequest.Size size = new PieceRequest.Size.Wrist(
                Length.ofMillimetres(165L), Length.ofMillimetres(hand), false, Ease.COMFORTABLE);
        assertThat(check(usual(pattern("elastic-beads")).with(size), "stretches")
                        .verdict())
                .isEqualTo(verdict);
    }

    @Test
    void aBigButtonOnThinHitchesHoldsAndItsHoleIsNamed() {
        Check eye = check(usual(pattern("alternating")), "eye");
        assertThat(eye.verdict()).isEqualTo(Verdict.GOOD);
        assertThat(eye.lengths().get("inside"))
                .isGreaterThanOrEqualTo(eye.lengths().get("ideal"));
    }

    @Test
    void unlikeGaugesThatTieTogetherAreTight() {
        PieceRequest snake = usual(PatternBook.SNAKE);
        List<Cord> cords = new ArrayList<>(snake.cords());
        cords.set(1, Examples.polyester(3));
        PieceRequest uneven = new PieceRequest(snake.pattern(), cords, snake.size(), snake.parts(), snake.house());
        assertThat(check(uneven, "unequal").verdict()).isEqualTo(Verdict.TIGHT);
        assertThat(Examples.worked(snake).checks()).noneMatch(c -> c.code().equals("unequal"));
    }

    @Test
    void threadingIsToldBeforeTheWayIsClosed() {
        assertThat(Examples.worked(usual(pattern("ladder-two"))).threading())
                .extracting(WorkedPiece.ThreadingStep::code)
                .containsExactly("thread.fuse");
        assertThat(Examples.worked(usual(pattern("leather"))).threading())
                .extracting(WorkedPiece.ThreadingStep::code, WorkedPiece.ThreadingStep::part)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple("thread.inLine", "button"),
                        org.assertj.core.groups.Tuple.tuple("thread.slideBead", "slide bead"),
                        org.assertj.core.groups.Tuple.tuple("thread.endBeads", "end bead"));
    }

    @Test
    void aKitOfAChildNeedsNoFlameOrIsRefused() {
        PieceRequest usual = usual(PatternBook.SNAKE);
        PieceRequest.House kit =
                new PieceRequest.House(usual.house().margin(), usual.house().cuttingStep(), Learned.NOTHING, true);
        PieceRequest child = usual.with(kit).with(Wearer.CHILD);
        assertThat(check(child, "ends.kit").verdict()).isEqualTo(Verdict.GOOD);
        List<Cord> waxed = List.of(Examples.cord("waxed-polyester", 2), Examples.cord("waxed-polyester", 2));
        PieceRequest noGlue = new PieceRequest(
                usual.pattern(), waxed, usual.size(), usual.parts(), kit, Wearer.CHILD, false, Set.of());
        assertThat(check(noGlue, "ends.kit").verdict()).isEqualTo(Verdict.NO);
        assertThat(Examples.worked(usual.with(kit)).checks())
                .noneMatch(c -> c.code().equals("ends.kit"));
    }

    @Test
    void cautionsFollowMaterialAndUse() {
        assertThat(Examples.worked(usual(pattern("neck-plain"))).cautions())
                .contains(Caution.NECK, Caution.FLAME)
                .doesNotContain(Caution.NO_FLAME);
        assertThat(Examples.worked(usual(pattern("leather"))).cautions())
                .contains(Caution.LEATHER, Caution.NO_FLAME, Caution.GLUE)
                .doesNotContain(Caution.FLAME, Caution.NECK);
    }

    /** Cotton frays: 22 beads threaded on it are two re-trims of 10 mm; polyester takes none. */
    @Test
    void naturalsAreTrimmedAgainWhileBeadsAreThreaded() {
        PieceRequest cotton = usual(pattern("bead-and-knot"));
        List<Cord> cords = List.of(Examples.cord("cotton", 1.5), Examples.cord("cotton", 1.5));
        WorkedPiece piece = Examples.worked(
                new PieceRequest(cotton.pattern(), cords, cotton.size(), cotton.parts(), cotton.house()));
        int beads = piece.hardware().getOrDefault("bead", 0);
        assertThat(piece.strands().get(0).legs().get(0).terms())
                .filteredOn(t -> t.code().equals("tail.reTrim"))
                .singleElement()
                .satisfies(t -> assertThat(t.count()).isEqualTo(beads / 10));
        assertThat(Examples.worked(cotton).strands().get(0).legs().get(0).terms())
                .noneMatch(t -> t.code().equals("tail.reTrim"));
    }

    @ParameterizedTest
    @CsvSource({
        "neck-plain, ADULT, wearer.neck, GOOD",
        "neck-plain, CHILD, wearer.neck, TIGHT",
        "neck-plain, UNDER_THREE, wearer.neck, NO",
        "leather, UNDER_THREE, wearer.parts, NO",
        "leather, CHILD, wearer.child, TIGHT",
        "snake, UNDER_THREE, wearer.child, TIGHT"
    })
    void theYoungerTheWearerTheLessIsGood(String code, Wearer wearer, String check, Verdict verdict) {
        assertThat(check(usual(pattern(code)).with(wearer), check).verdict()).isEqualTo(verdict);
    }

    @Test
    void aNeckLanyardOpensAtAJointBetweenItsEnds() {
        assertThat(check(usual(pattern("neck-plain")), "breakaway").verdict()).isEqualTo(Verdict.GOOD);
    }

    /** Left out, or hung at the end like a clip, it lets nothing go. */
    @ParameterizedTest
    @ValueSource(strings = {"breakaway.none", "breakaway.tied"})
    void aNeckLanyardThatDoesNotOpenIsTakenByNobodyButTheOwnerAndForAnAdult(String code) {
        PieceRequest request = closed(code.equals("breakaway.none"));
        Check no = check(request, code);
        assertThat(no.verdict()).isEqualTo(Verdict.NO);
        assertThat(no.acceptable(Wearer.ADULT)).contains(Check.BREAKAWAY);
        assertThat(no.acceptable(Wearer.CHILD)).isEmpty();
        PieceRequest taken = request.accepting(Set.of(Check.BREAKAWAY));
        Check accepted = check(taken, "breakaway.accepted");
        assertThat(accepted.verdict()).isEqualTo(Verdict.TIGHT);
        assertThat(accepted.acceptable(Wearer.ADULT)).isEmpty();
        assertThat(check(taken.with(Wearer.CHILD), code).verdict()).isEqualTo(Verdict.NO);
    }

    private static PieceRequest closed(boolean without) {
        Pattern plain = pattern("neck-plain");
        List<Section> sections = plain.sections().stream()
                .<Section>mapMulti((section, kept) -> {
                    if (!(section instanceof Section.Attached a) || !a.within()) {
                        kept.accept(section);
                    } else if (!without) {
                        kept.accept(new Section.Attached(a.hardware(), false));
                    }
                })
                .toList();
        return usual(new Pattern(
                plain.code(),
                plain.name(),
                plain.kind(),
                plain.cords(),
                plain.hardware().stream()
                        .filter(h -> !without || h.kind() != Kind.BREAKAWAY)
                        .toList(),
                plain.roles(),
                sections,
                plain.usualLength()));
    }

    /** Two colours become one strand at a flame, which cotton does not melt in. */
    @Test
    void onlyWhatMeltsIsFused() {
        Pattern fused = PatternBook.all().stream()
                .filter(p -> p.roles().stream().anyMatch(Role::fused))
                .findFirst()
                .orElseThrow();
        PieceRequest usual = usual(fused);
        assertThat(Examples.worked(usual).checks()).noneMatch(c -> c.code().equals("fused"));
        List<Cord> cords = usual.cords().stream()
                .map(c -> Examples.cord("cotton", c.diameter().toMillimetres()))
                .toList();
        PieceRequest cotton = new PieceRequest(fused, cords, usual.size(), usual.parts(), usual.house());
        assertThat(check(cotton, "fused").verdict()).isEqualTo(Verdict.NO);
    }

    /** Four leather tails of 4.828 mm fill a hole of 5.0 to 0.966; one of 4.6 to 1.05, which no taper mends. */
    @ParameterizedTest
    @CsvSource({"5.0, hole.tapered, GOOD", "4.6, hole, NO"})
    void taperedEndsPassWhatIsTight(double hole, String code, Verdict verdict) {
        WorkedPiece piece = Examples.worked(with("leather", "slide bead", Hardware.of(Kind.SLIDE_BEAD, 9, 10, hole))
                .withTaperedEnds());
        assertThat(piece.checks())
                .filteredOn(c -> c.part().equals("slide bead") && c.code().startsWith("hole"))
                .singleElement()
                .satisfies(c -> {
                    assertThat(c.code()).isEqualTo(code);
                    assertThat(c.verdict()).isEqualTo(verdict);
                });
        assertThat(piece.threading().get(0).code()).isEqualTo("thread.taper");
    }
}
