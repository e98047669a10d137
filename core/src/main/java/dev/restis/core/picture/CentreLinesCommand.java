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
        for (Stitch stitch : Stitches.all()) {
            for (int cores = stitch.cores().least();
                    cores <= Math.min(TightLines.MOST_CORES, stitch.cores().most());
                    cores++) {
                if (!stitch.paths().isEmpty() && stitch.cores().allows(cores)) {
                    rows.addAll(made(stitch, TightLines.equal(stitch, cores), true));
                }
            }
        }
        for (Map.Entry<String, Runnable> other : inPatterns(rows).entrySet()) {
            other.getValue().run();
        }
        Files.write(Path.of(args[0]), rows);
    }

    /** Gauges in which shipped patterns tie a stitch, where they are not equal. */
    private static Map<String, Runnable> inPatterns(List<String> rows) {
        Map<String, Runnable> others = new LinkedHashMap<>();
        for (Pattern pattern : PatternBook.all()) {
            for (Body body : pattern.all(Body.class)) {
                Gauge gauge = TightLines.ratio(body.stitch(), usual(pattern, body));
                if (!body.stitch().paths().isEmpty() && (gauge.core() != 1 || gauge.side() != 1)) {
                    others.putIfAbsent(
                            TightLines.key(body.stitch(), gauge), () -> rows.addAll(made(body.stitch(), gauge, false)));
                }
            }
        }
        return others;
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

    private static List<String> made(Stitch stitch, Gauge gauge, boolean kept) {
        String name = TightLines.key(stitch, gauge);
        return StitchTightener.outcome(stitch, gauge, share -> {})
                .fold(
                        knot -> {
                            StringBuilder said = new StringBuilder("# " + name);
                            knot.ofFormula().entrySet().stream()
                                    .sorted(Map.Entry.comparingByKey())
                                    .forEach(e -> said.append(
                                            String.format(Locale.ROOT, " %s %.2f", e.getKey(), e.getValue())));
                            System.out.println(said.substring(2));
                            List<String> rows = new ArrayList<>(List.of(said.toString()));
                            if (kept) {
                                rows.addAll(knot.rows());
                            }
                            return rows;
                        },
                        noKnot -> {
                            System.out.println(name + " is not the knot: it " + noKnot.reason());
                            return List.of();
                        });
    }
}
