package dev.restis.core.cutting;

import dev.restis.core.cutting.Demand.OneLot;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What a planner works on.
 *
 * @param demands strands to cut
 * @param holdings what they may be cut from, in the order of preference: remnants and oldest first
 * @param begun the lots of pieces and sets of which something is cut already; the rest must come from them
 * @param pins holdings that pieces must be cut from, by piece: all strands of the holding's article
 * @param aims what is saved and what is spared, in money
 */
public record CutRequest(
        List<Demand> demands,
        List<Holding> holdings,
        Map<OneLot, Long> begun,
        Map<Long, Set<Long>> pins,
        CutAims aims) {
    public CutRequest {
        demands = List.copyOf(demands);
        holdings = List.copyOf(holdings);
        begun = Map.copyOf(begun);
        pins = Map.copyOf(pins);
    }

    public CutRequest(List<Demand> demands, List<Holding> holdings, Map<OneLot, Long> begun, CutAims aims) {
        this(demands, holdings, begun, Map.of(), aims);
    }

    public CutRequest(List<Demand> demands, List<Holding> holdings, Map<OneLot, Long> begun) {
        this(demands, holdings, begun, Map.of(), CutAims.USUAL);
    }

    public CutRequest(List<Demand> demands, List<Holding> holdings) {
        this(demands, holdings, Map.of());
    }

    /** The same for other strands. */
    CutRequest with(List<Demand> others) {
        return new CutRequest(others, holdings, begun, pins, aims);
    }

    /** The same on other holdings. */
    public CutRequest on(List<Holding> others) {
        return new CutRequest(demands, others, begun, pins, aims);
    }

    /** The same with pieces pinned to holdings. */
    public CutRequest pinned(Map<Long, Set<Long>> to) {
        return new CutRequest(demands, holdings, begun, to, aims);
    }

    /** The one holding that a strand must be cut from, where its piece is pinned to one of its article. */
    Optional<Long> pin(Demand demand) {
        Set<Long> pinned = pins.getOrDefault(demand.piece(), Set.of());
        return pinned.isEmpty()
                ? Optional.empty()
                : holdings.stream()
                        .filter(h -> h.article() == demand.article() && pinned.contains(h.id()))
                        .map(Holding::id)
                        .findFirst();
    }
}
