package dev.restis.core.batch;

import java.util.List;

/**
 * How likely the orders of a plan are in time, from many days on which hands were quicker and slower than reckoned.
 *
 * @param runs how often the plan was played
 * @param days for each order, how often it was ready on each day, counted from the first of the plan; an order of which nothing is
 *     planned has none
 */
public record Chances(int runs, List<int[]> days) {

    /** How often an order was late, 0 to 1. */
    public double late(int order, DueOrder due) {
        int late = 0;
        int[] of = days.get(order);
        for (int day = 0; day < of.length; day++) {
            late += day > due.due() ? of[day] : 0;
        }
        return runs == 0 ? 0 : (double) late / runs;
    }

    /**
     * The first day on which an order is ready so often.
     *
     * @param chance above 0, to 1
     * @return below 0 for an order of which nothing is planned
     */
    public int day(int order, double chance) {
        int[] of = days.get(order);
        long seen = 0;
        for (int day = 0; day < of.length; day++) {
            seen += of[day];
            if (of[day] > 0 && seen >= chance * runs) {
                return day;
            }
        }
        return of.length - 1;
    }
}
