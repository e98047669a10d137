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

    private static final List<Seat> TYING = List.of(Seat.WORKING, Seat.FALL, Seat.EDGE);

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
     * Snake over cores: each around them, from opposite sides. Half hitch: in front and around; lark's head: and back. Ladder: the
     * strand that leads over the first core and under the next, its partner back the other way about; then from the other edge.
     */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "square-knot | 2 | a+ b- b- a+ , a+ b- b- a+",
                "square-knot | 4 | a+ b- b- a+ , a+ b- b- a+ , a+ b- b- a+ , a+ b- b- a+",
                "snake-over-core | 1 | a- b+ a+ b-",
                "half-hitch | 1 | a+ a-",
                "half-hitch | 2 | a+ a- , a+ a-",
                "larks-head | 1 | a+ a- a- a+",
                "larks-head | 2 | a+ a- a- a+ , a+ a- a- a+",
                "ladder | 2 | a+ b- a- b+ , a- b+ a+ b-",
                "ladder | 4 | a+ b- a- b+ , a- b+ a+ b- , a+ b- a- b+ , a- b+ a+ b-",
                "interlocked | 2 | a+ b- a- b+ , a- b+ a+ b-",
                "slip-loop | 2 | a+ a- b- b+ , a- a+ b+ b-",
                "figure-eight | 2 | a+ a- , a- a+",
                "figure-eight | 4 | a+ a- , a+ a- , a- a+ , a- a+"
            })
    void strandsLieOverAndUnderTheCoresAsTheyAreTied(String code, int cores, String table) {
        Stitch stitch = untwisted(code);
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

    /**
     * By hand: how often in two repeats one strand shows in front of another and behind it, in the order of the stitch's paths
     * without cores that have none.
     *
     * <p>Half knot: in front on the way across, behind on the way back, and the bend that the other's end leaves through. Alternating
     * squares: one in front of core and neighbour twice in every knot, its partner behind. Crossing weave: the pair changes places in every row; each fall comes down in front of both, goes up behind, and down in
     * front again. Falls over warps do the same with both that weave, but for the outermost, where the one that leads turns. Diamond: a double half hitch shows its two turns and what
     * leads from one to the other, three in front and two behind; strands that are hitched together in passing show two and two.
     */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "half-knot | 1 0 | 3+ 3-",
                "alternating-square | 2 0 | 4+ 0-",
                "alternating-square | 3 0 | 0+ 4-",
                "alternating-square | 4 1 | 4+ 0-",
                "alternating-square | 5 1 | 0+ 4-",
                "alternating-square | 2 4 | 4+ 0-",
                "alternating-square | 5 3 | 0+ 4-",
                "crossing-weave | 0 1 | 1+ 1-",
                "crossing-weave | 2 0 | 4+ 2-",
                "crossing-weave | 2 1 | 4+ 2-",
                "crossing-weave | 3 0 | 4+ 2-",
                "crossing-weave | 3 1 | 4+ 2-",
                "crossing-weave | 4 0 | 4+ 2-",
                "crossing-weave | 4 1 | 4+ 2-",
                "crossing-weave | 5 0 | 4+ 2-",
                "crossing-weave | 5 1 | 4+ 2-",
                "wrapped-falls | 3 0 | 4+ 2-",
                "wrapped-falls | 3 1 | 4+ 2-",
                "wrapped-falls | 4 0 | 4+ 2-",
                "wrapped-falls | 4 1 | 4+ 2-",
                "wrapped-falls | 5 0 | 4+ 2-",
                "wrapped-falls | 5 1 | 4+ 2-",
                "wrapped-falls | 6 0 | 4+ 2-",
                "wrapped-falls | 6 1 | 4+ 2-",
                "wrapped-falls | 2 1 | 4+ 2-",
                "wrapped-falls | 7 1 | 4+ 2-",
                "hitched-diamond | 0 1 | 5+ 5-",
                "hitched-diamond | 3 0 | 6+ 4-",
                "hitched-diamond | 3 1 | 6+ 4-",
                "hitched-diamond | 4 0 | 6+ 4-",
                "hitched-diamond | 4 1 | 6+ 4-",
                "hitched-diamond | 2 0 | 6+ 4-",
                "hitched-diamond | 2 1 | 6+ 4-",
                "hitched-diamond | 5 0 | 6+ 4-",
                "hitched-diamond | 5 1 | 6+ 4-",
                "hitched-diamond | 4 2 | 4+ 4-",
                "hitched-diamond | 3 2 | 4+ 4-",
                "hitched-diamond | 5 4 | 4+ 4-"
            })
    void strandsLieOverAndUnderEachOther(String code, String pair, String byHand) {
        Stitch stitch = untwisted(code);
        int cores = stitch.cores().least();
        Picture picture = picture(stitch, new Gauge(1, 1, cores, stitch.coreLayout()));
        int[] slots = List.of(pair.split(" ")).stream()
                .mapToInt(path -> slotOf(stitch, Integer.parseInt(path)))
                .toArray();
        double pitch = stitch.pitch(new Gauge(1, 1, cores, stitch.coreLayout())).toMillimetres();
        long over = 0;
        long under = 0;
        for (Crossing crossing : crossings(picture, slots[0], slots[1])) {
            // The first and the last repeats end in nothing.
            if (crossing.along() > 1.5 * pitch && crossing.along() < 3.5 * pitch) {
                over += crossing.over() ? 1 : 0;
                under += crossing.over() ? 0 : 1;
            }
        }
        assertThat(over + "+ " + under + "-").isEqualTo(byHand);
    }

    private static int slotOf(Stitch stitch, int path) {
        Seat seat = stitch.paths().get(path).seat();
        int before = (int) stitch.paths().subList(0, path).stream()
                .filter(p -> p.seat() == seat)
                .count();
        int first = MOST_CORES;
        for (Seat other : TYING) {
            if (other == seat) {
                return first + before;
            }
            first += stitch.pathsOf(other);
        }
        return before;
    }

    private record Crossing(double along, boolean over) {}

    /** Where two strokes meet, and when each was painted. */
    private record Met(double along, double across, long one, long other) {
        private boolean near(Met met) {
            return one > other == met.one > met.other && Math.hypot(along - met.along, across - met.across) < 0.1;
        }
    }

    /** Strokes overlap where they join, so that a crossing at a joint is met twice. */
    private static void keep(List<Met> found, Met met) {
        if (found.stream().noneMatch(before -> before.near(met))) {
            found.add(met);
        }
    }

    /** A straight piece of what is painted, and when. */
    private record Painted(double fromAlong, double fromAcross, double toAlong, double toAcross, long when) {}

    /** Where two strands cross as they are painted; strokes overlap where they join, and what is painted last shows. */
    private static List<Crossing> crossings(Picture picture, int one, int other) {
        List<Painted> others = painted(picture, other);
        List<Met> found = new ArrayList<>();
        for (Painted a : painted(picture, one)) {
            for (Painted b : others) {
                double ax = a.toAlong() - a.fromAlong();
                double ay = a.toAcross() - a.fromAcross();
                double bx = b.toAlong() - b.fromAlong();
                double by = b.toAcross() - b.fromAcross();
                double cross = ax * by - ay * bx;
                double dx = b.fromAlong() - a.fromAlong();
                double dy = b.fromAcross() - a.fromAcross();
                double t = (dx * by - dy * bx) / cross;
                double u = (dx * ay - dy * ax) / cross;
                if (cross != 0 && t >= 0 && t < 1 && u >= 0 && u < 1) {
                    double along = a.fromAlong() + t * ax;
                    double across = a.fromAcross() + t * ay;
                    keep(found, new Met(along, across, a.when(), b.when()));
                }
            }
        }
        return found.stream()
                .map(m -> new Crossing(m.along(), m.one() > m.other()))
                .toList();
    }

    private static List<Painted> painted(Picture picture, int slot) {
        List<Painted> painted = new ArrayList<>();
        long when = 0;
        for (Stamp stamp : picture.stamps()) {
            for (Place at : stamp.at()) {
                for (Mark mark : stamp.marks()) {
                    when++;
                    for (int i = 0;
                            mark.kind() == Picture.Kind.CORD
                                    && mark.slot() == slot
                                    && i + 3 < mark.points().size();
                            i += 2) {
                        painted.add(new Painted(
                                mark.points().get(i) + at.along(),
                                at.down(mark.points().get(i + 1)) + at.across(),
                                mark.points().get(i + 2) + at.along(),
                                at.down(mark.points().get(i + 3)) + at.across(),
                                when));
                    }
                }
            }
        }
        return painted;
    }

    /** Without the twist of a spiral, so that every row is seen from the same side. */
    private static Stitch untwisted(String code) {
        Stitch stitch = Stitches.byCode(code).orElseThrow();
        return new Stitch(
                code,
                stitch.paths(),
                stitch.pitch(),
                stitch.thickness(),
                stitch.width(),
                0,
                stitch.cores(),
                stitch.coreLayout(),
                stitch.mirrored(),
                stitch.columns(),
                stitch.leader(),
                stitch.order());
    }

    private static Picture picture(Stitch stitch, Gauge gauge) {
        Map<Seat, List<Integer>> cords = new EnumMap<>(Seat.class);
        List<Integer> cores = new ArrayList<>();
        for (int core = 0; core < gauge.cores(); core++) {
            cores.add(core);
        }
        cords.put(Seat.CORE, cores);
        int next = MOST_CORES;
        for (Seat seat : TYING) {
            List<Integer> own = new ArrayList<>();
            for (int strand = 0; strand < stitch.pathsOf(seat); strand++) {
                own.add(next++);
            }
            cords.put(seat, own);
        }
        Canvas canvas = new Canvas(Sheet.LAYER);
        double pitch = stitch.pitch(gauge).toMillimetres();
        double end = new StitchRun(canvas, TightLines.SHIPPED, stitch, gauge, cords, pitch).draw(0, REPEATS);
        return canvas.picture(0, end, false, List.of());
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
        // What passes at once is told in the order of the paths.
        passings.sort(Comparator.<Passing>comparingLong(p -> Math.round(p.along() * 8))
                .thenComparing(Passing::strand));
        return passings.stream().map(Passing::word).collect(Collectors.joining(" "));
    }

    private static void crossing(Mark mark, Place at, double lane, int painted, List<double[]> crossings) {
        for (int i = 0; i + 3 < mark.points().size(); i += 2) {
            double from = at.down(mark.points().get(i + 1)) + at.across() - lane;
            double to = at.down(mark.points().get(i + 3)) + at.across() - lane;
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
