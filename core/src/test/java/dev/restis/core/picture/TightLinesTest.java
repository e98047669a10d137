package dev.restis.core.picture;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.Stitches;
import dev.restis.core.tight.Tightened;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TightLinesTest {

    /** What is shipped is what the command makes of the stitch as it is described now. */
    @ParameterizedTest
    @CsvSource({"half-knot, 2", "ladder, 2", "larks-head, 1"})
    void theShippedLinesBelongToTheStitch(String code, int cores) throws IOException {
        Stitch stitch = Stitches.byCode(code).orElseThrow();
        List<String> made = held(stitch, cores)
                .map(h -> TightLines.written(stitch, cores, h))
                .orElseThrow();
        try (InputStream in = TightLines.class.getResourceAsStream("centre-lines.txt")) {
            assertThat(in).isNotNull();
            List<String> shipped = new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .filter(row -> row.startsWith(code + "/" + cores + " "))
                    .toList();
            assertThat(shipped).isEqualTo(made);
        }
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
            assertThat(TightLines.isTheStitch(Stitches.SQUARE_KNOT, cores, tight))
                    .isTrue();
            assertThat(tight.lengths().get(0)).isGreaterThan(last);
            last = tight.lengths().get(0);
        }
    }

    @Test
    void aPathThatPullsOutToATwistIsNotTheKnot() {
        Tightened.Held twist = held(Stitches.SNAKE_KNOT, 0).orElseThrow();
        assertThat(TightLines.isTheStitch(Stitches.SNAKE_KNOT, 0, twist)).isFalse();
        assertThat(TightLines.of(Stitches.SNAKE_KNOT, 0)).isEmpty();
    }

    private static Optional<Tightened.Held> held(Stitch stitch, int cores) {
        return TightLines.tighten(stitch, cores).fold(Optional::of, s -> Optional.empty(), c -> Optional.empty());
    }
}
