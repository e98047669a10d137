package dev.restis.core.cutting;

/** Lays strands out on holdings. Deterministic: the same request gives the same plan. */
public interface CutPlanner {

    CutPlan plan(CutRequest request);
}
