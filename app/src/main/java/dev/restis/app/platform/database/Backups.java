package dev.restis.app.platform.database;

import java.time.Clock;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

@Configuration(proxyBeanMethods = false)
class Backups {

    @Bean
    Backup backup(Clock clock) {
        return new Backup(clock);
    }
}
