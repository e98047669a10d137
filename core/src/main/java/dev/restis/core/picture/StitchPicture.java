package dev.restis.core.picture;

import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/** A few repeats of a stitch by itself, over two cores where it takes two, each strand in a colour of its own. */
public final class StitchPicture {

    private static final double LENGTH = 22;
    private static final double DIAMETER = 1.6;
    private static final List<String> COLOURS =
            List.of("#D8C8A8", "#C4472E", "#22365C", "#5B9BA3", "#E2A624", "#8F6B9B");

    private StitchPicture() {}

    /** The gauge it is shown in. */
    public static Gauge gauge(Stitch stitch) {
        int cores = Math.max(stitch.cores().least(), Math.min(2, stitch.cores().most()));
        return new Gauge(DIAMETER, DIAMETER, cores, stitch.coreLayout());
    }

    public static String svg(Stitch stitch, CentreLines centreLines) {
        Gauge gauge = gauge(stitch);
        Map<Seat, List<Integer>> slots = new EnumMap<>(Seat.class);
        slots.put(Seat.CORE, List.of(0, 0));
        for (Seat seat : List.of(Seat.WORKING, Seat.FALL, Seat.EDGE)) {
            List<Integer> colours = new ArrayList<>();
            for (int strand = 0; strand < stitch.pathsOf(seat); strand++) {
                colours.add(seat == Seat.EDGE ? 0 : 1 + (strand + (seat == Seat.FALL ? 2 : 0)) % (COLOURS.size() - 1));
            }
            slots.put(seat, colours);
        }
        double pitch = stitch.pitch(gauge).toMillimetres();
        Canvas canvas = new Canvas(Sheet.LAYER * gauge.working());
        double end = new StitchRun(canvas, centreLines, stitch, gauge, slots, pitch)
                .draw(0, (int) Math.ceil(LENGTH / pitch));
        return SvgWriter.write(canvas.picture(0, end, false, List.of()), COLOURS, List.of());
    }
}
