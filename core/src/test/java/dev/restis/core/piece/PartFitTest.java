package dev.restis.core.piece;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.cord.Cord;
import dev.restis.core.cord.Hardware;
import dev.restis.core.cord.Hardware.Kind;
import dev.restis.core.cord.Hardware.Measure;
import dev.restis.core.cord.Material;
import dev.restis.core.measure.Length;
import java.util.Map;
import org.junit.jupiter.api.Test;

class PartFitTest {

    private static final Cord CORD = new Cord(Material.byCode("polyester").orElseThrow(), Length.ofMillimetres(2), 0.2);

    /**
     * Polyester gives way to 0.9 of its diameter in a hole: n strands of 2 mm take 1.8 mm times 1, 2, 2.155, 2.414, 2.701.
     * Of a 5 mm hole 0.92 are 4.6 mm, which four strands (4.35) pass; 1.03 are 5.15, which five (4.86) pass tapered and six
     * (5.4) do not.
     */
    @Test
    void strandsGoThroughAHole() {
        Hardware bead = new Hardware(
                Kind.BEAD,
                Map.of(
                        Measure.LENGTH, Length.ofMillimetres(9),
                        Measure.ACROSS, Length.ofMillimetres(9),
                        Measure.HOLE, Length.ofMillimetres(5)));
        PartFit fit = PartFit.of(bead, CORD);
        assertThat(fit.through()).isEqualTo(4);
        assertThat(fit.tapered()).isEqualTo(5);
        assertThat(fit.onBar()).isZero();
        assertThat(fit.any()).isTrue();
    }

    /** On 16 mm lie eight strands of 2 mm; 1.15 times as much, 18.4 mm, is nine. */
    @Test
    void strandsLieSideBySideOnABar() {
        Hardware buckle = new Hardware(
                Kind.BUCKLE,
                Map.of(
                        Measure.LENGTH, Length.ofMillimetres(30),
                        Measure.INNER_WIDTH, Length.ofMillimetres(16),
                        Measure.BAR, Length.ofMillimetres(3)));
        PartFit fit = PartFit.of(buckle, CORD);
        assertThat(fit.onBar()).isEqualTo(8);
        assertThat(fit.bunched()).isEqualTo(9);
        assertThat(fit.through()).isZero();
    }
}
