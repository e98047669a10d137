package dev.restis.core.picture;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.PathElement.Measured;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.Stitch.StrandPath;
import dev.restis.core.stitch.Stitch.Stretch;
import dev.restis.core.stitch.Stitches;
import dev.restis.core.stitch.Waypoint;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * A strand that pokes over another and comes back at once ties nothing: hands would not do it, and a lesson would tell it. Such
 * crossings are neighbours on both strands, with the same strand in front.
 */
class IdleCrossingsTest {

    private static final int REPEATS = 5;
    private static final int STEPS = 5;
    /** Strands are shifted a little, each otherwise, so that no crossing falls on a point. */
    private static final double ASIDE = 1e-4;

    /** A crossing on one of its two strands. */
    private record Met(int strand, double at, int other, int crossing, boolean over) {}

    static Stream<Stitch> tied() {
        return Stitches.all().stream().filter(s -> !s.paths().isEmpty());
    }

    @ParameterizedTest
    @MethodSource("tied")
    void noStrandPokesOverAnotherAndBack(Stitch stitch) {
        assertThat(idle(stitch)).as(stitch.code()).isEmpty();
    }

    @Test
    void aPokeIsFound() {
        Stitch knot = Stitches.SNAKE_KNOT;
        List<Waypoint> straight = List.of(new Waypoint(0, -1, 0), new Waypoint(0.5, -1, 0));
        List<Waypoint> poking = List.of(new Waypoint(0, 1, 1), new Waypoint(0.3, -2, 1), new Waypoint(0.6, 1, 1));
        Stitch poke = new Stitch(
                "poke",
                List.of(path(straight, 0), path(poking, 1)),
                knot.pitch(),
                knot.thickness(),
                knot.width(),
                0,
                knot.cores(),
                knot.coreLayout());
        assertThat(idle(poke)).isNotEmpty();
    }

    private static StrandPath path(List<Waypoint> through, int next) {
        return new StrandPath(Seat.WORKING, List.of(new Stretch(new Measured(5), through)), next);
    }

    /** In the repeat in the middle. */
    private static List<String> idle(Stitch stitch) {
        Gauge gauge = TightLines.equal(stitch, stitch.cores().least());
        double pitch = stitch.pitch(gauge).toMillimetres();
        List<List<double[]>> strands = strands(stitch, gauge, pitch);
        List<List<Met>> along = new ArrayList<>();
        strands.forEach(s -> along.add(new ArrayList<>()));
        int crossing = 0;
        for (int a = 0; a < strands.size(); a++) {
            for (int b = a + 1; b < strands.size(); b++) {
                crossing = cross(strands, a, b, crossing, along);
            }
        }
        along.forEach(s -> s.sort(Comparator.comparingDouble(Met::at)));
        List<String> idle = new ArrayList<>();
        for (List<Met> strand : along) {
            for (int i = 0; i + 1 < strand.size(); i++) {
                Met one = strand.get(i);
                Met two = strand.get(i + 1);
                double x = strands.get(one.strand()).get((int) one.at())[0] / pitch;
                if (one.strand() < one.other()
                        && one.other() == two.other()
                        && one.over() == two.over()
                        && neighbours(along.get(one.other()), one.crossing(), two.crossing())
                        && x >= REPEATS / 2
                        && x < REPEATS / 2 + 1) {
                    idle.add("%d and %d at %.2f across %.2f"
                            .formatted(
                                    one.strand(),
                                    one.other(),
                                    x,
                                    strands.get(one.strand()).get((int) one.at())[1]));
                }
            }
        }
        return idle;
    }

    private static boolean neighbours(List<Met> strand, int one, int two) {
        for (int i = 0; i + 1 < strand.size(); i++) {
            int here = strand.get(i).crossing();
            int there = strand.get(i + 1).crossing();
            if (here == one && there == two || here == two && there == one) {
                return true;
            }
        }
        return false;
    }

    private static int cross(List<List<double[]>> strands, int a, int b, int from, List<List<Met>> along) {
        int crossing = from;
        List<double[]> one = strands.get(a);
        List<double[]> other = strands.get(b);
        for (int i = 0; i + 1 < one.size(); i++) {
            for (int j = 0; j + 1 < other.size(); j++) {
                double[] p = one.get(i);
                double[] q = other.get(j);
                double ux = one.get(i + 1)[0] - p[0];
                double uy = one.get(i + 1)[1] - p[1];
                double vx = other.get(j + 1)[0] - q[0];
                double vy = other.get(j + 1)[1] - q[1];
                if (Math.abs(q[0] - p[0]) > Math.abs(ux) + Math.abs(vx)) {
                    continue;
                }
                double cross = ux * vy - uy * vx;
                double s = ((q[0] - p[0]) * vy - (q[1] - p[1]) * vx) / cross;
                double t = ((q[0] - p[0]) * uy - (q[1] - p[1]) * ux) / cross;
                if (cross != 0 && s >= 0 && s < 1 && t >= 0 && t < 1) {
                    boolean over = p[2] + s * (one.get(i + 1)[2] - p[2]) > q[2] + t * (other.get(j + 1)[2] - q[2]);
                    along.get(a).add(new Met(a, i + s, b, crossing, over));
                    along.get(b).add(new Met(b, j + t, a, crossing, !over));
                    crossing++;
                }
            }
        }
        return crossing;
    }

    private static List<List<double[]>> strands(Stitch stitch, Gauge gauge, double pitch) {
        Layout layout = Layout.of(stitch, gauge);
        List<double[]> paths = CentreLine.joined(
                stitch,
                stitch.paths().stream()
                        .map(path -> path.waypoints(gauge.cores()).stream()
                                .map(w -> layout.point(w, pitch, path.seat()))
                                .toList())
                        .toList(),
                pitch,
                STEPS);
        List<List<double[]>> strands = new ArrayList<>();
        for (int first = 0; first < paths.size(); first++) {
            List<double[]> line = new ArrayList<>();
            int at = first;
            for (int repeat = 0; repeat < REPEATS; repeat++) {
                double side = stitch.mirrored() && repeat % 2 == 1 ? -1 : 1;
                double[] path = paths.get(at);
                // The last point of a path is the first of the next.
                for (int i = 0; i + 3 < path.length; i += 3) {
                    line.add(new double[] {
                        path[i] + repeat * pitch + ASIDE * first, side * path[i + 1] + ASIDE * first, path[i + 2]
                    });
                }
                at = stitch.paths().get(at).next();
            }
            strands.add(line);
        }
        if (stitch.pathsOf(Seat.CORE) == 0) {
            for (double lane : layout.cores()) {
                strands.add(List.of(
                        new double[] {-pitch, lane + ASIDE / 3, 0},
                        new double[] {(REPEATS + 1) * pitch, lane + ASIDE / 2, 0}));
            }
        }
        return strands;
    }
}
