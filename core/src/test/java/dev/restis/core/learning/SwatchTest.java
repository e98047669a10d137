package dev.restis.core.learning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.restis.core.cord.Material;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.piece.TakeUp;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Stitches;
import java.util.List;
import org.junit.jupiter.api.Test;

class SwatchTest {

    private static final Material POLYESTER = Material.byCode("polyester").orElseThrow();

    /** 2 mm polyester works at 1.9 mm: twenty square knots are 82.08 mm of body from 434.14 mm of cord. */
    private static Swatch swatch(String maker, double body, double used) {
        Length two = Length.ofMillimetres(2);
        return new Swatch(
                Stitches.SQUARE_KNOT,
                POLYESTER,
                maker,
                two,
                two,
                2,
                20,
                Length.ofMillimetres(body),
                Length.ofMillimetres(used));
    }

    @Test
    void isHeldAgainstGeometry() {
        Swatch swatch = swatch("Tove", 86.184, 455.85);
        assertThat(swatch.faults()).isEmpty();
        assertThat(swatch.pitchRatio()).isCloseTo(1.05, within(1e-6));
        assertThat(swatch.useRatio()).isCloseTo(1.05, within(1e-4));
    }

    @Test
    void replacesGeometryForItsOwnStitchMaterialCoresAndRatioOnly() {
        SwatchBook book = new SwatchBook(List.of(swatch("Tove", 86.184, 455.85)));
        Gauge alike = new Gauge(1.4, 1.5, 2, Gauge.CoreLayout.FLAT);
        assertThat(book.find(Stitches.SQUARE_KNOT, alike, POLYESTER))
                .get()
                .satisfies(t -> assertThat(t.useRatio()).isCloseTo(1.05, within(1e-4)))
                .extracting(TakeUp::source, TakeUp::spread)
                .containsExactly(TakeUp.Source.SWATCH, 0.05);
        assertThat(book.find(Stitches.HALF_KNOT, alike, POLYESTER)).isEmpty();
        assertThat(book.find(
                        Stitches.SQUARE_KNOT, alike, Material.byCode("cotton").orElseThrow()))
                .isEmpty();
        assertThat(book.find(Stitches.SQUARE_KNOT, new Gauge(1, 2, 2, Gauge.CoreLayout.FLAT), POLYESTER))
                .isEmpty();
        assertThat(book.find(Stitches.SQUARE_KNOT, new Gauge(1, 1, 3, Gauge.CoreLayout.FLAT), POLYESTER))
                .isEmpty();
    }

    /** Ratios 0.9 and 1.1: mean 1, their spread 0.1/1 * sqrt(2) = 0.1414. */
    @Test
    void makersWhoDifferWidenTheSpread() {
        SwatchBook book =
                new SwatchBook(List.of(swatch("Tove", 82.08, 0.9 * 434.14), swatch("Bram", 82.08, 1.1 * 434.14)));
        TakeUp both = book.find(Stitches.SQUARE_KNOT, swatch("Tove", 82, 434).gauge(), POLYESTER)
                .orElseThrow();
        assertThat(both.useRatio()).isCloseTo(1, within(1e-3));
        assertThat(both.spread()).isCloseTo(0.1414, within(1e-3));
    }

    @Test
    void whatCannotBeBelievedIsRefused() {
        assertThat(swatch("Tove", 8.2, 434).faults()).extracting(Fault::field).containsExactly("body");
        assertThat(swatch("Tove", 82, 4340).faults()).extracting(Fault::code).containsExactly("swatch.far");
        Length two = Length.ofMillimetres(2);
        Swatch few = new Swatch(Stitches.SNAKE_KNOT, POLYESTER, "Tove", two, two, 2, 2, two.times(2L), two.times(9L));
        assertThat(few.faults()).extracting(Fault::code).containsExactly("swatch.repeats", "swatch.cores");
    }
}
