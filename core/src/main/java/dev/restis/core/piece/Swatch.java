package dev.restis.core.piece;

import dev.restis.core.cord.Cord;
import dev.restis.core.cord.Material;
import dev.restis.core.learning.Load;
import dev.restis.core.learning.Observation;
import dev.restis.core.learning.Share;
import dev.restis.core.learning.Use;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A short sample tied to measure what a stitch takes.
 *
 * @param stitch what was tied
 * @param material the working cord's material
 * @param maker who tied it
 * @param working nominal diameter of the working cord
 * @param core nominal diameter of one core strand; any for a stitch without core
 * @param cores how many core strands
 * @param repeats how many repeats were tied
 * @param body how long they came out
 * @param used cord that one tying strand used in them
 */
public record Swatch(
        Stitch stitch,
        Material material,
        String maker,
        Length working,
        Length core,
        int cores,
        int repeats,
        Length body,
        Length used) {

    /** A sample of fewer repeats says more about its ends than about the stitch. */
    public static final int FEWEST_REPEATS = 4;

    public static final int MOST_REPEATS = 500;
    /** Measured over reckoned beyond this is a slip of the pen, or another stitch. */
    private static final double FARTHEST = 2.5;
    /** How well a ruler is read, millimetres. */
    public static final double READING = 0.5;

    /** Everything that keeps the sample from being believed. */
    public List<Fault> faults() {
        List<Fault> faults = new ArrayList<>();
        if (repeats < FEWEST_REPEATS || repeats > MOST_REPEATS) {
            faults.add(Fault.of("repeats", "swatch.repeats", repeats, FEWEST_REPEATS, MOST_REPEATS));
        }
        for (Length diameter : List.of(working, core)) {
            if (diameter.isLessThan(Cord.THINNEST) || Cord.THICKEST.isLessThan(diameter)) {
                String field = diameter == working ? "working" : "core";
                faults.add(Fault.of(field, "length.range", diameter, Cord.THINNEST, Cord.THICKEST));
            }
        }
        if (!stitch.cores().allows(cores)) {
            faults.add(Fault.of(
                    "cores",
                    "swatch.cores",
                    stitch.cores().least(),
                    stitch.cores().most(),
                    cores));
        }
        if (faults.isEmpty()) {
            believable("body", body, pitchRatio(), faults);
            believable("used", used, useRatio(), faults);
            if (used.isLessThan(body)) {
                faults.add(Fault.of("used", "swatch.used", used, body));
            }
        }
        return faults;
    }

    private static void believable(String field, Length value, double ratio, List<Fault> faults) {
        if (ratio > FARTHEST || ratio < 1 / FARTHEST) {
            faults.add(Fault.of(field, "swatch.far", value, new Length(Math.round(value.micrometres() / ratio))));
        }
    }

    public Gauge gauge() {
        double d = working.toMillimetres() * material.tensionFactor();
        double dc = cores == 0 ? d : core.toMillimetres() * material.tensionFactor();
        return new Gauge(d, dc, cores, stitch.coreLayout());
    }

    /** The cord that a strand was expected to use, by geometry. */
    public Use cord() {
        return of(
                Ways.of(stitch, Seat.WORKING, material, gauge(), Optional.of(maker)),
                repeats * stitch.use(gauge(), Seat.WORKING).toMillimetres());
    }

    /** How long the stitch was expected to come out, by geometry. */
    public Use pitch() {
        return of(
                Ways.pitch(stitch, material, gauge(), Optional.of(maker)),
                repeats * stitch.pitch(gauge()).toMillimetres());
    }

    private Use of(List<Load> loads, double expected) {
        return new Use(Ways.feature(stitch), 0, List.of(new Share(expected, loads)));
    }

    /** What it says of the cord that a strand uses. */
    Observation ofCord(long number, long day) {
        return seen(number, day, cord(), used);
    }

    /** What it says of how long the stitch comes out. */
    Observation ofPitch(long number, long day) {
        return seen(number, day, pitch(), body);
    }

    private Observation seen(long number, long day, Use use, Length measured) {
        return new Observation(
                number,
                day,
                -number - 1,
                List.of(maker + " " + stitch.code(), maker),
                use,
                measured.toMillimetres(),
                Observation.Kind.EXACT,
                READING,
                true,
                true);
    }

    /** Measured pitch over that from geometry. */
    public double pitchRatio() {
        return body.toMillimetres() / (repeats * stitch.pitch(gauge()).toMillimetres());
    }

    /** Measured cord use over that from geometry. */
    public double useRatio() {
        return used.toMillimetres()
                / (repeats * stitch.use(gauge(), Seat.WORKING).toMillimetres());
    }
}
