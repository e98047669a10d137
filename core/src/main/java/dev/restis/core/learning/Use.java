package dev.restis.core.learning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A use as it is expected: {@code fixed + sum of amount * exp(log factor)} over its shares. Of a strand its cord, in millimetres; of
 * a body its length; of a piece its seconds.
 *
 * @param noise what is tied mostly, by which the noise from piece to piece is kept
 * @param fixed what no hand changes; not negative
 */
public record Use(String noise, double fixed, List<Share> shares) {

    public Use {
        shares = List.copyOf(shares);
        if (!(fixed >= 0)) {
            throw new IllegalArgumentException("fixed must not be negative but was " + fixed);
        }
    }

    /** What geometry expects in all. */
    public double expected() {
        return fixed + shares.stream().mapToDouble(Share::amount).sum();
    }

    /** @param shares amounts by ways of tying; the noise is kept by what most of it is tied in */
    public static Use of(double fixed, Map<List<Load>, Double> shares) {
        List<Share> all = new ArrayList<>();
        shares.forEach((loads, amount) -> all.add(new Share(amount, loads)));
        String mostly = all.stream()
                .max(Comparator.comparingDouble(Share::amount))
                .map(share -> share.loads().get(0).feature())
                .orElse("");
        return new Use(mostly, fixed, all);
    }

    /** What several take that were measured as one. */
    public static Use together(List<Use> uses) {
        if (uses.size() == 1) {
            return uses.get(0);
        }
        Map<List<Load>, Double> shares = new LinkedHashMap<>();
        double fixed = 0;
        for (Use use : uses) {
            fixed += use.fixed();
            use.shares().forEach(share -> shares.merge(share.loads(), share.amount(), Double::sum));
        }
        return of(fixed, shares);
    }
}
