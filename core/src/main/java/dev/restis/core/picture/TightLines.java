package dev.restis.core.picture;

import dev.restis.core.stitch.Bundle;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;

/**
 * The centre lines of the library's stitches that are shipped: reckoned by a command in equal gauges for each number of cores
 * up to four, and as the shipped patterns tie them. Those of equal gauges stand in for other gauges, stretched across by the width
 * of their cores.
 */
public final class TightLines implements CentreLines {

    /** The most cores that lines of every stitch are shipped for. */
    public static final int MOST_CORES = 4;

    public static final TightLines SHIPPED = new TightLines();

    private static final String RESOURCE = "centre-lines.txt";
    /** Gauges are told apart in steps of this part of the working cord's diameter. */
    private static final double STEPS = 20;

    private static final Map<String, List<List<double[]>>> KEPT = readShipped();

    private final Map<String, Lines> lines = new ConcurrentHashMap<>();

    private TightLines() {}

    @Override
    public Optional<Lines> of(Stitch stitch, Gauge gauge) {
        return kept(stitch, ratio(stitch, gauge)).or(() -> kept(stitch, equal(stitch, gauge.cores())));
    }

    private Optional<Lines> kept(Stitch stitch, Gauge gauge) {
        String key = key(stitch, gauge);
        return KEPT.containsKey(key)
                ? Optional.of(lines.computeIfAbsent(key, k -> new Lines(gauge, KEPT.getOrDefault(k, List.of()))))
                : Optional.empty();
    }

    /** Whether the shipped lines are of just this gauge, as nearly as gauges are told apart. */
    public boolean exact(Stitch stitch, Gauge gauge) {
        return KEPT.containsKey(key(stitch, ratio(stitch, gauge)));
    }

    /** Equal gauges of diameter 1. */
    static Gauge equal(Stitch stitch, int cores) {
        return new Gauge(1, 1, cores, stitch.coreLayout());
    }

    /** What makes a picture differ: the gauge in working diameters, rounded, without what the stitch has not. */
    public static Gauge ratio(Stitch stitch, Gauge gauge) {
        boolean cored = stitch.cores().most() > 0;
        boolean sided = stitch.ties(Seat.FALL) || stitch.ties(Seat.EDGE);
        return new Gauge(
                1,
                cored ? rounded(gauge.core() / gauge.working()) : 1,
                Math.min(gauge.cores(), Bundle.MOST),
                stitch.coreLayout(),
                sided ? rounded(gauge.side() / gauge.working()) : 1);
    }

    private static double rounded(double ratio) {
        return Math.max(1, Math.round(ratio * STEPS)) / STEPS;
    }

    /** Names lines of a stitch in a gauge whose working cord is 1. */
    public static String key(Stitch stitch, Gauge gauge) {
        String cores = stitch.code() + "/" + gauge.cores();
        return gauge.core() == 1 && gauge.side() == 1
                ? cores
                : String.format(Locale.ROOT, "%s/%.2f/%.2f", cores, gauge.core(), gauge.side());
    }

    /** Reads lines as they are kept: rows of a name and points, one row for each path. */
    public static Map<String, List<List<double[]>>> read(Stream<String> rows) {
        Map<String, List<List<double[]>>> lines = new HashMap<>();
        rows.filter(row -> !row.isBlank() && !row.startsWith("#")).forEach(row -> {
            String[] parts = row.split(" ", -1);
            List<double[]> line = new ArrayList<>();
            for (int i = 1; i < parts.length; i++) {
                String[] at = parts[i].split(",", -1);
                line.add(
                        new double[] {Double.parseDouble(at[0]), Double.parseDouble(at[1]), Double.parseDouble(at[2])});
            }
            lines.computeIfAbsent(parts[0], k -> new ArrayList<>()).add(line);
        });
        return lines;
    }

    private static Map<String, List<List<double[]>>> readShipped() {
        try (InputStream in = TightLines.class.getResourceAsStream(RESOURCE)) {
            return in == null
                    ? Map.of()
                    : read(new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8)).lines());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
