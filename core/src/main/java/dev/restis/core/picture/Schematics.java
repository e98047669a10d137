package dev.restis.core.picture;

import dev.restis.core.cord.Hardware;
import dev.restis.core.cord.Hardware.Measure;
import dev.restis.core.pattern.Section.KnotKind;
import dev.restis.core.picture.Lanes.Lane;
import dev.restis.core.picture.Picture.Kind;
import dev.restis.core.picture.Picture.Place;
import dev.restis.core.piece.KnotSize;
import dev.restis.core.piece.WorkedPiece;
import dev.restis.core.stitch.Bundle;
import java.util.ArrayList;
import java.util.List;

/** Single knots, loops and hardware as clear schematics. */
final class Schematics {

    private final Canvas canvas;
    private final WorkedPiece piece;

    Schematics(Canvas canvas, WorkedPiece piece) {
        this.canvas = canvas;
        this.piece = piece;
    }

    /** How long a knot stands, as it is drawn. */
    double knotHeight(KnotKind kind, int wraps, List<Lane> lanes) {
        double d = lanes.stream().mapToDouble(Lane::thickness).max().orElse(1);
        int strands = Math.min(Bundle.MOST, Math.max(1, lanes.size()));
        return KnotSize.height(kind, wraps, strands, d).toMillimetres();
    }

    void knot(KnotKind kind, int wraps, List<Lane> lanes, double from, double to) {
        double d = lanes.stream().mapToDouble(Lane::thickness).max().orElse(1);
        double half = Math.max(d, Lanes.width(lanes) / 2);
        switch (kind) {
            case BARREL -> wraps(lanes.get(0).slot(), d, wraps + 1, half + 0.4 * d, from);
            case OVERHAND, REEF, HALF_HITCH -> slanted(lanes, d, from, to, half + 0.5 * d, 3, 0.9);
            case CONNECTING, SNAKE, SIMPLE_STOP -> crossed(lanes, d, from, to, half + 0.6 * d);
            case BUTTON -> ball(lanes, d, (from + to) / 2, (to - from) / 2);
        }
    }

    /** Turns straight across a bundle. */
    void wraps(int slot, double d, int turns, double half, double from) {
        List<Place> at = new ArrayList<>();
        for (int i = 0; i < turns; i++) {
            at.add(Place.along(from + (i + 0.5) * d));
        }
        canvas.repeated(
                at,
                () -> canvas.cord(
                        slot,
                        d,
                        CentreLine.smooth(
                                List.of(
                                        new Point(-0.18 * d, -half, 0.5 * d),
                                        new Point(0, 0, 2.4 * d),
                                        new Point(0.18 * d, half, 0.5 * d)),
                                4)));
    }

    /** Turns that lie across the bundle at a slant, the middle one on top. */
    private void slanted(List<Lane> lanes, double d, double from, double to, double half, int turns, double slant) {
        double step = (to - from) / turns;
        for (int i = 0; i < turns; i++) {
            double at = from + (i + 0.5) * step;
            double top = 2.2 * d - Math.abs(i - (turns - 1) / 2.0) * 0.5 * d;
            canvas.cord(
                    lanes.get((i + 1) % lanes.size()).slot(),
                    Math.max(d, step * 0.8),
                    CentreLine.smooth(
                            List.of(
                                    new Point(at - slant * step * 0.5, -half * 0.86, top - d),
                                    new Point(at, 0, top),
                                    new Point(at + slant * step * 0.5, half * 0.86, top - d)),
                            4));
        }
    }

    /** Two strands that cross over each other, one on top each way. */
    private void crossed(List<Lane> lanes, double d, double from, double to, double half) {
        double middle = (from + to) / 2;
        for (int i = 0; i < 2; i++) {
            double side = i == 0 ? 1 : -1;
            int slot = lanes.get(i % lanes.size()).slot();
            for (double part : new double[] {-0.25, 0.25}) {
                double at = middle + part * (to - from);
                double top = (part * side > 0 ? 2.4 : 1.6) * d;
                canvas.cord(
                        slot,
                        d,
                        CentreLine.smooth(
                                List.of(
                                        new Point(at - 0.35 * d * side, -half * 0.8, 0.4 * d),
                                        new Point(at, 0, top),
                                        new Point(at + 0.35 * d * side, half * 0.8, 0.4 * d)),
                                4));
            }
        }
    }

