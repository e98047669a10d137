package dev.restis.core.picture;

import dev.restis.core.cord.Hardware;
import dev.restis.core.cord.Hardware.Measure;
import dev.restis.core.fit.EyeFit;
import dev.restis.core.pattern.Course;
import dev.restis.core.pattern.Leg;
import dev.restis.core.pattern.Role;
import dev.restis.core.pattern.Section;
import dev.restis.core.picture.Lanes.Lane;
import dev.restis.core.stitch.Seat;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Draws where strands are fastened: parts that they are mounted on or turn at, eyes and ears. */
final class Mounts {

    private final Sheet sheet;
    private final Set<String> mountedOn = new HashSet<>();

    Mounts(Sheet sheet) {
        this.sheet = sheet;
    }

    boolean mount(Section.Mount section) {
        List<Lane> lanes = Lanes.of(sheet.piece, section.seats());
        if (section.hardware().isEmpty()) {
            sheet.parts.larksHeads(lanes, sheet.x, 1);
            return true;
        }
        String slot = section.hardware().get();
        Optional<Hardware> part = sheet.hardware(slot);
        if (part.isEmpty()) {
            return false;
        }
        double length = part.get().millimetres(Measure.LENGTH);
        double stands =
                section.hitch() == Section.Hitch.FOLD ? 0 : 2 * lanes.get(0).thickness();
        if (!mountedOn.add(slot)) {
            again(slot, lanes);
            return true;
        }
        boolean middle = section.seats().contains(Seat.SECOND_CORE) && section.within();
        if (middle) {
            double head = 2 * lanes.get(0).thickness();
            lanes = Lanes.of(sheet.piece, List.of(Seat.CORE));
            sheet.parts.larksHeads(lanes, sheet.x + head, -1);
            sheet.parts.draw(part.get(), sheet.slotNumber(slot), sheet.x + head, sheet.x + head + length);
            sheet.parts.larksHeads(Lanes.of(sheet.piece, List.of(Seat.SECOND_CORE)), sheet.x + head + length, 1);
            sheet.on(2 * head + length);
        } else if (section.within()) {
            sheet.parts.draw(part.get(), sheet.slotNumber(slot), sheet.x, sheet.x + length);
            List<int[]> returns = bends(slot, section.seats(), false);
            if (returns.isEmpty()) {
                sheet.parts.larksHeads(lanes, sheet.x + length, 1);
            } else {
                sheet.parts.larksHeads(lanes.subList(lanes.size() / 2 - 1, lanes.size() / 2 + 1), sheet.x + length, 1);
                sheet.parts.bends(lanes, returns, sheet.x + length, 1);
            }
            sheet.on(length + stands);
        } else {
            double reach = length > 0
                    ? length
                    : part.get().millimetres(Measure.INNER_WIDTH) + part.get().millimetres(Measure.BAR);
            reach = Math.max(reach, part.get().millimetres(Measure.ACROSS));
            boolean atStart = sheet.x == 0;
            sheet.parts.draw(part.get(), sheet.slotNumber(slot), atStart ? sheet.x - reach : sheet.x + reach, sheet.x);
            sheet.parts.larksHeads(lanes, sheet.x, atStart ? 1 : -1);
            sheet.x += atStart ? stands : reach;
            sheet.measuredTo = atStart ? sheet.x : sheet.measuredTo;
        }
        return true;
    }

    /** More strands on a part that is drawn: beside the others at the start, on its other half at the end. */
    private void again(String slot, List<Lane> lanes) {
        if (sheet.bodies == 0) {
            sheet.parts.larksHeads(lanes, sheet.x - 2 * lanes.get(0).thickness(), 1);
            return;
        }
        sheet.parts.larksHeads(lanes, sheet.x, -1);
        boolean drawnBack = sheet.pattern.all(Section.TuckBack.class).stream()
                .anyMatch(t -> t.hardware().filter(slot::equals).isPresent());
        if (!drawnBack) {
            otherHalf(slot);
        }
    }

