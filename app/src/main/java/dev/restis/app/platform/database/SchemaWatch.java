package dev.restis.app.platform.database;

import com.github.kagkarlsson.scheduler.Scheduler;
import dev.restis.app.platform.Outdated;
import jakarta.persistence.EntityManager;
import java.util.Arrays;
import java.util.Comparator;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.MigrationInfo;
import org.flywaydb.core.api.MigrationVersion;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Sees when a newer Restis has brought the schema forward: this one must not write to it any more. */
@Component
class SchemaWatch {

    private static final Logger LOG = LoggerFactory.getLogger(SchemaWatch.class);

    private final EntityManager entities;
    private final Outdated outdated;
    private final ObjectProvider<Scheduler> scheduler;
    private final MigrationVersion own;

    SchemaWatch(EntityManager entities, Flyway flyway, Outdated outdated, ObjectProvider<Scheduler> scheduler) {
        this.entities = entities;
        this.outdated = outdated;
        this.scheduler = scheduler;
        this.own = Arrays.stream(flyway.info().all())
                .map(MigrationInfo::getVersion)
                .filter(v -> v != null)
                .max(Comparator.naturalOrder())
                .orElse(MigrationVersion.EMPTY);
    }

    @Scheduled(fixedDelay = 2000)
    @Transactional(readOnly = true)
    public void look() {
        if (outdated.is()) {
            return;
        }
        String there = (String) entities.createNativeQuery("""
                        select version from flyway_schema_history where success and version is not null
                        order by installed_rank desc limit 1
                        """, String.class).getSingleResult();
        if (MigrationVersion.fromVersion(there).compareTo(own) > 0) {
            LOG.warn(
                    "A newer Restis uses this database now (schema {}, ours is {}); this one stops serving",
                    there,
                    own);
            outdated.now();
            scheduler.ifAvailable(Scheduler::pause);
        }
    }
}
