package dev.restis.core.stitch;

import static dev.restis.core.stitch.Waypoint.at;

import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.stitch.PathElement.Measured;
import dev.restis.core.stitch.Stitch.Cores;
import dev.restis.core.stitch.Stitch.Layers;
import dev.restis.core.stitch.Stitch.StrandPath;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A stitch of the maker's own, known by a swatch alone: what it takes is measured, how it looks is only hinted at. All
 * figures are in worked diameters of the working cord, so that it can be tied in other gauges.
 *
 * @param code its key; its stitch is called {@code own:} and this
 * @param strands how many strands tie it, 1 to 6
 * @param cores how many core strands it is tied over, 0 to 8
 * @param use cord that one tying strand uses in a repeat
 * @param pitch body that a repeat adds
 * @param thickness how thick the body is
 * @param width how wide it is
 */
public record OwnStitch(String code, int strands, int cores, double use, double pitch, double thickness, double width) {

    public static final String PREFIX = "own:";
    public static final int MOST_STRANDS = 6;
    public static final int MOST_CORES = 8;
    private static final int POINTS = 6;

    public OwnStitch {
        if (strands < 1 || strands > MOST_STRANDS || cores < 0 || cores > MOST_CORES) {
            throw new IllegalArgumentException(
                    "strands must be 1 to 6 and cores 0 to 8 but were " + strands + " and " + cores);
        }
        for (double figure : new double[] {use, pitch, thickness, width}) {
            if (!(figure > 0.05 && figure < 500)) {
                throw new IllegalArgumentException("figures must be 0.05 to 500 diameters but one was " + figure);
            }
        }
    }

    /**
     * A stitch from a swatch.
     *
     * @param diameter worked diameter of the working cord, millimetres
     * @param repeats how many were tied
     * @param faults gets what cannot be believed
     */
    public static OwnStitch measured(
            String code,
            int strands,
            int cores,
            double diameter,
            int repeats,
            Length body,
            Length used,
            Length thickness,
            Length width,
            List<Fault> faults) {
        if (used.isLessThan(body)) {
            faults.add(Fault.of("used", "swatch.used", used, body));
        }
        if (width.isLessThan(thickness)) {
            faults.add(Fault.of("width", "swatch.width", width, thickness));
        }
        double per = diameter * repeats;
        return new OwnStitch(
                code,
                strands,
                cores,
                used.toMillimetres() / per,
                body.toMillimetres() / per,
                thickness.toMillimetres() / diameter,
                width.toMillimetres() / diameter);
    }

    /** The stitch: its strands wave across the body side by side, a hint and no more. */
    public Stitch stitch() {
        List<StrandPath> paths = new ArrayList<>();
        double reach = Math.max(0.5, (width - 1) / 2);
        for (int s = 0; s < strands; s++) {
            Waypoint[] points = new Waypoint[POINTS];
            for (int i = 0; i < POINTS; i++) {
                double along = (double) i / POINTS;
                double angle = 2 * Math.PI * (along + (double) s / strands);
                double across = reach * Math.sin(angle);
                points[i] = at(along, Math.signum(across) * Math.min(Math.abs(across), 1 + reach), Math.cos(angle));
            }
            paths.add(
                    PathBuilder.in(Seat.WORKING).does(new Measured(use), points).then(s));
        }
        return new Stitch(
                PREFIX + code,
                paths,
                Layers.working(pitch),
                Layers.working(thickness),
                Layers.working(width),
                0,
                cores == 0 ? Cores.NONE : new Cores(cores, cores, 1),
                Gauge.CoreLayout.FLAT);
    }

    /** The key of a stitch of one's own, or the code of one of the library's. */
    public static String key(Stitch stitch) {
        return stitch.code().startsWith(PREFIX) ? stitch.code().substring(PREFIX.length()) : stitch.code();
    }

    /** What a stitch says of itself, if it is one of these. */
    public static Optional<OwnStitch> of(Stitch stitch) {
        if (!stitch.code().startsWith(PREFIX)
                || stitch.paths().isEmpty()
                || stitch.paths().size() > MOST_STRANDS
                || !(stitch.paths().get(0).stretches().get(0).element() instanceof Measured measured)) {
            return Optional.empty();
        }
        return Optional.of(new OwnStitch(
                        stitch.code().substring(PREFIX.length()),
                        stitch.paths().size(),
                        stitch.cores().most(),
                        measured.diameters(),
                        stitch.pitch().perWorking(),
                        stitch.thickness().perWorking(),
                        stitch.width().perWorking()))
                .filter(own -> own.stitch().equals(stitch));
    }
}