    /**
     * What turns at one end of the piece, as indices of its lanes: a run and its return, or twice a run that goes over into
     * something else. A cord's fold lies in the middle, and each leg runs to and fro outwards from there.
     *
     * @param far the end that is made last
     */
    private List<int[]> bends(String slot, Collection<Seat> seats, boolean far) {
        List<int[]> pairs = new ArrayList<>();
        int lanes = 0;
        for (Role role : sheet.pattern.roles()) {
            int first = role.legs().get(0).runsIn(seats);
            for (int leg = 0; leg < role.legs().size(); leg++) {
                List<Course> courses = role.legs().get(leg).courses();
                int middle = lanes + first;
                int towards = leg == 0 ? -1 : 1;
                int from = leg == 0 ? middle - 1 : middle;
                for (int run = far ? 0 : 1; run < courses.size(); run += 2) {
                    boolean here = courses.get(run).turn() instanceof Course.Turn.AtPart part
                            && part.hardware().equals(slot)
                            && seats.contains(courses.get(run).seat());
                    if (here) {
                        boolean returns = seats.contains(courses.get(run + 1).seat());
                        pairs.add(new int[] {from + towards * run, from + towards * (returns ? run + 1 : run)});
                    }
                }
            }
            lanes += role.runsIn(seats);
        }
        return pairs;
    }

    /** What is seen of the far end once all sections are drawn: bars that strands turned at. */
    void farEnd() {
        for (var part : sheet.pattern.hardware()) {
            String slot = part.code();
            Set<Seat> seats = EnumSet.noneOf(Seat.class);
            for (Role role : sheet.pattern.roles()) {
                for (Leg leg : role.legs()) {
                    if (leg.turnsAt(slot, true) > 0) {
                        seats.add(leg.first());
                    }
                }
            }
            if (!seats.isEmpty()) {
                boolean mounted =
                        sheet.pattern.all(Section.Mount.class).stream().anyMatch(m -> m.within() && m.isOn(slot));
                double start = mounted ? sheet.x : sheet.x - sheet.millimetres(slot, Measure.LENGTH);
                double bar = sheet.millimetres(slot, Measure.BAR);
                if (mounted) {
                    otherHalf(slot);
                }
                sheet.parts.bends(Lanes.of(sheet.piece, seats), bends(slot, seats, true), start + bar, -1);
            }
        }
    }

    /** The ears into which legs fold over, at the end from which they work back. */
    void ears() {
        List<Integer> slots = new ArrayList<>();
        for (Role role : sheet.pattern.roles()) {
            for (int leg = 0; leg < role.legs().size(); leg++) {
                if (role.legs().get(leg).courses().stream().anyMatch(c -> c.turn() instanceof Course.Turn.Ear)) {
                    slots.addAll(Collections.nCopies(2, role.slotOf(leg)));
                }
            }
        }
        if (!slots.isEmpty()) {
            loop(slots);
        }
    }

    private void loop(List<Integer> slots) {
        double inside = sheet.piece
                .fit()
                .eye()
                .map(EyeFit::inside)
                .map(l -> l.toMillimetres())
                .orElse(8.0);
        sheet.parts.loop(slots, sheet.x, sheet.x + inside);
        sheet.on(inside);
    }

    boolean eye(Section.Eye section) {
        loop(Lanes.slots(sheet.piece, section.seats()));
        return true;
    }

    private void otherHalf(String slot) {
        sheet.hardware(slot).ifPresent(part -> sheet.parts.other(part, sheet.slotNumber(slot), sheet.x));
    }

    boolean tuckBack(Section.TuckBack section) {
        section.hardware().ifPresent(this::otherHalf);
        if (section.hardware().isPresent()) {
            sheet.straight(section.seats(), sheet.x - 1, sheet.x + 2);
        }
        return true;
    }
}
