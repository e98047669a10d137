package dev.restis.app.learning;

import dev.restis.app.learning.ObservationRow.Standing;
import dev.restis.app.platform.jobs.Jobs;
import dev.restis.app.platform.jobs.Jobs.Asked;
import jakarta.persistence.EntityManager;
import java.util.Collection;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Where those who measure say what they measured. It is only written down; one worker learns from it, a moment later. */
@Service
public class Observations {

    private final EntityManager entities;
    private final Jobs jobs;

    Observations(EntityManager entities, Jobs jobs) {
        this.entities = entities;
        this.jobs = jobs;
    }

    @Transactional(propagation = Propagation.MANDATORY)
    public void heard(Heard heard) {
        entities.persist(new ObservationRow(heard));
        ask();
    }

    /** What these rows said is taken back; what was read from several at once, with one of them. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void takenBack(Source source, Collection<Long> sources) {
        List<ObservationRow> rows = of(source, sources);
        rows.forEach(row -> row.stands(Standing.TAKEN_BACK));
        if (!rows.isEmpty()) {
            ask();
        }
    }

    /** What these rows said holds again. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void broughtBack(Source source, Collection<Long> sources) {
        of(source, sources).forEach(row -> row.stands(Standing.STANDS));
        ask();
    }

    @SuppressWarnings("unchecked")
    private List<ObservationRow> of(Source source, Collection<Long> sources) {
        return entities.createNativeQuery("""
                        select * from observation where source = :source and sources && :sources order by id for no key update
                        """, ObservationRow.class)
                .setParameter("source", source.name())
                .setParameter("sources", sources.toArray(Long[]::new))
                .getResultList();
    }

    void ask() {
        jobs.askAgain(Asked.of(Folding.KIND, Folding.SUBJECT, 0), Folding.WHO);
    }
}
