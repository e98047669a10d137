package dev.restis.core.cutting;

import java.util.List;

/**
 * What a planner works on.
 *
 * @param demands strands to cut
 * @param holdings what they may be cut from, in the order of preference: remnants and oldest first
 */
public record CutRequest(List<Demand> demands, List<Holding> holdings) {
    public CutRequest {
        demands = List.copyOf(demands);
        holdings = List.copyOf(holdings);
    }
}
