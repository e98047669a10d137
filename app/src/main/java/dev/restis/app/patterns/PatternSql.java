package dev.restis.app.patterns;

import jakarta.persistence.EntityManager;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** What of patterns only PostgreSQL can say. */
@Component
class PatternSql {

    private final EntityManager entities;

    PatternSql(EntityManager entities) {
        this.entities = entities;
    }

    /** Nobody else adds a version until the transaction ends; reading goes on. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void lockVersions() {
        entities.createNativeQuery("lock table pattern_version in exclusive mode")
                .executeUpdate();
    }
}
