package dev.restis.core.picture;

import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.Stitches;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/** Draws a few repeats of every stitch into the folder that is given, as docs/take-up.md shows them. */
public final class StitchPicturesCommand {

    private static final double LENGTH = 22;
    private static final List<String> COLOURS =
            List.of("#D8C8A8", "#C4472E", "#22365C", "#5B9BA3", "#E2A624", "#8F6B9B");

    private StitchPicturesCommand() {}

    public static void main(String[] args) throws IOException {
        Path folder = Files.createDirectories(Path.of(args[0]));
        for (Stitch stitch : Stitches.all()) {
            if (!stitch.paths().isEmpty()) {
                Files.writeString(folder.resolve(stitch.code() + ".svg"), svg(stitch) + "\n");
            }
        }
    }

    static String svg(Stitch stitch) {
        int cores = Math.max(stitch.cores().least(), Math.min(2, stitch.cores().most()));
        Gauge gauge = new Gauge(1.6, 1.6, cores, stitch.coreLayout());
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
        Canvas canvas = new Canvas(0.4 * gauge.working());
        double end = new StitchRun(canvas, stitch, gauge, slots, pitch).draw(0, (int) Math.ceil(LENGTH / pitch));
        return SvgWriter.write(canvas.picture(0, end, false), COLOURS, List.of());
    }
}
