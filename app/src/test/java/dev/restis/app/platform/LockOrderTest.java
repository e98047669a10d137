package dev.restis.app.platform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.restis.app.platform.LockOrder.Rank;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** The one order in which rows are locked, and what is told of locks that do not keep to it. */
class LockOrderTest {

    @BeforeEach
    void inATransaction() {
        TransactionSynchronizationManager.initSynchronization();
    }

    @AfterEach
    void ended() {
        TransactionSynchronizationManager.clear();
    }

    @Test
    void rowsAreLockedByTheirIdsAndOnlyOnce() {
        assertThat(LockOrder.next(Rank.HOLDING, List.of(7L, 3L, 5L, 3L))).containsExactly(3L, 5L, 7L);
        assertThat(LockOrder.next(Rank.HOLDING, List.of(5L, 9L))).containsExactly(9L);
        assertThat(LockOrder.holds(Rank.HOLDING, 3)).isTrue();
        assertThat(LockOrder.holds(Rank.HOLDING, 4)).isFalse();
        assertThat(LockOrder.holds(Rank.LOT, 3)).isFalse();
    }

    @Test
    void ranksGoOneWay() {
        LockOrder.next(Rank.ORDER, List.of(2L));
        LockOrder.next(Rank.CUT_LIST, List.of(1L));
        LockOrder.next(Rank.LOT, List.of(1L));
        assertThatThrownBy(() -> LockOrder.next(Rank.HOLDING, List.of(8L)))
                .isInstanceOf(AssertionError.class)
                .hasMessageContaining("HOLDING [8]");
        assertThatThrownBy(() -> LockOrder.next(Rank.ORDER, List.of(3L))).isInstanceOf(AssertionError.class);
    }

    @Test
    void withinARankIdsGoOneWayToo() {
        LockOrder.next(Rank.CUT_LIST, List.of(4L));
        assertThatThrownBy(() -> LockOrder.next(Rank.CUT_LIST, List.of(2L))).isInstanceOf(AssertionError.class);
    }

    @Test
    void whatIsHeldMayBeAskedForAgainAtAnyTime() {
        LockOrder.next(Rank.ORDER, List.of(2L));
        LockOrder.next(Rank.LOT, List.of(1L));
        assertThat(LockOrder.next(Rank.ORDER, List.of(2L))).isEmpty();
        assertThat(LockOrder.next(Rank.CUT_LIST, List.of())).isEmpty();
    }

    @Test
    void eachTransactionBeginsAnew() {
        LockOrder.next(Rank.LOT, List.of(1L));
        TransactionSynchronizationManager.clear();
        TransactionSynchronizationManager.initSynchronization();
        assertThat(LockOrder.next(Rank.ORDER, List.of(1L))).containsExactly(1L);
    }
}