    /** A two-strand button: a ball of arcs that cross over and under each other. */
    private void ball(List<Lane> lanes, double d, double middle, double radius) {
        double r = Math.max(radius, 1.5 * d);
        for (int i = 0; i < 6; i++) {
            double angle = Math.PI * (i % 3 - 1) / 3 + (i < 3 ? 0.35 : -0.35) + (i < 3 ? 0 : Math.PI);
            double offset = 0.42 * r;
            List<Point> arc = new ArrayList<>();
            for (int s = -2; s <= 2; s++) {
                double along = s / 2.0 * 0.9 * r;
                double aside = offset * (1 - s * s / 5.0);
                arc.add(new Point(
                        middle + along * Math.cos(angle) - aside * Math.sin(angle),
                        along * Math.sin(angle) + aside * Math.cos(angle),
                        (2.2 - Math.abs(s) * 0.5 + (s > 0 ? 0.5 : 0)) * d));
            }
            canvas.cord(lanes.get(i % lanes.size()).slot(), d, CentreLine.smooth(arc, 3));
        }
    }

    /** Folded strands around a bar at {@code bar}, each pair of legs with the bight across them. */
    void larksHeads(List<Lane> lanes, double bar, int direction) {
        for (int pair = 0; pair < (lanes.size() + 1) / 2; pair++) {
            Lane first = lanes.get(Math.min(2 * pair, lanes.size() - 1));
            Lane second = lanes.get(Math.min(2 * pair + 1, lanes.size() - 1));
            double d = first.thickness();
            for (Lane lane : List.of(first, second)) {
                canvas.cord(
                        lane.slot(),
                        lane.thickness(),
                        CentreLine.smooth(
                                List.of(
                                        new Point(bar - direction * 1.2 * d, lane.across(), 1.4 * d),
                                        new Point(bar, lane.across(), 1.5 * d),
                                        new Point(bar + direction * 2.2 * d, lane.across(), 0.2 * d)),
                                4));
            }
            canvas.straight(
                    first.slot(),
                    d,
                    bar + direction * 0.9 * d,
                    first.across() - 0.3 * d,
                    bar + direction * 0.9 * d,
                    second.across() + 0.3 * d,
                    2.1 * d);
        }
    }

    /**
     * Strands that turn around a bar: each pair of lanes is a run and its return.
     *
     * @param direction where the band lies, seen from the bar: 1 after it, -1 before it
     */
    void bends(List<Lane> lanes, List<int[]> pairs, double bar, int direction) {
        for (int[] pair : pairs) {
            Lane out = lanes.get(pair[0]);
            Lane back = lanes.get(pair[1]);
            double d = out.thickness();
            double middle = (out.across() + back.across()) / 2;
            canvas.cord(
                    out.slot(),
                    d,
                    CentreLine.smooth(
                            List.of(
                                    new Point(bar + direction * 2.2 * d, out.across(), 0.2 * d),
                                    new Point(bar, out.across(), 1.5 * d),
                                    new Point(bar - direction * 0.9 * d, middle, 1.7 * d),
                                    new Point(bar, back.across(), 1.5 * d),
                                    new Point(bar + direction * 2.2 * d, back.across(), 0.2 * d)),
                            4));
        }
    }

    /** An eye: pairs of legs bowed apart, meeting at the left. */
    void loop(List<Integer> slots, double from, double to) {
        double out = (to - from) * 0.32;
        int pairs = Math.max(1, slots.size() / 2);
        for (int pair = 0; pair < pairs; pair++) {
            double d = Lanes.diameter(piece, slots.get(Math.min(2 * pair, slots.size() - 1)));
            double beyond = pair * d;
            for (int side : new int[] {-1, 1}) {
                int slot = slots.get(Math.min(2 * pair + (side < 0 ? 0 : 1), slots.size() - 1));
                canvas.cord(
                        slot,
                        d,
                        CentreLine.smooth(
                                List.of(
                                        new Point(from - beyond, 0, 0),
                                        new Point(
                                                from + 0.12 * (to - from) - beyond * 0.6,
                                                side * (0.6 * out + beyond * 0.7),
                                                0),
                                        new Point((from + to) / 2, side * (out + beyond), 0),
                                        new Point(to - 0.15 * (to - from), side * (0.75 * out + beyond * 0.7), 0),
                                        new Point(to + 0.5, side * (d / 2 + beyond * 0.4), 0)),
                                5));
            }
        }
    }

