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
                int n = cores;
                String outcome = TightLines.tighten(stitch, n)
                        .fold(
                                held -> {
                                    if (!TightLines.isTheStitch(stitch, n, held)) {
                                        return "pulls out to another path, " + held.lengths();
                                    }
                                    rows.addAll(TightLines.written(stitch, n, held));
                                    return "holds, " + held.lengths();
                                },
                                slipped -> "slips apart at strand " + slipped.strand(),
                                crossed -> "crosses itself: " + crossed);
                System.out.println(stitch.code() + " over " + n + ": " + outcome);
            }
        }
        Files.write(Path.of(args[0]), rows);
    }
}
