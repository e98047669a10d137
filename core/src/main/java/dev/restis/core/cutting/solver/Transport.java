package dev.restis.core.cutting.solver;

import com.google.ortools.graph.MinCostFlow;
import java.util.OptionalLong;

/** Moves amounts from sources to sinks at least cost, in whole numbers. */
public final class Transport {

    private Transport() {}

    /**
     * The least cost of moving everything.
     *
     * @param supply of each source; not negative
     * @param capacity of each sink; all together at least the supply of all sources
     * @param cost of one unit by source and sink; below 0 where nothing may go
     * @return nothing where the native code is missing, or where not everything can go
     */
    public static OptionalLong leastCost(long[] supply, long[] capacity, long[][] cost) {
        if (!NativeSolver.there()) {
            return OptionalLong.empty();
        }
        MinCostFlow flow = new MinCostFlow();
        int rest = supply.length + capacity.length;
        long all = 0;
        for (int from = 0; from < supply.length; from++) {
            flow.setNodeSupply(from, supply[from]);
            all += supply[from];
            for (int to = 0; to < capacity.length; to++) {
                if (cost[from][to] >= 0) {
                    flow.addArcWithCapacityAndUnitCost(
                            from, supply.length + to, Math.min(supply[from], capacity[to]), cost[from][to]);
                }
            }
        }
        for (int to = 0; to < capacity.length; to++) {
            flow.addArcWithCapacityAndUnitCost(supply.length + to, rest, capacity[to], 0);
        }
        flow.setNodeSupply(rest, -all);
        return flow.solve() == MinCostFlow.Status.OPTIMAL
                ? OptionalLong.of(flow.getOptimalCost())
                : OptionalLong.empty();
    }
}
