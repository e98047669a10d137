package dev.restis.app.platform;

import java.time.Clock;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

@Configuration(proxyBeanMethods = false)
class Clocks {

    @Bean
    Clock clock() {
        return Clock.systemDefaultZone();
    }
}
