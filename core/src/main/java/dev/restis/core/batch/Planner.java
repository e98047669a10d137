package dev.restis.core.batch;

/** Makes plans. Pure: the same work and effort give the same plan. */
public interface Planner {

    /** Hears of each plan that is better than the last, and says whether to go on. */
    interface Watch {
        /** For whoever only wants the last one. */
        Watch NOBODY = better -> true;

        /** @return whether to go on */
        boolean better(WorkPlan plan);

        /** Asked again and again; a search that shall not go on ends with the best it has. */
        default boolean goesOn() {
            return true;
        }

        /** How many of its cycles are through. */
        default void progress(int done, int all) {}
    }

    /**
     * @param effort how much is tried; 1 is usual, more is never worse
     * @return a plan in which every parcel stands once, at a maker who ties it
     * @throws IllegalArgumentException when nobody ties one of them
     */
    WorkPlan plan(PlanWork work, double effort, Watch watch);
}
