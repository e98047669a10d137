package dev.restis.core.make;

import dev.restis.core.make.WorkCard.Place;
import dev.restis.core.pattern.Section.Body;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.Waypoint;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Which leg lies where in a body, from left to right. */
final class Places {

    /** A leg and how far from the middle it starts a repeat, as waypoints count it. */
    private record At(double across, Place place) {}

    private Places() {}

    /**
     * Legs take the paths of their seats in the order of the pattern's roles, as the picture has them. The picture is drawn from left
     * to right and its across runs down; hung up by its start, what lay low lies left.
     */
    static List<Place> of(CardDraft card, Body body) {
        Stitch stitch = body.stitch();
        List<At> all = new ArrayList<>();
        for (Seat seat : List.of(Seat.CORE, Seat.WORKING, Seat.FALL, Seat.EDGE)) {
            List<Place> legs = legs(card, body.legsOf(seat));
            List<Double> starts = starts(stitch, seat, legs.size());
            for (int i = 0; i < legs.size() && !starts.isEmpty(); i++) {
                all.add(new At(starts.get(i % starts.size()), legs.get(i)));
            }
        }
        all.sort(Comparator.comparingDouble(At::across).reversed());
        return all.stream().map(At::place).toList();
    }

    private static List<Place> legs(CardDraft card, List<Seat> seats) {
        List<Place> legs = new ArrayList<>();
        for (int strand = 0; strand < card.strands.size(); strand++) {
            CardDraft.Cut cut = card.strands.get(strand);
            for (int leg : cut.legs()) {
                for (var course : cut.role().legs().get(leg).courses()) {
                    if (seats.contains(course.seat())) {
                        legs.add(new Place(strand, leg, course.seat()));
                    }
                }
            }
        }
        return legs;
    }

    private static List<Double> starts(Stitch stitch, Seat seat, int legs) {
        List<Double> starts = new ArrayList<>();
        for (Stitch.StrandPath path : stitch.paths()) {
            if (path.seat() == seat) {
                List<Waypoint> points =
                        path.waypoints(Math.max(1, stitch.cores().least()));
                starts.add(points.isEmpty() ? 0 : points.get(0).across());
            }
        }
        boolean cores = seat == Seat.CORE && stitch.cores().most() > 0;
        return starts.isEmpty() && cores ? straight(stitch, legs) : starts;
    }

    /** Cores without a path lie side by side, or in the columns that are theirs. */
    private static List<Double> straight(Stitch stitch, int cores) {
        List<Double> starts = new ArrayList<>();
        int columns = stitch.columns().size();
        for (int c = 0; c < columns; c++) {
            if (stitch.columns().get(c) == Seat.CORE) {
                starts.add(c + 0.5 - columns / 2.0);
            }
        }
        for (int c = 0; c < cores && columns == 0; c++) {
            starts.add((2 * c + 1.0) / cores - 1);
        }
        return starts;
    }
}
