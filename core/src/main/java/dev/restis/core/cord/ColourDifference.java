package dev.restis.core.cord;

import java.util.ArrayList;
import java.util.List;

/**
 * How another colour differs from the one that was wanted, by CIEDE2000 (CIE 142-2001; as in Sharma, Wu and Dalal, "The
 * CIEDE2000 color-difference formula: implementation notes, supplementary test data, and mathematical observations",
 * Color Research and Application 30, 2005), with all weights 1.
 *
 * @param distance ΔE00, 0 for the same colour; 1 is about the least that a trained eye tells apart
 * @param turns in what ways it differs, the strongest first; empty when nobody would see it
 */
public record ColourDifference(double distance, List<Turn> turns) {

    /** One way in which a colour differs from another. */
    public enum Turn {
        LIGHTER,
        DARKER,
        MORE_VIVID,
        DULLER,
        REDDER,
        YELLOWER,
        GREENER,
        BLUER
    }

    /** How much a difference matters when strands lie side by side. */
    public enum Degree {
        /** Nobody would see it. */
        NONE(1),
        /** Seen only by who looks for it. */
        SLIGHT(3),
        /** Seen at a glance, still the same colour by name. */
        PLAIN(8),
        /** A relative of the colour. */
        STRONG(16),
        /** Another colour. */
        OTHER(Double.POSITIVE_INFINITY);

        private final double below;

        Degree(double below) {
            this.below = below;
        }
    }

    private static final double POW_25_7 = Math.pow(25, 7);
    /** A part of the difference is worth a word when it is at least this share of the strongest. */
    private static final double WORTH_A_WORD = 0.45;
    /** Hue angles at which people see pure red, yellow, green and blue, in degrees of CIELAB. */
    private static final double[] PURE = {24, 90, 162, 246};

    private static final Turn[] PURE_TURNS = {Turn.REDDER, Turn.YELLOWER, Turn.GREENER, Turn.BLUER};

    public ColourDifference {
        turns = List.copyOf(turns);
    }

    public Degree degree() {
        for (Degree degree : Degree.values()) {
            if (distance < degree.below) {
                return degree;
            }
        }
        throw new IllegalStateException("Impossible state: a colour distance of " + distance);
    }

    /** From the colour that was wanted to one that is offered. */
    public static ColourDifference between(Colour wanted, Colour offered) {
        double chroma = (Math.hypot(wanted.a(), wanted.b()) + Math.hypot(offered.a(), offered.b())) / 2;
        double g = 0.5 * (1 - Math.sqrt(Math.pow(chroma, 7) / (Math.pow(chroma, 7) + POW_25_7)));
        double a1 = (1 + g) * wanted.a();
        double a2 = (1 + g) * offered.a();
        double c1 = Math.hypot(a1, wanted.b());
        double c2 = Math.hypot(a2, offered.b());
        double h1 = hue(a1, wanted.b());
        double h2 = hue(a2, offered.b());
        boolean grey = c1 * c2 == 0;
        double turned = grey ? 0 : h2 - h1 > 180 ? h2 - h1 - 360 : h2 - h1 < -180 ? h2 - h1 + 360 : h2 - h1;
        double lightness = offered.lightness() - wanted.lightness();
        double vividness = c2 - c1;
        double hue = 2 * Math.sqrt(c1 * c2) * Math.sin(Math.toRadians(turned / 2));

        double meanL = (wanted.lightness() + offered.lightness()) / 2;
        double meanC = (c1 + c2) / 2;
        double meanH = grey
                ? h1 + h2
                : Math.abs(h1 - h2) <= 180 ? (h1 + h2) / 2 : h1 + h2 < 360 ? (h1 + h2 + 360) / 2 : (h1 + h2 - 360) / 2;
        double t = 1
                - 0.17 * cos(meanH - 30)
                + 0.24 * cos(2 * meanH)
                + 0.32 * cos(3 * meanH + 6)
                - 0.20 * cos(4 * meanH - 63);
        double off50 = (meanL - 50) * (meanL - 50);
        double sl = 1 + 0.015 * off50 / Math.sqrt(20 + off50);
        double sc = 1 + 0.045 * meanC;
        double sh = 1 + 0.015 * meanC * t;
        double c7 = Math.pow(meanC, 7);
        double rotation = -Math.sin(Math.toRadians(60 * Math.exp(-Math.pow((meanH - 275) / 25, 2))))
                * 2
                * Math.sqrt(c7 / (c7 + POW_25_7));
        double l = lightness / sl;
        double c = vividness / sc;
        double h = hue / sh;
        double distance = Math.sqrt(Math.max(0, l * l + c * c + h * h + rotation * c * h));
        return new ColourDifference(distance, distance < Degree.NONE.below ? List.of() : turns(l, c, h, h1, turned));
    }

    private static List<Turn> turns(double l, double c, double h, double from, double turned) {
        record Part(double size, Turn turn) {}
        List<Part> parts = new ArrayList<>(List.of(
                new Part(Math.abs(l), l > 0 ? Turn.LIGHTER : Turn.DARKER),
                new Part(Math.abs(c), c > 0 ? Turn.MORE_VIVID : Turn.DULLER),
                new Part(Math.abs(h), towards(from, turned))));
        parts.sort((one, other) -> Double.compare(other.size(), one.size()));
        double least = WORTH_A_WORD * parts.get(0).size();
        return parts.stream().filter(p -> p.size() >= least).map(Part::turn).toList();
    }

    /** The pure hue that lies next in the direction of the turn. */
    private static Turn towards(double from, double turned) {
        int next = 0;
        double nearest = Double.POSITIVE_INFINITY;
        for (int i = 0; i < PURE.length; i++) {
            double ahead = turned >= 0 ? PURE[i] - from : from - PURE[i];
            double way = (ahead % 360 + 360) % 360;
            if (way < nearest) {
                nearest = way;
                next = i;
            }
        }
        return PURE_TURNS[next];
    }

    private static double hue(double a, double b) {
        double degrees = Math.toDegrees(Math.atan2(b, a));
        return degrees < 0 ? degrees + 360 : degrees;
    }

    private static double cos(double degrees) {
        return Math.cos(Math.toRadians(degrees));
    }
}
