package dev.restis.core.cutting.solver;

import java.util.List;

/**
 * A plan on the grid.
 *
 * @param cost in cost units
 * @param bound what no plan costs less than, in cost units
 * @param plain what best fit decreasing costs; the same as {@code cost} where that is the plan
 */
public record GridPlan(List<Cutting> cuttings, long cost, long bound, long plain) {

    public GridPlan {
        cuttings = List.copyOf(cuttings);
    }

    /** How far the plan may be from the best, as a share of the bound; 0 when it is the best. */
    public double gap() {
        return bound <= 0 ? (cost <= bound ? 0 : 1) : (double) (cost - bound) / bound;
    }
}
