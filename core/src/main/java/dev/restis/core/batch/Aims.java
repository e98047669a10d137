package dev.restis.core.batch;

/**
 * What a plan is judged by, the first first.
 *
 * @param lateDays days that orders are late, each by its weight
 * @param lateOrders how many are
 * @param effort seconds: set-ups, four for each piece and day that it waits for the rest of its order, sixty a batch, and what
 *     changes that people have seen
 */
public record Aims(long lateDays, int lateOrders, long effort) implements Comparable<Aims> {

    /** A piece that waits a day for the rest of its order. */
    public static final int WAITING = 4;
    /** A batch. */
    public static final int BATCH = 60;
    /** A piece that people have seen on another day, a day in the first week; later ones. */
    public static final int MOVED = 120;

    public static final int MOVED_LATER = 40;
    /** From more days on it is simply elsewhere. */
    public static final int MOST_MOVED = 3;
    /** As many days another maker is worth. */
    public static final int OTHER_MAKER = 2;

    public static final int WEEK = 7;

    @Override
    public int compareTo(Aims other) {
        int byDays = Long.compare(lateDays, other.lateDays);
        int byOrders = byDays != 0 ? byDays : Integer.compare(lateOrders, other.lateOrders);
        return byOrders != 0 ? byOrders : Long.compare(effort, other.effort);
    }

    /** What a parcel costs that stands elsewhere than people have seen it. */
    public static long disturbance(PlanWork.Seen seen, int maker, int day, int pieces) {
        if (seen.maker() < 0) {
            return 0;
        }
        int moved = Math.min(Math.abs(day - seen.day()), Math.abs(day - seen.pushed()));
        int days = Math.min(MOST_MOVED, moved) + (maker == seen.maker() ? 0 : OTHER_MAKER);
        return (long) days * pieces * (seen.day() < WEEK ? MOVED : MOVED_LATER);
    }
}
