package dev.restis.core.picture;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.picture.Picture.Mark;
import dev.restis.core.picture.Picture.Place;
import dev.restis.core.picture.Picture.Stamp;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.Stitches;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a picture shows of a stitch: which strand lies over which core, row by row, read off the order in which it is painted. */
class OverAndUnderTest {

    private static final int REPEATS = 6;
    /** Cords of cores have these numbers, those that tie the numbers after them. */
    private static final int MOST_CORES = 8;

    /** A strand as it passes a core: where along the piece, which one, and whether it lies in front. */
    private record Passing(double along, int strand, boolean over) {
        private String word() {
            return (char) ('a' + strand) + (over ? "+" : "-");
        }
    }

    /**
     * By hand, along one period from its first passing on: strands a, b ... in the order of the stitch's paths, + over and - under,
     * a row for each core from the lower edge of the description to the upper one.
     *
     * <p>Square knot: one strand in front of all cores and the other behind, back again the same way about, from the other side.
     * Ladder: the strand that leads over the first core and under the next, its partner
     * back the other way about; then from the other edge.
     */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "square-knot | 2 | a+ b- b- a+ , a+ b- b- a+",
                "square-knot | 4 | a+ b- b- a+ , a+ b- b- a+ , a+ b- b- a+ , a+ b- b- a+",
                "ladder | 2 | a+ b- a- b+ , a- b+ a+ b-",
                "ladder | 4 | a+ b- a- b+ , a- b+ a+ b- , a+ b- a- b+ , a- b+ a+ b-",
                "interlocked | 2 | a+ b- a- b+ , a- b+ a+ b-",
                "slip-loop | 2 | a+ a- b- b+ , a- a+ b+ b-",
                "figure-eight | 2 | a+ a- , a- a+",
                "figure-eight | 4 | a+ a- , a+ a- , a- a+ , a- a+"
            })
    void strandsLieOverAndUnderTheCoresAsTheyAreTied(String code, int cores, String table) {
        Stitch stitch = Stitches.byCode(code).orElseThrow();
        Gauge gauge = new Gauge(1, 1, cores, stitch.coreLayout());
        Picture picture = picture(stitch, gauge);
        List<String> rows = new ArrayList<>();
        List<Double> lanes = Layout.of(stitch, gauge).cores();
        for (int core = 0; core < cores; core++) {
            rows.add(passings(picture, core, lanes.get(core)));
        }
        String[] byHand = table.split(",");
        for (int core = 0; core < cores; core++) {
            String once = byHand[core].strip();
            assertThat(rows.get(core)).as("core %s of %s", core, rows).contains(once + " " + once);
        }
    }

    private static Picture picture(Stitch stitch, Gauge gauge) {
        Map<Seat, List<Integer>> cords = new EnumMap<>(Seat.class);
        List<Integer> cores = new ArrayList<>();
        for (int core = 0; core < gauge.cores(); core++) {
            cores.add(core);
        }
        cords.put(Seat.CORE, cores);
        int next = MOST_CORES;
        for (Seat seat : List.of(Seat.WORKING, Seat.FALL, Seat.EDGE)) {
            List<Integer> own = new ArrayList<>();
            for (int strand = 0; strand < stitch.pathsOf(seat); strand++) {
                own.add(next++);
            }
            cords.put(seat, own);
        }
        Canvas canvas = new Canvas(Sheet.LAYER);
        double pitch = stitch.pitch(gauge).toMillimetres();
        double end = new StitchRun(canvas, TightLines.SHIPPED, stitch, gauge, cords, pitch).draw(0, REPEATS);
        return canvas.picture(0, end, false);
    }

    /** All strands that cross the middle of a core's lane, in order along the piece. */
    private static String passings(Picture picture, int core, double lane) {
        List<Passing> passings = new ArrayList<>();
        int painted = 0;
        int corePainted = -1;
        List<double[]> crossings = new ArrayList<>();
        for (Stamp stamp : picture.stamps()) {
            for (Mark mark : stamp.marks()) {
                painted++;
                if (mark.kind() != Picture.Kind.CORD) {
                    continue;
                }
                if (mark.slot() == core) {
                    corePainted = painted;
                }
                for (Place at : stamp.at()) {
                    if (mark.slot() >= MOST_CORES) {
                        crossing(mark, at, lane, painted, crossings);
                    }
                }
            }
        }
        for (double[] crossing : crossings) {
            passings.add(new Passing(crossing[0], (int) crossing[1] - MOST_CORES, crossing[2] > corePainted));
        }
        passings.sort(Comparator.comparingDouble(Passing::along));
        return passings.stream().map(Passing::word).collect(Collectors.joining(" "));
    }

    private static void crossing(Mark mark, Place at, double lane, int painted, List<double[]> crossings) {
        for (int i = 0; i + 3 < mark.points().size(); i += 2) {
            double from = mark.points().get(i + 1) + at.across() - lane;
            double to = mark.points().get(i + 3) + at.across() - lane;
            if (from < 0 != to < 0) {
                double share = from / (from - to);
                double along = at.along()
                        + mark.points().get(i)
                        + share * (mark.points().get(i + 2) - mark.points().get(i));
                boolean known = crossings.stream().anyMatch(c -> c[1] == mark.slot() && Math.abs(c[0] - along) < 0.02);
                if (!known) {
                    crossings.add(new double[] {along, mark.slot(), painted});
                }
            }
        }
    }
}
