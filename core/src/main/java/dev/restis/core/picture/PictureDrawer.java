package dev.restis.core.picture;

import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.Role;
import dev.restis.core.pattern.Role.Seat;
import dev.restis.core.pattern.Section;
import dev.restis.core.piece.PieceRequest;
import dev.restis.core.piece.WorkedPiece;
import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.Stitches;
import java.util.ArrayList;
import java.util.List;

/**
 * Draws a worked-out piece laid flat, from the same stitch paths that measure its cord. Strands are not yet pulled
 * tight: they pass their stitch's waypoints. Cost is linear in repeats.
 */
public final class PictureDrawer {

    /** How much of the piece is drawn. */
    public enum Detail {
        /** A few repeats of the body. */
        CHIP(8),
        /** The piece from end to end, long tails cut short. */
        FULL(Integer.MAX_VALUE);

        private final int mostRepeats;

        Detail(int mostRepeats) {
            this.mostRepeats = mostRepeats;
        }
    }

    private static final double DRAWN_TAIL = 34;

    private final WorkedPiece piece;
    private final Pattern pattern;
    private final Detail detail;
    private final Canvas canvas = new Canvas();
    private final double core;
    private final double working;

    private PictureDrawer(WorkedPiece piece, Detail detail) {
        this.piece = piece;
        this.pattern = piece.request().pattern();
        this.detail = detail;
        this.working = diameter(pattern.firstIn(Seat.WORKING));
        this.core = pattern.legsIn(Seat.CORE) == 0 ? working : diameter(pattern.firstIn(Seat.CORE));
    }

    public static Picture draw(WorkedPiece piece, Detail detail) {
        return new PictureDrawer(piece, detail).picture();
    }

    private double diameter(Role role) {
        return piece.request().cords().get(role.slot()).workedMillimetres();
    }

    private Picture picture() {
        StitchRun body = body();
        double end = body.end();
        if (detail == Detail.FULL) {
            for (Section section : pattern.sections()) {
                section.accept(new Ends(end));
            }
        }
        return canvas.picture(0, end);
    }

    private StitchRun body() {
        Stitch stitch = pattern.stitch();
        List<Integer> slots = slotsIn(Seat.WORKING);
        StitchRun run = new StitchRun(canvas, stitch, slots, slotsIn(Seat.CORE), core, working);
        int left = detail.mostRepeats;
        List<Integer> groups = piece.fit().groups();
        for (int g = 0; g < groups.size() && left > 0; g++) {
            if (g > 0) {
                PieceRequest.Beads beads = piece.request().beads().orElseThrow();
                run.bead(
                        beads.bead().length().toMillimetres(),
                        beads.bead().diameter().toMillimetres(),
                        pattern.body().beadSeat() == Seat.WORKING);
            }
            int repeats = Math.min(left, groups.get(g));
            run.repeats(repeats);
            left -= repeats;
        }
        run.finish();
        return run;
    }

    /** The colours of the strands in a seat, one entry a strand. */
    private List<Integer> slotsIn(Seat seat) {
        List<Integer> slots = new ArrayList<>();
        for (Role role : pattern.roles()) {
            for (int i = 0; i < role.legsIn(seat); i++) {
                slots.add(role.slot());
            }
        }
        return slots;
    }

    /** Draws what lies beyond the body. */
    private final class Ends implements Section.Visitor<Boolean> {
        private final double end;

        private Ends(double end) {
            this.end = end;
        }

        @Override
        public Boolean ringMount(Section.RingMount section) {
            piece.request().ring().ifPresent(ring -> {
                double wire = ring.bar().toMillimetres();
                double radius = ring.innerWidth().toMillimetres() / 2 + wire / 2;
                double reach = 2 * working;
                canvas.ring(new Point(-reach - radius, 0, 0), radius, wire);
                larksHead(reach, wire);
            });
            return true;
        }

