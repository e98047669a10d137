package dev.restis.core.cutting.solver;

import java.util.List;

/** How many of each long stock may be begun, in the order in which {@link Bulk} names them. */
final class Begun {

    private final int[] least;
    private final int[] most;

    private Begun(int[] least, int[] most) {
        this.least = least;
        this.most = most;
    }

    static Begun any(GridProblem problem, List<Integer> kinds) {
        return new Begun(
                new int[kinds.size()],
                kinds.stream().mapToInt(k -> problem.stock(k).available()).toArray());
    }

    int least(int i) {
        return least[i];
    }

    int most(int i) {
        return most[i];
    }

    /** What all of one kind can gain at most, where one gains so much, and costs {@code extra} when it must be begun. */
    long most(long gain, long extra, int i) {
        return gain > 0 ? gain * most[i] : Math.max(gain, -extra) * least[i];
    }

    Begun atMost(int i, int number) {
        int[] fewer = most.clone();
        fewer[i] = number;
        return new Begun(least, fewer);
    }

    Begun atLeast(int i, int number) {
        int[] more = least.clone();
        more[i] = number;
        return new Begun(more, most);
    }
}
