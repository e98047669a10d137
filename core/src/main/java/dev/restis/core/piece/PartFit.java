package dev.restis.core.piece;

import dev.restis.core.cord.Cord;
import dev.restis.core.cord.Hardware;
import dev.restis.core.cord.Hardware.Measure;
import dev.restis.core.stitch.Bundle;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;

/**
 * How much of a cord a part takes: strands through its hole, and strands side by side on its bar.
 *
 * @param through most strands that pass the hole as they are; 0 when not even one does, or there is no hole
 * @param tapered most that pass with tapered ends
 * @param onBar most that lie on the bar side by side; 0 where there is none
 * @param bunched most that lie on it when they bunch a little
 */
public record PartFit(int through, int tapered, int onBar, int bunched) {

    /** Bundle over hole up to which strands go through as they are, and up to which tapered ends still pass. */
    static final double PASSES = 0.92;

    static final double PASSES_TAPERED = 1.03;
    /** A band may be this much wider than its bar before it bunches, and before it cannot lie on it at all. */
    static final double FITS_BAR = 1.0;

    static final double BUNCHES_ON_BAR = 1.15;

    /** By the same rules that pieces are checked by. */
    public static PartFit of(Hardware part, Cord cord) {
        boolean hole = part.kind().threaded();
        boolean bar = part.kind().measures().contains(Measure.INNER_WIDTH);
        return new PartFit(
                hole ? most(n -> ratio(part, cord, n) <= PASSES) : 0,
                hole ? most(n -> ratio(part, cord, n) <= PASSES_TAPERED) : 0,
                bar ? onBar(part, cord, FITS_BAR) : 0,
                bar ? onBar(part, cord, BUNCHES_ON_BAR) : 0);
    }

    /** Whether it takes any of the cord. */
    public boolean any() {
        return tapered > 0 || bunched > 0;
    }

    private static double ratio(Hardware part, Cord cord, int strands) {
        return Bundle.packedDiameter(strands)
                * cord.diameter().toMillimetres()
                * cord.material().holeCompression()
                / part.millimetres(Measure.HOLE);
    }

    private static int most(IntPredicate passes) {
        return IntStream.rangeClosed(1, Bundle.MOST).filter(passes).max().orElse(0);
    }

    private static int onBar(Hardware part, Cord cord, double fits) {
        return (int) Math.floor(
                fits * part.millimetres(Measure.INNER_WIDTH) / cord.diameter().toMillimetres());
    }
}
