package dev.restis.core.piece;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.restis.core.cord.Material;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Stitches;
import java.util.List;
import java.util.Optional;
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

    /**
     * Five per cent more, ln 1.05 = 0.04879. Variances: stitch 0.0144, path 0.0025, maker 0.0025, way 0.0016, material 0.0009, tension
     * and noise of a sample 0.0004 each: 0.0227. Another maker shares stitch, path and material, 0.0178 of it.
     */
    @Test
    void isTheFirstThatIsLearnedOfAStitch() {
        Gauge alike = new Gauge(1.4, 1.4, 2, Gauge.CoreLayout.FLAT);
        Learned ofTove = Learned.from(List.of(swatch("Tove", 86.184, 455.85)), Optional.of("Tove"));
        TakeUp own = ofTove.takeUp(Stitches.SQUARE_KNOT, POLYESTER, alike);
        assertThat(own.source()).isEqualTo(TakeUp.Source.SWATCH);
        assertThat(own.useRatio()).isCloseTo(Math.exp(0.0219 / 0.0227 * Math.log(1.05)), within(1e-4));
        assertThat(own.pitchRatio()).isGreaterThan(1.03);
        Learned ofAnybody = new Learned(ofTove.cord(), ofTove.pitch(), ofTove.time(), Optional.empty());
        TakeUp anybodys = ofAnybody.takeUp(Stitches.SQUARE_KNOT, POLYESTER, alike);
        assertThat(anybodys.useRatio()).isCloseTo(Math.exp(0.0178 / 0.0227 * Math.log(1.05)), within(1e-4));
        assertThat(anybodys.spread()).isCloseTo(Math.sqrt(0.0219 - 0.0178 * 0.0178 / 0.0227), within(1e-4));
        assertThat(anybodys.spread()).isGreaterThan(2 * own.spread());
        TakeUp other = ofTove.takeUp(Stitches.HALF_KNOT, POLYESTER, alike);
        assertThat(other.source()).as("of another stitch").isEqualTo(TakeUp.Source.GEOMETRY);
        assertThat(other.useRatio()).as("the maker is the same").isBetween(1.001, 1.02);
    }

    /** Ratios 0.9 and 1.1 of two makers: the stitch is as geometry says, and each maker as far off as was seen. */
    @Test
    void makersWhoDifferAreToldApart() {
        Learned learned = Learned.from(
                List.of(swatch("Tove", 82.08, 0.9 * 434.14), swatch("Bram", 82.08, 1.1 * 434.14)), Optional.empty());
        Gauge gauge = swatch("Tove", 82, 434).gauge();
        assertThat(learned.takeUp(Stitches.SQUARE_KNOT, POLYESTER, gauge).useRatio())
                .isCloseTo(1, within(0.01));
        Learned tove = new Learned(learned.cord(), learned.pitch(), learned.time(), Optional.of("Tove"));
        Learned bram = new Learned(learned.cord(), learned.pitch(), learned.time(), Optional.of("Bram"));
        assertThat(tove.takeUp(Stitches.SQUARE_KNOT, POLYESTER, gauge).useRatio())
                .isLessThan(0.95);
        assertThat(bram.takeUp(Stitches.SQUARE_KNOT, POLYESTER, gauge).useRatio())
                .isGreaterThan(1.05);
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
