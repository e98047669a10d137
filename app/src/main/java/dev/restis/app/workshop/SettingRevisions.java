package dev.restis.app.workshop;

import dev.restis.app.platform.Problems.Conflict;
import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Tells the second of two who change one setting that what they saw does not stand any more. */
@Service
public class SettingRevisions {

    private final EntityManager entities;

    SettingRevisions(EntityManager entities) {
        this.entities = entities;
    }

    /** The revision that stands; whoever changes the setting says which one they saw. */
    @Transactional(readOnly = true)
    public int of(Setting setting) {
        return entities.find(SettingRevision.class, setting).revision();
    }

    /**
     * Holds the setting until the transaction ends.
     *
     * @param seen the revision that is being changed
     * @return the revision that stands from now on
     * @throws Conflict if somebody else changed it since
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public int next(Setting setting, int seen) {
        SettingRevision row = entities.find(SettingRevision.class, setting, LockModeType.PESSIMISTIC_WRITE);
        entities.refresh(row);
        if (row.revision() != seen) {
            throw new Conflict("changedMeanwhile");
        }
        row.change();
        return row.revision();
    }
}
