package dev.restis.app;

import java.util.ArrayList;
import java.util.List;
import javax.sql.DataSource;
import net.ttddyy.dsproxy.QueryInfo;
import net.ttddyy.dsproxy.support.ProxyDataSourceBuilder;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;

/** Counts the statements that each thread sends to the database, but for those about who is signed in. */
@TestConfiguration(proxyBeanMethods = false)
class CountedStatements {

    private static final ThreadLocal<List<String>> SENT = ThreadLocal.withInitial(ArrayList::new);

    /** Begins to count anew for this thread. */
    static void begin() {
        SENT.get().clear();
    }

    /** What this thread sent since. */
    static List<String> sent() {
        return List.copyOf(SENT.get());
    }

    @Bean
    static BeanPostProcessor counting() {
        return new BeanPostProcessor() {
            @Override
            public Object postProcessAfterInitialization(Object bean, String name) {
                return bean instanceof DataSource source
                        ? ProxyDataSourceBuilder.create(source)
                                .afterQuery((execution, queries) -> queries.stream()
                                        .map(QueryInfo::getQuery)
                                        .filter(query -> !query.contains("SPRING_SESSION"))
                                        .forEach(query -> SENT.get().add(query)))
                                .build()
                        : bean;
            }
        };
    }
}
