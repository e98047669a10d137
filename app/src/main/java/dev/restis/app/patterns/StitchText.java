package dev.restis.app.patterns;

import dev.restis.core.stitch.Gauge.CoreLayout;
import dev.restis.core.stitch.OwnStitch;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.Stitch.Cores;
import dev.restis.core.stitch.Stitch.Layers;
import dev.restis.core.stitch.Stitch.StrandPath;
import java.util.List;
import java.util.Objects;

/** A stitch with its path as files hold it; its code lacks the prefix of one's own stitches. */
record StitchText(
        String code,
        List<StrandPath> paths,
        Layers pitch,
        Layers thickness,
        Layers width,
        double turnPerRepeat,
        Cores cores,
        CoreLayout coreLayout,
        boolean mirrored,
        List<Seat> columns) {

    /** What is missing or contradicts itself is found while the text is read, so that the place can be named. */
    StitchText {
        Objects.requireNonNull(code);
        own(code, paths, pitch, thickness, width, turnPerRepeat, cores, coreLayout, mirrored, columns);
        for (StrandPath path : paths) {
            Objects.requireNonNull(path.seat());
            path.stretches().forEach(s -> Objects.requireNonNull(s.element()));
        }
        Objects.requireNonNull(pitch);
        Objects.requireNonNull(thickness);
        Objects.requireNonNull(width);
        Objects.requireNonNull(cores);
        Objects.requireNonNull(coreLayout);
    }

    static StitchText of(Stitch stitch) {
        String code = stitch.code();
        return new StitchText(
                code.startsWith(OwnStitch.PREFIX) ? code.substring(OwnStitch.PREFIX.length()) : code,
                stitch.paths(),
                stitch.pitch(),
                stitch.thickness(),
                stitch.width(),
                stitch.turnPerRepeat(),
                stitch.cores(),
                stitch.coreLayout(),
                stitch.mirrored(),
                stitch.columns());
    }

    Stitch stitch() {
        return own(code, paths, pitch, thickness, width, turnPerRepeat, cores, coreLayout, mirrored, columns);
    }

    private static Stitch own(
            String code,
            List<StrandPath> paths,
            Layers pitch,
            Layers thickness,
            Layers width,
            double turnPerRepeat,
            Cores cores,
            CoreLayout coreLayout,
            boolean mirrored,
            List<Seat> columns) {
        return new Stitch(
                OwnStitch.PREFIX + code,
                paths,
                pitch,
                thickness,
                width,
                turnPerRepeat,
                cores,
                coreLayout,
                mirrored,
                columns);
    }
}
