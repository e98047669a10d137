package dev.restis.core.pattern;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.restis.core.cord.Hardware;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Section.Body;
import dev.restis.core.pattern.Section.Eye;
import dev.restis.core.pattern.Section.Knot;
import dev.restis.core.pattern.Section.KnotKind;
import dev.restis.core.pattern.Section.Motif;
import dev.restis.core.pattern.Section.Mount;
import dev.restis.core.pattern.Section.Slider;
import dev.restis.core.pattern.Section.Stopper;
import dev.restis.core.pattern.Section.StopperKind;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitches;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A contradiction is named where it stands, and all of them at once. */
class PatternRulesTest {

    private static final List<CordSlot> CORDS = List.of(
            new CordSlot("core", Length.ofMillimetres(2), "#D8C8A8"),
            new CordSlot("working", Length.ofMillimetres(2), "#5B9BA3"));
    private static final Role CORE = Role.straight("core", 0, 2, Seat.CORE);
    private static final Role WORKING = Role.folded("working", 1, 1, Seat.WORKING, Seat.WORKING);
    private static final Role SLIDER = Role.folded("slider", 1, 1, Seat.CLOSURE, Seat.CLOSURE);
    private static final Body BODY = Body.of(Stitches.SQUARE_KNOT);
    private static final Slider CLOSE = new Slider(10, List.of(Seat.CORE));

    private static List<String> codes(
            Pattern.Kind kind, List<HardwareSlot> parts, List<Role> roles, Section... sections) {
        Pattern pattern =
                new Pattern("p", "P", kind, CORDS, parts, roles, List.of(sections), Length.ofMillimetres(900));
        return PatternRules.check(pattern).stream().map(Fault::code).toList();
    }

    private static List<String> bracelet(List<Role> roles, Section... sections) {
        return codes(Pattern.Kind.BRACELET, List.of(), roles, sections);
    }

    @Test
    void aPlainBarIsWhole() {
        assertThat(bracelet(List.of(CORE, WORKING, SLIDER), BODY, CLOSE)).isEmpty();
    }

    @Test
    void whatIsLackingIsNamed() {
        assertThat(bracelet(List.of(CORE, WORKING), BODY)).containsExactly("pattern.open");
        assertThat(bracelet(List.of(CORE, WORKING), BODY, CLOSE)).containsExactly("pattern.closureStrand");
        assertThat(bracelet(List.of(CORE, SLIDER), BODY, CLOSE)).containsExactly("pattern.legs");
        assertThat(bracelet(List.of(WORKING, SLIDER), BODY, new Slider(10, List.of(Seat.WORKING))))
                .containsExactly("pattern.cores");
        assertThat(bracelet(List.of(CORE, WORKING, SLIDER), CLOSE)).containsExactly("pattern.idle", "pattern.noBody");
        assertThat(bracelet(List.of(), BODY)).contains("pattern.empty");
    }

    @Test
    void whatContradictsIsNamed() {
        Role folded = Role.folded("core", 0, 1, Seat.CORE, Seat.CORE);
        Stopper button = new Stopper(new StopperKind.Knotted(KnotKind.BUTTON), List.of(Seat.CORE));
        Eye eye = new Eye(List.of(Seat.CORE));
        assertThat(bracelet(List.of(folded, WORKING), eye, BODY, button)).isEmpty();
        assertThat(bracelet(List.of(CORE, WORKING), eye, BODY, button)).containsExactly("pattern.notFolded");
        assertThat(bracelet(List.of(folded, WORKING), BODY, button)).containsExactly("pattern.noEye");
        assertThat(bracelet(List.of(folded, WORKING, SLIDER), eye, BODY, CLOSE)).containsExactly("pattern.noStopper");
        assertThat(bracelet(List.of(folded, WORKING, SLIDER), eye, BODY, button, CLOSE))
                .containsExactly("pattern.closures");
        assertThat(bracelet(
                        List.of(CORE, WORKING, SLIDER),
                        BODY,
                        CLOSE,
                        new Mount("ring", Section.Hitch.FOLD, List.of(Seat.WORKING), false)))
                .containsExactly("pattern.noPart");
    }

    @Test
    void absurdNumbersAreNamed() {
        Role many = Role.straight("many", 0, 10, Seat.CORE);
        assertThat(bracelet(List.of(many, WORKING, SLIDER), BODY, CLOSE)).containsExactly("pattern.cores");
        assertThat(bracelet(List.of(CORE, WORKING, SLIDER), BODY, new Slider(1000, List.of(Seat.CORE))))
                .containsExactly("pattern.count");
        assertThat(bracelet(List.of(CORE, WORKING, SLIDER), BODY.repeats(100_000), CLOSE))
                .contains("pattern.count");
        assertThat(bracelet(
                        List.of(CORE, WORKING, SLIDER),
                        BODY,
                        CLOSE,
                        new Knot(KnotKind.BARREL, 500, List.of(Seat.CORE), true)))
                .containsExactly("pattern.count");
        List<Section> long_ = new ArrayList<>(Collections.nCopies(30, BODY));
        long_.add(CLOSE);
        assertThat(bracelet(List.of(CORE, WORKING, SLIDER), long_.toArray(Section[]::new)))
                .containsExactly("pattern.tooMany");
    }

    @Test
    void beadsMustBeBeads() {
        Body beaded = BODY.with(new Motif("ring", List.of(Seat.CORE), 0));
        HardwareSlot ring = HardwareSlot.needed("ring", Hardware.of(Hardware.Kind.RING, 25, 2));
        assertThat(codes(Pattern.Kind.BRACELET, List.of(ring), List.of(CORE, WORKING, SLIDER), beaded, CLOSE))
                .containsExactly("pattern.wrongPart");
    }

    /** It is written into pictures as it stands, so it is a colour and nothing besides. */
    @ParameterizedTest
    @ValueSource(strings = {"", "red", "#12345", "#1234567", "#12345g", "#336699\"/><script>", " #336699"})
    void aSlotIsShownInAColour(String colour) {
        assertThatThrownBy(() -> new CordSlot("core", Length.ofMillimetres(2), colour))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("core");
    }
}
