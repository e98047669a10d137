package dev.restis.core.pattern;

import dev.restis.core.stitch.Seat;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;

/**
 * One end of a folded strand, or the whole of a straight one, from the fold to its tip: often one course, but a cord may lay the
 * core first, turn round, and work back down over it.
 *
 * @param courses in order; all but the last turn into the next
 */
public record Leg(List<Course> courses) {

    /** More runs make a band that no bar takes. */
    public static final int MOST = 8;

    public Leg {
        courses = List.copyOf(courses);
        if (courses.isEmpty() || courses.size() > MOST) {
            throw new IllegalArgumentException(
                    "a leg has 1 to " + MOST + " courses but this one has " + courses.size());
        }
        for (int i = 0; i < courses.size(); i++) {
            if (courses.get(i).last() != (i == courses.size() - 1)) {
                throw new IllegalArgumentException("every course but the last turns into the next, but course "
                        + (i + 1) + " of " + courses.size() + " does not");
            }
        }
    }

    /** Runs along the piece once. */
    public static Leg in(Seat seat) {
        return new Leg(List.of(new Course(seat, Course.END)));
    }

    /** Goes on after a turn. */
    public Leg then(Course.Turn turn, Seat seat) {
        List<Course> longer = new ArrayList<>(courses.subList(0, courses.size() - 1));
        longer.add(new Course(last(), turn));
        longer.add(new Course(seat, Course.END));
        return new Leg(longer);
    }

    /** What it does first, where it is mounted. */
    public Seat first() {
        return courses.get(0).seat();
    }

    /** What it does last, where it ends. */
    public Seat last() {
        return courses.get(courses.size() - 1).seat();
    }

    /** How often it runs in any of {@code seats}. */
    public int runsIn(Collection<Seat> seats) {
        int runs = 0;
        for (Course course : courses) {
            runs += seats.contains(course.seat()) ? 1 : 0;
        }
        return runs;
    }

    public boolean takes(Collection<Seat> seats) {
        return runsIn(seats) > 0;
    }

    /**
     * How often it turns at a part.
     *
     * @param far at the end of the piece that is made last; else at that where the leg begins
     */
    public int turnsAt(String hardware, boolean far) {
        int turns = 0;
        for (int i = 0; i < courses.size(); i++) {
            boolean here = courses.get(i).turn() instanceof Course.Turn.AtPart part
                    && part.hardware().equals(hardware);
            turns += here && i % 2 == (far ? 0 : 1) ? 1 : 0;
        }
        return turns;
    }
}
