package dev.restis.app.platform.database;

import java.time.Clock;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

@Configuration(proxyBeanMethods = false)
class Backups {

    @Bean
    Backup backup() {
        // The house's own clock needs a database that is up to date; a backup is made before it is.
        return new Backup(Clock.systemUTC());
    }
}
