package dev.restis.core.learning;

import dev.restis.core.cord.Material;
import dev.restis.core.piece.TakeUp;
import dev.restis.core.piece.TakeUp.Source;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Stitch;
import java.util.List;
import java.util.Optional;

/**
 * Take-up from swatches. A swatch replaces geometry for its stitch, material, number of cores and ratio of gauges; where
 * several fit, their ratios are averaged and the spread is that of one swatch, 5 %, or what the swatches differ by,
 * whichever is larger: one maker's samples agree better than the makers do.
 */
public record SwatchBook(List<Swatch> swatches) implements TakeUp.Book {

    private static final double ONE_SWATCH_SPREAD = 0.05;
    /** Gauge ratios within this of each other count as the same. */
    private static final double SAME_RATIO = 1.15;

    public SwatchBook {
        swatches = List.copyOf(swatches);
    }

    @Override
    public Optional<TakeUp> find(Stitch stitch, Gauge gauge, Material material) {
        List<Swatch> fitting = swatches.stream()
                .filter(s -> s.stitch().code().equals(stitch.code())
                        && s.material().code().equals(material.code())
                        && s.cores() == gauge.cores()
                        && sameRatio(s.gauge().ratio(), gauge.ratio()))
                .toList();
        if (fitting.isEmpty()) {
            return Optional.empty();
        }
        double pitch =
                fitting.stream().mapToDouble(Swatch::pitchRatio).average().orElseThrow();
        double use = fitting.stream().mapToDouble(Swatch::useRatio).average().orElseThrow();
        double squares = fitting.stream()
                .mapToDouble(s -> Math.pow(s.useRatio() / use - 1, 2))
                .sum();
        double between = fitting.size() > 1 ? Math.sqrt(squares / (fitting.size() - 1)) : 0;
        return Optional.of(new TakeUp(Source.SWATCH, Math.max(ONE_SWATCH_SPREAD, between), pitch, use));
    }

    private static boolean sameRatio(double a, double b) {
        return a / b < SAME_RATIO && b / a < SAME_RATIO;
    }
}