    /** A part from {@code from} to {@code to}, where the strands are; it may lie either way. */
    void draw(Hardware part, int slot, double from, double to) {
        double middle = (from + to) / 2;
        double length = Math.abs(to - from);
        double towards = Math.signum(to - from);
        double bar = part.millimetres(Measure.BAR);
        double inner = part.millimetres(Measure.INNER_WIDTH);
        switch (part.kind()) {
            case RING -> canvas.ring(slot, middle - bar / 2, 0, 0, inner / 2 + bar / 2, bar);
            case BEAD, SLIDE_BEAD ->
                canvas.bead(
                        slot,
                        middle,
                        0,
                        2,
                        length / 2,
                        part.millimetres(Measure.ACROSS) / 2,
                        part.millimetres(Measure.HOLE) / 2);
            case BREAKAWAY -> {
                double hole = part.millimetres(Measure.HOLE);
                canvas.plate(Kind.PLATE, slot, from + length * 0.24, 0, 1, length * 0.48, hole + 3, 2);
                canvas.plate(Kind.PLATE, slot, to - length * 0.24, 0, 1, length * 0.48, hole + 3, 2);
                canvas.plate(Kind.PLATE, slot, middle, 0, 1.5, length * 0.12, hole, 0.6);
            }
            case BUTTON -> canvas.bead(slot, middle, 0, 3, length / 2, part.millimetres(Measure.ACROSS) / 2, 0);
            case CHARM -> {
                double across = part.millimetres(Measure.ACROSS);
                canvas.ring(slot, from + bar, 0, 1, 2 * bar, bar);
                canvas.bead(slot, from + 3 * bar + across / 2, 0, 1, across / 2, across / 2.4, 0);
            }
            case CENTREPIECE -> {
                double height = inner + 2 * bar + 4;
                canvas.plate(Kind.PLATE, slot, middle, 0, 0.5, length, height, height / 3);
                canvas.plate(Kind.GAP, slot, from + 1.6 * bar, 0, 0.8, 1.4 * bar, inner, 0.5);
                canvas.plate(Kind.GAP, slot, to - 1.6 * bar, 0, 0.8, 1.4 * bar, inner, 0.5);
            }
            case BUCKLE -> {
                frame(slot, from + length * 0.3, length * 0.6, inner, bar);
                canvas.plate(Kind.PLATE, slot, to - length * 0.3, 0, 1.2, length * 0.44, inner * 0.62, 1.5);
                frame(slot, to - 1.5 * bar, 3 * bar, inner, bar);
            }
            case THIMBLE -> frame(slot, middle, length, inner, bar);
            case SHACKLE -> {
                frame(slot, middle, length, inner, bar);
                canvas.plate(Kind.PLATE, slot, to - bar, 0, 1.6, 1.6 * bar, inner + 5 * bar, bar * 0.8);
            }
            case CLASP -> {
                double body = length - inner - 2 * bar;
                canvas.ring(slot, to - towards * inner / 2, 0, 0, inner / 2 + bar / 2, bar);
                canvas.plate(Kind.PLATE, slot, to - towards * (inner + bar * 1.5), 0, 1, 2.4 * bar, 2.4 * bar, bar);
                frame(slot, from + towards * body / 2, body, inner * 0.7, bar);
            }
        }
    }

    /** The half of a part that lies at the other end of the band. */
    void other(Hardware part, int slot, double at) {
        double bar = part.millimetres(Measure.BAR);
        double inner = part.millimetres(Measure.INNER_WIDTH);
        frame(slot, at + 1.5 * bar, 3 * bar, inner, bar);
        if (part.kind() == Hardware.Kind.BUCKLE) {
            canvas.plate(Kind.PLATE, slot, at + 3 * bar + 3, 0, 1.2, 7, inner * 0.62, 1.5);
        }
    }

    private void frame(int slot, double middle, double length, double inner, double bar) {
        canvas.plate(Kind.PLATE, slot, middle, 0, 0.4, length, inner + 2 * bar, bar);
        canvas.plate(Kind.GAP, slot, middle, 0, 0.5, Math.max(1, length - 2 * bar), inner, bar / 2);
    }
}
