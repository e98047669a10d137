package dev.restis.app.platform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import dev.restis.app.platform.Problems.Conflict;
import jakarta.persistence.OptimisticLockException;
import jakarta.persistence.PersistenceException;
import java.sql.SQLException;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.aop.framework.ProxyFactory;
import org.springframework.dao.CannotAcquireLockException;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** What is done again as a whole, and what is told at once. */
class RetriesTest {

    interface Act {
        String act();
    }

    static class Service {
        private final Act act;

        Service(Act act) {
            this.act = act;
        }

        @Transactional
        public String transactional() {
            return act.act();
        }

        public String plain() {
            return act.act();
        }
    }

    private final Act act = mock(Act.class);
    private Service service;

    @BeforeEach
    void wrapped() {
        ProxyFactory proxy = new ProxyFactory(new Service(act));
        proxy.setProxyTargetClass(true);
        proxy.addAdvisor(Retries.tryAgain());
        service = (Service) proxy.getProxy();
    }

    static Stream<RuntimeException> collisions() {
        return Stream.of(
                new CannotAcquireLockException("deadlock", new SQLException("deadlock detected", "40P01")),
                new PersistenceException(new SQLException("could not serialize", "40001")),
                new OptimisticLockException("changed"),
                new LockOrder.Overtaken());
    }

    @ParameterizedTest
    @MethodSource("collisions")
    void whatCollidedIsTriedAgain(RuntimeException collision) {
        when(act.act()).thenThrow(collision).thenThrow(collision).thenReturn("done");
        assertThat(service.transactional()).isEqualTo("done");
        verify(act, times(3)).act();
    }

    @Test
    void whoeverAlwaysCollidesIsToldAfterAWhile() {
        when(act.act()).thenThrow(new OptimisticLockException("changed"));
        assertThatThrownBy(service::transactional).isInstanceOf(OptimisticLockException.class);
        verify(act, times(5)).act();
    }

    @Test
    void whatIsRefusedIsToldAtOnce() {
        when(act.act()).thenThrow(new Conflict("order.notNow"));
        assertThatThrownBy(service::transactional).isInstanceOf(Conflict.class);
        verify(act, times(1)).act();
    }

    @Test
    void whatIsThereAlreadyIsToldAtOnce() {
        when(act.act()).thenThrow(new DuplicateKeyException("twice", new SQLException("twice", "23505")));
        assertThatThrownBy(service::transactional).isInstanceOf(DuplicateKeyException.class);
        verify(act, times(1)).act();
    }

    @Test
    void withinATransactionNothingIsLeftToTry() {
        TransactionSynchronizationManager.setActualTransactionActive(true);
        try {
            when(act.act()).thenThrow(new OptimisticLockException("changed"));
            assertThatThrownBy(service::transactional).isInstanceOf(OptimisticLockException.class);
            verify(act, times(1)).act();
        } finally {
            TransactionSynchronizationManager.setActualTransactionActive(false);
        }
    }

    @Test
    void whatOpensNoTransactionIsLeftAlone() {
        when(act.act()).thenThrow(new OptimisticLockException("changed"));
        assertThatThrownBy(service::plain).isInstanceOf(OptimisticLockException.class);
        verify(act, times(1)).act();
    }
}
