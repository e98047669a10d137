package dev.restis.app.patterns;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.PatternBook;
import dev.restis.core.pattern.Section.Body;
import dev.restis.core.pattern.Section.Buttonhole;
import dev.restis.core.pattern.Section.EndBeads;
import dev.restis.core.pattern.Section.Hitch;
import dev.restis.core.pattern.Section.Knot;
import dev.restis.core.pattern.Section.KnotKind;
import dev.restis.core.pattern.Section.Mount;
import dev.restis.core.stitch.PathElement.Weave;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.Stitches;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Patterns and stitches as they were written before: what could not be said then means what it meant. */
class EarlierShapesTest {

    private static final String EARLIER = """
            {"code": "old", "name": "Old", "kind": "FOB", "usualLength": "120 mm",
             "cords": [{"code": "core", "gauge": "2 mm", "colour": "#D8C8A8"}],
             "hardware": [],
             "roles": [{"code": "core", "slots": [0], "count": 1, "legs": ["CORE", "WORKING"]}],
             "sections": [
               {"section": "mount", "hardware": "ring", "hitch": "LARKS_HEAD", "seats": ["CORE"], "within": false},
               {"section": "body", "stitch": "square-knot", "extent": {"extent": "rest"},
                "seats": {"CORE": "SECOND_CORE", "WORKING": "TAB"}, "within": true},
               {"section": "knot", "kind": "BARREL", "wraps": 3, "seats": ["CORE"], "within": true},
               {"section": "buttonhole", "hitch": "half-hitch"},
               {"section": "end-beads", "hardware": "bead", "seats": ["CORE"]}]}
            """;

    @Test
    void whatCouldNotBeSaidMeansWhatItMeant() {
        Pattern pattern = PatternJson.read(EARLIER);
        assertThat(pattern.sections())
                .containsExactly(
                        new Mount("ring", Hitch.LARKS_HEAD, List.of(Seat.CORE), false),
                        Body.of(Stitches.SQUARE_KNOT)
                                .on(Seat.CORE, Seat.SECOND_CORE)
                                .on(Seat.WORKING, Seat.TAB),
                        new Knot(KnotKind.BARREL, 3, List.of(Seat.CORE), true),
                        new Buttonhole(Stitches.HALF_HITCH, List.of(Seat.CORE, Seat.WORKING), List.of(Seat.WORKING)),
                        EndBeads.each("bead", List.of(Seat.CORE)));
    }

    @Test
    void aStitchOfOnesOwnKeepsItsPath() {
        Stitch stitch = PatternJson.readPath("""
                {"code": "flat", "paths": [{"seat": "WORKING", "stretches": [
                   {"element": {"element": "weave", "times": 1}, "through": [[0, -0.5, 1], [0.5, 0.5, -1]]}], "next": 0}],
                 "pitch": {"perCore": 0, "perWorking": 2, "perSide": 0, "fixed": 0},
                 "thickness": {"perCore": 1, "perWorking": 2, "perSide": 0, "fixed": 0},
                 "width": {"perCore": 1, "perWorking": 2, "perSide": 0, "fixed": 0},
                 "turnPerRepeat": 0, "cores": {"least": 2, "most": 2, "step": 1}, "coreLayout": "FLAT"}
                """);
        assertThat(stitch.mirrored()).isFalse();
        assertThat(stitch.columns()).isEmpty();
        assertThat(stitch.pitch()).isEqualTo(Stitch.Layers.working(2));
        assertThat(stitch.paths().get(0).stretches().get(0).element()).isEqualTo(new Weave(1));
        assertThat(Map.of("again", PatternJson.readPath(PatternJson.writePath(stitch))))
                .containsValue(stitch);
    }

    static Stream<Pattern> shipped() {
        return PatternBook.all().stream();
    }

    @ParameterizedTest
    @MethodSource("shipped")
    void whatIsWrittenIsReadAsTheSame(Pattern pattern) {
        assertThat(PatternJson.read(PatternJson.write(pattern))).isEqualTo(pattern);
    }
}
