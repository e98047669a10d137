package dev.restis.app.platform;

import java.util.Collection;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableSet;
import java.util.TreeSet;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * The one order in which rows are locked: orders, then batches, customers, cut lists, stocktakes, holdings and lots, each by their ids. Two who
 * keep to it never wait for each other in a circle. Whoever locks says so here first; where assertions are on, as in all
 * tests, a lock out of order fails at once instead of once in a thousand evenings. {@code docs/locks.md} says who locks what.
 */
public final class LockOrder {

    /** In the order in which they are locked. Pieces are locked by locking their orders. */
    public enum Rank {
        ORDER,
        BATCH,
        CUSTOMER,
        CUT_LIST,
        STOCKTAKE,
        HOLDING,
        LOT
    }

    /**
     * What should have been locked before was not, because it was somebody else's when we looked: the transaction begins
     * again, see {@link Retries}.
     */
    public static final class Overtaken extends RuntimeException {
        public Overtaken() {
            super("what had to be locked first has changed meanwhile");
        }
    }

    private LockOrder() {}

    /**
     * Notes that rows are locked next.
     *
     * @return those that this transaction does not hold yet, in the order to lock them in
     */
    public static List<Long> next(Rank rank, Collection<Long> ids) {
        NavigableSet<Long> fresh = new TreeSet<>(ids);
        if (TransactionSynchronizationManager.isSynchronizationActive()) {
            Held held = held();
            fresh.removeAll(held.of(rank));
            assert held.permits(rank, fresh) : "locks out of order: " + rank + " " + fresh + " after " + held.byRank;
            held.of(rank).addAll(fresh);
        }
        return List.copyOf(fresh);
    }

    /** Whether this transaction holds the row. */
    public static boolean holds(Rank rank, long id) {
        return TransactionSynchronizationManager.isSynchronizationActive()
                && held().of(rank).contains(id);
    }

    private static Held held() {
        for (TransactionSynchronization synchronization : TransactionSynchronizationManager.getSynchronizations()) {
            if (synchronization instanceof Held held) {
                return held;
            }
        }
        Held held = new Held();
        TransactionSynchronizationManager.registerSynchronization(held);
        return held;
    }

    /** What a transaction holds; it goes with it. */
    private static final class Held implements TransactionSynchronization {
        private final Map<Rank, NavigableSet<Long>> byRank = new EnumMap<>(Rank.class);

        NavigableSet<Long> of(Rank rank) {
            return byRank.computeIfAbsent(rank, r -> new TreeSet<>());
        }

        boolean permits(Rank rank, NavigableSet<Long> fresh) {
            boolean laterHeld = byRank.entrySet().stream()
                    .anyMatch(
                            e -> e.getKey().compareTo(rank) > 0 && !e.getValue().isEmpty());
            return fresh.isEmpty() || !laterHeld && (of(rank).isEmpty() || of(rank).last() < fresh.first());
        }
    }
}
