package dev.restis.core.picture;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.PatternBook;
import dev.restis.core.piece.Examples;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.PathElement;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.Stitch.StrandPath;
import dev.restis.core.stitch.Stitch.Stretch;
import dev.restis.core.stitch.Stitches;
import dev.restis.core.stitch.Waypoint;
import dev.restis.core.tight.Tightened;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TightLinesTest {

    /** What is shipped is what the command makes of the stitch as it is described now. */
    @ParameterizedTest
    @CsvSource({"half-hitch, 1", "ladder, 2", "larks-head, 1"})
    void theShippedLinesBelongToTheStitch(String code, int cores) throws IOException {
        Stitch stitch = Stitches.byCode(code).orElseThrow();
        List<String> made = StitchTightener.outcome(stitch, TightLines.equal(stitch, cores), share -> {})
                .fold(knot -> knot.rows(), noKnot -> List.of(noKnot.reason()));
        try (InputStream in = TightLines.class.getResourceAsStream("centre-lines.txt")) {
            assertThat(in).isNotNull();
            List<String> shipped = new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .filter(row -> row.startsWith(code + "/" + cores + " "))
                    .toList();
            assertThat(shipped).isEqualTo(made);
        }
    }

    /**
     * Hard cord takes more than the formulas for soft cord, and never 1.6 times as much: that would be another path or a wrong
     * formula, as surely as less than 0.8. Every stitch holds in every number of cores that is shipped, and in the gauges of the
     * shipped patterns.
     */
    @Test
    void everyStitchHoldsAndTakesAboutWhatItsFormulaSays() throws IOException {
        Map<String, List<Double>> figures = new HashMap<>();
        try (InputStream in = TightLines.class.getResourceAsStream("centre-lines.txt")) {
            assertThat(in).isNotNull();
            new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .filter(row -> row.matches("# [a-z-]+/.*"))
                    .forEach(row -> {
                        String[] words = row.split(" ");
                        List<Double> shares = new ArrayList<>();
                        for (int i = 3; i < words.length; i += 2) {
                            shares.add(Double.valueOf(words[i]));
                        }
                        figures.put(words[1], shares);
                    });
        }
        for (Stitch stitch : Stitches.all()) {
            for (int cores = stitch.cores().least();
                    cores <= Math.min(TightLines.MOST_CORES, stitch.cores().most());
                    cores++) {
                if (!stitch.paths().isEmpty() && stitch.cores().allows(cores)) {
                    assertThat(figures).containsKey(TightLines.key(stitch, TightLines.equal(stitch, cores)));
                }
            }
        }
        assertThat(figures)
                .containsKeys("slip-loop/2/1.25/1.00", "square-knot/2/2.00/1.00")
                .hasSizeGreaterThan(38);
        assertThat(figures)
                .allSatisfy((name, shares) -> assertThat(shares)
                        .isNotEmpty()
                        .allSatisfy(share -> assertThat(share).isBetween(0.8, 1.6)));
    }

    /** Whoever looks at the book waits for nothing, and nothing is reckoned behind their back. */
    @Test
    void everyPatternOfTheBookIsDrawnFromShippedLines() {
        Set<String> stretched = new TreeSet<>();
        for (Pattern pattern : PatternBook.all()) {
            PictureDrawer.draw(Examples.worked(Examples.usual(pattern)), PictureDrawer.Detail.FULL, (stitch, gauge) -> {
                if (!stitch.paths().isEmpty() && !TightLines.SHIPPED.exact(stitch, gauge)) {
                    stretched.add(pattern.code() + ": " + TightLines.key(stitch, TightLines.ratio(stitch, gauge)));
                }
                return TightLines.SHIPPED.of(stitch, gauge);
            });
        }
        assertThat(stretched).isEmpty();
    }

    /** Each half knot of hard cord takes more than soft cord's 5.71 d; over one core less than over three. */
    @Test
    void squareKnotsHoldAndTakeMoreForMoreCores() {
        double last = Stitches.SQUARE_KNOT
                .use(
                        new dev.restis.core.stitch.Gauge(1, 1, 1, Stitches.SQUARE_KNOT.coreLayout()),
                        dev.restis.core.stitch.Seat.WORKING)
                .toMillimetres();
        for (int cores : new int[] {1, 3}) {
            Tightened.Held tight = held(Stitches.SQUARE_KNOT, cores).orElseThrow();
            assertThat(StitchTightener.isTheStitch(
                            Stitches.SQUARE_KNOT, TightLines.equal(Stitches.SQUARE_KNOT, cores), tight))
                    .isTrue();
            assertThat(tight.lengths().get(0)).isGreaterThan(last);
            last = tight.lengths().get(0);
        }
    }

    /** Two coils side by side that run through each other look like a snake, but come out as a twist of two strands. */
    @Test
    void aPathThatPullsOutToATwistIsNotTheKnot() {
        List<Waypoint> coil = new ArrayList<>();
        for (int eighth = 0; eighth < 8; eighth++) {
            double angle = Math.PI / 4 * eighth;
            coil.add(new Waypoint(eighth / 8.0, -0.75 + 1.25 * Math.cos(angle), 1.25 * Math.sin(angle)));
        }
        assertThat(reason(coil)).isEqualTo("simpler");
    }

    @Test
    void aPathThatTiesNothingSlips() {
        List<Waypoint> bow = List.of(new Waypoint(0, 1, 0), new Waypoint(0.3, 2.5, 0), new Waypoint(0.6, 1.2, 0));
        assertThat(reason(bow)).isEqualTo("slips");
    }

    /** Tightens two strands of the path and of it turned half round, told to use as much cord as a snake knot. */
    private static String reason(List<Waypoint> path) {
        List<StrandPath> paths = new ArrayList<>();
        for (int strand = 0; strand < 2; strand++) {
            int side = strand == 0 ? 1 : -1;
            List<Waypoint> way = path.stream()
                    .map(w -> new Waypoint(w.along(), side * w.across(), side * w.level()))
                    .toList();
            paths.add(new StrandPath(Seat.WORKING, List.of(new Stretch(new PathElement.Measured(8), way)), strand));
        }
        Stitch snake = Stitches.SNAKE_KNOT;
        Stitch other = new Stitch(
                "other", paths, snake.pitch(), snake.thickness(), snake.width(), 0, snake.cores(), snake.coreLayout());
        return StitchTightener.outcome(other, TightLines.equal(other, 0), share -> {})
                .fold(knot -> "knot", StitchTightener.Outcome.NoKnot::reason);
    }

    /** Thick cords over a thin core and the reverse hold too, and are not mistaken for equal ones. */
    @ParameterizedTest
    @CsvSource({"0.6", "1.7"})
    void otherGaugesArePulledTightByThemselves(double core) {
        Stitch stitch = Stitches.SQUARE_KNOT;
        Gauge gauge = TightLines.ratio(stitch, new Gauge(2, 2 * core, 2, stitch.coreLayout(), 3));
        assertThat(gauge).isEqualTo(new Gauge(1, core, 2, stitch.coreLayout()));
        assertThat(TightLines.SHIPPED.exact(stitch, gauge)).isFalse();
        List<Double> shares = new ArrayList<>();
        List<String> rows = StitchTightener.outcome(stitch, gauge, shares::add)
                .fold(StitchTightener.Outcome.Knot::rows, noKnot -> List.of());
        assertThat(shares).isSorted().endsWith(1.0).hasSizeGreaterThan(8);
        List<List<double[]>> lines =
                TightLines.read(rows.stream()).getOrDefault(TightLines.key(stitch, gauge), List.of());
        assertThat(lines).hasSize(2);
        double farthest =
                lines.get(0).stream().mapToDouble(p -> Math.abs(p[1])).max().orElse(0);
        assertThat(farthest).isGreaterThan(core + 0.5).isLessThan(core + 2.2);
    }

    private static Optional<Tightened.Held> held(Stitch stitch, int cores) {
        return StitchTightener.tighten(stitch, TightLines.equal(stitch, cores), share -> {})
                .fold(Optional::of, s -> Optional.empty(), c -> Optional.empty());
    }
}
