package dev.restis.core.picture;

import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.Stitches;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** Reckons the shipped centre lines anew and writes them to the file that is given; says of each stitch how it came out. */
public final class CentreLinesCommand {

    private CentreLinesCommand() {}

    public static void main(String[] args) throws IOException {
        List<String> rows = new ArrayList<>();
        rows.add("# Centre lines of the library's stitches in worked diameters, made by bin/restis centre-lines.");
        for (Stitch stitch : Stitches.all()) {
            for (int cores = stitch.cores().least();
                    cores <= Math.min(TightLines.MOST_CORES, stitch.cores().most());
                    cores++) {
                if (stitch.paths().isEmpty() || !stitch.cores().allows(cores)) {
                    continue;
                }
                String outcome = StitchTightener.outcome(stitch, TightLines.equal(stitch, cores), share -> {})
                        .fold(
                                knot -> {
                                    rows.addAll(knot.rows());
                                    return "holds";
                                },
                                noKnot -> "is not the knot: it " + noKnot.reason());
                System.out.println(stitch.code() + " over " + cores + ": " + outcome);
            }
        }
        Files.write(Path.of(args[0]), rows);
    }
}
