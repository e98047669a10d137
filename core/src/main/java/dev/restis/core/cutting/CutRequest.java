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
 */
public record CutRequest(List<Demand> demands, List<Holding> holdings, Map<OneLot, Long> begun) {
    public CutRequest {
        demands = List.copyOf(demands);
        holdings = List.copyOf(holdings);
        begun = Map.copyOf(begun);
    }

    public CutRequest(List<Demand> demands, List<Holding> holdings) {
        this(demands, holdings, Map.of());
    }
}
