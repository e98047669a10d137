package dev.restis.core.picture;

import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.Stitches;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** Draws a few repeats of every stitch into the folder that is given, as docs/take-up.md shows them. */
public final class StitchPicturesCommand {

    private StitchPicturesCommand() {}

    public static void main(String[] args) throws IOException {
        Path folder = Files.createDirectories(Path.of(args[0]));
        for (Stitch stitch : Stitches.all()) {
            if (!stitch.paths().isEmpty()) {
                Files.writeString(
                        folder.resolve(stitch.code() + ".svg"), StitchPicture.svg(stitch, TightLines.SHIPPED) + "\n");
            }
        }
    }
}
