package dev.restis.core.batch;

import java.util.Set;
import java.util.TreeSet;

/**
 * What lies on a bench while pieces are tied: what stays from one to the next, and what must be changed for others.
 *
 * @param family of stitches and gauge step: what hands and boards are set to
 * @param jig what the work is held by, and its hardware
 * @param cords the articles whose spools are mounted
 */
public record Bench(String family, String jig, Set<Long> cords) {

    public Bench {
        cords = Set.copyOf(cords);
    }

    /** Whether pieces on both make one batch: nothing but spools is changed between them. */
    public boolean grouped(Bench other) {
        return family.equals(other.family) && jig.equals(other.jig);
    }

    /** The same for benches on which the same lies. */
    public String key() {
        return family + "|" + jig + "|" + new TreeSet<>(cords);
    }
}
