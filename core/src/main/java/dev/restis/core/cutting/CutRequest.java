package dev.restis.core.cutting;

import dev.restis.core.cutting.Demand.OneLot;
import java.util.List;
import java.util.Map;

/**
 * What a planner works on.
 *
 * @param demands strands to cut
 * @param holdings what they may be cut from, in the order of preference: remnants and oldest first
 * @param begun the lots of sets of which something is cut already; the rest must come from them
 * @param aims what is saved and what is spared, in money
 */
public record CutRequest(List<Demand> demands, List<Holding> holdings, Map<OneLot, Long> begun, CutAims aims) {
    public CutRequest {
        demands = List.copyOf(demands);
        holdings = List.copyOf(holdings);
        begun = Map.copyOf(begun);
    }

    public CutRequest(List<Demand> demands, List<Holding> holdings, Map<OneLot, Long> begun) {
        this(demands, holdings, begun, CutAims.USUAL);
    }

    public CutRequest(List<Demand> demands, List<Holding> holdings) {
        this(demands, holdings, Map.of());
    }

    /** The same for other strands. */
    CutRequest with(List<Demand> others) {
        return new CutRequest(others, holdings, begun, aims);
    }
}
