package dev.restis.app.platform;

import java.time.Duration;
import java.util.Optional;
import org.aopalliance.intercept.MethodInterceptor;
import org.springframework.aop.Advisor;
import org.springframework.aop.ProxyMethodInvocation;
import org.springframework.aop.support.DefaultPointcutAdvisor;
import org.springframework.aop.support.annotation.AnnotationMatchingPointcut;
import org.springframework.beans.factory.config.BeanDefinition;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Role;
import org.springframework.core.Ordered;
import org.springframework.core.retry.RetryException;
import org.springframework.core.retry.RetryPolicy;
import org.springframework.core.retry.RetryTemplate;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * What collided with what somebody else did is tried again, as a whole new transaction: a deadlock that the database broke,
 * or a row that changed between reading and writing. It wraps the outermost transaction only; within one there is nothing
 * left to try.
 */
@Configuration(proxyBeanMethods = false)
class Retries {

    private static final int TIMES = 4;

    /** Around the advice that opens transactions. */
    @Bean
    @Role(BeanDefinition.ROLE_INFRASTRUCTURE)
    // A method may well answer nothing; the template's type does not say so.
    @SuppressWarnings("NullAway")
    static Advisor tryAgain() {
        RetryTemplate template = new RetryTemplate(RetryPolicy.builder()
                .maxRetries(TIMES)
                .delay(Duration.ofMillis(20))
                .jitter(Duration.ofMillis(15))
                .multiplier(2)
                .predicate(SqlState::collided)
                .build());
        MethodInterceptor again = call -> {
            if (TransactionSynchronizationManager.isActualTransactionActive()) {
                return call.proceed();
            }
            try {
                return template.execute(
                        () -> ((ProxyMethodInvocation) call).invocableClone().proceed());
            } catch (RetryException e) {
                throw Optional.ofNullable(e.getCause()).orElse(e);
            }
        };
        DefaultPointcutAdvisor advisor =
                new DefaultPointcutAdvisor(AnnotationMatchingPointcut.forMethodAnnotation(Transactional.class), again);
        advisor.setOrder(Ordered.LOWEST_PRECEDENCE - 1);
        return advisor;
    }
}
