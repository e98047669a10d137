package dev.restis.core.piece;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import dev.restis.core.cord.Material;
import dev.restis.core.learning.Load;
import dev.restis.core.piece.Ways.Kind;
import dev.restis.core.piece.Ways.Named;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitches;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class WaysTest {

    private static final Material POLYESTER = Material.standard().get(0);

    private static List<Named> named(List<Load> loads) {
        return loads.stream().map(load -> Ways.named(load.feature())).toList();
    }

    @Test
    void aNameIsEnoughToKnowWhatIsBelievedBeforehand() {
        Gauge gauge = new Gauge(2, 1, 2, Stitches.SQUARE_KNOT.coreLayout());
        for (Load load : Ways.of(Stitches.SQUARE_KNOT, Seat.WORKING, POLYESTER, gauge, Optional.of("Bram Oske"))) {
            assertThat(Ways.load(load.feature(), false, load.value())).isEqualTo(load);
        }
        for (Load load : Ways.knot("OVERHAND", POLYESTER, Optional.of("Tove"))) {
            assertThat(Ways.load(load.feature(), false, load.value())).isEqualTo(load);
        }
        for (Load load : Ways.time(MakingTime.CLOSE, Optional.of("Tove"))) {
            assertThat(Ways.load(load.feature(), true, load.value())).isEqualTo(load);
        }
    }

    @Test
    void featuresAreReadBackByTheirNames() {
        Gauge gauge = new Gauge(2, 1, 2, Stitches.SQUARE_KNOT.coreLayout());
        assertThat(named(Ways.of(Stitches.SQUARE_KNOT, Seat.WORKING, POLYESTER, gauge, Optional.of("Bram Oske"))))
                .containsExactly(
                        new Named(Kind.STITCH, "square-knot", "", "", ""),
                        new Named(Kind.PATH, "square-knot", "WORKING", "", ""),
                        new Named(Kind.MAKER, "", "", "Bram Oske", ""),
                        new Named(Kind.WAY, "square-knot", "", "Bram Oske", ""),
                        new Named(Kind.MATERIAL, "", "", "", POLYESTER.code()),
                        new Named(Kind.GAUGE, "", "", "", ""));
        assertThat(named(Ways.knot("OVERHAND", POLYESTER, Optional.empty())))
                .startsWith(new Named(Kind.KNOTS, "", "", "", ""), new Named(Kind.PATH, "knots", "OVERHAND", "", ""))
                .contains(new Named(Kind.WAY, "knots", "", Ways.SOMEBODY, ""));
        assertThat(named(Ways.time(MakingTime.tying("square-knot"), Optional.of("Bram Oske"))))
                .containsExactly(
                        new Named(Kind.PACE, "", "", "", ""),
                        new Named(Kind.WORK, "TIE square-knot", "", "", ""),
                        new Named(Kind.MAKER, "", "", "Bram Oske", ""),
                        new Named(Kind.WAY, "TIE square-knot", "", "Bram Oske", ""));
        assertThat(named(Ways.time(MakingTime.FINISH, Optional.of("Tove"))))
                .endsWith(new Named(Kind.WAY, "FINISH", "", "Tove", ""));
        assertThatIllegalArgumentException().isThrownBy(() -> Ways.named("moon"));
    }
}
