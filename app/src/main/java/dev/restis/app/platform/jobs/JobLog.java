package dev.restis.app.platform.jobs;

import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.time.Clock;
import java.time.Duration;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Writes down how jobs go, each time in a short transaction of its own. */
@Service
class JobLog {

    private static final Duration KEPT = Duration.ofDays(7);

    private final EntityManager entities;
    private final Clock clock;

    JobLog(EntityManager entities, Clock clock) {
        this.entities = entities;
        this.clock = clock;
    }

    /** Begins a job, where it is still to be done. */
    @Transactional
    public Optional<RunningJob> begin(long id) {
        Job job = entities.find(Job.class, id, LockModeType.PESSIMISTIC_WRITE);
        if (job == null || !job.state().inWork()) {
            return Optional.empty();
        }
        if (!job.wanted()) {
            job.end(JobState.STOPPED, null, null, clock.instant());
            return Optional.empty();
        }
        job.start(clock.instant());
        return Optional.of(new RunningJob(id, job.order()));
    }

    /** Ends a job; one that ended already, with what came of it, stays so. */
    @Transactional
    public void end(long id, JobState how, @Nullable String result, @Nullable String problem) {
        Job job = entities.find(Job.class, id, LockModeType.PESSIMISTIC_WRITE);
        if (job != null && job.state().inWork()) {
            job.end(how, result, problem, clock.instant());
        }
    }

    /** Writes progress down; answers whether the job is still wanted. */
    @Transactional
    public boolean progress(RunningJob job) {
        if (job.hasNews()) {
            entities.createQuery(
                            "update versioned Job j set j.done = :done, j.whole = :whole where j.id = :id and j.state = RUNNING")
                    .setParameter("done", job.done())
                    .setParameter("whole", job.whole())
                    .setParameter("id", job.id())
                    .executeUpdate();
        }
        return entities.createQuery("select j.wanted from Job j where j.id = :id", Boolean.class)
                .setParameter("id", job.id())
                .getResultStream()
                .findFirst()
                .orElse(false);
    }

    /** Forgets what ended long ago. */
    @Transactional
    public void tidy() {
        entities.createQuery("delete from Job j where j.endedAt < :then")
                .setParameter("then", clock.instant().minus(KEPT))
                .executeUpdate();
    }
}
