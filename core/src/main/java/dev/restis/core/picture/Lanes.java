package dev.restis.core.picture;

import dev.restis.core.pattern.Role;
import dev.restis.core.piece.WorkedPiece;
import dev.restis.core.stitch.Seat;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;

/** The strands of some seats side by side. */
final class Lanes {

    /** One strand: its cord, its worked diameter and how far from the middle it runs. */
    record Lane(int slot, double thickness, double across) {}

    private Lanes() {}

    /** The cords of all runs in {@code seats}, in the order of the pattern's roles. */
    static List<Integer> slots(WorkedPiece piece, Collection<Seat> seats) {
        List<Integer> slots = new ArrayList<>();
        for (Role role : piece.request().pattern().roles()) {
            for (int i = 0; i < role.count(); i++) {
                for (int leg = 0; leg < role.legs().size(); leg++) {
                    for (int run = role.legs().get(leg).runsIn(seats); run > 0; run--) {
                        slots.add(role.slotOf(leg));
                    }
                }
            }
        }
        return slots;
    }

    /** All runs in {@code seats} side by side, the middle at 0. */
    static List<Lane> of(WorkedPiece piece, Collection<Seat> seats) {
        return sideBySide(piece, slots(piece, seats));
    }

    static List<Lane> sideBySide(WorkedPiece piece, List<Integer> slots) {
        double width = 0;
        for (int slot : slots) {
            width += diameter(piece, slot);
        }
        List<Lane> lanes = new ArrayList<>();
        double at = -width / 2;
        for (int slot : slots) {
            double d = diameter(piece, slot);
            lanes.add(new Lane(slot, d, at + d / 2));
            at += d;
        }
        return lanes;
    }

    static double width(List<Lane> lanes) {
        return lanes.stream().mapToDouble(Lane::thickness).sum();
    }

    static double diameter(WorkedPiece piece, int slot) {
        return piece.request().cords().get(slot).workedMillimetres();
    }
}