        private void larksHead(double reach, double wire) {
            List<Integer> slots = slotsIn(Seat.CORE);
            for (int i = 0; i < slots.size(); i++) {
                double y = (i - (slots.size() - 1) / 2.0) * 2.2 * working;
                for (double side : new double[] {-0.55, 0.55}) {
                    canvas.cord(
                            slots.get(i),
                            working,
                            List.of(
                                    new Point(-reach - wire - working * 0.4, y + side * working, 0.9 * working),
                                    new Point(-reach, y + side * working, 1.2 * working),
                                    new Point(0.3 * working, y * 0.7 + side * working, 0.2)));
                }
                canvas.cord(
                        slots.get(i),
                        working,
                        List.of(
                                new Point(-0.75 * reach, y - 1.0 * working, 1.6 * working),
                                new Point(-0.75 * reach, y + 1.0 * working, 1.6 * working)));
            }
        }

        @Override
        public Boolean body(Section.Body section) {
            return true;
        }

        @Override
        public Boolean slider(Section.Slider section) {
            List<Integer> tails = pattern.roles().stream()
                    .filter(Role::slides)
                    .flatMap(r -> java.util.Collections.nCopies(r.count(), r.slot()).stream())
                    .toList();
            double d = diameter(
                    pattern.roles().stream().filter(Role::slides).findFirst().orElseThrow());
            double tail =
                    Math.min(DRAWN_TAIL, piece.fit().band().orElseThrow().tail().toMillimetres());
            double slider = piece.fit().band().orElseThrow().slider().toMillimetres();
            double reach = Math.max(tail, slider + 8);
            tails(tails, d, -tail, 0, -tail);
            tails(tails, d, end, end + reach + 4, end + reach + 4);
            List<Integer> closure = slotsIn(Seat.CLOSURE);
            StitchRun run = new StitchRun(
                    canvas,
                    Stitches.SQUARE_KNOT,
                    closure,
                    List.of(),
                    d * tails.size(),
                    diameter(pattern.firstIn(Seat.CLOSURE)));
            run.startAt(end + 4);
            run.repeats(section.halfKnots() / 2);
            run.finish();
            return true;
        }

        private void tails(List<Integer> slots, double d, double from, double to, double stop) {
            for (int i = 0; i < slots.size(); i++) {
                double y = (i - (slots.size() - 1) / 2.0) * d;
                canvas.cord(slots.get(i), d, List.of(new Point(from, y, 0), new Point(to, y, 0)));
            }
            endKnot(slots, d, stop, slots.size() * d / 2 + 0.4 * d);
        }

        @Override
        public Boolean overhandEnd(Section.OverhandEnd section) {
            List<Integer> slots = new ArrayList<>(slotsIn(Seat.CORE));
            slots.addAll(slotsIn(Seat.WORKING));
            double d = working;
            double fringe = section.fringe().toMillimetres();
            double knot = end + 2 * d;
            for (int i = 0; i < slots.size(); i++) {
                double y = (i - (slots.size() - 1) / 2.0) * d;
                canvas.cord(
                        slots.get(i),
                        d,
                        CentreLine.smooth(
                                List.of(
                                        new Point(end, y, 0),
                                        new Point(knot, y * 0.5, 0.1 * i),
                                        new Point(knot + fringe, y * 1.9, 0.1 * i)),
                                6));
            }
            endKnot(slots, d, knot, 1.7 * d);
            return true;
        }

        /** An overhand as it looks from the front: turns that lie across the bundle at a slant. */
        private void endKnot(List<Integer> slots, double d, double x, double half) {
            for (int turn = -1; turn <= 1; turn++) {
                double at = x + turn * 0.85 * d;
                int slot = slots.get(Math.floorMod(turn + 1, slots.size()));
                canvas.cord(
                        slot,
                        d,
                        List.of(
                                new Point(at - 0.3 * d, -half, 2 * d + turn * 0.1),
                                new Point(at, 0, 2 * d + turn * 0.1),
                                new Point(at + 0.3 * d, half, 2 * d + turn * 0.1)));
            }
        }
    }
}
