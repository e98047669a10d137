package dev.restis.core.picture;

import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.PatternBook;
import dev.restis.core.pattern.Section.Body;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.Stitches;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * Reckons the shipped centre lines anew and writes them to the file that is given; says of each stitch how it came out, in equal
 * gauges and in those of the shipped patterns.
 */
public final class CentreLinesCommand {

    private CentreLinesCommand() {}

    public static void main(String[] args) throws IOException {
        List<String> rows = new ArrayList<>();
        rows.add("# Centre lines of the library's stitches in worked diameters, made by bin/restis centre-lines.");
        rows.add(
                "# A line with two numbers or more after a name says how much hard cord uses over the formula, seat by seat.");
        all().values().forEach(one -> rows.addAll(one.made()));
        Files.write(Path.of(args[0]), rows);
    }

    private record Wanted(Stitch stitch, Gauge gauge) {
        private String key() {
            return TightLines.key(stitch, gauge);
        }

        private List<String> made() {
            return StitchTightener.outcome(stitch, gauge, share -> {})
                    .fold(
                            knot -> {
                                StringBuilder said = new StringBuilder("# " + key());
                                knot.ofFormula().entrySet().stream()
                                        .sorted(Map.Entry.comparingByKey())
                                        .forEach(e -> said.append(
                                                String.format(Locale.ROOT, " %s %.2f", e.getKey(), e.getValue())));
                                System.out.println(said.substring(2));
                                List<String> rows = new ArrayList<>(List.of(said.toString()));
                                rows.addAll(knot.rows());
                                return rows;
                            },
                            noKnot -> {
                                System.out.println(key() + " is not the knot: it " + noKnot.reason());
                                return List.of();
                            });
        }
    }

    /** Each stitch in equal gauges with few cores, and as shipped patterns tie and draw it. */
    private static Map<String, Wanted> all() {
        Map<String, Wanted> all = new LinkedHashMap<>();
        for (Stitch stitch : Stitches.all()) {
            for (int cores = stitch.cores().least();
                    cores <= Math.min(TightLines.MOST_CORES, stitch.cores().most());
                    cores++) {
                if (!stitch.paths().isEmpty() && stitch.cores().allows(cores)) {
                    Wanted equal = new Wanted(stitch, TightLines.equal(stitch, cores));
                    all.put(equal.key(), equal);
                }
            }
        }
        for (Pattern pattern : PatternBook.all()) {
            for (Body body : pattern.all(Body.class)) {
                if (!body.stitch().paths().isEmpty()) {
                    Gauge usual = usual(pattern, body);
                    for (Gauge gauge : List.of(usual, StitchRun.shape(body.stitch(), usual))) {
                        Wanted tied = new Wanted(body.stitch(), TightLines.ratio(body.stitch(), gauge));
                        all.putIfAbsent(tied.key(), tied);
                    }
                }
            }
        }
        return all;
    }

    private static Gauge usual(Pattern pattern, Body body) {
        double working = usual(pattern, body.legsOf(Seat.WORKING));
        double core = usual(pattern, body.legsOf(Seat.CORE));
        double side = Math.max(usual(pattern, body.legsOf(Seat.FALL)), usual(pattern, body.legsOf(Seat.EDGE)));
        double any = working > 0 ? working : core;
        int cores = body.stitch().cores().most() > 0 ? pattern.runsIn(body.legsOf(Seat.CORE)) : 0;
        return new Gauge(any, core > 0 ? core : any, cores, body.stitch().coreLayout(), side > 0 ? side : any);
    }

    private static double usual(Pattern pattern, List<Seat> seats) {
        return pattern.roles().stream()
                .filter(role -> role.takes(seats))
                .mapToDouble(role -> pattern.cords().get(role.slotOf(0)).gauge().toMillimetres())
                .max()
                .orElse(0);
    }
}
